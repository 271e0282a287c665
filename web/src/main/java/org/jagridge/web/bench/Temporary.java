package org.jagridge.web.bench;

import java.util.ArrayList;
import java.util.List;
import org.jagridge.core.circuit.BareEnd;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.circuit.WiringDefect;

/**
 * Something a technician has put in to find out, and must take out again before the hand-over.
 *
 * @param why its reason is never empty for what goes around a safety
 * @param around the safeties that it goes around
 */
record Temporary(Action.Kind kind, Fault change, Why why, List<String> around) {
    /** "link TH.R to TH.W" or "w14 lifted". */
    String words() {
        if (change.defect() instanceof WiringDefect.Landed d) {
            return d.wire() + " moved onto " + d.at();
        }
        if (change.defect() instanceof WiringDefect.Twisted d) {
            return String.join(" and ", d.wires()) + " twisted together, off "
                    + String.join(
                            " and ", d.off().stream().map(Terminal::toString).toList());
        }
        return change.defect() instanceof WiringDefect.Link
                ? BareEnd.told("link " + String.join(" to ", ends()))
                : change.wire() + " lifted" + (off() == null ? "" : " off " + off());
    }

    /**
     * Asks whether something more can be put in while this is there.
     *
     * @throws BadActException where it is the same link, or takes the end of a wire that is off its terminal already
     */
    void allows(Temporary more, Circuit circuit) {
        if (change.equals(more.change())) {
            throw new BadActException("That is there already: " + words() + ".");
        }
        if (kind == Action.Kind.LIFT && more.kind() == Action.Kind.TWIST) {
            return;
        }
        more.offEnds(circuit).stream()
                .filter(offEnds(circuit)::contains)
                .findFirst()
                .ifPresent(e -> {
                    throw new BadActException(
                            e.wire() + " is off its terminal already: " + words() + ". Land it again first.");
                });
    }

    /** Whether it holds an end that {@code other} has taken off, so that this must be taken apart before. */
    boolean holds(Temporary other, Circuit circuit) {
        return kind == Action.Kind.TWIST
                && other.kind() == Action.Kind.LIFT
                && offEnds(circuit).containsAll(other.offEnds(circuit));
    }

    /** The ends of wires that it has taken off their terminals; none for a link. */
    List<BareEnd> offEnds(Circuit circuit) {
        if (change.defect() instanceof WiringDefect.Landed d) {
            return List.of(new BareEnd(d.wire(), d.end()));
        }
        List<BareEnd> ends = new ArrayList<>();
        List<Terminal> off = terminals();
        // at benches that are older, wires may be off altogether
        for (int i = 0; i < Math.min(wires().size(), off.size()); i++) {
            ends.add(BareEnd.read(wires().get(i) + " " + off.get(i), circuit).orElseThrow());
        }
        return ends;
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
        return offEnds(circuit).get(0).terminal() + " " + off();
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
            return d.off();
        }
        if (change.defect() instanceof WiringDefect.Landed d) {
            return List.of(d.at());
        }
        return off() == null ? List.of() : List.of(off());
    }

    /** The wires that are not where the drawing has them; none for a link. */
    List<String> wires() {
        if (change.defect() instanceof WiringDefect.Twisted d) {
            return d.wires();
        }
        return change.wire() == null ? List.of() : List.of(change.wire());
    }
}
