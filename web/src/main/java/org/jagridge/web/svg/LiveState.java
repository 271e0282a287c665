package org.jagridge.web.svg;

import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Shape;
import org.jagridge.core.run.Frame;
import org.jagridge.core.run.Reach;

/** The electrical layer over a drawing: which side each line is on and what carries current, in one frame. */
public final class LiveState {
    private static final double FLOWS = 0.001;

    private final Frame frame;
    private final Reach reach;

    public LiveState(Frame frame) {
        this.frame = frame;
        reach = new Reach(frame);
    }

    public Frame frame() {
        return frame;
    }

    public Reach reach() {
        return reach;
    }

    /** {@code hot}, {@code hot2}, {@code ret} or {@code float}. */
    String side(int node) {
        Reach.Side side = reach.sideOf(node);
        if (side == null) {
            return "float";
        }
        return switch (side) {
            case HOT -> "hot";
            case SECOND_HOT -> "hot2";
            case RETURN -> "ret";
        };
    }

    boolean flows(Branch branch) {
        return frame.amps(branch) > FLOWS;
    }

    /** Whether a contact, fuse or breaker joins its ends. */
    boolean joins(Branch branch) {
        return frame.conducts(branch);
    }

    /** Whether a load works: current flows, and its part doesn't say that it stands still, as a stalled machine does. */
    boolean works(Branch branch) {
        boolean always = branch.shape() == Shape.WINDING || branch.shape() == Shape.BOX;
        return branch.role().consumes() && flows(branch) && (always || !standsStill(branch.owner()));
    }

    private boolean standsStill(String part) {
        String signal = frame.signals().get(part);
        // which stages or zones of a control are on says nothing of its own heater or motor
        return signal == null
                || frame.assembly()
                        .member(part)
                        .filter(m -> m.signal().items().isEmpty())
                        .map(m -> !m.signal().isAtWork(signal))
                        .orElse(false);
    }

    boolean burnt(String part) {
        String signal = frame.signals().get(part);
        return "burnt".equals(signal) || "blown".equals(signal) || "tripped".equals(signal) || "chatter".equals(signal);
    }
}
