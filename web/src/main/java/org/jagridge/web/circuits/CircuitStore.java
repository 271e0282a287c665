package org.jagridge.web.circuits;

import java.util.List;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.drawing.Connection;
import org.jagridge.core.drawing.ConnectionLayout;
import org.jagridge.core.drawing.Ladder;
import org.jagridge.core.drawing.LadderLayout;
import org.jagridge.core.format.CircuitReader;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.run.FaultList;
import org.springframework.stereotype.Component;

/** Circuits by revision with what is derived from them once: assembly and both layouts. Revisions never change. */
@Component
public class CircuitStore {
    private static final int MEGABYTES = 64;

    private final CircuitRepository repository;
    private final Kept<Long, Drawn> kept = new Kept<>(MEGABYTES, Drawn::kilobytes);

    CircuitStore(CircuitRepository repository) {
        this.repository = repository;
    }

    /** A circuit with its layouts and the faults it can have. */
    public record Drawn(Circuit circuit, Assembly assembly, Ladder ladder, Connection connection, List<Fault> faults) {
        public static Drawn of(Circuit circuit) {
            Assembly assembly = Assembly.of(circuit);
            return new Drawn(
                    circuit,
                    assembly,
                    LadderLayout.of(assembly),
                    ConnectionLayout.of(assembly),
                    FaultList.faultsOf(circuit));
        }

        /** What it takes in memory, roughly: a branch comes with its place in the network, two drawings and its faults. */
        int kilobytes() {
            return 2 * assembly.branches().size();
        }
    }

    /**
     * The circuit of a revision.
     *
     * @throws NotFoundException where there is none
     */
    public Drawn revision(long revisionId) {
        return kept.get(
                revisionId,
                () -> Drawn.of(CircuitReader.read(repository
                        .body(revisionId)
                        .orElseThrow(
                                () -> new NotFoundException("There is no circuit revision " + revisionId + ".")))));
    }
}
