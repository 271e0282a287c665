package org.jagridge.core.drawing;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jagridge.core.Circuits;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.run.Event;
import org.jagridge.core.run.Run;
import org.jagridge.core.run.Simulation;
import org.jagridge.core.trace.Lanes;
import org.jagridge.core.trace.Presets;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** The geometry of timing charts of all demos' presets. */
public class TimingTest {
    private static final double NAMES = 120;
    private static final double PLOT = 700;

    private static Run run(String slug, String preset) {
        Circuit circuit = Circuits.demo(slug);
        return Simulation.run(
                circuit, Presets.find(circuit, preset).orElseThrow().scenario());
    }

    private static Timing chart(Run run, boolean full) {
        return Timing.of(run, Lanes.withSupplies(run), new Timing.Wish(5_000_000, PLOT, NAMES, full));
    }

    @DataProvider
    public Object[][] demos() {
        return Circuits.DEMOS.stream().map(d -> new Object[] {d}).toArray(Object[][]::new);
    }

    @Test(dataProvider = "demos")
    public void barsFollowEachOtherAndStayOnTheAxisInEveryChart(String slug) {
        Circuit circuit = Circuits.demo(slug);
        for (Presets.Preset p : Presets.of(circuit)) {
            Run run = Simulation.run(circuit, p.scenario());
            Timing t = chart(run, true);
            double before = 0;
            for (Timing.Lane lane : t.lanes()) {
                assertTrue(lane.y() >= before + 17, p.name() + ": lanes overlap at " + lane.part());
                before = lane.y();
                double x = NAMES;
                for (Timing.Bar b : lane.bars()) {
                    assertEquals(b.x(), x, 1e-6, lane.part());
                    x = b.x() + b.width();
                    assertTrue(x <= NAMES + PLOT + 1e-6, lane.part());
                }
            }
            for (Timing.Curve c : t.curves()) {
                assertTrue(c.y() - c.height() > before, c.part());
                c.points()
                        .forEach(q -> assertTrue(
                                q.y() <= c.y() + 1e-6 && q.y() >= c.y() - c.height() - 1e-6, c.part() + " " + q));
                before = c.y();
            }
            assertTrue(t.height() > before);
            for (int i = 1; i < t.xs().size(); i++) {
                assertTrue(t.xs().get(i) > t.xs().get(i - 1));
            }
        }
    }

    @Test
    public void suppliesComeFirstThenContactsCoilsLoadsAndTemperatures() {
        Timing t = chart(run("wardens-cottage", "TH-heat"), true);
        assertEquals(
                t.headings().stream().map(Timing.Heading::words).toList(),
                List.of("supply", "contacts and controls", "coils", "loads", "temperatures"));
        List<String> parts = t.lanes().stream().map(Timing.Lane::part).toList();
        assertTrue(parts.indexOf("T1") < parts.indexOf("TH"), parts.toString());
        assertTrue(parts.indexOf("TH") < parts.indexOf("CC") && parts.indexOf("CC") < parts.indexOf("CMP"));
        List<String> curves = t.curves().stream().map(Timing.Curve::part).toList();
        assertTrue(curves.containsAll(List.of("ROOM", "CS")), curves.toString());
    }

    @Test
    public void everyArrowRunsFromACauseToItsEffectAtTheirTimesAndLanes() {
        Run run = run("seminar-room", "TH-heat");
        Timing t = chart(run, true);
        assertTrue(t.arrows().size() > 8, t.arrows().size() + " arrows");
        Map<String, Double> y = new HashMap<>();
        t.lanes().forEach(l -> y.put(l.part(), l.y()));
        for (Timing.Arrow a : t.arrows()) {
            Event cause = run.events().get(a.cause());
            Event effect = run.events().get(a.effect());
            assertTrue(effect.causes().contains(cause.index()));
            assertEquals(a.x1(), t.xs().get(t.instants().indexOf(cause.micros())), 1e-6);
            assertEquals(a.x2(), t.xs().get(t.instants().indexOf(effect.micros())), 1e-6);
            assertTrue(Math.abs(a.y1() - y.get(cause.part())) < 17 && Math.abs(a.y2() - y.get(effect.part())) < 17);
        }
        assertTrue(t.arrows().stream()
                .anyMatch(a -> run.events().get(a.cause()).part().equals("PS")
                        && run.events().get(a.effect()).to().equals("igniter")));
    }

    @Test
    public void longIdleTimeIsFoldedAndItsLengthIsTold() {
        Run run = run("seminar-room", "TH-heat");
        Timing t = chart(run, true);
        assertTrue(
                t.folds().stream().anyMatch(f -> f.words().equals("30 s")),
                t.folds().toString());
        double widest = t.folds().stream().mapToDouble(Timing.Fold::width).max().orElseThrow();
        assertTrue(widest < PLOT / 4, widest + " of " + PLOT);
        assertEquals(chart(run, false).folds(), List.of());
    }

    @Test
    public void lanesOfSomePartsHaveAnAxisOfTheirOwnChanges() {
        Run day = Simulation.run(
                Circuits.demo("wardens-cottage"),
                new Scenario("A day", Map.of("TH.mode", "heat", "OUT.celsius", -3.0), List.of(), List.of(), 86_400));
        Lanes valve = Lanes.withSupplies(day).only("RV"::equals);
        Timing t = Timing.of(day, valve, new Timing.Wish(0, PLOT, NAMES, true));
        assertEquals(t.lanes().size(), 1);
        long changes = day.events().stream().filter(e -> e.part().equals("RV")).count();
        assertTrue(
                changes > 4 && t.instants().size() <= changes + 3, t.instants().size() + " for " + changes);
        // the room keeps within what the thermostat allows
        Timing.Curve room = t.curves().stream()
                .filter(c -> c.part().equals("ROOM"))
                .findFirst()
                .orElseThrow();
        assertTrue(room.low() > 18.5 && room.high() < 21.1, room.low() + " to " + room.high());
    }
}
