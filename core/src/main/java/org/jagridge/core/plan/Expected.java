package org.jagridge.core.plan;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jagridge.core.plan.WiringRequest.IndoorKind;

/** What must run in each call of equipment, and how the thermostat is made to call. It follows from the boards alone. */
final class Expected {
    private static final Set<Duty> HEATING =
            EnumSet.of(Duty.BURNER, Duty.STRIPS, Duty.BOILER, Duty.PUMP, Duty.HEATING_VALVE);
    private static final Set<IndoorKind> WARM_AIR = EnumSet.of(
            IndoorKind.GAS_FURNACE, IndoorKind.OIL_FURNACE, IndoorKind.AIR_HANDLER, IndoorKind.HYDRONIC_COIL);

    /**
     * A call.
     *
     * @param set inputs that make it
     * @param seconds after which it has settled
     * @param defrosts whether the outdoor coil is cold, so that it ends in a defrost
     */
    record Call(String name, Map<String, Object> set, Set<Duty> runs, double seconds, boolean defrosts) {}

    private final Composition c;
    private final WiringRequest r;
    private final Set<Duty> there;
    private final List<Call> calls = new ArrayList<>();

    private Expected(Composition c) {
        this.c = c;
        r = c.request;
        there = c.kit.duties().keySet();
    }

    /** The calls that these boards and this thermostat can have, those aside that the moves give up. */
    static List<Call> of(Composition c) {
        Expected e = new Expected(c);
        if (c.request.hydronics() != null) {
            e.water();
        } else if (c.request.thermostat().isBare()) {
            Map<String, Object> set = new LinkedHashMap<>();
            set.put("TH.roomCelsius", 15.0);
            e.calls.add(new Call("heating", set, e.heats(), 300, false));
        } else {
            e.thermostat();
        }
        return e.calls;
    }

    private void water() {
        Set<Duty> heating = EnumSet.of(Duty.HEATING_VALVE, Duty.BOILER, Duty.PUMP);
        Set<Duty> hotWater = EnumSet.of(Duty.HOT_WATER_VALVE, Duty.BOILER, Duty.PUMP);
        boolean cylinder = c.kit.has("CYL");
        call("heating", water(false, true, cylinder), heating, 90);
        if (cylinder) {
            call("hot-water", water(true, false, true), hotWater, 90);
            call("hot-water-and-heating", water(true, true, true), both(heating, hotWater), 90);
        }
    }

    private static Map<String, Object> water(boolean hotWater, boolean heating, boolean cylinder) {
        Map<String, Object> set = new LinkedHashMap<>();
        set.put("TH.roomCelsius", heating ? 15.0 : 25.0);
        set.put("PR.heating", heating ? "on" : "off");
        if (cylinder) {
            set.put("CYL.celsius", hotWater ? 40.0 : 65.0);
            set.put("PR.hotWater", hotWater ? "on" : "off");
        }
        return set;
    }

    private Set<Duty> heats() {
        Set<Duty> runs = EnumSet.noneOf(Duty.class);
        runs.addAll(HEATING);
        runs.retainAll(there);
        if (runs.isEmpty()) {
            return runs;
        }
        if (WARM_AIR.contains(r.indoor().kind())) {
            runs.add(Duty.INDOOR_FAN);
        }
        if (there.contains(Duty.HUMIDIFIER)) {
            runs.add(Duty.HUMIDIFIER);
        }
        return runs;
    }

    private Set<Duty> pumps(boolean valveOn) {
        Set<Duty> runs = EnumSet.of(Duty.COMPRESSOR, Duty.OUTDOOR_FAN, Duty.INDOOR_FAN);
        if (valveOn) {
            runs.add(Duty.REVERSING_VALVE);
        }
        return runs;
    }

    private static Set<Duty> both(Set<Duty> one, Set<Duty> other) {
        Set<Duty> all = EnumSet.copyOf(one);
        all.addAll(other);
        return all;
    }

    private static Map<String, Object> set(String mode, double room) {
        Map<String, Object> set = new LinkedHashMap<>();
        set.put("TH.roomCelsius", room);
        set.put("TH.mode", mode);
        return set;
    }

    /** Where the outdoor temperature is set: at the sensor where there is one. */
    private String outdoors() {
        return c.kit.has("OS") ? "OS.celsius" : "TH.outdoorCelsius";
    }

    private void call(String name, Map<String, Object> set, Set<Duty> runs, double seconds) {
        calls.add(new Call(name, set, runs, seconds, false));
    }

    private void thermostat() {
        boolean heatPump = r.outdoor().isHeatPump();
        boolean dual = c.face.kind().equals("dual-fuel");
        boolean stage2 = there.contains(Duty.SECOND_STAGE) && !c.has(Move.SECOND_STAGE_OFF) && c.face.has("Y2");
        boolean coolsWithO = r.outdoor().valve().equals("O");
        Set<Duty> heat = heats();
        boolean givesUpFan = c.has(Move.G_LEFT_OFF) || c.has(Move.Y_AND_G) || c.has(Move.FAN_RELAY);
        if (there.contains(Duty.INDOOR_FAN)
                && c.face.has("G")
                && !givesUpFan
                && c.kit.post(Line.FAN, Post.How.NEEDS).isPresent()) {
            Map<String, Object> on = set("off", 21);
            on.put("TH.fan", "on");
            call("fan", on, EnumSet.of(Duty.INDOOR_FAN), 20);
        }
        if (r.outdoor().isThere()) {
            Set<Duty> cool = pumps(heatPump && coolsWithO);
            call("cooling", set("cool", 25), cool, 120);
            if (stage2) {
                call("cooling-2", set("cool", 28), both(cool, EnumSet.of(Duty.SECOND_STAGE)), 120);
            }
        }
        if (!heatPump) {
            if (!heat.isEmpty()) {
                call("heating", set("heat", 19), heat, 300);
            }
            return;
        }
        Set<Duty> pump = pumps(!coolsWithO);
        Map<String, Object> mild = set("heat", 19);
        if (dual) {
            mild.put(outdoors(), 8.0);
        }
        call("heating", mild, pump, 120);
        Set<Duty> second = both(pump, stage2 ? EnumSet.of(Duty.SECOND_STAGE) : EnumSet.noneOf(Duty.class));
        if (!heat.isEmpty() && dual) {
            Map<String, Object> cold = set("heat", 19);
            cold.put(outdoors(), -10.0);
            call("auxiliary", cold, heat, 300);
        } else if (stage2 || !heat.isEmpty()) {
            Set<Duty> all = heat.isEmpty() ? second : both(second, heat);
            if (stage2) {
                call("heating-2", set("heat", 15), all, 300);
            }
            if (!heat.isEmpty()) {
                call("auxiliary", set("heat", 15), all, 300);
            }
        }
        if (!heat.isEmpty() && !c.has(Move.E_LEFT_OFF)) {
            call("emergency", set("emergency", 15), heat, 300);
        }
        defrost(coolsWithO, heat, dual);
    }

    private void defrost(boolean coolsWithO, Set<Duty> heat, boolean dual) {
        Set<Duty> runs = EnumSet.of(Duty.COMPRESSOR, Duty.INDOOR_FAN);
        if (coolsWithO) {
            runs.add(Duty.REVERSING_VALVE);
        }
        if (r.outdoor().w2() && !c.has(Move.W2_LEFT_OFF) && !c.has(Move.RELAYS_OUTDOOR)) {
            runs.addAll(heat);
        }
        Map<String, Object> set = set("heat", 19);
        if (dual) {
            set.put(outdoors(), 8.0);
        }
        calls.add(new Call("defrost", set, runs, 40, true));
    }
}
