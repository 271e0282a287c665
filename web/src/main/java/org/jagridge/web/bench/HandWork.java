package org.jagridge.web.bench;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.jagridge.core.check.Bypass;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.circuit.Wire;
import org.jagridge.core.circuit.WiringDefect;
import org.jagridge.core.part.Assembly;

/**
 * What a technician's hands do to the wiring for a test, read from words: a link from terminal to terminal, a wire taken
 * off, one put elsewhere, two twisted together. Whatever goes around a safety needs a reason.
 */
final class HandWork {
    private final Assembly assembly;
    private final Circuit circuit;

    HandWork(Assembly assembly) {
        this.assembly = assembly;
        this.circuit = assembly.circuit();
    }

    /** One end of a wire, with its terminal. */
    private record End(Wire wire, int index) {
        Terminal at() {
            return wire.end(index);
        }

        Terminal far() {
            return wire.end(1 - index);
        }
    }

    /** Which sort of act a word of the form stands for. */
    static Action.Kind kind(String word) {
        return switch (word) {
            case "link" -> Action.Kind.LINK;
            case "lift" -> Action.Kind.LIFT;
            case "move" -> Action.Kind.MOVE;
            case "twist" -> Action.Kind.TWIST;
            default -> throw new BadActException("Hands can link, lift, move and twist, not \"" + word + "\".");
        };
    }

    /**
     * Reads an act.
     *
     * @param one a terminal for a link, or the end of a wire: {@code TH.G}, or {@code w7 TH.G} where more than one wire is
     *     under that screw
     * @param other the other terminal or end; not looked at where a wire is lifted
     * @throws BadActException where that isn't there, or where it goes around a safety and no reason is given
     */
    Temporary read(Action.Kind kind, String one, String other, String reason) {
        return switch (kind) {
            case LINK -> link(terminal(one, "link"), terminal(other, "link"), reason);
            case LIFT -> {
                End end = lifted(one);
                Fault lifted = new Fault(new WiringDefect.Lifted(end.wire().id(), end.at()));
                yield new Temporary(kind, lifted, reason.strip(), List.of());
            }
            case MOVE -> move(end(one), terminal(other, "land it on"), reason);
            case TWIST -> twist(end(one), end(other), reason);
            default -> throw new IllegalArgumentException(kind + " is not the work of hands on wires");
        };
    }

    private Temporary link(Terminal a, Terminal b, String reason) {
        if (a.equals(b)) {
            throw new BadActException("A link needs two terminals.");
        }
        return temporary(Action.Kind.LINK, new Fault(new WiringDefect.Link(a, b)), a, b, reason);
    }

    private Temporary move(End end, Terminal to, String reason) {
        if (to.equals(end.at()) || to.equals(end.far())) {
            throw new BadActException(end.wire().id() + " is at " + to + " already.");
        }
        Fault landed = new Fault(new WiringDefect.Landed(end.wire().id(), end.index(), to));
        return temporary(Action.Kind.MOVE, landed, end.far(), to, reason);
    }

    private Temporary twist(End a, End b, String reason) {
        if (a.wire().equals(b.wire())) {
            throw new BadActException(
                    "Twisting needs two wires; both of these are " + a.wire().id() + ".");
        }
        Fault twisted =
                new Fault(new WiringDefect.Twisted(a.wire().id(), b.wire().id(), a.at(), b.at()));
        return temporary(Action.Kind.TWIST, twisted, a.far(), b.far(), reason);
    }

    /** @param a joined with {@code b} by this act */
    private Temporary temporary(Action.Kind kind, Fault change, Terminal a, Terminal b, String reason) {
        List<String> around = Bypass.around(assembly, a, b);
        if (!around.isEmpty() && reason.isBlank()) {
            throw new BadActException("This " + kind.name().toLowerCase(Locale.ROOT) + " goes around "
                    + String.join(" and ", around)
                    + ". Say why it is needed for this one test; it must come off before anyone leaves the equipment.");
        }
        return new Temporary(kind, change, reason.strip(), around);
    }

    private Terminal terminal(String text, String verb) {
        if (!Terminal.isWellFormed(text)
                || assembly.node(assembly.circuit()
                                .named(text, t -> assembly.node(t).isPresent()))
                        .isEmpty()) {
            throw new BadActException("There is no terminal \"" + text + "\" to " + verb + ".");
        }
        return assembly.circuit().named(text, t -> assembly.node(t).isPresent());
    }

    private End lifted(String text) {
        if (!Terminal.isWellFormed(text) && !text.contains(" ")) {
            wire(text, "lift");
        }
        return end(text);
    }

    private Wire wire(String id, String verb) {
        Optional<Wire> wire = circuit.wire(id);
        return wire.orElseThrow(() -> new BadActException("There is no wire \"" + id + "\" to " + verb + "."));
    }

    private End end(String text) {
        String[] words = text.split("\\s+", -1);
        if (words.length == 2) {
            Wire wire = wire(words[0], "take off");
            for (int i = 0; i < 2; i++) {
                if (wire.end(i).toString().equals(words[1])) {
                    return new End(wire, i);
                }
            }
            throw new BadActException(wire.id() + " doesn't end at " + words[1] + ": it goes from " + wire.from()
                    + " to " + wire.to() + ".");
        }
        Optional<Wire> named = circuit.wire(text);
        if (named.isPresent()) {
            Wire w = named.get();
            throw new BadActException("Which end of " + w.id() + "? Write \"" + w.id() + " " + w.from() + "\" or \""
                    + w.id() + " " + w.to() + "\".");
        }
        Terminal at = terminal(text, "take a wire off");
        List<Wire> there = circuit.wires().stream()
                .filter(w -> w.from().equals(at) || w.to().equals(at))
                .toList();
        if (there.size() != 1) {
            String which = String.join(" and ", there.stream().map(Wire::id).toList());
            throw new BadActException(
                    there.isEmpty()
                            ? "No wire is under " + at + "."
                            : which + " are under " + at + ". Write which one, like \""
                                    + there.get(0).id() + " " + at + "\".");
        }
        return new End(there.get(0), there.get(0).from().equals(at) ? 0 : 1);
    }
}
