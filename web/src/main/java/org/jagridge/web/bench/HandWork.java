package org.jagridge.web.bench;

import java.util.Collection;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jagridge.core.check.Bypass;
import org.jagridge.core.circuit.BareEnd;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.circuit.Wire;
import org.jagridge.core.circuit.WiringDefect;
import org.jagridge.core.part.Assembly;

/**
 * What a technician's hands do to the wiring for a test, read from words: a link from terminal to terminal, a wire taken
 * off, all wires of a part, one put elsewhere, several twisted together. Whatever goes around a safety needs a reason.
 */
final class HandWork {

    private static final Pattern BETWEEN_ENDS = Pattern.compile("\\s*[,;+]\\s*");

    /** As many conductors as a twist takes. */
    private static final int MOST_TWISTED = 12;

    private final Assembly assembly;
    private final Circuit circuit;
    private final Collection<Temporary> there;

    /** @param there what is put in already */
    HandWork(Assembly assembly, Collection<Temporary> there) {
        this.assembly = assembly;
        this.circuit = assembly.circuit();
        this.there = there;
    }

    /** One end of a wire, with its terminal. */
    private record End(Wire wire, int index) {
        Terminal at() {
            return wire.end(index);
        }

        Terminal far() {
            return wire.end(1 - index);
        }

        BareEnd bare() {
            return new BareEnd(wire.id(), index);
        }
    }

    /**
     * Reads an act.
     *
     * @param act {@code link}, {@code lift}, {@code off}, {@code move} or {@code twist}
     * @param one a terminal for a link, a part whose wires all come off, or the end of a wire: {@code TH.G}, or {@code w7
     *     TH.G} where more than one wire is under that screw
     * @param other the other terminal, or the ends that are twisted with the first, with commas between; not looked at where
     *     wires are taken off
     * @return what it puts in, in order; one thing but for the wires of a part
     * @throws BadActException where that isn't there, or where it goes around a safety and no reason is given
     */
    List<Temporary> read(String act, String one, String other, Why why) {
        why.requireRoom();
        List<Temporary> read = switch (act) {
            case "link" -> List.of(link(clip(one), clip(other), why));
            case "lift" -> List.of(lift(end(one), why));
            case "off" -> allOff(one, why);
            case "move" -> List.of(move(end(one), terminal(other, "land it on"), why));
            case "twist" -> List.of(twist(one, other, why));
            default ->
                throw new BadActException("Hands can link, lift, take off, move and twist, not \"" + act + "\".");
        };
        read.forEach(more -> there.forEach(t -> t.allows(more, circuit)));
        return read;
    }

    private Temporary lift(End end, Why why) {
        Fault lifted = new Fault(new WiringDefect.Lifted(end.wire().id(), end.at()));
        return new Temporary(Action.Kind.LIFT, lifted, why, List.of());
    }

    /** Every wire end that is still on one of the part's terminals. */
    private List<Temporary> allOff(String text, Why why) {
        String id = text.strip();
        Part part = circuit.part(id)
                .or(() -> circuit.parts().stream()
                        .filter(p -> p.id().equalsIgnoreCase(id))
                        .findFirst())
                .orElseThrow(() ->
                        new BadActException("There is no part \"" + id + "\" to take all wires off. Write a part, like "
                                + circuit.parts().get(0).id() + "."));
        Set<BareEnd> off =
                there.stream().flatMap(t -> t.offEnds(circuit).stream()).collect(Collectors.toSet());
        List<Temporary> lifted = circuit.wires().stream()
                .flatMap(w -> Stream.of(new End(w, 0), new End(w, 1)))
                .filter(e -> e.at().part().equals(part.id()) && !off.contains(e.bare()))
                .map(e -> lift(e, why))
                .toList();
        if (lifted.isEmpty()) {
            throw new BadActException("No wire is on " + part.id() + ".");
        }
        return lifted;
    }

    /** A place for a jumper's clip: a terminal, or the end of a wire, which may be bare. */
    private record Clip(Terminal at, Terminal leadsTo) {}

    private Clip clip(String text) {
        Optional<BareEnd> end = BareEnd.read(text, circuit);
        boolean off = end.isPresent()
                && there.stream().anyMatch(t -> t.offEnds(circuit).contains(end.get()));
        if (off) {
            return new Clip(
                    end.get().terminal(),
                    circuit.wire(end.get().wire())
                            .orElseThrow()
                            .end(1 - end.get().end()));
        }
        Terminal at = end.isPresent() ? end(text).at() : terminal(text, "link");
        return new Clip(at, at);
    }

    private Temporary link(Clip a, Clip b, Why why) {
        if (a.at().equals(b.at())) {
            throw new BadActException("A link needs two terminals.");
        }
        Fault link = new Fault(new WiringDefect.Link(a.at(), b.at()));
        return temporary(Action.Kind.LINK, link, List.of(a.leadsTo(), b.leadsTo()), why);
    }

    private Temporary move(End end, Terminal to, Why why) {
        if (to.equals(end.at()) || to.equals(end.far())) {
            throw new BadActException(end.wire().id() + " is at " + to + " already.");
        }
        Fault landed = new Fault(new WiringDefect.Landed(end.wire().id(), end.index(), to));
        return temporary(Action.Kind.MOVE, landed, List.of(end.far(), to), why);
    }

    private Temporary twist(String one, String other, Why why) {
        List<End> ends = Stream.concat(Stream.of(one), BETWEEN_ENDS.splitAsStream(other))
                .map(this::end)
                .toList();
        List<String> wires = ends.stream().map(e -> e.wire().id()).toList();
        for (int i = 0; i < wires.size(); i++) {
            if (wires.subList(0, i).contains(wires.get(i))) {
                throw new BadActException(
                        "Twisting needs different wires; two of these ends are of " + wires.get(i) + ".");
            }
        }
        if (wires.size() > MOST_TWISTED) {
            throw new BadActException("No more than " + MOST_TWISTED + " ends go into one twist.");
        }
        WiringDefect twisted =
                new WiringDefect.Twisted(wires, ends.stream().map(End::at).toList());
        return temporary(
                Action.Kind.TWIST,
                new Fault(twisted),
                ends.stream().map(End::far).toList(),
                why);
    }

    /** @param joined with each other by this act */
    private Temporary temporary(Action.Kind kind, Fault change, List<Terminal> joined, Why why) {
        Set<String> around = new LinkedHashSet<>();
        for (int i = 1; i < joined.size(); i++) {
            for (Terminal before : joined.subList(0, i)) {
                around.addAll(Bypass.around(assembly, before, joined.get(i)));
            }
        }
        if (!around.isEmpty() && why.reason().isEmpty()) {
            throw new BadActException("This " + kind.name().toLowerCase(Locale.ROOT) + " goes around "
                    + String.join(" and ", around)
                    + ". Say why it is needed for this one test; it must come off before anyone leaves the equipment.");
        }
        return new Temporary(kind, change, why, List.copyOf(around));
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

    private End end(String text) {
        Optional<BareEnd> written = BareEnd.read(text, circuit);
        if (written.isPresent()) {
            return new End(
                    circuit.wire(written.get().wire()).orElseThrow(),
                    written.get().end());
        }
        String[] words = text.split("\\s+", -1);
        if (words.length == 2) {
            Wire wire = circuit.wire(words[0])
                    .orElseThrow(() -> new BadActException("There is no wire \"" + words[0] + "\" to take off."));
            throw new BadActException(wire.id() + " doesn't end at " + words[1] + ": it goes from " + wire.from()
                    + " to " + wire.to() + ".");
        }
        Optional<Wire> named = circuit.wire(text);
        if (named.isPresent()) {
            Wire w = named.get();
            throw new BadActException("Which end of " + w.id() + "? Write \"" + w.id() + " " + w.from() + "\" or \""
                    + w.id() + " " + w.to() + "\".");
        }
        if (!Terminal.isWellFormed(text)) {
            throw new BadActException("There is no wire \"" + text + "\" to take off. Write a terminal, like "
                    + circuit.wires().get(0).from() + ".");
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
