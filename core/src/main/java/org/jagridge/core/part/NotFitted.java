package org.jagridge.core.part;

import java.util.List;
import org.jagridge.core.circuit.Part;

/** Stands in for an option that is drawn but not there: nothing, or a bypass between its first two terminals. */
final class NotFitted implements Behaviour<String> {
    private final List<Branch> absent;
    private final Branch bypass;

    private NotFitted(List<Branch> absent, Branch bypass) {
        this.absent = absent;
        this.bypass = bypass;
    }

    /** @param absent what the part would put between its terminals; stays open */
    static NotFitted build(PartDraft draft, List<String> terminals, List<Branch> absent) {
        boolean bypassed = draft.part().whenNotFitted() == Part.WhenNotFitted.BYPASS && terminals.size() >= 2;
        return new NotFitted(
                absent,
                bypassed
                        ? draft.branch(
                                terminals.get(0), terminals.get(1), PartDraft.BYPASS, Role.CONDUCTOR, Shape.NONE, true)
                        : null);
    }

    @Override
    public String start(Moment moment) {
        return "not fitted";
    }

    @Override
    public void stamp(String state, Stamp stamp) {
        absent.forEach(stamp::open);
        if (bypass != null) {
            stamp.contact(bypass, true);
        }
    }

    @Override
    public String signal(String state) {
        return state;
    }
}
