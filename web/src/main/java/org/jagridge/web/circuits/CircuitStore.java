package org.jagridge.web.circuits;

import java.util.List;
import java.util.function.Supplier;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.drawing.Connection;
import org.jagridge.core.drawing.ConnectionLayout;
import org.jagridge.core.drawing.Ladder;
import org.jagridge.core.drawing.LadderLayout;
import org.jagridge.core.format.CircuitReader;
import org.jagridge.core.format.JsonText;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.run.FaultList;
import org.springframework.stereotype.Component;
import org.springframework.util.function.SingletonSupplier;

/** Circuits by revision with what is derived from them once. Revisions never change. */
@Component
public class CircuitStore {
    private static final int MEGABYTES = 64;

    private final CircuitRepository repository;
    private final Kept<Long, Drawn> kept = new Kept<>(MEGABYTES, Drawn::kilobytes);

    CircuitStore(CircuitRepository repository) {
        this.repository = repository;
    }

    /**
     * A circuit with the faults it can have and its drawings. Each drawing is laid out when it is asked for first; who asks
     * for one doesn't wait for the other.
     */
    public static final class Drawn {
        private final Assembly assembly;
        private final List<Fault> faults;
        private final Supplier<Ladder> ladder;
        private final Supplier<Connection> connection;

        private Drawn(Circuit circuit) {
            assembly = Assembly.of(circuit);
            faults = FaultList.faultsOf(circuit);
            ladder = SingletonSupplier.of(() -> LadderLayout.of(assembly));
            connection = SingletonSupplier.of(() -> ConnectionLayout.of(assembly));
        }

        public static Drawn of(Circuit circuit) {
            return new Drawn(circuit);
        }

        public Circuit circuit() {
            return assembly.circuit();
        }

        public Assembly assembly() {
            return assembly;
        }

        public List<Fault> faults() {
            return faults;
        }

        public Ladder ladder() {
            return ladder.get();
        }

        public Connection connection() {
            return connection.get();
        }

        /** What it takes in memory, roughly: a branch comes with its place in the network, two drawings and its faults. */
        int kilobytes() {
            return 2 * assembly.branches().size();
        }
    }

    /** The notes of a revision, without working out anything else; empty where it has none. */
    public String notes(long revisionId) {
        return repository
                .body(revisionId)
                .map(body -> JsonText.parse(body).path("notes").asString(""))
                .orElse("");
    }

    /**
     * The circuit of a revision.
     *
     * @throws NotFoundException where there is none
     */
    public Drawn revision(long revisionId) {
        return kept.get(
                revisionId,
                () -> Drawn.of(CircuitReader.readStored(repository
                        .body(revisionId)
                        .orElseThrow(
                                () -> new NotFoundException("There is no circuit revision " + revisionId + ".")))));
    }
}
