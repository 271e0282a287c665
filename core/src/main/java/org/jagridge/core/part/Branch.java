package org.jagridge.core.part;

import org.jagridge.core.circuit.Terminal;

/**
 * What a part or wire puts between two nodes.
 *
 * @param index its index in the network
 * @param owner id of the part or wire
 * @param label the terminals it lies between as the drawings name it, like {@code A1-A2}; empty for a wire
 * @param a its first terminal, or null for a node inside the part
 * @param b its second terminal, or null for a node inside the part or earth
 * @param restClosed whether a contact is joined without power and untouched
 */
public record Branch(
        int index,
        String owner,
        String label,
        int nodeA,
        int nodeB,
        Terminal a,
        Terminal b,
        Role role,
        Shape shape,
        boolean restClosed) {

    /** Short: branches are looked up by the thousand, and two of one assembly differ in their index. */
    @Override
    public int hashCode() {
        return 31 * owner.hashCode() + index;
    }

    public boolean isWire() {
        return role == Role.WIRE;
    }

    /** Whether it is what the circuit is there for: a drawn load or coil, boards' own supplies aside. */
    public boolean doesWork() {
        return isDrawn() && shape != Shape.BOX && (role == Role.LOAD || role == Role.COIL);
    }

    /** Whether the drawings show it: both ends are terminals and it isn't a mere bond to earth. */
    public boolean isDrawn() {
        return a != null && b != null && role != Role.EARTHING;
    }

    /** {@code K1} for the only thing a part does, {@code K1 11-14} where it has several. */
    public String title() {
        return label.isEmpty() ? owner : owner + " " + label;
    }
}
