package org.jagridge.web.bench;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.concurrent.ConcurrentHashMap;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.part.Time;
import org.jagridge.web.circuits.CircuitRepository;
import org.jagridge.web.circuits.CircuitStore;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.databind.json.JsonMapper;

/** Opens benches: a circuit's own as it was left, also at a later revision, or one of its own for a trial. */
@Service
public class BenchOpener {
    /** A fresh bench is shown this long after its power came on, when everything has come to rest. */
    private static final long FIRST_LOOK = 10 * Time.SECOND;

    private final BenchRepository benches;
    private final CircuitRepository circuits;
    private final CircuitStore store;
    private final JsonMapper json;
    private final Acts acts;
    private final TransactionTemplate atOnce;
    /** By circuit: who comes first makes its bench, who comes at the same time finds it. */
    private final Map<String, Object> resuming = new ConcurrentHashMap<>();

    BenchOpener(
            BenchRepository benches,
            CircuitRepository circuits,
            CircuitStore store,
            JsonMapper json,
            Acts acts,
            PlatformTransactionManager transactions) {
        atOnce = new TransactionTemplate(transactions);
        this.acts = acts;
        this.benches = benches;
        this.circuits = circuits;
        this.store = store;
        this.json = json;
    }

    /**
     * A bench of its own on which a trial has been done, up to the instant at which it was seen. The circuit's own bench
     * stays as it is.
     *
     * @param about what was seen, a sentence
     * @return its address
     */
    public String open(long revisionId, Scenario hands, long micros, String about) {
        List<Action> actions = acts.of(hands, micros);
        return address(benches.require(benches.add(revisionId, micros, about, actions)));
    }

    /** The address of a circuit's bench as it was left; a new bench where it has none. */
    String resume(String slug) {
        CircuitRepository.Row circuit = circuits.require(slug);
        BenchRepository.Row bench;
        synchronized (resuming.computeIfAbsent(circuit.slug(), s -> new Object())) {
            bench = benches.newestOf(circuit.revisionId())
                    .or(() -> benches.newestOfCircuit(slug)
                            .map(old -> benches.require(takeOver(old, circuit.revisionId()))))
                    .orElseGet(() -> benches.require(benches.add(circuit.revisionId(), FIRST_LOOK)));
        }
        return address(bench);
    }

    /** Where a bench was left. */
    private static String address(BenchRepository.Row bench) {
        return BenchState.url(
                bench.id(), Objects.requireNonNullElse(bench.head(), 0L), BenchService.within(bench.cursorMicros()));
    }

    /**
     * A bench for another revision of the circuit with what was done at an older one, as far as it still applies; all of
     * it or, where the process ends on the way, nothing. The old bench stays as it is.
     *
     * @return the new bench's id
     */
    private long takeOver(BenchRepository.Row old, long revisionId) {
        Takeover takeover = new Takeover(store.revision(revisionId).assembly(), json);
        List<Action> fitting = new ArrayList<>();
        List<String> leftOut = new ArrayList<>();
        for (Action a : old.head() == null ? List.<Action>of() : benches.chain(old.id(), old.head())) {
            takeover.misfit(a).ifPresentOrElse(leftOut::add, () -> fitting.add(a));
        }
        return atOnce.execute(status -> carried(old, revisionId, fitting, leftOut));
    }

    private long carried(BenchRepository.Row old, long revisionId, List<Action> fitting, List<String> leftOut) {
        long bench = benches.add(revisionId, old.cursorMicros());
        Map<Long, Long> newIds = new HashMap<>();
        Long last = null;
        for (Action a : fitting) {
            String body = a.body();
            if (a.kind() == Action.Kind.CLEAR) {
                Long fault = newIds.get(json.readTree(body).get("action").longValue());
                if (fault == null) {
                    continue;
                }
                body = json.writeValueAsString(Map.of("action", fault));
            }
            last = benches.add(
                    bench, new Action(0, last, last, a.micros(), a.micros(), a.kind(), body), old.cursorMicros());
            newIds.put(a.id(), last);
        }
        benches.settle(newIds.keySet(), BenchRepository.Settled.CARRIED);
        if (!leftOut.isEmpty()) {
            benches.leftOut(bench, String.join("\n", leftOut));
        }
        return bench;
    }
}
