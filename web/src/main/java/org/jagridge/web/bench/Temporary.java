package org.jagridge.web.bench;

import java.util.List;
import org.jagridge.core.circuit.BareEnd;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.circuit.Wire;
import org.jagridge.core.circuit.WiringDefect;

/**
 * Something a technician has put in to find out, and must take out again before the hand-over.
 *
 * @param reason why it is there; never empty for what goes around a safety
 * @param around the safeties that it goes around
 */
record Temporary(Action.Kind kind, Fault change, String reason, List<String> around) {
    /** "link TH.R to TH.W" or "w14 lifted". */
    String words() {
        if (change.defect() instanceof WiringDefect.Landed d) {
            return d.wire() + " moved onto " + d.at();
        }
        if (change.defect() instanceof WiringDefect.Twisted d) {
            return d.one() + " and " + d.other() + " twisted together, off " + d.offOne() + " and " + d.offOther();
        }
        return change.defect() instanceof WiringDefect.Link
                ? "link " + String.join(" to ", ends())
                : change.wire() + " lifted" + (off() == null ? "" : " off " + off());
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
        if (kind == Action.Kind.LIFT && more.kind() == Action.Kind.LIFT && off() != null) {
            // the other end of a wire may be lifted, too
            return;
        }
        more.wires().stream().filter(wires()::contains).findFirst().ifPresent(w -> {
            throw new BadActException(w + " is off its terminal already: " + words() + ". Land it again first.");
        });
    }

    /** The terminal that a wire was lifted off; null for anything else, and for wires that are off altogether. */
    private Terminal off() {
        return change.defect() instanceof WiringDefect.Lifted d ? d.at() : null;
    }

    /** The bare end of a lifted wire and the terminal that it was on, with a blank between; empty for anything else. */
    String bare(Circuit circuit) {
        if (off() == null) {
            return "";
        }
        Wire wire = circuit.wire(change.wire()).orElseThrow();
        int end = wire.from().equals(off()) ? 0 : 1;
        return new BareEnd(wire.id(), end).terminal() + " " + off();
    }

    /** The two terminals of a link; empty for anything else. */
    List<String> ends() {
        return change.defect() instanceof WiringDefect.Link d ? List.of(d.a().toString(), d.b().toString()) : List.of();
    }

    /** The terminals that hands were on. */
    List<Terminal> terminals() {
        if (change.defect() instanceof WiringDefect.Link d) {
            return List.of(d.a(), d.b());
        }
        if (change.defect() instanceof WiringDefect.Twisted d) {
            return List.of(d.offOne(), d.offOther());
        }
        if (change.defect() instanceof WiringDefect.Landed d) {
            return List.of(d.at());
        }
        return off() == null ? List.of() : List.of(off());
    }

    /** The wires that are not where the drawing has them; none for a link. */
    List<String> wires() {
        if (change.defect() instanceof WiringDefect.Twisted d) {
            return List.of(d.one(), d.other());
        }
        return change.wire() == null ? List.of() : List.of(change.wire());
    }
}
