package org.jagridge.core.trace;

import static org.jagridge.core.Circuits.control;
import static org.jagridge.core.Circuits.during;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.FaultKind;
import org.jagridge.core.run.Run;
import org.jagridge.core.run.Simulation;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What is said of an output that calls for nothing is tried: each room, for hours, in that mode. */
public class QuietThermostatTest {
    private static final Pattern HEATING = Pattern.compile("heating starts at ([\\d.]+) °C");
    private static final Pattern COOLING = Pattern.compile("cooling (?:starts )?at ([\\d.]+) °C");
    private static final double IDLE = 21.9;

    /** A lamp of its own on each output. */
    private static Circuit lamps(String kind, List<String> outputs, Object... params) {
        Object[] all = new Object[params.length + 4];
        System.arraycopy(params, 0, all, 4, params.length);
        all[0] = "kind";
        all[1] = kind;
        all[2] = "terminals";
        List<String> terminals = new ArrayList<>(List.of("R", "C"));
        terminals.addAll(outputs);
        all[3] = terminals;
        var c = control()
                .part("TH", "thermostat", "unit", all)
                .wire("T1.X1", "TH.R")
                .wire("T1.X2", "TH.C");
        for (String output : outputs) {
            c.part("L" + output, "lamp", "unit")
                    .wire("TH." + output, "L" + output + ".1")
                    .wire("L" + output + ".2", "T1.X2");
        }
        return c.build();
    }

    @DataProvider
    public Object[][] thermostats() {
        List<String> furnace = List.of("W", "W2", "Y", "Y2", "G");
        List<String> pump = List.of("Y", "Y2", "G", "O", "AUX", "E");
        return new Object[][] {
            {lamps("conventional", furnace), furnace},
            {lamps("conventional", furnace, "heatSource", "electric"), furnace},
            {lamps("heat-pump", pump), pump},
            {lamps("heat-pump", List.of("Y", "G", "B", "W2"), "valveHold", "with-mode"), List.of("Y", "G", "B", "W2")},
            {lamps("dual-fuel", List.of("Y", "G", "O", "W")), List.of("Y", "G", "O", "W")},
        };
    }

    @Test(dataProvider = "thermostats")
    public void whatIsSaidOfAnOutputHoldsAtEveryRoom(Circuit circuit, List<String> outputs) {
        for (String mode : List.of("heat", "cool", "auto", "emergency")) {
            if (mode.equals("emergency") && !outputs.contains("O") && !outputs.contains("B")) {
                continue;
            }
            Run idle = run(circuit, mode, IDLE, 15);
            for (String output : outputs) {
                String words = Why.at(idle, 5_000_000).off().stream()
                        .filter(r -> r.part().equals("L" + output))
                        .map(Why.Reason::words)
                        .findFirst()
                        .orElse("on");
                if (words.equals("on")) {
                    // the valve stays with the mode
                    continue;
                }
                assertTrue(words.contains("no call"), mode + " " + output + ": " + words);
                double heats = number(HEATING, words, -100);
                double cools = number(COOLING, words, 100);
                assertEquals(
                        words.contains("no call for " + output + ": its mode is " + mode),
                        heats < 0 && cools > 99,
                        words);
                for (double room : new double[] {10, 19.4, 19.5, IDLE, 24.5, 24.6, 32}) {
                    boolean comes =
                            on(run(circuit, mode, room, 15), output) || on(run(circuit, mode, room, -15), output);
                    boolean said = room <= heats || room >= cools;
                    assertEquals(comes, said, mode + ", " + output + ", a room of " + room + ": " + words);
                }
            }
        }
    }

    /** With auto changeover the set points are a dead band of 1.7 K apart, whatever is set. */
    @Test
    public void coolingStartsAboveTheDeadBandWithAutoChangeover() {
        Circuit circuit = lamps("conventional", List.of("W", "Y", "G"));
        var auto = during(3600)
                .start("TH.coolSetCelsius", 20.0)
                .start("TH.roomCelsius", 21.9)
                .at(1, "TH.mode", "auto");
        assertEquals(
                why(Simulation.run(circuit, auto.scenario()), "LY"),
                List.of("is off: TH R–Y is open: no call: the room is 21.9 °C, cooling starts at 22.3 °C"));
        assertTrue(on(Simulation.run(circuit, auto.at(2, "TH.roomCelsius", 22.3).scenario()), "Y"));
    }

    /** The first stage heats, above where it began: the second isn't off for want of a call. */
    @Test
    public void ofALaterStageItIsNotSaidThatThereIsNoCall() {
        Circuit circuit = lamps("conventional", List.of("W", "W2", "Y"));
        Run run = Simulation.run(
                circuit,
                during(60)
                        .start("TH.roomCelsius", 19.4)
                        .start("TH.mode", "heat")
                        .at(1, "TH.roomCelsius", 19.7)
                        .scenario());
        assertEquals(why(run, "LW2"), List.of("is off: TH R–W2 is open: it is R-W"));
    }

    private static List<String> why(Run run, String part) {
        return Why.at(run, 5_000_000).off().stream()
                .filter(r -> r.part().equals(part))
                .map(Why.Reason::words)
                .toList();
    }

    @Test
    public void aBlankOneIsSaidToBeBlank() {
        Circuit circuit = lamps("conventional", List.of("W", "Y", "G"));
        Fault blank = Fault.of(FaultKind.CONDITION, "part", "TH", "condition", "blank");
        Run run = Simulation.run(
                circuit, during(10).start("TH.mode", "heat").fault(blank).scenario());
        assertEquals(
                Why.at(run, 5_000_000).off().stream()
                        .filter(r -> r.part().equals("LW"))
                        .map(Why.Reason::words)
                        .toList(),
                List.of("is off: TH R–W is open: it is blank"));
    }

    private static Run run(Circuit circuit, String mode, double room, double outdoors) {
        var scenario = during(7200).start("TH.roomCelsius", room).at(1, "TH.mode", mode);
        return Simulation.run(
                circuit,
                (circuit.part("TH").orElseThrow().params().get("kind").equals("dual-fuel")
                                ? scenario.start("TH.outdoorCelsius", outdoors)
                                : scenario)
                        .scenario());
    }

    private static boolean on(Run run, String output) {
        return run.events().stream()
                .anyMatch(e ->
                        e.part().equals("TH") && List.of(e.to().split(" ", -1)).contains("R-" + output));
    }

    private static double number(Pattern pattern, String words, double otherwise) {
        Matcher m = pattern.matcher(words);
        return m.find() ? Double.parseDouble(m.group(1)) : otherwise;
    }
}
