package org.jagridge.core.part.type;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.Signal;
import org.jagridge.core.part.Because;
import org.jagridge.core.part.Behaviour;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Instant;
import org.jagridge.core.part.Moment;
import org.jagridge.core.part.PartDraft;
import org.jagridge.core.part.PartType;
import org.jagridge.core.part.Reaction;
import org.jagridge.core.part.Shape;
import org.jagridge.core.part.Stamp;
import org.jagridge.core.part.block.Coil;
import org.jagridge.core.part.block.Windings;

/**
 * {@code zone-panel}: per zone a thermostat on Rn (hot), Wn and Cn, a relay that gives its circulator L at Pn, and one
 * boiler contact X1–X2 that any zone closes. It has its own transformer.
 */
final class ZonePanel extends PartType {
    ZonePanel() {
        super("zone-panel", "Zone panel", "One relay a zone for its circulator, and one contact for the boiler.");
    }

    @Override
    public List<Field> params() {
        return List.of(Field.number("zones", 3.0, "").within(1, 8), Field.positive("va", 40.0, "VA"));
    }

    @Override
    public List<String> terminals(Params params) {
        List<String> names = new ArrayList<>(List.of("L", "N", "X1", "X2"));
        for (int i = 1; i <= params.integer("zones"); i++) {
            names.addAll(List.of("R" + i, "W" + i, "C" + i, "P" + i));
        }
        return names;
    }

    @Override
    public Signal signal(Params params) {
        return Signal.someOf(numbers(params.integer("zones")), "none");
    }

    /** Each zone has its pump; any zone calls the boiler. */
    @Override
    public boolean moves(String coil, String contact) {
        String zone = coil.replaceAll("W(\\d).*", "$1");
        return contact.equals("X1-X2") || contact.equals("L-P" + zone);
    }

    @Override
    protected Map<String, String> jobs() {
        return IntStream.rangeClosed(1, 9)
                .boxed()
                .collect(Collectors.toMap(i -> "W" + i + "-C" + i, i -> "zone " + i + " call"));
    }

    @Override
    public Set<String> above(Params params) {
        return terminals(params).stream().filter(t -> t.matches("[LN]|P\\d")).collect(Collectors.toSet());
    }

    @Override
    public Behaviour<?> build(PartDraft draft) {
        draft.show("_R", "R1");
        draft.show("_C", "C1");
        List<Branch> links = new ArrayList<>();
        List<Coil> coils = new ArrayList<>();
        List<Branch> pumps = new ArrayList<>();
        for (int i = 1; i <= draft.params().integer("zones"); i++) {
            links.add(draft.link("_R", "R" + i));
            links.add(draft.link("_C", "C" + i));
            coils.add(Coil.small(draft.coil("W" + i, "C" + i)));
            pumps.add(draft.contact("L", "P" + i, Shape.CONTACT_OPEN, false));
        }
        return new Panel(
                Windings.between(draft, "L", "N", "_R", "_C"),
                links,
                coils,
                pumps,
                draft.contact("X1", "X2", Shape.CONTACT_OPEN, false));
    }

    record State(Windings.State windings, List<Coil.State> coils) {}

    private record Panel(Windings windings, List<Branch> links, List<Coil> coils, List<Branch> pumps, Branch boiler)
            implements Behaviour<State> {
        @Override
        public State start(Moment m) {
            return new State(
                    windings.start(m), coils.stream().map(c -> Coil.State.OUT).toList());
        }

        @Override
        public void stamp(State s, Stamp stamp) {
            windings.stamp(s.windings(), stamp);
            links.forEach(b -> stamp.contact(b, true));
            boolean any = false;
            for (int i = 0; i < coils.size(); i++) {
                boolean in = s.coils().get(i).in();
                coils.get(i).stamp(s.coils().get(i), stamp);
                stamp.contact(pumps.get(i), in);
                any |= in;
            }
            stamp.contact(boiler, any);
        }

        @Override
        public Reaction<State> react(State s, Moment m) {
            Reaction<Windings.State> w = windings.react(s.windings(), m);
            List<Coil.State> next = new ArrayList<>();
            Instant wake = w.wakeAt();
            Because because = null;
            Because arms = w.arms();
            for (int i = 0; i < coils.size(); i++) {
                Reaction<Coil.State> r = coils.get(i).react(s.coils().get(i), m);
                next.add(r.state());
                wake = Instant.earliest(wake, r.wakeAt());
                because = because == null ? r.because() : because;
                arms = arms == null ? r.arms() : arms;
            }
            return new Reaction<>(
                    new State(w.state(), List.copyOf(next)), wake, because == null ? w.because() : because, arms);
        }

        @Override
        public String signal(State s) {
            String zones = IntStream.range(0, s.coils().size())
                    .filter(i -> s.coils().get(i).in())
                    .mapToObj(i -> Integer.toString(i + 1))
                    .collect(Collectors.joining(" "));
            return zones.isEmpty() ? "none" : zones;
        }
    }
}
