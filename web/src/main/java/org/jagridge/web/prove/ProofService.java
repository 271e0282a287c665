package org.jagridge.web.prove;

import jakarta.annotation.PreDestroy;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicLong;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Rule;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.format.CircuitReader;
import org.jagridge.core.format.JsonText;
import org.jagridge.core.part.Time;
import org.jagridge.core.prove.Limits;
import org.jagridge.core.prove.ProofWriter;
import org.jagridge.core.prove.Prover;
import org.jagridge.core.prove.Standing;
import org.jagridge.core.prove.Verdict;
import org.jagridge.web.bench.BenchOpener;
import org.jagridge.web.circuits.CircuitRepository;
import org.jagridge.web.circuits.CircuitStore;
import org.jagridge.web.circuits.NotFoundException;
import org.springframework.stereotype.Service;

/** Proves circuits one after the other in the background, and keeps what came of it with the revision. */
@Service
class ProofService {
    private final CircuitStore store;
    private final ProofRepository proofs;
    private final BenchOpener benches;
    private final ExecutorService one = Executors.newSingleThreadExecutor(r -> {
        Thread t = new Thread(r, "proof");
        t.setDaemon(true);
        return t;
    });
    private final Map<Long, Job> jobs = new ConcurrentHashMap<>();

    ProofService(CircuitStore store, ProofRepository proofs, BenchOpener benches) {
        this.store = store;
        this.proofs = proofs;
        this.benches = benches;
    }

    /** How far a proof goes. */
    enum Depth {
        NONE,
        SINGLE,
        SECOND;

        static Depth of(String word) {
            return Arrays.stream(values())
                    .filter(d -> d.name().toLowerCase(Locale.ROOT).equals(word))
                    .findFirst()
                    .orElseThrow(() -> new NotFoundException("There is no proof with \"" + word + "\" faults."));
        }
    }

    /** A proof that is under way or has failed. */
    static final class Job {
        private final long began = System.nanoTime();
        private final AtomicLong done = new AtomicLong();
        private volatile boolean cancelled;
        private volatile String failed;

        /** Instants that were looked at so far. */
        public long done() {
            return done.get();
        }

        public long perSecond() {
            return (long) (done.get() / Math.max(1e-3, (System.nanoTime() - began) / 1e9));
        }

        public long seconds() {
            return (System.nanoTime() - began) / 1_000_000_000;
        }

        /** Why nothing came of it, or null. */
        public String failed() {
            return failed;
        }
    }

    @PreDestroy
    void stop() {
        jobs.values().forEach(j -> j.cancelled = true);
        one.shutdownNow();
    }

    Optional<Job> job(CircuitRepository.Row row) {
        return Optional.ofNullable(jobs.get(row.revisionId()));
    }

    /** Begins unless it is under way already. */
    void start(CircuitRepository.Row row, Depth depth) {
        Job job = new Job();
        Job other = jobs.putIfAbsent(row.revisionId(), job);
        if (other != null && other.failed == null) {
            return;
        }
        jobs.put(row.revisionId(), job);
        Circuit circuit = store.revision(row.revisionId()).circuit();
        List<Rule> rules = rules(circuit, proofs.off(row.id()));
        one.execute(() -> run(row.revisionId(), circuit, rules, depth, job));
    }

    private void run(long revisionId, Circuit circuit, List<Rule> rules, Depth depth, Job job) {
        try {
            Limits limits = Limits.usual().watchedBy(job.done, () -> job.cancelled);
            Map<String, Object> result = ProofWriter.toMap(verdicts(circuit, rules, depth, limits));
            proofs.add(revisionId, JsonText.write(result));
            jobs.remove(revisionId);
        } catch (CancellationException e) {
            jobs.remove(revisionId);
        } catch (RuntimeException e) {
            job.failed = "The proof stopped: " + e.getMessage();
        }
    }

    void cancel(CircuitRepository.Row row) {
        job(row).ifPresent(j -> {
            j.cancelled = true;
            if (j.failed != null) {
                jobs.remove(row.revisionId());
            }
        });
    }

    private static List<Verdict> verdicts(Circuit circuit, List<Rule> rules, Depth depth, Limits limits) {
        List<Verdict> verdicts = Prover.prove(circuit, rules, depth != Depth.NONE, limits);
        return depth == Depth.SECOND ? Prover.secondFaults(circuit, verdicts, limits) : verdicts;
    }

    private static List<Rule> rules(Circuit circuit, List<String> off) {
        List<Rule> rules = new ArrayList<>(circuit.rules());
        Standing.of(circuit).stream().filter(r -> !off.contains(r.id())).forEach(rules::add);
        return rules;
    }

    /** The standing rules that are switched off for a circuit. */
    List<String> off(CircuitRepository.Row circuit) {
        return proofs.off(circuit.id());
    }

    void standing(CircuitRepository.Row circuit, String rule, boolean on) {
        if (on) {
            proofs.switchOn(circuit.id(), rule);
        } else {
            proofs.switchOff(circuit.id(), rule);
        }
    }

    /** What was proved last, with the revision that it was of. */
    record Proved(ProofRepository.Row row, List<Map<String, Object>> results) {}

    @SuppressWarnings("unchecked")
    Optional<Proved> newest(CircuitRepository.Row circuit) {
        return proofs.newest(circuit.id())
                .map(p -> new Proved(p, (List<Map<String, Object>>)
                        ((Map<String, Object>) JsonText.plainValue(p.body())).get("results")));
    }

    /**
     * A bench on which a way was done that broke a rule.
     *
     * @param breaker which of the faults that break it, or which of the hidden ones; -1 for the way without a fault
     * @param second which of the faults on top of the hidden one, or -1
     * @return its address
     */
    String bench(CircuitRepository.Row circuit, String rule, int breaker, int second) {
        Proved proved = newest(circuit).orElseThrow(() -> new NotFoundException("Nothing has been proved here yet."));
        Map<String, Object> result = proved.results().stream()
                .filter(r -> rule.equals(r.get("rule")))
                .findFirst()
                .orElseThrow(() -> new NotFoundException("The proof has no rule \"" + rule + "\"."));
        Map<String, Object> way = result;
        String about = result.get("text").toString();
        if (breaker >= 0) {
            way = second < 0
                    ? at(result.get("breakers"), breaker)
                    : at(at(result.get("latent"), breaker).get("second"), second);
            about += second < 0 ? " – broken with a fault" : " – broken with a hidden fault and another";
        }
        Object steps = way.getOrDefault("counterexample", way == result ? result.get("example") : null);
        Object at = way.getOrDefault("brokenAtSeconds", way == result ? result.get("reachedAtSeconds") : null);
        if (!(steps instanceof List<?> list) || !(at instanceof Number seconds)) {
            throw new NotFoundException("There is nothing to play for this rule.");
        }
        Scenario scenario = CircuitReader.readScenario(
                JsonText.tree(Map.of(
                        "name",
                        about,
                        "steps",
                        list,
                        "faults",
                        way.getOrDefault("faultsAtStart", List.of()),
                        "untilSeconds",
                        seconds.doubleValue() + 1)),
                "",
                store.revision(proved.row().revisionId()).circuit());
        return benches.open(proved.row().revisionId(), scenario, Time.micros(seconds.doubleValue()), about);
    }

    @SuppressWarnings("unchecked")
    private static Map<String, Object> at(Object list, int index) {
        if (!(list instanceof List<?> l) || index >= l.size()) {
            throw new NotFoundException("The proof has no such fault any more.");
        }
        return (Map<String, Object>) l.get(index);
    }
}
