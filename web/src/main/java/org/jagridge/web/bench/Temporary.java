package org.jagridge.web.bench;

import java.util.List;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.FaultKind;

/**
 * Something a technician has put in to find out, and must take out again before the hand-over.
 *
 * @param reason why it is there; never empty for a link around a safety
 * @param around the safeties that it goes around
 */
record Temporary(Action.Kind kind, Fault change, String reason, List<String> around) {
    /** "link TH.R to TH.W" or "w14 lifted". */
    String words() {
        return kind == Action.Kind.LIFT
                ? change.text(FaultKind.Detail.WIRE) + " lifted"
                : "link " + String.join(" to ", ends());
    }

    /** The two terminals of a link; empty for a lifted wire. */
    List<String> ends() {
        return kind == Action.Kind.LINK ? change.texts(FaultKind.Detail.BETWEEN) : List.of();
    }
}
