package org.jagridge.core.part.type;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Input;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Signal;
import org.jagridge.core.part.Because;
import org.jagridge.core.part.Behaviour;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Call;
import org.jagridge.core.part.Instant;
import org.jagridge.core.part.Moment;
import org.jagridge.core.part.PartDraft;
import org.jagridge.core.part.PartType;
import org.jagridge.core.part.Reaction;
import org.jagridge.core.part.Shape;
import org.jagridge.core.part.Stamp;

/**
 * Thermostats that are nothing but a switch: {@code line-thermostat} (one or two poles in the line), {@code
 * millivolt-thermostat} (20 mΩ), {@code room-stat} (1 to 3, with N for its accelerator).
 */
final class RoomSwitch extends PartType {
    private static final double SET_CELSIUS = 20;
    private static final double MILLIVOLT_OHMS = 0.020;
    private static final double LINE_OHMS = 0.005;
    private static final double ACCELERATOR_OHMS = 270_000;

    private RoomSwitch(String type, String title, String summary) {
        super(type, title, summary);
    }

    static RoomSwitch line() {
        return new RoomSwitch(
                "line-thermostat", "Line-voltage thermostat", "A thermostat that switches the load itself.");
    }

    static RoomSwitch millivolt() {
        return new RoomSwitch(
                "millivolt-thermostat",
                "Millivolt thermostat",
                "A bare switch of low resistance for thermopile circuits.");
    }

    static RoomSwitch roomStat() {
        return new RoomSwitch("room-stat", "Room thermostat", "Switches a live for heating: 1 in, 3 out on a call.");
    }

    private boolean isRoomStat() {
        return type().equals("room-stat");
    }

    @Override
    public List<Field> params() {
        return List.of(
                Field.positive("differentialK", 1.0, "K"),
                Field.temperatureOf("reads"),
                Field.choice("direction", "heat", "heat", "cool"),
                Field.number("poles", 1.0, "").within(1, 2));
    }

    @Override
    public List<String> terminals(Params params) {
        if (isRoomStat()) {
            return List.of("1", "3", "N");
        }
        return params.integer("poles") == 2 ? List.of("1", "2", "3", "4") : List.of("1", "2");
    }

    @Override
    public List<Field> inputs(Params params) {
        Field set = Field.number("setCelsius", SET_CELSIUS, "°C").within(-20, 60);
        return params.has("reads")
                ? List.of(set)
                : List.of(set, Field.number("roomCelsius", 21.0, "°C").within(-40, 60));
    }

    @Override
    public Signal signal(Params params) {
        return Signal.of("open", "closed");
    }

    @Override
    public List<Call> calls(Part part, Params params) {
        boolean cools = params.is("direction", "cool");
        Input set = new Input(part.id(), "setCelsius");
        Map<Input, Object> before = new LinkedHashMap<>();
        before.put(room(part, params), 20.0);
        before.putAll(quiet(part, params));
        return List.of(Call.of(
                cools ? "cool" : "heat",
                cools ? "Cooling" : "Heating",
                cools ? Call.Duty.COOLING : Call.Duty.HEATING,
                before,
                Map.of(set, cools ? 10.0 : 30.0),
                quiet(part, params)));
    }

    @Override
    public Optional<String> whyQuiet(Part part, Params params, String output, Seen seen) {
        double room = seen.room(params);
        double d = params.number("differentialK");
        boolean cools = params.is("direction", "cool");
        double starts = seen.number("setCelsius") + (cools ? d : -d);
        return (cools ? room < starts : room > starts)
                ? Optional.of("no call: the room is %.1f °C, %s starts at %.1f °C"
                        .formatted(room, cools ? "cooling" : "heating", starts))
                : Optional.empty();
    }

    @Override
    public Map<Input, List<Double>> cuts(Part part, Params params) {
        double set = SET_CELSIUS;
        double d = params.number("differentialK");
        return Map.of(room(part, params), List.of(set, params.is("direction", "cool") ? set + d : set - d));
    }

    @Override
    public Map<Input, Object> quiet(Part part, Params params) {
        return Map.of(new Input(part.id(), "setCelsius"), params.is("direction", "cool") ? 30.0 : 5.0);
    }

    @Override
    protected Map<String, String> jobs() {
        return Map.of("3-N", "accelerator");
    }

    @Override
    public Behaviour<?> build(PartDraft draft) {
        Params p = draft.params();
        Branch first = draft.contact("1", isRoomStat() ? "3" : "2", Shape.THERMOSTAT, false);
        boolean second = !isRoomStat() && p.integer("poles") == 2;
        return new Bimetal(
                second ? List.of(first, draft.contact("3", "4", Shape.THERMOSTAT, false)) : List.of(first),
                isRoomStat() ? draft.load("3", "N", Shape.BOX) : null,
                type().equals("millivolt-thermostat") ? MILLIVOLT_OHMS : LINE_OHMS,
                p.number("differentialK"),
                p.textOrNull("reads"),
                p.is("direction", "cool"));
    }

    private record Bimetal(
            List<Branch> contacts, Branch accelerator, double ohms, double differential, String reads, boolean cools)
            implements Behaviour<Boolean> {
        @Override
        public Boolean start(Moment moment) {
            return false;
        }

        @Override
        public void stamp(Boolean closed, Stamp stamp) {
            contacts.forEach(b -> stamp.conductance(b, closed ? 1 / ohms : 0));
            if (accelerator != null) {
                stamp.resistance(accelerator, ACCELERATOR_OHMS);
            }
        }

        @Override
        public Reaction<Boolean> react(Boolean was, Moment m) {
            double room = reads == null ? m.number("roomCelsius") : m.celsiusOf(reads);
            double set = m.number("setCelsius");
            double on = cools ? set + differential : set - differential;
            boolean calls = cools ? (was ? room > set : room >= on) : (was ? room < set : room <= on);
            Instant wake = reads == null
                    ? Instant.NEVER
                    : Instant.earliest(m.whenCelsius(reads, set), m.whenCelsius(reads, on));
            Because because = Because.temperature(() -> "room %.1f °C, set %.1f °C".formatted(room, set));
            return new Reaction<>(calls, wake, because, null);
        }

        @Override
        public String signal(Boolean closed) {
            return closed ? "closed" : "open";
        }
    }
}
