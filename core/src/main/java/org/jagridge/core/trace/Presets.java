package org.jagridge.core.trace;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.part.PartTypes;
import org.jagridge.core.part.Trait;

/**
 * The calls and mishaps that a circuit's own parts make possible, each as a scenario: fan on, cooling, heating,
 * auxiliary, emergency, defrost, changeover, hot water, a limit that trips, a door or vent that opens, power lost and
 * back.
 */
public final class Presets {
    private static final double BEGINS = 5;
    private static final double ENDS = 605;
    /** Long enough after a call for blowers and overruns to stop. */
    private static final double UNTIL = 1000;

    /**
     * One of them.
     *
     * @param key for addresses, unique in its circuit
     * @param call whether it is a plain call, a row of the mode table
     */
    public record Preset(String key, String name, boolean call, Scenario scenario) {}

    private final Circuit circuit;
    private final List<Preset> presets = new ArrayList<>();

    private Presets(Circuit circuit) {
        this.circuit = circuit;
    }

    /** The presets of a circuit, calls first. */
    public static List<Preset> of(Circuit circuit) {
        return new Presets(circuit).make();
    }

    public static Optional<Preset> find(Circuit circuit, String key) {
        return of(circuit).stream().filter(p -> p.key().equals(key)).findFirst();
    }

    private List<Preset> make() {
        circuit.parts().forEach(p -> {
            Set<Trait> traits = PartTypes.traitsOf(p);
            if (traits.contains(Trait.THERMOSTAT)) {
                thermostat(p);
            } else if (traits.contains(Trait.PROGRAMMER)) {
                programmer(p);
            } else if (traits.contains(Trait.ROOM_SWITCH)) {
                roomSwitch(p);
            }
        });
        presets.addAll(new Mishaps(circuit, presets).make());
        return presets;
    }

    private void add(String part, String key, String name, boolean call, Scenario scenario) {
        presets.add(new Preset(part + "-" + key, name, call, scenario));
    }

    private Params params(Part p) {
        return new Params(PartTypes.catalogue().require(p).params(), p.params());
    }

    private String title(Part p, String call) {
        boolean several =
                circuit.parts().stream().filter(o -> o.type().equals(p.type())).count() > 1;
        return several ? call + ", " + p.title() : call;
    }

    private static String roomOf(Part p, Params params) {
        return params.has("reads") ? params.text("reads") + ".celsius" : p.id() + ".roomCelsius";
    }

    private void thermostat(Part p) {
        Params params = params(p);
        List<String> terminals = params.texts("terminals");
        String id = p.id();
        String mode = id + ".mode";
        String room = roomOf(p, params);
        boolean heatPump = !params.is("kind", "conventional");
        boolean cools = terminals.contains("Y") || terminals.contains("Y2");
        boolean heats = terminals.contains("W") || heatPump;
        if (terminals.contains("G")) {
            add(
                    id,
                    "fan",
                    title(p, "Fan on"),
                    true,
                    new Tale()
                            .at(BEGINS, id + ".fan", "on")
                            .at(ENDS, id + ".fan", "auto")
                            .until(title(p, "Fan on"), UNTIL));
        }
        if (cools) {
            call(p, "cool", "Cooling", new Tale().start(room, 27.0), mode, "cool");
        }
        if (heats) {
            call(p, "heat", heatPump ? "Heating, first stage" : "Heating", new Tale().start(room, 19.0), mode, "heat");
        }
        if (heatPump && (terminals.contains("AUX") || terminals.contains("W2") || terminals.contains("W"))) {
            call(p, "aux", "Auxiliary heat", new Tale().start(room, 15.0), mode, "heat");
        }
        if (heatPump) {
            call(p, "emergency", "Emergency heat", new Tale().start(room, 15.0), mode, "emergency");
        }
        if (heatPump && circuit.parts().stream().anyMatch(o -> PartTypes.is(o, Trait.DEFROSTS))) {
            defrost(p, room, mode);
        }
        if (cools && heats) {
            add(
                    id,
                    "changeover",
                    title(p, "Changeover"),
                    false,
                    new Tale()
                            .start(room, 27.0)
                            .at(BEGINS, mode, "cool")
                            .at(ENDS, mode, "off")
                            .at(1205, Tale.both(mode, "heat", room, 18.0))
                            .at(1805, mode, "off")
                            .until(title(p, "Changeover"), 2200));
        }
    }

    private void call(Part p, String key, String name, Tale tale, String input, Object value) {
        add(
                p.id(),
                key,
                title(p, name),
                true,
                tale.at(BEGINS, input, value).at(ENDS, input, "off").until(title(p, name), UNTIL));
    }

    /** Cold and damp outside and a call that goes on: after the interval the coil is defrosted. */
    private void defrost(Part p, String room, String mode) {
        Tale tale = new Tale().start(room, 18.0).start(p.id() + ".heatSetCelsius", 20.0);
        circuit.parts().forEach(o -> {
            if (PartTypes.is(o, Trait.WEATHER)) {
                tale.start(o.id() + ".celsius", -5.0);
            } else if (PartTypes.is(o, Trait.COIL_SENSOR) && !params(o).has("outdoors")) {
                tale.start(o.id() + ".coilCelsius", -6.0);
            }
        });
        add(
                p.id(),
                "defrost",
                title(p, "Defrost"),
                false,
                tale.at(BEGINS, mode, "heat").until(title(p, "Defrost"), 6000));
    }

    private void roomSwitch(Part p) {
        Params params = params(p);
        boolean cools = params.has("direction") && params.is("direction", "cool");
        String set = p.id() + ".setCelsius";
        String name = title(p, cools ? "Cooling" : "Heating");
        Tale tale = new Tale().start(roomOf(p, params), 20.0);
        circuit.parts().forEach(o -> beQuiet(o, p, tale));
        add(
                p.id(),
                cools ? "cool" : "heat",
                name,
                true,
                tale.start(set, cools ? 30.0 : 5.0)
                        .at(BEGINS, set, cools ? 10.0 : 30.0)
                        .at(ENDS, set, cools ? 30.0 : 5.0)
                        .until(name, UNTIL));
    }

    /** Other room switches are turned down, so that this call is told alone; a programmer lets heating through. */
    private void beQuiet(Part other, Part caller, Tale tale) {
        if (PartTypes.is(other, Trait.PROGRAMMER)) {
            tale.start(other.id() + ".heating", "on");
        } else if (PartTypes.is(other, Trait.ROOM_SWITCH) && !other.id().equals(caller.id())) {
            Params params = params(other);
            boolean cools = params.has("direction") && params.is("direction", "cool");
            tale.start(other.id() + ".setCelsius", cools ? 30.0 : 5.0);
        }
    }

    private void programmer(Part p) {
        Map<String, Object> warm = new LinkedHashMap<>();
        circuit.parts().forEach(o -> {
            if (PartTypes.is(o, Trait.ROOM_SWITCH)) {
                warm.put(o.id() + ".setCelsius", 30.0);
            }
        });
        String water = p.id() + ".hotWater";
        String heating = p.id() + ".heating";
        Map<String, Map<String, Object>> calls = new LinkedHashMap<>();
        calls.put("Hot water", Map.of(water, "on"));
        calls.put("Heating by the programmer", Map.of(heating, "on"));
        calls.put("Hot water and heating", Tale.both(water, "on", heating, "on"));
        calls.forEach((name, set) -> {
            Tale tale = new Tale();
            if (set.containsKey(heating)) {
                warm.forEach(tale::start);
            }
            Map<String, Object> off = new LinkedHashMap<>();
            set.keySet().forEach(k -> off.put(k, "off"));
            add(
                    p.id(),
                    name.toLowerCase(Locale.ROOT).replace(' ', '-'),
                    title(p, name),
                    true,
                    tale.at(BEGINS, set).at(ENDS, off).until(title(p, name), UNTIL));
        });
    }
}
