package org.jagridge.core.meter;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.Set;
import org.jagridge.core.Circuits;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Place;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Time;
import org.jagridge.core.run.Run;
import org.jagridge.core.run.Simulation;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** A walk goes from the hot pole through every terminal to the load and back, with the volts to expect. */
public class WalkTest {
    private static Circuit rung() {
        return Circuits.control()
                .part("F1", "fuse", "unit")
                .part("S1", "switch", "unit")
                .part("LP", "lamp", "unit")
                .wire("T1.X1", "F1.1")
                .wire("F1.2", "S1.1")
                .wire("S1.2", "LP.1")
                .wire("LP.2", "T1.X2")
                .build();
    }

    private static List<Walk.Stop> walk(Circuit circuit, String part, boolean closed) {
        Assembly assembly = Assembly.of(circuit);
        Run run = Simulation.run(
                assembly, Circuits.during(5).at(1, "S1.closed", closed).scenario());
        Branch load = assembly.branchesOf(part).get(0);
        return Walk.to(load, run.at(3 * Time.SECOND));
    }

    private static List<String> terminals(List<Walk.Stop> stops) {
        return stops.stream().map(s -> s.terminal().toString()).toList();
    }

    @Test
    public void everyTerminalIsAStopInTheOrderOfTheCurrent() {
        assertEquals(
                terminals(walk(rung(), "LP", true)),
                List.of("T1.X1", "F1.1", "F1.2", "S1.1", "S1.2", "LP.1", "LP.2", "T1.X2"));
    }

    @Test
    public void bothSchoolsReadWhatKirchhoffSays() {
        for (Walk.Stop s : walk(rung(), "LP", true)) {
            boolean before =
                    terminals(walk(rung(), "LP", true)).indexOf(s.terminal().toString()) < 6;
            assertEquals(s.toCommon().value(), before ? 26.8 : 0, 0.2, s.terminal() + " to common");
            assertEquals(s.across().value(), before ? 0 : 26.8, 0.2, s.terminal() + " across");
        }
    }

    @Test
    public void anOpenSwitchIsPassedAndShows() {
        List<Walk.Stop> stops = walk(rung(), "LP", false);
        assertEquals(stops.size(), 8);
        Walk.Stop behind = stops.get(4);
        assertFalse(behind.made());
        assertEquals(behind.toCommon().value(), 0, 0.05);
        assertEquals(stops.get(3).toCommon().value(), 26.88, 0.05);
        assertEquals(behind.across().value(), 26.88, 0.05);
        assertTrue(stops.get(6).load());
    }

    /** What differs only because less is drawn is no fault; what is dead behind an open contact is. */
    @Test
    public void whatIsAstrayBeginsBehindTheOpenContact() {
        List<Walk.Stop> sound = walk(rung(), "LP", true);
        List<Walk.Stop> now = walk(rung(), "LP", false);
        assertEquals(texts(Walk.astray(now, sound, CheckSheet.School.TO_COMMON)), List.of("S1.2", "LP.1"));
        assertEquals(texts(Walk.astray(now, sound, CheckSheet.School.ACROSS)), List.of("S1.2", "LP.1"));
        for (CheckSheet.School school : CheckSheet.School.values()) {
            assertEquals(Walk.astray(sound, sound, school), Set.of());
        }
        assertEquals(Walk.astray(List.of(), sound, CheckSheet.School.ACROSS), Set.of());
    }

    /** A supply that has nothing is off itself, and so is all that it feeds. */
    @Test
    public void aDeadSupplyIsAstrayAtThePole() {
        List<Walk.Stop> sound = walk(rung(), "LP", true);
        Assembly assembly = Assembly.of(rung());
        Run run = Simulation.run(
                assembly,
                Circuits.during(5).at(1, "M.on", false).at(1, "S1.closed", true).scenario());
        List<Walk.Stop> dead = Walk.to(assembly.branchesOf("LP").get(0), run.at(3 * Time.SECOND));
        assertTrue(texts(Walk.astray(dead, sound, CheckSheet.School.TO_COMMON)).contains("T1.X1"));
    }

    private static List<String> texts(Set<Terminal> terminals) {
        return terminals.stream().map(Object::toString).toList();
    }

    @Test
    public void aLoadBetweenTwoLegsIsWalkedFromOneLegToTheOther() {
        Circuit circuit = Circuit.builder("240")
                .place("unit", "Unit", Place.Access.PANEL)
                .part("M", "supply", "unit", "system", "split-120-240")
                .part("HTR", "resistive-load", "unit", "volts", 240.0, "watts", 5000.0)
                .wire("M.L1", "HTR.1")
                .wire("HTR.2", "M.L2")
                .build();
        Assembly assembly = Assembly.of(circuit);
        Run run = Simulation.run(assembly, Circuits.during(2).scenario());
        List<Walk.Stop> stops = Walk.to(assembly.branchesOf("HTR").get(0), run.at(Time.SECOND));
        assertEquals(terminals(stops), List.of("M.L1", "HTR.1", "HTR.2", "M.L2"));
        assertEquals(stops.get(1).toCommon().value(), 238, 2.5);
    }

    @DataProvider
    public Object[][] demos() {
        return Circuits.DEMOS.stream().map(d -> new Object[] {d}).toArray(Object[][]::new);
    }

    /** Each step of each walk goes through one branch between neighbouring terminals, load included. */
    @Test(dataProvider = "demos")
    public void everyLoadOfEveryDemoThatIsFedCanBeWalked(String slug) {
        Assembly assembly = Assembly.of(Circuits.demo(slug));
        Run run = Simulation.run(assembly, Circuits.during(20).scenario());
        int walked = 0;
        for (Branch load : Walk.loads(assembly)) {
            List<Walk.Stop> stops = Walk.to(load, run.at(10 * Time.SECOND));
            for (int i = 1; i < stops.size(); i++) {
                Branch by = stops.get(i).by();
                assertTrue(by.a().equals(stops.get(i).terminal())
                        || by.b().equals(stops.get(i).terminal()));
            }
            if (!stops.isEmpty()) {
                walked++;
                assertEquals(stops.stream().filter(Walk.Stop::load).count(), 1, load.title());
            }
        }
        assertTrue(walked > 0, slug);
    }

    /** Two legs 120° apart have no neutral: the way goes from one to the other, 208 V all along. */
    @Test
    public void twoLegsOfAStarAreWalkedFromOneToTheOther() {
        Circuit star = Circuit.builder("Star")
                .place("unit", "Unit", Place.Access.PANEL)
                .part("M", "supply", "unit", "system", "two-leg-208")
                .part("S", "switch", "unit")
                .part("H", "resistive-load", "unit", "volts", 208.0, "watts", 2000.0)
                .wire("M.L1", "S.1")
                .wire("S.2", "H.1")
                .wire("H.2", "M.L2")
                .build();
        Run run =
                Simulation.run(star, Circuits.during(10).start("S.closed", true).scenario());
        Branch load = Walk.loads(run.assembly()).get(0);
        assertEquals(
                Walk.to(load, run.at(5_000_000)).stream()
                        .map(s -> s.terminal().toString())
                        .toList(),
                List.of("M.L1", "S.1", "S.2", "H.1", "H.2", "M.L2"));
        CheckSheet sheet = CheckSheet.of(run, 5_000_000, load, CheckSheet.School.TO_COMMON);
        assertEquals(sheet.lines().get(0).expected(), 207, 2);
        assertTrue(sheet.lines().stream().anyMatch(l -> l.what().equals("at H")), sheet.toString());
    }
}
