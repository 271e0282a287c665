package org.jagridge.core.circuit;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jagridge.core.circuit.Hold.Effect;
import org.jagridge.core.circuit.Hold.Which;

/** Defects of the wiring: what breaks in it, and what people do to it. */
public sealed interface WiringDefect extends Defect {
    /** A defect of one wire. */
    sealed interface OnWire extends WiringDefect {
        @Override
        String wire();

        @Override
        default Set<String> touches() {
            return Set.of(wire());
        }
    }

    /** A conductor is broken. */
    record WireOpen(String wire) implements OnWire {
        @Override
        public FaultKind kind() {
            return FaultKind.WIRE_OPEN;
        }

        @Override
        public Map<String, Object> details() {
            return Defect.ordered("wire", wire);
        }

        @Override
        public WireOpen renamed(Rename names) {
            return new WireOpen(names.wire(wire));
        }

        @Override
        public List<Hold> holds() {
            return List.of(Hold.open(wire, Which.ALL, null));
        }
    }

    /** A poor joint somewhere in a conductor. */
    record WireResistive(String wire, double ohms) implements OnWire {
        @Override
        public FaultKind kind() {
            return FaultKind.WIRE_RESISTIVE;
        }

        @Override
        public Map<String, Object> details() {
            return Defect.ordered("wire", wire, "ohms", ohms);
        }

        @Override
        public WireResistive renamed(Rename names) {
            return new WireResistive(names.wire(wire), ohms);
        }

        @Override
        public List<Hold> holds() {
            return List.of(Hold.ohms(wire, Which.ALL, null, ohms, Effect.CONDUCTANCE));
        }
    }

    /** A conductor touches the metalwork of the place it comes from. */
    record WireEarthed(String wire) implements OnWire, Rewiring {
        @Override
        public FaultKind kind() {
            return FaultKind.WIRE_EARTHED;
        }

        @Override
        public Map<String, Object> details() {
            return Defect.ordered("wire", wire);
        }

        @Override
        public WireEarthed renamed(Rename names) {
            return new WireEarthed(names.wire(wire));
        }

        @Override
        public void rewire(Circuit circuit, Circuit.Builder b, Fittings fittings) {
            Wire there = circuit.wire(wire).orElseThrow();
            Terminal metalwork = new Terminal(placeOf(circuit, there.from()), "PE");
            add(b, Wire.between("earthed " + wire, there.from(), metalwork));
        }
    }

    /** A link was never put in, or has been taken out. */
    record LinkMissing(String wire) implements OnWire, Rewiring {
        @Override
        public FaultKind kind() {
            return FaultKind.LINK_MISSING;
        }

        @Override
        public Map<String, Object> details() {
            return Defect.ordered("wire", wire);
        }

        @Override
        public LinkMissing renamed(Rename names) {
            return new LinkMissing(names.wire(wire));
        }

        @Override
        public void rewire(Circuit circuit, Circuit.Builder b, Fittings fittings) {
            b.wires().removeIf(w -> w.id().equals(wire));
        }
    }

    /** A conductor's end sits on another terminal. */
    record Landed(String wire, int end, Terminal at) implements OnWire, Rewiring {
        @Override
        public FaultKind kind() {
            return FaultKind.LANDED;
        }

        @Override
        public Map<String, Object> details() {
            return Defect.ordered("wire", wire, "end", end, "at", at.toString());
        }

        @Override
        public Set<String> touches() {
            return Set.of(wire, at.part());
        }

        @Override
        public String words() {
            return wire + " landed on " + at + " by its " + END.get(end) + " end";
        }

        @Override
        public Landed renamed(Rename names) {
            return new Landed(names.wire(wire), end, names.terminal(at));
        }

        @Override
        public void rewire(Circuit circuit, Circuit.Builder b, Fittings fittings) {
            b.wires().replaceAll(w -> w.id().equals(wire) ? w.withEnd(end, at) : w);
        }
    }

    /** A conductor's end is off its terminal {@code at} and in the air. */
    record Lifted(String wire, Terminal at) implements OnWire, Rewiring {
        @Override
        public FaultKind kind() {
            return FaultKind.LIFTED;
        }

        @Override
        public Map<String, Object> details() {
            return Defect.ordered("wire", wire, "at", at.toString());
        }

        @Override
        public Set<String> touches() {
            return Set.of(wire, at.part());
        }

        @Override
        public Lifted renamed(Rename names) {
            return new Lifted(names.wire(wire), names.terminal(at));
        }

        @Override
        public Turn turn() {
            return Turn.HANDS;
        }

        @Override
        public void rewire(Circuit circuit, Circuit.Builder b, Fittings fittings) {
            int end = endAt(circuit.wire(wire).orElseThrow(), at);
            new BareEnd(wire, end).takeOff(b, placeOf(circuit, at), fittings);
        }
    }

    /**
     * Conductors' ends are off their terminals and twisted together, away from anything else.
     *
     * @param wires two or more
     * @param off by conductor, the terminal that its end was on
     */
    record Twisted(List<String> wires, List<Terminal> off) implements WiringDefect, Rewiring {
        public Twisted {
            wires = List.copyOf(wires);
            off = List.copyOf(off);
        }

        @Override
        public FaultKind kind() {
            return FaultKind.TWISTED;
        }

        @Override
        public Map<String, Object> details() {
            return Defect.ordered(
                    "wires",
                    wires,
                    "between",
                    off.stream().map(Terminal::toString).toList());
        }

        @Override
        public Set<String> touches() {
            Set<String> touched = new LinkedHashSet<>(wires);
            off.forEach(t -> touched.add(t.part()));
            return touched;
        }

        @Override
        public Twisted renamed(Rename names) {
            return new Twisted(
                    wires.stream().map(names::wire).toList(),
                    off.stream().map(names::terminal).toList());
        }

        @Override
        public Turn turn() {
            return Turn.HANDS;
        }

        @Override
        public void rewire(Circuit circuit, Circuit.Builder b, Fittings fittings) {
            String splice = "twist " + String.join(" ", wires);
            b.parts().removeIf(p -> p.id().equals(splice));
            b.parts().add(fittings.splice(splice, placeOf(circuit, off.get(0)), null, wires.size()));
            for (int i = 0; i < wires.size(); i++) {
                String wire = wires.get(i);
                // by where it is drawn: another fault may have put it elsewhere
                int end = endAt(circuit.wire(wire).orElseThrow(), off.get(i));
                Terminal onto = new Terminal(splice, String.valueOf(i + 1));
                b.wires().replaceAll(w -> w.id().equals(wire) ? w.withEnd(end, onto) : w);
            }
        }
    }

    /** Two conductors have changed places at one end. */
    record Swapped(String one, String other, int end) implements WiringDefect, Rewiring {
        @Override
        public FaultKind kind() {
            return FaultKind.SWAPPED;
        }

        @Override
        public Map<String, Object> details() {
            return Defect.ordered("wires", List.of(one, other), "end", end);
        }

        @Override
        public Set<String> touches() {
            return Set.of(one, other);
        }

        @Override
        public String words() {
            return one + " and " + other + " changed over at their " + END.get(end) + " ends";
        }

        @Override
        public Swapped renamed(Rename names) {
            return new Swapped(names.wire(one), names.wire(other), end);
        }

        @Override
        public void rewire(Circuit circuit, Circuit.Builder b, Fittings fittings) {
            Wire first = circuit.wire(one).orElseThrow();
            Wire second = circuit.wire(other).orElseThrow();
            replace(b, first.withEnd(end, second.end(end)));
            replace(b, second.withEnd(end, first.end(end)));
        }
    }

    /**
     * Two terminals touch.
     *
     * @param ohms of where they touch, or null for a tenth of an ohm
     */
    record Shorted(Terminal a, Terminal b, Double ohms) implements WiringDefect, Rewiring {
        @Override
        public FaultKind kind() {
            return FaultKind.SHORT;
        }

        @Override
        public Map<String, Object> details() {
            return Defect.ordered("between", List.of(a.toString(), b.toString()), "ohms", ohms);
        }

        @Override
        public Set<String> touches() {
            return new LinkedHashSet<>(List.of(a.part(), b.part()));
        }

        @Override
        public Shorted renamed(Rename names) {
            return new Shorted(names.terminal(a), names.terminal(b), ohms);
        }

        private String id() {
            return "short " + a + "–" + b;
        }

        @Override
        public void rewire(Circuit circuit, Circuit.Builder builder, Fittings fittings) {
            add(builder, Wire.between(id(), a, b));
        }

        @Override
        public List<Hold> holds() {
            return List.of(Hold.ohms(id(), Which.ALL, null, ohms == null ? 0.1 : ohms, Effect.CONDUCTANCE));
        }
    }

    /** A jumper that was left in; one that is clipped to the bare end of a wire goes along with that. */
    record Link(Terminal a, Terminal b) implements WiringDefect, Rewiring {
        @Override
        public FaultKind kind() {
            return FaultKind.LINK;
        }

        @Override
        public Map<String, Object> details() {
            return Defect.ordered("between", List.of(a.toString(), b.toString()));
        }

        @Override
        public Set<String> touches() {
            return new LinkedHashSet<>(List.of(a.part(), b.part()));
        }

        @Override
        public Link renamed(Rename names) {
            return new Link(names.terminal(a), names.terminal(b));
        }

        private String id() {
            return "link " + a + "–" + b;
        }

        @Override
        public Turn turn() {
            return BareEnd.of(a).isPresent() || BareEnd.of(b).isPresent() ? Turn.CLIPS : Turn.FAULTS;
        }

        @Override
        public void rewire(Circuit circuit, Circuit.Builder builder, Fittings fittings) {
            Terminal one = where(a, builder);
            Terminal other = where(b, builder);
            if (!one.equals(other)) {
                add(builder, Wire.between(id(), one, other));
            }
        }

        /** The same where all ends are on their terminals. */
        public Link landed(Circuit circuit) {
            return new Link(BareEnd.landed(a, circuit), BareEnd.landed(b, circuit));
        }

        private static Terminal where(Terminal clip, Circuit.Builder b) {
            return BareEnd.of(clip)
                    .flatMap(end -> b.wires().stream()
                            .filter(w -> w.id().equals(end.wire()))
                            .map(w -> w.end(end.end()))
                            .findFirst())
                    .orElse(clip);
        }
    }

    /** The ends of a conductor in words, as it is drawn from and to. */
    List<String> END = List.of("first", "second");

    private static int endAt(Wire wire, Terminal terminal) {
        return wire.from().equals(terminal) ? 0 : 1;
    }

    private static String placeOf(Circuit circuit, Terminal terminal) {
        return circuit.part(terminal.part()).map(Part::place).orElse(terminal.part());
    }

    private static void replace(Circuit.Builder b, Wire wire) {
        b.wires().replaceAll(w -> w.id().equals(wire.id()) ? wire : w);
    }

    /** Adds a conductor that isn't drawn; its id has a space in it, which no user's has. The same twice is one. */
    private static void add(Circuit.Builder b, Wire wire) {
        if (b.wires().stream().noneMatch(w -> w.id().equals(wire.id()))) {
            b.wires().add(wire);
        }
    }
}
