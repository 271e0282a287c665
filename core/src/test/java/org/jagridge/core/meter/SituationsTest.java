package org.jagridge.core.meter;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jagridge.core.Circuits;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.FaultKind;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.circuit.Wire;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Time;
import org.jagridge.core.run.Run;
import org.jagridge.core.run.Simulation;
import org.jagridge.core.world.Worlds;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * What a meter shows and what that proves, situation by situation. The numbers are from the ratings and Ohm's law, the
 * sentences from what is and isn't connected; neither is from the program.
 *
 * <p>Lab bench: 240 V to 24 V, 40 VA (no load 26.9 V), six relays of 3.5/6 VA: open coil 24²/6 = 96 Ω at 0.6, 57.6 Ω to
 * direct current. Cottage: 7.5 kW strips at 240 V, 7.68 Ω; 45/5 µF. Cold store: lockout relay 900 Ω at 0.6, 540 Ω.
 */
public class SituationsTest {
    private static final String LAB = "lab-bench";
    private static final String COTTAGE = "wardens-cottage";
    private static final String STORE = "cold-store";
    private static final Map<String, Object> REST = Map.of();
    private static final Map<String, Object> FAN = Map.of("TH.fan", "on");
    private static final Map<String, Object> OFF = Map.of("M.on", false);
    private static final Map<String, Object> STRIPS = Map.of("TH.mode", "emergency", "ROOM.celsius", 15.0);
    private static final Map<String, Object> ALL_OFF = Map.of("M.on", false, "MO.on", false);
    private static final Map<String, Object> STORE_OFF = Map.of("MO.on", false);

    /** One situation: what is set, which faults are there, where the meter is, what it shows, what that proves. */
    @SuppressWarnings("ArrayRecordComponent")
    private record Situation(
            String demo, Map<String, Object> set, List<Fault> faults, Request request, double shows, String... says) {
        @Override
        public String toString() {
            return demo + " " + request.mode().word() + " "
                    + (request.mode().clamps() ? request.wire() : request.plus() + " " + request.minus()) + " with "
                    + set + " " + faults.stream().map(Fault::words).toList();
        }
    }

    private static final double OL = Double.POSITIVE_INFINITY;
    private static final double REFUSED = Double.NaN;

    private static Request meter(Request.Mode mode, String plus, String minus) {
        return new Request(mode, Terminal.parse(plus), Terminal.parse(minus), null, 1, false);
    }

    private static Request volts(String plus, String minus) {
        return meter(Request.Mode.AC_VOLTS, plus, minus);
    }

    private static Request low(String plus, String minus) {
        return new Request(Request.Mode.AC_VOLTS, Terminal.parse(plus), Terminal.parse(minus), null, 1, true);
    }

    private static Request ohms(String plus, String minus) {
        return meter(Request.Mode.OHMS, plus, minus);
    }

    private static Request beep(String plus, String minus) {
        return meter(Request.Mode.CONTINUITY, plus, minus);
    }

    private static Request farads(String plus, String minus) {
        return meter(Request.Mode.CAPACITANCE, plus, minus);
    }

    private static Fault coilOpen(String part) {
        return Fault.of(FaultKind.COIL_OPEN, "part", part);
    }

    private static Fault wireOpen(String wire) {
        return Fault.of(FaultKind.WIRE_OPEN, "wire", wire);
    }

    private static Fault section(FaultKind kind, String section) {
        return new Fault(kind, Map.of("part", "CAP", "section", section), null, null);
    }

    private final List<Situation> table = new ArrayList<>();

    private void at(String demo, Map<String, Object> set, Request request, double shows, String... says) {
        table.add(new Situation(demo, set, List.of(), request, shows, says));
    }

    private void at(String demo, Map<String, Object> set, Fault fault, Request request, double shows, String... says) {
        table.add(new Situation(demo, set, List.of(fault), request, shows, says));
    }

    private static Map<String, Object> both(Map<String, Object> a, Map<String, Object> b) {
        Map<String, Object> all = new LinkedHashMap<>(a);
        all.putAll(b);
        return all;
    }

    @DataProvider
    public Object[][] situations() {
        table.clear();
        volts();
        deadTests();
        clamps();
        othersAndCapacitors();
        assertTrue(table.size() >= 60, table.size() + " situations");
        return table.stream().map(s -> new Object[] {s}).toArray(Object[][]::new);
    }

    private void volts() {
        // the supply, and points on it
        at(LAB, REST, volts("T1.X1", "T1.X2"), 26.6, "supply itself: T1");
        at(LAB, REST, volts("M.L1", "M.L2"), 240, "supply itself: M");
        at(LAB, REST, volts("M.L1", "M.N"), 120, "supply itself: M");
        at(LAB, REST, volts("TH.R", "TH.C"), 26.6, "TH");
        // across an open switch: full volts, the far side not powered, the coil whole
        at(
                LAB,
                REST,
                volts("TH.R", "TH.G"),
                26.6,
                "Full voltage across an open switch, TH R-G",
                "TH.G is not powered",
                "TH.R is live",
                "K1");
        at(LAB, REST, volts("TH.R", "TH.W"), 26.6, "TH.W is not powered", "K3");
        at(LAB, REST, volts("K1.11", "K1.14"), 26.6, "open switch", "K1.14 is not powered", "LP1");
        // green hangs on nothing beside blue and yellow, which are on common, yellow by way of TD1's electronics: 6 m
        // at
        // 60 pF/m are 0.136 µS to each, against the meter's 0.1 µS: 26.6 · 0.272 / √(0.272² + 0.1²)
        at(LAB, REST, coilOpen("K1"), volts("TH.R", "TH.G"), 24.9, "a ghost", "blue in TC", "low-impedance");
        at(LAB, REST, wireOpen("w14"), volts("TH.R", "TH.G"), 24.9, "TH.G is joined to nothing and takes a ghost");
        // white lies between red and yellow: half of what is between them
        at(LAB, REST, wireOpen("w16"), volts("TH.W", "TH.C"), 12.5, "a ghost", "red in TC", "w16 open", "coil open K3");
        at(LAB, REST, wireOpen("w14"), low("TH.R", "TH.G"), 0, "sound circuit shows 26.0 V", "T1.X1 to T1.X2");
        // no volts at an output that is off
        at(
                LAB,
                REST,
                volts("TH.G", "TH.C"),
                0,
                "TH.G rests at the voltage of TH.C",
                "TH.G is not powered",
                "A dead supply reads 0 V as well");
        // across a closed switch, and what else 0 V may be
        at(LAB, FAN, volts("TH.R", "TH.G"), 0, "closed contact, TH R-G", "dead supply reads 0 V as well");
        at(LAB, FAN, volts("F1.1", "F1.2"), 0, "closed contact, F1", "live");
        at(LAB, OFF, volts("TH.R", "TH.G"), 0, "Both are dead now");
        at(LAB, OFF, volts("M.L1", "M.L2"), 0, "dead");
        at(LAB, REST, volts("TH.R", "K1.11"), 0, "both are on one conductor and both are live");
        at(LAB, REST, volts("K1.A2", "K2.A2"), 0, "on the return");
        // at the load
        at(LAB, FAN, volts("K1.A1", "K1.A2"), 26.4, "fed and its return is sound", "takes amps");
        at(LAB, FAN, coilOpen("K1"), volts("K1.A1", "K1.A2"), 26.6, "fed and its return is sound", "takes amps");
        at(LAB, FAN, wireOpen("w14"), volts("K1.A1", "K1.A2"), 0, "K1");
        at(LAB, FAN, wireOpen("w14"), volts("TH.G", "K1.A1"), 26.6, "the broken wire w14", "K1.A1 is not powered");
        at(LAB, FAN, wireOpen("w30"), volts("K1.A2", "XT.2"), 26.6, "the broken wire w30");
        at(LAB, REST, volts("TH.R", "TH.R"), 0, "same terminal");
        // both hot
        at(COTTAGE, STRIPS, volts("HC.L1", "HC.T1"), 0, "HC L1-T1 is closed and both are live", "Danger");
        at(
                COTTAGE,
                REST,
                volts("CB1.2", "HC.L1"),
                0,
                "on one conductor and both are live",
                "Danger: CB1.2 and HC.L1 may be");
        // both poles are open: the strips hang on nothing but a leak of 1 GΩ
        at(COTTAGE, REST, volts("HC.L1", "HC.T1"), 1.19, "HC.T1 is joined to nothing", "doesn't prove HC.L1 dead");
        at(COTTAGE, STRIPS, volts("HTR.1", "HTR.2"), 235, "fed and its return is sound", "takes amps");
        at(COTTAGE, REST, volts("HC.L1", "HC.L2"), 240, "all that M gives", "both ways to it are whole");
        at(
                COTTAGE,
                STRIPS,
                Fault.of(FaultKind.LOAD_OPEN, "part", "HTR"),
                volts("HTR.1", "HTR.2"),
                240,
                "fed and its return is sound");
        at(COTTAGE, both(STRIPS, Map.of("LIM.tripped", true)), volts("LIM.1", "LIM.2"), 240, "open contact LIM");
        // on the bare sub-base
        Map<String, Object> pulled = Map.of("TH.pulled", true);
        at(LAB, pulled, volts("TH.R", "TH.C"), 26.8, "this is what T1 gives");
        // the return of a coil that draws: no zero, but what its current drops along the cable
        at(
                COTTAGE,
                Map.of("TH.mode", "heat", "ROOM.celsius", 15.0),
                volts("CC.A2", "T1.X2"),
                0.22,
                "both are on one conductor on the return");
        // a poor joint takes volts from what it feeds, and none while nothing flows
        Fault poor = new Fault(FaultKind.WIRE_RESISTIVE, Map.of("wire", "w9", "ohms", 20.0), null, null);
        at(
                LAB,
                FAN,
                poor,
                volts("XT.1", "TH.R"),
                3.55,
                "XT.1 is live",
                "the wire w9 is a poor joint",
                "w9 with a poor joint of about 2",
                "sound circuit shows 0.025 V");
        at(LAB, FAN, poor, volts("T1.X1", "TH.R"), 3.55, "the wire w9 is a poor joint");
        Fault idle = new Fault(FaultKind.WIRE_RESISTIVE, Map.of("wire", "w38", "ohms", 20.0), null, null);
        at(LAB, REST, idle, volts("K2.11", "T1.X2"), 26.6, "all that T1 gives", "T1.X1 reaches K2.11 through F1 1–2");
        at(LAB, REST, idle, volts("XT.1", "K2.11"), 0, "on one conductor and both are live");
        // no wire to speak of any more
        Fault corroded = new Fault(FaultKind.WIRE_RESISTIVE, Map.of("wire", "w9", "ohms", 20_000.0), null, null);
        at(LAB, FAN, corroded, volts("XT.1", "TH.R"), 26.5, "the broken wire w9", "It is one of: w9 open");
        // a coil's other end is what a point rests at, even where a waiting timer lets a little through from the feed
        at(
                STORE,
                REST,
                volts("LPS.2", "T1.X2"),
                0,
                "no current flows through",
                "CC",
                "LPS.2 rests at the voltage of T1.X2");
        // with that end off, the little is all there is
        at(
                STORE,
                Map.of("AIR.celsius", 6.0, "TH.setCelsius", 4.0),
                wireOpen("w24"),
                volts("CC.A2", "T1.X2"),
                26.7,
                "the broken wire w24",
                "through CC",
                "TD");
        // one service, two breakers
        at(COTTAGE, REST, volts("MO.L1", "M.L2"), 240, "MO.L1 (a pole of MO) and M.L2 (a pole of M)");
        // one lead on common: what is proved is the way of the feed up to here, and no load yet
        at(
                LAB,
                FAN,
                volts("XT.3", "T1.X2"),
                26.4,
                "all that T1 gives",
                "T1.X1 reaches XT.3 through F1 1–2, TH R–G.",
                "nothing yet of what comes after");
        at(LAB, pulled, volts("TH.R", "TH.W"), 26.8, "TH.W is not powered", "seen through K3");
        at(LAB, pulled, wireOpen("w16"), volts("TH.R", "TH.W"), 12.5, "TH.W is joined to nothing");
        // the low-impedance range loads a coil that it hangs on, and takes a ghost away
        at(LAB, REST, low("TH.R", "TH.W"), 25.9, "TH.W is not powered");
        at(COTTAGE, REST, low("HC.L1", "HC.T1"), 0, "joined to nothing");
        // the lockout relay's coil in series with the contactor's takes nearly all
        at(
                STORE,
                Map.of("TH.setCelsius", 30.0),
                volts("TH.1", "TH.2"),
                26.6,
                "Full voltage across an open switch, TH 1-2",
                "KF");
    }

    private void deadTests() {
        // refused while live
        at(LAB, REST, ohms("K1.A1", "XT.1"), REFUSED, "live circuit", "T1");
        at(LAB, REST, ohms("F1.1", "F1.2"), REFUSED, "F1.1 is live");
        at(LAB, FAN, beep("TH.R", "TH.G"), REFUSED, "is live");
        at(LAB, REST, ohms("K1.A1", "K1.A2"), REFUSED, "K1.A2 is on the return of a live supply (T1.X2)", "T1");
        at(LAB, REST, beep("M.L1", "M.L2"), REFUSED, "240 V stand between");
        // coils and windings: the real part of the open impedance
        at(LAB, OFF, ohms("K1.A1", "K1.A2"), 57.6, "across K1 A1-A2", "whole");
        at(LAB, OFF, ohms("TH.G", "TH.C"), 57.6, "K1", "whole");
        at(LAB, OFF, coilOpen("K1"), ohms("K1.A1", "K1.A2"), OL, "open inside", "a sound one has 57.6 Ω");
        at(LAB, OFF, ohms("T1.X1", "T1.X2"), 0.864, "T1");
        at(LAB, OFF, ohms("T1.P1", "T1.P2"), 86.4, "across T1", "whole");
        at(
                LAB,
                OFF,
                Fault.of(FaultKind.WINDING_OPEN, "part", "T1", "winding", "primary"),
                ohms("T1.P1", "T1.P2"),
                OL,
                "open inside");
        at(COTTAGE, ALL_OFF, ohms("HTR.1", "HTR.2"), 7.68, "across HTR", "whole");
        at(
                COTTAGE,
                ALL_OFF,
                Fault.of(FaultKind.LOAD_OPEN, "part", "HTR"),
                ohms("HTR.1", "HTR.2"),
                OL,
                "open inside",
                "7.68 Ω");
        at(STORE, STORE_OFF, ohms("KF.A1", "KF.A2"), 57.6, "across KF", "whole");
        // contacts, wires and fuses
        at(LAB, OFF, beep("F1.1", "F1.2"), 0.005, "It beeps", "F1", "closed");
        // the winding and the lamp lie beside the open contact
        at(LAB, OFF, beep("K1.11", "K1.14"), 576.9, "No beep", "T1 and LP1 show beside it", "contact K1 11-14 is open");
        at(LAB, OFF, beep("K4.21", "K4.22"), 0.005, "It beeps", "K4 21-22 is closed");
        at(LAB, OFF, beep("TH.G", "K1.A1"), 0.136, "It beeps", "joined");
        at(LAB, OFF, wireOpen("w7"), beep("F1.2", "XT.1"), 51.1, "No beep", "beside it", "wire w7 is broken");
        at(LAB, OFF, beep("TH.R", "TH.G"), 58.5, "No beep", "T1 and K1 show beside it", "contact TH R-G is open");
        at(LAB, OFF, beep("TH.R", "TH.R"), 0, "same terminal");
        at(COTTAGE, ALL_OFF, beep("LIM.1", "LIM.2"), 0.005, "It beeps", "LIM", "closed");
        at(COTTAGE, both(ALL_OFF, Map.of("LIM.tripped", true)), beep("LIM.1", "LIM.2"), OL, "LIM", "open");
        at(
                COTTAGE,
                ALL_OFF,
                Fault.of(FaultKind.WIRE_RESISTIVE, "wire", "w15", "ohms", 10),
                ohms("LIM.2", "HTR.1"),
                10,
                "worn contact or a loose joint");
        at(
                LAB,
                OFF,
                Fault.of(FaultKind.COIL_SHORTED, "part", "K3"),
                ohms("K3.A1", "K3.A2"),
                0.1,
                "a dead short, inside or beside it",
                "coil shorted K3");
        at(COTTAGE, ALL_OFF, ohms("HC.T1", "HC.L1"), OL, "HC L1-T1 is open");
        // two loads between the leads: the one that makes the reading is named
        at(COTTAGE, ALL_OFF, ohms("AH.X2", "DF.CC"), 12, "across CC", "whole");
        Fault touching = Fault.of(FaultKind.SHORT, "between", List.of("K1.A1", "K1.A2"), "ohms", 0.1);
        at(LAB, OFF, touching, ohms("K1.A1", "K1.A2"), 0.1, "a dead short, inside or beside it", "57.6 Ω");
        // a motor's windings lie beside what is wired to them
        at(LAB, OFF, ohms("LP1.1", "LP1.2"), 576, "across LP1", "whole");
    }

    private void clamps() {
        at(LAB, REST, Request.amps("w14"), 0, "No current in w14", "Nothing it feeds is switched on");
        // 24²/3.5 = 164.6 Ω at 26.4 V
        at(LAB, FAN, Request.amps("w14"), 26.4 / 164.6, "its circuit is complete", "K1 0.160 A");
        at(LAB, FAN, coilOpen("K1"), Request.amps("w14"), 0, "No current in w14", "K1", "it is open inside");
        at(LAB, FAN, wireOpen("w14"), Request.amps("w11"), 0, "No current in w11", "toward the feed");
        // P = V²/R: 7.68 Ω
        at(COTTAGE, STRIPS, Request.amps("w14"), 30.6, "7500 W at 240 V", "7.68 Ω", "the element is whole");
        at(
                COTTAGE,
                STRIPS,
                Fault.of(FaultKind.LOAD_OPEN, "part", "HTR"),
                Request.amps("w14"),
                0,
                "No current in w14",
                "HTR");
        at(
                COTTAGE,
                STRIPS,
                new Fault(FaultKind.WIRE_RESISTIVE, Map.of("wire", "w15", "ohms", 7.68), null, null),
                Request.amps("w14"),
                15.5,
                "51 % of the",
                "HTR");
        at(COTTAGE, STRIPS, Request.amps("w12"), 2.1, "BLW 2.06 A");
        at(COTTAGE, REST, Request.amps("w40"), 0, "No current");
        at(
                STORE,
                REST,
                Request.amps("w34"),
                0,
                "No current in w34 (MO.PE to unit.PE)",
                "An earth conductor carries none");
    }

    private void othersAndCapacitors() {
        Map<String, Object> warm = Map.of("ROOM.celsius", 18.5, "TH.mode", "off");
        at(COTTAGE, warm, new Request(Request.Mode.CELSIUS, Terminal.parse("TH.R"), null, null, 1, false), 18.5, "TH");
        at(LAB, REST, new Request(Request.Mode.CELSIUS, Terminal.parse("TH.R"), null, null, 1, false), 21, "21.0 °C");
        at(
                LAB,
                REST,
                new Request(Request.Mode.CELSIUS, Terminal.parse("K1.A1"), null, null, 1, false),
                REFUSED,
                "nothing to probe at K1");
        // a winding lies beside a wired capacitor
        at(COTTAGE, ALL_OFF, farads("CAP.C", "CAP.HERM"), REFUSED, "lies beside CAP", "Take the wires off");
        at(COTTAGE, ALL_OFF, wireOpen("w42"), farads("CAP.C", "CAP.HERM"), 45, "CAP C-HERM is good");
        at(COTTAGE, ALL_OFF, wireOpen("w46"), farads("CAP.C", "CAP.FAN"), 5, "good", "5");
        table.add(new Situation(
                COTTAGE,
                ALL_OFF,
                List.of(
                        Fault.of(FaultKind.LIFTED, "wire", "w42", "at", "CAP.HERM"),
                        section(FaultKind.CAPACITOR_WEAK, "HERM")),
                farads("CAP.C", "CAP.HERM"),
                22.5,
                "50 % less than the 45",
                "worn out",
                "Replace it"));
        table.add(new Situation(
                COTTAGE,
                ALL_OFF,
                List.of(
                        Fault.of(FaultKind.LIFTED, "wire", "w42", "at", "CAP.HERM"),
                        section(FaultKind.CAPACITOR_OPEN, "HERM")),
                farads("CAP.C", "CAP.HERM"),
                0,
                "Next to nothing",
                "it is open",
                "45"));
        // 45 and 5 µF in series are 45 · 5 / 50
        table.add(new Situation(
                COTTAGE,
                ALL_OFF,
                List.of(wireOpen("w42"), wireOpen("w46")),
                farads("CAP.HERM", "CAP.FAN"),
                4.5,
                "two sections in series",
                "CAP C-HERM",
                "common post"));
        // ohms tell of a capacitor only that it isn't shorted
        at(COTTAGE, ALL_OFF, wireOpen("w42"), ohms("CAP.C", "CAP.HERM"), OL, "isn't shorted", "Measure its µF");
        at(COTTAGE, REST, farads("HC.L1", "HC.L2"), REFUSED, "live circuit");
        at(LAB, OFF, farads("K1.A1", "K1.A2"), 0, "no capacitor");
    }

    /** What may be the case is the same for all situations in which hands did the same: it is worked out once. */
    private final Map<String, Assembly> demos = new HashMap<>();

    private final Map<List<Object>, Worlds> worlds = new HashMap<>();

    private Reading read(Situation s) {
        Assembly demo = demos.computeIfAbsent(s.demo(), slug -> Assembly.of(Circuits.demo(slug)));
        Map<String, Object> start = new LinkedHashMap<>();
        Map<String, Object> later = new LinkedHashMap<>();
        s.set().forEach((k, v) -> (k.endsWith("elsius") ? start : later).put(k, v));
        List<Scenario.Step> steps = later.isEmpty() ? List.of() : List.of(new Scenario.Step(5, later, List.of()));
        Run run = Simulation.run(demo, new Scenario("Situation", start, steps, s.faults(), 60));
        long then = Time.micros(30);
        return Meter.at(
                        run,
                        then,
                        () -> worlds.computeIfAbsent(
                                List.of(s.demo(), run.scenario().withoutFaults()),
                                k -> Worlds.at(demo, run.scenario().withoutFaults(), then)))
                .read(s.request());
    }

    @Test(dataProvider = "situations")
    public void theMeterShowsWhatIsThereAndSaysWhatThatProves(Situation s) {
        Reading r = read(s);
        String all = s + ": " + r.display() + " " + r.unit() + ". " + r.says();
        if (Double.isNaN(s.shows())) {
            assertTrue(r.isRefused(), all);
        } else if (Double.isInfinite(s.shows())) {
            assertEquals(r.display(), "OL", all);
        } else {
            assertTrue(r.hasValue(), all);
            double ghost = s.request().mode() == Request.Mode.AC_VOLTS ? 0.2 : 0.005;
            assertEquals(r.value(), s.shows(), 0.02 * s.shows() + ghost, all);
        }
        for (String words : s.says()) {
            assertTrue(r.says().contains(words), all + " lacks \"" + words + "\"");
        }
    }

    /** Cut off while live, a capacitor keeps its charge; through a winding it would have lost it. */
    @Test
    public void aCapacitorCutOffWhileLiveIsCharged() {
        Circuit circuit = Circuits.demo(COTTAGE);
        Map<String, Object> running = Map.of("TH.mode", "heat");
        List<Scenario.Step> steps = List.of(
                new Scenario.Step(5, running, List.of()),
                new Scenario.Step(20, Map.of(), List.of(wireOpen("w42"), wireOpen("w41"))),
                new Scenario.Step(30, ALL_OFF, List.of()));
        Scenario live = new Scenario("Cut while live", Map.of("ROOM.celsius", 18.0), steps, List.of(), 60);
        Reading r = Meter.at(Simulation.run(circuit, live), Time.micros(40)).read(farads("CAP.C", "CAP.FAN"));
        assertTrue(r.isRefused(), r.says());
        List<Scenario.Step> offFirst = List.of(
                new Scenario.Step(5, running, List.of()),
                new Scenario.Step(20, ALL_OFF, List.of()),
                new Scenario.Step(30, Map.of(), List.of(wireOpen("w42"))));
        Scenario dead = new Scenario("Cut when dead", Map.of("ROOM.celsius", 18.0), offFirst, List.of(), 60);
        Reading good = Meter.at(Simulation.run(circuit, dead), Time.micros(40)).read(farads("CAP.C", "CAP.HERM"));
        assertEquals(good.value(), 45, 0.01, good.says());
    }

    /** A fuse that was blown by a link from R to C stays open when the link is gone and all is off. */
    @Test
    public void aBlownFuseIsFoundByOhms() {
        Fault link = new Fault(FaultKind.LINK, Map.of("between", List.of("TH.R", "TH.C")), 2.0, 10.0);
        Scenario blown =
                new Scenario("Linked", Map.of(), List.of(new Scenario.Step(20, OFF, List.of())), List.of(link), 60);
        Reading r = Meter.at(Simulation.run(Circuits.demo(LAB), blown), Time.micros(40))
                .read(ohms("F1.1", "F1.2"));
        assertTrue(r.says().contains("F1 1-2 is open: blown or tripped. Find out why"), r.says());
        assertTrue(r.says().contains("Take a wire off"), r.says());
    }

    /** A control transformer's side floats: against the line there is nothing to be measured but stray volts. */
    @Test
    public void betweenTwoSuppliesThatNothingJoinsAReadingProvesNeither() {
        Run cottage = Simulation.run(Circuits.demo(COTTAGE), new Scenario("Rest", REST, List.of(), List.of(), 30));
        for (String line : List.of("HC.L1", "HC.L2", "M.N")) {
            Reading r = Meter.at(cottage, Time.micros(10)).read(volts(line, "T1.X1"));
            assertTrue(r.says().contains("between two supplies that nothing joins"), r.says());
            Reading loaded = Meter.at(cottage, Time.micros(10)).read(low(line, "T1.X1"));
            assertEquals(loaded.value(), 0, 0.5, "a load takes stray volts away");
        }
        // in the hall's two systems the link from RC to RH joins them, and there the volts are real
        Circuit.Builder b = Circuits.demo("old-hall").toBuilder();
        b.wires().add(Wire.between("j1", Terminal.parse("TH.RC"), Terminal.parse("TH.RH")));
        b.wires().add(Wire.between("j2", Terminal.parse("ZP.C1"), Terminal.parse("TA.X2")));
        Run tied = Simulation.run(b.build(), new Scenario("Rest", REST, List.of(), List.of(), 30));
        Reading r = Meter.at(tied, Time.micros(10)).read(volts("TH.RC", "ZP.C1"));
        assertTrue(!r.says().contains("nothing joins"), r.says());
    }

    /** A dead transformer's secondary is joined to nothing live: against the line the meter shows stray volts. */
    @Test
    public void againstADeadTransformerStrayVoltsProveNothing() {
        Run dead = Simulation.run(
                Circuits.demo(COTTAGE), new Scenario("Dead", REST, List.of(), List.of(wireOpen("w8")), 30));
        Reading r = Meter.at(dead, Time.micros(10)).read(volts("AH.L1", "T1.X2"));
        assertTrue(r.says().contains("T1.X2 is joined to nothing live and the volts are stray"), r.says());
    }
}
