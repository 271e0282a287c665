package org.jagridge.core.part.type;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Input;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Signal;
import org.jagridge.core.network.Complex;
import org.jagridge.core.part.Because;
import org.jagridge.core.part.Behaviour;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Call;
import org.jagridge.core.part.Moment;
import org.jagridge.core.part.PartDraft;
import org.jagridge.core.part.PartType;
import org.jagridge.core.part.Reaction;
import org.jagridge.core.part.Shape;
import org.jagridge.core.part.Stamp;
import org.jagridge.core.part.Trait;

/** {@code programmer}: passes L to hot water off (1) or on (3), heating off (2) or on (4). */
final class Programmer extends PartType {
    Programmer() {
        super("programmer", "Programmer", "Passes its live to hot water on or off, heating on or off.");
    }

    @Override
    public List<String> terminals(Params params) {
        return List.of("L", "N", "1", "2", "3", "4");
    }

    @Override
    public List<Field> inputs(Params params) {
        return List.of(Field.choice("hotWater", "off", "off", "on"), Field.choice("heating", "off", "off", "on"));
    }

    @Override
    public Set<Trait> traits(Params params) {
        return Set.of(Trait.EXCLUSIVE_CONTACTS);
    }

    @Override
    public Signal signal(Params params) {
        return Signal.of("off", "hot-water", "heating", "both");
    }

    @Override
    public List<Set<String>> changeoverSets() {
        return List.of(Set.of("L-1", "L-3"), Set.of("L-2", "L-4"));
    }

    @Override
    public List<Call> calls(Part part, Params params) {
        Map<Input, Object> water = Map.of(new Input(part.id(), "hotWater"), "on");
        Map<Input, Object> both = new LinkedHashMap<>(water);
        both.putAll(letsThrough(part));
        return List.of(
                call("hot-water", "Hot water", Call.Duty.HOT_WATER, water),
                call("heating-by-the-programmer", "Heating by the programmer", Call.Duty.HEATING, letsThrough(part))
                        .passingRooms(),
                call("hot-water-and-heating", "Hot water and heating", Call.Duty.HOT_WATER_AND_HEATING, both)
                        .passingRooms());
    }

    private static Call call(String key, String name, Call.Duty duty, Map<Input, Object> on) {
        Map<Input, Object> off = new LinkedHashMap<>(on);
        off.replaceAll((input, value) -> "off");
        return Call.of(key, name, duty, Map.of(), on, off);
    }

    @Override
    public Map<Input, Object> letsThrough(Part part) {
        return Map.of(new Input(part.id(), "heating"), "on");
    }

    @Override
    protected Map<String, String> jobs() {
        return Map.of("L-N", "clock");
    }

    @Override
    public Behaviour<?> build(PartDraft draft) {
        return new Clock(
                draft.load("L", "N", Shape.BOX),
                draft.contact("L", "1", Shape.SWITCH, true),
                draft.contact("L", "2", Shape.SWITCH, true),
                draft.contact("L", "3", Shape.SWITCH, false),
                draft.contact("L", "4", Shape.SWITCH, false));
    }

    record State(boolean water, boolean heating) {}

    private record Clock(Branch own, Branch waterOff, Branch heatingOff, Branch waterOn, Branch heatingOn)
            implements Behaviour<State> {
        @Override
        public State start(Moment m) {
            return new State(m.word("hotWater").equals("on"), m.word("heating").equals("on"));
        }

        @Override
        public void stamp(State s, Stamp stamp) {
            stamp.load(own, Complex.real(230 * 230 / 2.0));
            stamp.contact(waterOff, !s.water());
            stamp.contact(waterOn, s.water());
            stamp.contact(heatingOff, !s.heating());
            stamp.contact(heatingOn, s.heating());
        }

        @Override
        public Reaction<State> react(State s, Moment m) {
            return Reaction.change(start(m), Because.input("set by hand"));
        }

        @Override
        public String signal(State s) {
            return s.water() ? (s.heating() ? "both" : "hot-water") : s.heating() ? "heating" : "off";
        }
    }
}
