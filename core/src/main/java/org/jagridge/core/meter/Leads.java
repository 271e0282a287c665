package org.jagridge.core.meter;

import org.jagridge.core.network.Solver;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.run.Frame;
import org.jagridge.core.run.Reach;

/** Where a meter's two leads are in one frame. Nodes are the network's. */
record Leads(Frame frame, Reach reach, Request request, int plus, int minus) {
    Assembly assembly() {
        return frame.assembly();
    }

    /** "K1.A1 and K1.A2". */
    String words() {
        return request.plus() + " and " + request.minus();
    }

    boolean areJoined() {
        return reach.joined(plus, minus);
    }

    /** Whether a branch lies between what the leads are joined with. */
    boolean isBetween(Branch b) {
        return (reach.joined(b.nodeA(), plus) && reach.joined(b.nodeB(), minus))
                || (reach.joined(b.nodeA(), minus) && reach.joined(b.nodeB(), plus));
    }

    /** Whether the leads are on a branch's own two terminals. */
    boolean isAtTerminals(Branch b) {
        return (b.nodeA() == plus && b.nodeB() == minus) || (b.nodeA() == minus && b.nodeB() == plus);
    }

    /** What lies between the leads for direct current in a frame of this circuit, Ω. */
    double ohms(Frame f) {
        return ohms(f, plus, minus);
    }

    static double ohms(Frame f, int a, int b) {
        return Math.abs(
                new Solver(f.assembly().network()).impedance(f.direct(), a, b).re());
    }
}
