package org.jagridge.web.bench;

import java.util.List;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.FaultKind.Detail;

/**
 * Something a technician has put in to find out, and must take out again before the hand-over.
 *
 * @param reason why it is there; never empty for what goes around a safety
 * @param around the safeties that it goes around
 */
record Temporary(Action.Kind kind, Fault change, String reason, List<String> around) {
    /** "link TH.R to TH.W" or "w14 lifted". */
    String words() {
        return switch (kind) {
            case LIFT -> change.text(Detail.WIRE) + " lifted";
            case MOVE -> change.text(Detail.WIRE) + " moved onto " + change.text(Detail.AT);
            case TWIST ->
                String.join(" and ", change.texts(Detail.WIRES)) + " twisted together, off "
                        + String.join(" and ", change.texts(Detail.BETWEEN));
            default -> "link " + String.join(" to ", ends());
        };
    }

    /**
     * Asks whether something more can be put in while this is there.
     *
     * @throws BadActException where it is the same link, or a wire that is off its terminal already
     */
    void allows(Temporary more) {
        if (change.equals(more.change())) {
            throw new BadActException("That is there already: " + words() + ".");
        }
        more.wires().stream().filter(wires()::contains).findFirst().ifPresent(w -> {
            throw new BadActException(w + " is off its terminal already: " + words() + ". Land it again first.");
        });
    }

    /** The two terminals of a link; empty for anything else. */
    List<String> ends() {
        return kind == Action.Kind.LINK ? change.texts(Detail.BETWEEN) : List.of();
    }

    /** The wires that are not where the drawing has them; none for a link. */
    List<String> wires() {
        return switch (kind) {
            case LIFT, MOVE -> List.of(change.text(Detail.WIRE));
            case TWIST -> change.texts(Detail.WIRES);
            default -> List.of();
        };
    }
}
