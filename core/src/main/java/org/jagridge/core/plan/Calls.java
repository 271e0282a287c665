package org.jagridge.core.plan;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jagridge.core.plan.WiringRequest.Accessory;

/** The nets of a draft that carry calls: from each output of the thermostat to what it is to bring. */
final class Calls {
    private static final Set<Accessory> BEFORE_COMPRESSOR = EnumSet.of(
            Accessory.FLOAT_SWITCH,
            Accessory.FREEZE_SWITCH,
            Accessory.CURRENT_SWITCH,
            Accessory.LOCKOUT_RELAY,
            Accessory.START_DELAY);

    /** Factory wires through which blowers draw their current, by the terminals at their ends. */
    private static final List<String[]> BLOWER_WIRES = List.of(
            new String[] {"AC.BL", "BLA.1"},
            new String[] {"AH.BL", "BLW.1"},
            new String[] {"FT.14", "BLW.1"},
            new String[] {"FC.BLC", "BLW.HI"},
            new String[] {"FC.BLH", "BLW.MED"},
            new String[] {"FC.BLF", "BLW.LO"});

    private final Composition c;
    private final Composer composer;
    private final Kit kit;
    private final WiringRequest r;
    private final Face face;
    private Net cool;
    private Net heat;
    /** Where a call for heat ends: at the equipment, or at the coil of a relay for it. */
    private String heatTarget;

    Calls(Composition c, Composer composer) {
        this.c = c;
        this.composer = composer;
        kit = c.kit;
        r = c.request;
        face = c.face;
    }

    void join() {
        heat();
        cool();
        fan();
        valve();
        defrost();
        humidifier();
        outdoorSensor();
    }

    private Optional<Post> needs(Line line) {
        return kit.post(line, Post.How.NEEDS);
    }

    private void leftOff(String terminal, String why) {
        c.unused.add(new WiringPlan.Unused("TH." + terminal, why));
    }

    /** A relay that a draft needs. */
    private String relay(boolean small, String place, String why) {
        String kind = small ? "relay-24V" : "contactor-24V";
        c.buys(kind, 1, small ? "relay, 24 V AC coil" : "relay for line voltage, 24 V AC coil", why);
        c.pay(kind, 1);
        return kit.piece(kind, place);
    }

    private void heat() {
        Optional<Post> line = needs(Line.LINE_HEAT);
        Optional<Post> sink = line.or(() -> needs(Line.HEAT));
        if (sink.isEmpty()) {
            face.heatOutputs().forEach(o -> leftOff(o, "nothing here heats but the heat pump"));
            return;
        }
        heatTarget = sink.get().at();
        if (line.isPresent()) {
            String k =
                    relay(false, "indoor", "the thermostat's contacts are for 24 V; the heater's loop is line voltage");
            Post from = kit.post(Line.LINE_FEED, Post.How.FEED).orElseThrow();
            c.fit(from.at(), k + ".L1", "black", "the heater's own loop stays at line voltage, beside the 24 V");
            c.fit(k + ".T1", heatTarget, "black", "the heater's own loop stays at line voltage, beside the 24 V");
            composer.common().join(k + ".A2");
            heatTarget = k + ".A1";
        } else if (c.has(Move.ISOLATING_RELAY)) {
            String k = relay(true, "indoor", "it keeps the heating pair apart from the other transformer");
            Post from = kit.post(Line.HEAT_FEED, Post.How.FEED).orElseThrow();
            c.fit(from.at(), k + ".11", "red", "the relay's dry contact closes the heating pair");
            c.fit(k + ".14", heatTarget, "white", "the relay's dry contact closes the heating pair");
            composer.common().join(k + ".A2");
            heatTarget = k + ".A1";
        }
        for (String out : face.heatOutputs()) {
            heat = c.net(Line.HEAT, out, composer.origin(out, "indoor"), heatTarget);
        }
        emergency();
    }

    private void emergency() {
        if (!face.has("E")) {
            return;
        }
        if (face.isConventional()) {
            leftOff("E", "a thermostat set as conventional has no emergency heat");
        } else if (c.has(Move.E_LEFT_OFF)) {
            leftOff("E", "no conductor for it");
        } else if (c.has(Move.AUX_AND_E) && heat != null) {
            heat.join(composer.origin("E", "indoor"));
        } else {
            c.net(Line.EMERGENCY, "E", composer.origin("E", "indoor"), heatTarget);
        }
    }

    private void cool() {
        Optional<Post> sink = needs(Line.COOL);
        if (sink.isEmpty()) {
            r.accessories().stream()
                    .filter(BEFORE_COMPRESSOR::contains)
                    .forEach(a -> c.unused.add(new WiringPlan.Unused(
                            a.word().replace('-', ' '), "there is no compressor whose call it could hold back")));
            List.of("Y", "Y2", "O", "B").stream()
                    .filter(face::has)
                    .forEach(o -> leftOff(o, "there is no outdoor unit"));
            return;
        }
        if (face.has("Y")) {
            String from = composer.origin("Y", sink.get().place());
            List<String[]> indoorSwitches = indoorSwitches();
            for (String[] in : indoorSwitches) {
                if (from.startsWith("RMO.")) {
                    c.why = "a switch at the indoor unit can't stop a compressor that is called by radio outdoors";
                    return;
                }
                cool(from, in[0]);
                from = in[1];
            }
            cool(from, overRelay(outdoorSwitches(sink.get().at()), "Y"));
            if (!indoorSwitches.isEmpty()) {
                // the board hears the call before the switches that may stop the compressor
                kit.post(Line.COOL, Post.How.LISTENS).ifPresent(p -> cool.join(p.at()));
            }
        }
        needs(Line.COOL_2).ifPresent(second -> {
            if (!face.has("Y2")) {
                c.lost.add("the second stage: the thermostat has no Y2");
            } else if (c.has(Move.SECOND_STAGE_OFF)) {
                leftOff("Y2", "no conductor for it");
            } else {
                c.net(Line.COOL_2, "Y2", composer.origin("Y2", "outdoor"), overRelay(second.at(), "Y2"));
            }
        });
        if (face.has("Y2") && needs(Line.COOL_2).isEmpty()) {
            leftOff("Y2", "the outdoor unit has one stage");
        }
    }

    private void cool(String from, String to) {
        Net net = c.net(Line.COOL, "Y", from, to);
        cool = cool == null ? net : cool;
    }

    /** Where a call to the outdoor unit ends: at its post, or at the coil of a relay whose dry contact gives it the unit's own R. */
    private String overRelay(String sink, String letter) {
        if (!c.has(Move.RELAYS_OUTDOOR)) {
            return sink;
        }
        String k = relay(true, "outdoor", "it passes " + letter + " on without joining the two transformers");
        composer.common().join(k + ".A2");
        c.fit(kit.post(Line.OUT_FEED, Post.How.FEED).orElseThrow().at(), k + ".11", "red", "the outdoor unit's own R");
        c.fit(k + ".14", sink, "yellow", "the relay's dry contact gives " + letter + " to the outdoor unit");
        return k + ".A1";
    }

    /** Switches at the indoor unit that a call for the compressor goes through: in, out. */
    private List<String[]> indoorSwitches() {
        List<String[]> switches = new ArrayList<>();
        if (r.accessories().contains(Accessory.FLOAT_SWITCH)) {
            kit.add(Accessory.FLOAT_SWITCH.word());
            switches.add(new String[] {"FS.1", "FS.2"});
        }
        if (r.accessories().contains(Accessory.FREEZE_SWITCH)) {
            kit.add(Accessory.FREEZE_SWITCH.word());
            switches.add(new String[] {"FZ.1", "FZ.2"});
        }
        if (r.accessories().contains(Accessory.CURRENT_SWITCH)) {
            kit.add(Accessory.CURRENT_SWITCH.word());
            kit.set("CSW", "senses", blowerWires(true));
            switches.add(new String[] {"CSW.1", "CSW.2"});
        }
        return switches;
    }

    /** The conductors through which the blower draws its current, in cooling or in heating. */
    private List<Map<String, Object>> blowerWires(boolean cooling) {
        List<Map<String, Object>> senses = new ArrayList<>();
        for (String[] w : BLOWER_WIRES) {
            boolean ofCooling = w[0].startsWith("AC.");
            boolean counts = !Equipment.coolsApart(r) || ofCooling == cooling;
            if (kit.has(w[0].substring(0, 2)) && counts) {
                Map<String, Object> sense = new LinkedHashMap<>();
                sense.put("wire", kit.wireBetween(w[0], w[1]));
                senses.add(sense);
            }
        }
        return senses;
    }

    /** A start delay and a lockout relay before the contactor; gives the terminal that the call comes to. */
    private String outdoorSwitches(String sink) {
        boolean delay = r.accessories().contains(Accessory.START_DELAY);
        boolean lockout = r.accessories().contains(Accessory.LOCKOUT_RELAY);
        if (!delay && !lockout) {
            return sink;
        }
        boolean heatPump = r.outdoor().isHeatPump();
        if (heatPump) {
            kit.unwire("DF.CC", "CC.A1");
        }
        String entry = "CC.A1";
        if (lockout) {
            kit.add(Accessory.LOCKOUT_RELAY.word());
            c.fit("HPS.2", "CC.A1", "yellow", "the safety switch stays in the way of the contactor");
            c.fit("LR.LOAD", "CC.A1", "yellow", "the lockout relay's coil lies between the call and the contactor");
            entry = "LR.SUP";
        }
        if (delay) {
            kit.add(Accessory.START_DELAY.word());
            c.fit("TD.OUT", entry, "yellow", "the start delay passes the call on after its time");
            entry = "TD.IN";
        }
        if (heatPump) {
            c.fit("DF.CC", entry, "yellow", "what the defrost control passes on goes through it");
            return sink;
        }
        return entry;
    }

    private void fan() {
        Optional<Post> sink = needs(Line.FAN);
        if (sink.isEmpty()) {
            if (face.has("G")) {
                leftOff("G", "nothing here listens to it");
            }
            return;
        }
        if (c.has(Move.G_LEFT_OFF)) {
            leftOff("G", "the equipment runs its own fan");
        } else if (c.has(Move.Y_AND_G) && cool != null) {
            cool.join(sink.get().at());
            leftOff("G", "Y brings the fan along");
        } else if (c.has(Move.FAN_RELAY)) {
            leftOff("G", "relays at the unit bring the fan");
            fanRelays(sink.get().at());
        } else if (face.has("G")) {
            c.net(Line.FAN, "G", composer.origin("G", "indoor"), sink.get().at());
        }
    }

    private void fanRelays(String sink) {
        List<Net> calls = new ArrayList<>();
        if (cool != null) {
            calls.add(cool);
        }
        boolean bringsItself = r.indoor().fanRunsItself() || !kit.needsAir().contains(Duty.STRIPS);
        if (heat != null && !bringsItself && !composer.isPair()) {
            calls.add(heat);
        }
        String from = composer.feed().ends().get(0);
        for (Net call : calls) {
            String k = relay(true, "indoor", "it makes G out of " + call.letter);
            call.join(k + ".A1");
            composer.common().join(k + ".A2");
            c.fit(from, k + ".11", "red", "the relay gives R to the fan");
            c.fit(k + ".14", sink, "green", "the fan comes with " + call.letter);
        }
    }

    private void valve() {
        Optional<Post> sink = needs(Line.VALVE);
        if (sink.isEmpty()) {
            List.of("O", "B").stream()
                    .filter(face::has)
                    .filter(o -> r.outdoor().isThere())
                    .forEach(o -> leftOff(o, "the outdoor unit has no reversing valve"));
            return;
        }
        String wanted = r.outdoor().valve();
        String other = wanted.equals("O") ? "B" : "O";
        if (face.has(other) && face.has(wanted)) {
            leftOff(other, "the outdoor unit's valve is energised to " + (wanted.equals("O") ? "cool: O" : "heat: B"));
        }
        if (c.has(Move.VALVE_BRIDGED) && cool != null) {
            cool.join(sink.get().at());
        } else if (face.has(wanted)) {
            c.net(
                    Line.VALVE,
                    wanted,
                    composer.origin(wanted, "outdoor"),
                    overRelay(sink.get().at(), wanted));
        } else if (face.has(other) && c.has(Move.VALVE_RELAY) && cool != null) {
            String k = relay(true, "outdoor", "the thermostat gives " + other + ", the valve wants " + wanted);
            c.net(Line.VALVE, other, composer.origin(other, "outdoor"), k + ".A1");
            composer.outdoorCommon().join(k + ".A2");
            c.fit(needs(Line.COOL).orElseThrow().at(), k + ".11", "yellow", "the relay's resting contact passes Y");
            c.fit(
                    k + ".12",
                    sink.get().at(),
                    "orange",
                    "the valve has its volts while Y calls and " + other + " doesn't");
        }
    }

    private void defrost() {
        Optional<Post> gives = kit.post(Line.DEFROST, Post.How.GIVES);
        if (gives.isEmpty()) {
            return;
        }
        if (c.has(Move.RELAYS_OUTDOOR) && heatTarget != null) {
            c.lost.add(Move.W2_LEFT_OFF.loses());
            c.unused.add(new WiringPlan.Unused(gives.get().at(), "left off: it would tie the two transformers"));
        } else if (c.has(Move.W2_LEFT_OFF)) {
            c.unused.add(
                    new WiringPlan.Unused(gives.get().at(), "left off: the house gets cold air while it defrosts"));
        } else if (heatTarget == null) {
            c.unused.add(new WiringPlan.Unused(gives.get().at(), "nothing indoors could heat for a defrost"));
        } else if (c.has(Move.WIRELESS_OUTDOOR)) {
            c.fit(
                    gives.get().at(),
                    "RMO.DEF",
                    "white",
                    "the module tells the thermostat of a defrost, which brings AUX");
            kit.set("TH", "defrost", "DF");
        } else {
            c.net(Line.DEFROST, "W2", gives.get().at(), heatTarget);
        }
    }

    private void outdoorSensor() {
        if (!r.accessories().contains(Accessory.OUTDOOR_SENSOR)) {
            return;
        }
        if (!c.has(Move.WIRELESS_OUTDOOR)) {
            c.lost.add("the outdoor sensor: this thermostat has no terminals for it");
            return;
        }
        kit.add(Accessory.OUTDOOR_SENSOR.word());
        c.fit("OS.1", "RMO.T1", "grey", "the module reads the outdoor sensor");
        c.fit("OS.2", "RMO.T2", "grey", "the module reads the outdoor sensor");
    }

    private void humidifier() {
        if (!r.accessories().contains(Accessory.HUMIDIFIER)) {
            return;
        }
        if (heat == null) {
            c.lost.add("the humidifier: no call for heat to follow");
            return;
        }
        List<Map<String, Object>> wires = blowerWires(false);
        if (wires.isEmpty()) {
            c.lost.add("the humidifier: nothing here moves air with heat");
            return;
        }
        kit.add(Accessory.HUMIDIFIER.word());
        kit.set("CSH", "senses", wires);
        heat.join("KH.A1");
        composer.common().join("KH.A2", "HUM.2");
        c.fit(
                composer.feed().ends().get(0),
                "KH.11",
                "red",
                "the humidifier works with heat, and only while air moves");
    }
}
