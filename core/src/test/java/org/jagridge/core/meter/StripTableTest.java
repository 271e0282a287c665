package org.jagridge.core.meter;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import org.jagridge.core.Circuits;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.run.Run;
import org.jagridge.core.run.Simulation;
import org.testng.annotations.Test;

public class StripTableTest {
    private static StripTable table(String slug, String strip) {
        Circuit c = Circuits.demo(slug);
        return StripTable.of(Assembly.of(c), c.part(strip).orElseThrow()).orElseThrow();
    }

    private static String volts(StripTable t, StripTable.Row row) {
        return String.join(
                " ",
                IntStream.range(0, t.posts().size())
                        .filter(i -> row.volts().get(i).value() > 200)
                        .mapToObj(i -> t.posts().get(i).terminal().name())
                        .toList());
    }

    /** The wiring centre of a mid-position valve, as the trade's books have it: what is live at each call. */
    @Test
    public void aWiringCentreInEveryStateOfItsControls() {
        StripTable t = table("student-flat", "WC");
        assertEquals(t.reference().toString(), "WC.2");
        assertTrue(t.together());
        assertEquals(t.controls().stream().map(Part::id).toList(), List.of("CYL", "PR", "RS"));
        assertEquals(t.rows().size(), 2 * 4 * 2);
        Map<List<String>, String> live = new HashMap<>();
        t.rows().forEach(r -> live.put(r.states(), volts(t, r)));
        assertEquals(live.get(List.of("calls", "Hot water", "")), "1 6 8");
        assertEquals(live.get(List.of("satisfied", "Hot water", "")), "1 6 7");
        // hot water is off: its off contact feeds 7, and through the satisfied cylinder thermostat 6 as well
        assertEquals(live.get(List.of("satisfied", "Heating by the programmer", "Heating")), "1 4 5 6 7 8");
        assertEquals(live.get(List.of("calls", "Hot water and heating", "Heating")), "1 4 5 6 8");
    }

    /** Each row is what a run of its own shows: by brute force, with the inputs written down here. */
    @Test
    public void aRowIsWhatTheRunShows() {
        StripTable t = table("student-flat", "WC");
        Circuit c = Circuits.demo("student-flat");
        Run run = Simulation.run(
                c,
                new Scenario(
                        "by hand",
                        Map.of("PR.hotWater", "on", "PR.heating", "off", "CYL.setCelsius", 20.0, "RS.setCelsius", 5.0),
                        List.of(),
                        List.of(),
                        600));
        StripTable.Row row = t.rows().stream()
                .filter(r -> r.states().equals(List.of("satisfied", "Hot water", "")))
                .findFirst()
                .orElseThrow();
        Meter meter = Meter.at(run, 600_000_000L);
        for (int i = 0; i < t.posts().size(); i++) {
            Request r = new Request(Request.Mode.AC_VOLTS, t.posts().get(i).terminal(), t.reference(), null, 1, false);
            assertEquals(row.volts().get(i).value(), meter.shown(r).value(), 1e-6, r.key());
        }
        assertFalse(row.works().contains("BOI"));
    }

    /** The room thermostat's live core lies beside live ones and floats: volts that nothing stands behind. */
    @Test
    public void aFloatingPostIsAGhost() {
        StripTable t = table("student-flat", "WC");
        StripTable.Row rest = t.rows().stream()
                .filter(r -> r.states().equals(List.of("satisfied", "Hot water", "")))
                .findFirst()
                .orElseThrow();
        List<String> ghosts = IntStream.range(0, t.posts().size())
                .filter(i -> rest.ghosts().get(i))
                .mapToObj(i -> t.posts().get(i).terminal().name())
                .toList();
        assertEquals(ghosts, List.of("4"));
    }

    @Test
    public void postsSayWhatIsUnderThemAndButtonsCount() {
        StripTable t = table("lab-bench", "XT");
        assertEquals(t.controls().stream().map(Part::id).toList(), List.of("TH", "PB1", "PB2"));
        assertEquals(new HashSet<>(t.rows().stream().map(r -> r.states().get(1)).toList()).size(), 2);
        assertTrue(t.rows().stream()
                .anyMatch(r -> r.states().contains("pressed") && r.works().contains("K4")));
        assertTrue(t.posts().stream().allMatch(p -> !p.wires().isEmpty()));
    }

    private static StripTable switches(int count) {
        Circuit.Builder b = Circuits.control().part("XT", "terminal-strip", "unit", "posts", 10);
        b.wire("T1.X1", "XT.9");
        for (int i = 1; i <= count; i++) {
            String rest = i == 2 ? "closed" : "open";
            b.part("S" + i, "switch", "unit", "rest", rest).wire("XT.9", "S" + i + ".1");
            b.wire("S" + i + ".2", "XT." + i);
        }
        // not fitted, and not wired to the strip
        b.part("S8", "switch", "unit")
                .part("LP", "lamp", "unit")
                .wire("XT.1", "LP.1")
                .wire("LP.2", "T1.X2");
        Circuit c = b.build();
        return StripTable.of(Assembly.of(c), c.part("XT").orElseThrow()).orElseThrow();
    }

    /** 2^6 = 64 states are tried together, of 2^7 = 128 each control is moved alone. */
    @Test
    public void ofTooManyControlsEachIsMovedAlone() {
        assertEquals(switches(6).rows().size(), 64);
        assertTrue(switches(6).together());
        StripTable seven = switches(7);
        assertFalse(seven.together());
        assertEquals(seven.reference().toString(), "T1.X2");
        assertEquals(
                seven.rows().stream()
                        .map(r -> String.join(
                                        "",
                                        r.states().stream()
                                                .map(w -> w.isEmpty() ? "-" : w.substring(0, 1))
                                                .toList())
                                + " " + fed(seven, r) + " " + r.works())
                        .toList(),
                List.of(
                        "------- 29 []",
                        "c------ 129 [LP]",
                        "-o----- 9 []",
                        "--c---- 239 []",
                        "---c--- 249 []",
                        "----c-- 259 []",
                        "-----c- 269 []",
                        "------c 279 []"));
    }

    private static String fed(StripTable t, StripTable.Row row) {
        return String.join(
                "",
                IntStream.range(0, t.posts().size())
                        .filter(i -> row.volts().get(i).value() > 20)
                        .mapToObj(i -> t.posts().get(i).terminal().name())
                        .toList());
    }

    @Test
    public void aCircuitWithoutAStripHasNoTable() {
        assertEquals(StripTable.strips(Circuits.demo("chapel")), List.of());
    }

    @Test
    public void withoutASupplyThereIsNothingToMeasureTo() {
        Circuit demo = Circuits.demo("student-flat");
        Circuit.Builder b = demo.toBuilder();
        b.parts().removeIf(p -> p.id().equals("M"));
        b.wires().removeIf(w -> w.from().part().equals("M") || w.to().part().equals("M"));
        Circuit c = b.build();
        assertEquals(StripTable.of(Assembly.of(c), c.part("WC").orElseThrow()), Optional.empty());
    }
}
