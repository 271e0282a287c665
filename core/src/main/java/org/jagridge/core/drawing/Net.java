package org.jagridge.core.drawing;

import java.util.List;
import org.jagridge.core.circuit.Terminal;

/**
 * Terminals that are one line on a ladder: joined by wires, splices and links only.
 *
 * @param number its wire number
 * @param nodes its nodes in the network, in order
 */
public record Net(int index, int number, List<Terminal> terminals, List<Integer> nodes) {
    Net withNumber(int n) {
        return new Net(index, n, terminals, nodes);
    }

    /** The first of the given terminal names that occurs in the net, or null. */
    String named(String... names) {
        for (String name : names) {
            if (terminals.stream().anyMatch(t -> t.name().equals(name))) {
                return name;
            }
        }
        return null;
    }
}
