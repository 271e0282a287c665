package org.jagridge.core.trace;

import static org.jagridge.core.Circuits.demo;
import static org.jagridge.core.Circuits.during;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.LongStream;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.FaultKind;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.drawing.TimeAxis;
import org.jagridge.core.run.Event;
import org.jagridge.core.run.Run;
import org.jagridge.core.run.Runs;
import org.jagridge.core.run.Simulation;
import org.testng.annotations.Test;

/** A run told to people. */
public class TraceTest {
    private static Run cooling() {
        return Simulation.run(
                demo("lab-bench"),
                during(400)
                        .start("TH.mode", "cool")
                        .start("TH.roomCelsius", 23)
                        .at(10, "TH.roomCelsius", 26.4)
                        .scenario());
    }

    private static List<String> titles(Run run) {
        Narrator narrator = new Narrator(run.circuit());
        return run.events().stream().map(narrator::title).toList();
    }

    @Test
    public void eventsAreToldInPlainWords() {
        List<String> titles = titles(cooling());
        for (String expected : List.of(
                "TH room: 26.4 °C", "TH closes R–Y and R–G", "TD1 timing", "K1 in", "TD1 made", "K2 in", "LP5 on")) {
            assertTrue(titles.contains(expected), expected + " is not in " + titles);
        }
    }

    @Test
    public void theNameOfAPartStandsBesideItsId() {
        Run run = cooling();
        Event relay = run.events().stream()
                .filter(e -> e.part().equals("K1"))
                .findFirst()
                .orElseThrow();
        assertEquals(new Narrator(run.circuit()).name(relay), "Fan relay");
    }

    @Test
    public void faultsAndBlankThermostatsAreToldToo() {
        Run run = Simulation.run(
                demo("seminar-room"),
                during(60)
                        .at(10, "SW.closed", false)
                        .at(20, "SW.closed", true)
                        .fault(30, Fault.of(FaultKind.WIRE_OPEN, "wire", "w1"))
                        .scenario());
        List<String> titles = titles(run);
        assertTrue(
                titles.containsAll(
                        List.of("SW closed: no", "SW open", "TH goes blank", "TH has power", "fault: wire open w1")),
                titles.toString());
    }

    @Test
    public void lanesShowOnlyWhatMovedAndCoverTheWholeRun() {
        Run run = cooling();
        Lanes lanes = Lanes.moved(run);
        List<String> parts = lanes.lanes().stream().map(Lanes.Lane::part).toList();
        assertTrue(parts.containsAll(List.of("TH", "TD1", "K1", "K2", "LP5")), parts.toString());
        assertTrue(!parts.contains("M") && !parts.contains("K3"), parts.toString());
        for (Lanes.Lane lane : lanes.lanes()) {
            assertEquals(lane.spans().get(0).from(), 0);
            for (int i = 1; i < lane.spans().size(); i++) {
                assertEquals(lane.spans().get(i).from(), lane.spans().get(i - 1).to());
            }
            assertEquals(lane.spans().get(lane.spans().size() - 1).to(), run.until());
        }
    }

    @Test
    public void theAxisShowsMillisecondsAndMinutesAndFindsTheTimeOfEveryPlace() {
        TimeAxis axis = new TimeAxis(LongStream.of(10_000_000, 10_015_000, 190_000_000), 200_000_000, 600);
        double shortGap = axis.x(10_015_000) - axis.x(10_000_000);
        double longGap = axis.x(190_000_000) - axis.x(10_015_000);
        assertTrue(shortGap > 20 && longGap > shortGap && longGap < 20 * shortGap, shortGap + " " + longGap);
        assertEquals(axis.x(200_000_000), 600, 1e-9);
        for (long t : new long[] {0, 5_000_000, 10_000_000, 10_007_500, 150_000_000, 200_000_000}) {
            assertTrue(Math.abs(axis.micros(axis.x(t)) - t) <= 2, t + " µs");
        }
    }

    private static String why(List<Why.Reason> reasons, String part) {
        return reasons.stream()
                .filter(r -> r.part().equals(part))
                .map(Why.Reason::words)
                .findFirst()
                .orElse("nothing");
    }

    /** K5 hangs on K1 and K2 in series, these on the thermostat: the first open point from the feed on comes first. */
    @Test
    public void whyOffFollowsTheFirstOpenPointToWhatItWaitsFor() {
        Run run = Simulation.run(demo("lab-bench"), during(10).scenario());
        assertEquals(
                why(Why.at(run, 5_000_000).off(), "K5"),
                "is off: K1 21–24 is open, for TH R–G is open: no call: its mode is off");
        // not by the contact of its own that would hold it once it is in
        assertEquals(why(Why.at(run, 5_000_000).off(), "K4"), "is off: PB1 1–2 is open");
        Run calls = Simulation.run(
                demo("lab-bench"),
                during(10)
                        .at(2, "TH.mode", "cool")
                        .start("TH.roomCelsius", 20.0)
                        .scenario());
        assertEquals(
                why(Why.at(calls, 5_000_000).off(), "K1"),
                "is off: TH R–G is open: no call: the room is 20.0 °C, cooling starts at 24.6 °C");
        assertEquals(Why.at(calls, 5_000_000).quiet("K1"), Optional.empty());
    }

    @Test
    public void aDeadSupplyComesBeforeAnythingBehindIt() {
        Run run = Simulation.run(
                demo("lab-bench"), during(10).start("M.on", false).scenario());
        assertEquals(why(Why.at(run, 5_000_000).off(), "K1"), "is off: its supply T1 is dead: its supply M is dead");
    }

    /** Opening any contact that is named takes the current; opening any other that is closed doesn't. */
    @Test
    public void whyOnNamesWhatWouldStopIt() {
        Run run = Simulation.run(
                demo("lab-bench"), during(10).at(2, "TH.fan", "on").scenario());
        assertEquals(why(Why.at(run, 5_000_000).on(), "K1"), "is on by CB1 1–2, CB1 3–4, F1 1–2, TH R–G");
        assertEquals(why(Why.at(run, 1_000_000).on(), "K1"), "nothing");
    }

    @Test
    public void aRunIsAskedForAnyTime() {
        Runs r = Runs.of(demo("lab-bench"), during(60).at(10, "TH.fan", "on"));
        assertEquals(r.at(10.0149, "K1") + " " + r.at(10.015, "K1") + " " + r.at(59, "K1"), "out in in");
    }

    /** The table of the longest common subsequence would take over a gigabyte here. */
    @Test
    public void twoRunsOfSeventeenThousandEventsAreCompared() {
        Circuit cottage = demo("wardens-cottage");
        Map<String, Object> cold = Map.of("TH.mode", "heat", "OUT.celsius", -3.0, "ROOM.celsius", 19.0);
        Scenario weeks = new Scenario("Cold weeks", cold, List.of(), List.of(), 22 * 86_400);
        Fault late = new Fault(FaultKind.WIRE_OPEN, Map.of("wire", "w1"), 21 * 86_400.0, null);
        Run sound = Simulation.run(cottage, weeks);
        Run faulty = Simulation.run(
                cottage, new Scenario("Cold weeks", cold, List.of(), List.of(late), weeks.untilSeconds()));
        assertTrue(sound.events().size() > 17_000, sound.events().size() + " events");
        List<Comparison.Row> rows = Comparison.of(sound, faulty);
        Comparison.Row first = rows.get(Comparison.firstDifference(rows));
        assertEquals(first.after().micros(), 21 * 86_400_000_000L);
        assertEquals(
                rows.stream().filter(r -> r.before() != null).count(),
                sound.events().size());
        assertEquals(
                rows.stream().filter(r -> r.after() != null).count(),
                faulty.events().size());
    }
}
