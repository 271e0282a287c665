package org.jagridge.core.edit;

import java.util.function.UnaryOperator;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.format.CircuitReader;
import org.jagridge.core.format.CircuitWriter;
import org.jagridge.core.format.MalformedException;

/**
 * One change of a circuit.
 *
 * @param words what it does, like "wire w12: K1.A1 to TH.G"
 */
public record Edit(String words, UnaryOperator<Circuit> change) {
    /**
     * The changed circuit, checked as if it had been read from a file.
     *
     * @throws MalformedException with every mistake that the change would make
     */
    public Circuit applyTo(Circuit circuit) {
        return CircuitReader.read(CircuitWriter.write(change.apply(circuit)));
    }
}
