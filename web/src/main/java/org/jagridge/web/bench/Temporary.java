package org.jagridge.web.bench;

import java.util.ArrayList;
import java.util.List;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.FaultKind.Detail;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.circuit.Wire;
import org.jagridge.core.run.BareEnd;

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
            case LIFT -> change.text(Detail.WIRE) + " lifted" + (off() == null ? "" : " off " + off());
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
        if (kind == Action.Kind.LIFT && more.kind() == Action.Kind.LIFT && off() != null) {
            // the other end of a wire may be lifted, too
            return;
        }
        more.wires().stream().filter(wires()::contains).findFirst().ifPresent(w -> {
            throw new BadActException(w + " is off its terminal already: " + words() + ". Land it again first.");
        });
    }

    /** The terminal that a wire was lifted off; null for anything else, and for wires that are off altogether. */
    private String off() {
        return kind == Action.Kind.LIFT ? change.text(Detail.AT) : null;
    }

    /** The bare end of a lifted wire and the terminal that it was on, with a blank between; empty for anything else. */
    String bare(Circuit circuit) {
        if (off() == null) {
            return "";
        }
        Wire wire = circuit.wire(change.text(Detail.WIRE)).orElseThrow();
        int end = wire.from().toString().equals(off()) ? 0 : 1;
        return new BareEnd(wire.id(), end).terminal() + " " + off();
    }

    /** The two terminals of a link; empty for anything else. */
    List<String> ends() {
        return kind == Action.Kind.LINK ? change.texts(Detail.BETWEEN) : List.of();
    }

    /** The terminals that hands were on. */
    List<Terminal> terminals() {
        List<String> names = new ArrayList<>(
                change.details().containsKey(Detail.BETWEEN.key()) ? change.texts(Detail.BETWEEN) : List.of());
        if (change.details().containsKey(Detail.AT.key())) {
            names.add(change.text(Detail.AT));
        }
        return names.stream().map(Terminal::parse).toList();
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
