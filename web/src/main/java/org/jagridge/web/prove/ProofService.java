package org.jagridge.web.prove;

import jakarta.annotation.PreDestroy;
import java.util.ArrayList;
import java.util.List;
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
import org.jagridge.web.bench.BenchService;
import org.jagridge.web.circuits.CircuitRepository;
import org.jagridge.web.circuits.CircuitStore;
import org.jagridge.web.circuits.NotFoundException;
import org.jagridge.web.waiting.Heavy;
import org.springframework.stereotype.Service;

/** Proves circuits one after the other in the background, and keeps what came of it with the revision. */
@Service
class ProofService {
    private final CircuitStore store;
    private final ProofRepository proofs;
    private final BenchService benches;
    private final Heavy heavy;
    private final ExecutorService one = Executors.newSingleThreadExecutor(r -> {
        Thread t = new Thread(r, "proof");
        t.setDaemon(true);
        return t;
    });
    private final Map<Long, Job> jobs = new ConcurrentHashMap<>();

    ProofService(CircuitStore store, ProofRepository proofs, BenchService benches, Heavy heavy) {
        this.heavy = heavy;
        this.store = store;
        this.proofs = proofs;
        this.benches = benches;
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
    void start(CircuitRepository.Row row, boolean singleFaults) {
        Job job = new Job();
        Job other = jobs.putIfAbsent(row.revisionId(), job);
        if (other != null && other.failed == null) {
            return;
        }
        jobs.put(row.revisionId(), job);
        Circuit circuit = store.revision(row.revisionId()).circuit();
        one.execute(() -> run(row.revisionId(), circuit, singleFaults, job));
    }

    private void run(long revisionId, Circuit circuit, boolean singleFaults, Job job) {
        try {
            Limits limits = Limits.usual().watchedBy(job.done, () -> job.cancelled);
            Map<String, Object> result =
                    ProofWriter.toMap(heavy.call(() -> Prover.prove(circuit, rules(circuit), singleFaults, limits)));
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

    static List<Rule> rules(Circuit circuit) {
        List<Rule> rules = new ArrayList<>(circuit.rules());
        rules.addAll(Standing.of(circuit));
        return rules;
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
     * @param breaker which of the faults that break it, or -1 for the way without a fault
     * @return its address
     */
    @SuppressWarnings("unchecked")
    String bench(CircuitRepository.Row circuit, String rule, int breaker) {
        Proved proved = newest(circuit).orElseThrow(() -> new NotFoundException("Nothing has been proved here yet."));
        Map<String, Object> result = proved.results().stream()
                .filter(r -> rule.equals(r.get("rule")))
                .findFirst()
                .orElseThrow(() -> new NotFoundException("The proof has no rule \"" + rule + "\"."));
        Map<String, Object> way = result;
        String about = result.get("text").toString();
        if (breaker >= 0) {
            List<Map<String, Object>> breakers = (List<Map<String, Object>>) result.get("breakers");
            if (breaker >= breakers.size()) {
                throw new NotFoundException("The proof has no such fault any more.");
            }
            way = breakers.get(breaker);
            about += " – broken with a fault";
        }
        Object steps = way.getOrDefault("counterexample", result.get("example"));
        Object at = way.getOrDefault("brokenAtSeconds", result.get("reachedAtSeconds"));
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
}
