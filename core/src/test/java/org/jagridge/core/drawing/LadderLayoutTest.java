package org.jagridge.core.drawing;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.jagridge.core.Circuits;
import org.jagridge.core.GeneratedCircuits;
import org.jagridge.core.ReferenceCase;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Place;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Role;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** The ladder of any circuit is legible and true. */
public class LadderLayoutTest {
    private static final int GENERATED = 200;

    private Object[][] circuits;

    /** The same circuits for every test, so that each is made once. */
    @DataProvider
    public Object[][] circuits() {
        if (circuits == null) {
            circuits = makeCircuits();
        }
        return circuits;
    }

    private static Object[][] makeCircuits() {
        Object[][] rows = new Object[13 + GENERATED][];
        rows[0] = new Object[] {"lab bench", Circuits.demo("lab-bench")};
        rows[1] = new Object[] {"fan relay", ReferenceCase.load("fan-relay").circuit()};
        rows[2] = new Object[] {
            "two transformers", ReferenceCase.load("two-transformers-jumper").circuit()
        };
        rows[3] = new Object[] {"short", ReferenceCase.load("r-to-c-short").circuit()};
        rows[4] = new Object[] {"long run", ReferenceCase.load("long-run").circuit()};
        rows[5] = new Object[] {"bridge", bridge()};
        for (int i = 6; i < 13; i++) {
            String slug = Circuits.DEMOS.get(i - 5);
            rows[i] = new Object[] {slug, Circuits.demo(slug)};
        }
        for (int i = 13; i < rows.length; i++) {
            rows[i] = new Object[] {"generated " + i, GeneratedCircuits.of(i, 80)};
        }
        return rows;
    }

    /** Five switches as a bridge: not series-parallel. */
    private static Circuit bridge() {
        Circuit.Builder b = Circuits.control().part("LP", "lamp", "unit");
        for (int i = 1; i <= 5; i++) {
            b.part("S" + i, "switch", "unit");
        }
        return b.wire("T1.X1", "S1.1")
                .wire("T1.X1", "S2.1")
                .wire("S1.2", "S3.1")
                .wire("S2.2", "S3.2")
                .wire("S1.2", "S4.1")
                .wire("S2.2", "S5.1")
                .wire("S4.2", "LP.1")
                .wire("S5.2", "LP.1")
                .wire("LP.2", "T1.X2")
                .build();
    }

    @Test(dataProvider = "circuits")
    public void everyBranchAppearsExactlyOnce(String name, Circuit circuit) {
        Assembly assembly = Assembly.of(circuit);
        Ladder ladder = LadderLayout.of(assembly);
        List<Branch> expected = assembly.branches().stream()
                .filter(b -> b.isDrawn() && !Nets.isMerged(b) && !isUnused(b, assembly))
                .toList();
        assertEquals(
                ladder.symbols().stream()
                        .map(Ladder.Symbol::branch)
                        .sorted(byIndex())
                        .toList(),
                expected);
    }

    /** A contact without a wire on one of its ends, whose other end has none either or serves another of its part. */
    private static boolean isUnused(Branch b, Assembly assembly) {
        Set<Terminal> wired = new HashSet<>();
        assembly.circuit().wires().forEach(w -> wired.addAll(List.of(w.from(), w.to())));
        if (b.role() != Role.CONTACT || (wired.contains(b.a()) && wired.contains(b.b()))) {
            return false;
        }
        return (!wired.contains(b.a()) && !wired.contains(b.b()))
                || assembly.branchesOf(b.owner()).stream()
                        .anyMatch(o -> !o.equals(b)
                                && o.isDrawn()
                                && wired.contains(o.a())
                                && wired.contains(o.b())
                                && List.of(b.a(), b.b()).stream()
                                        .filter(wired::contains)
                                        .anyMatch(t -> t.equals(o.a()) || t.equals(o.b())));
    }

    /** Every rail that has a source is called by its pole or by the trade's letter for it. */
    @Test(dataProvider = "circuits")
    public void railsAreNamedByTheirPole(String name, Circuit circuit) {
        Assembly assembly = Assembly.of(circuit);
        Nets nets = new Nets(assembly);
        for (LadderSection section : new LadderPlan(assembly, nets).sections()) {
            boolean source =
                    section.placed().stream().anyMatch(p -> p.branch().role().gives());
            assertTrue(!source || section.hotPole() != null, name);
        }
        Set<String> poles = new HashSet<>(List.of("L", "L1", "L2", "N", "+", "-", "R", "RC", "RH", "X1", "C", "X2"));
        assembly.branches().stream()
                .filter(b -> b.role().gives() && b.isDrawn())
                .forEach(b -> {
                    poles.add(b.a().name());
                    poles.add(b.b() == null ? "" : b.b().name());
                });
        LadderLayout.of(assembly).texts().stream()
                .filter(t -> t.kind() == Ladder.TextKind.RAIL && !t.text().contains("."))
                .forEach(t -> assertTrue(poles.contains(t.text()), name + " " + t.text()));
    }

    @Test
    public void twoLegsWithoutANeutralAreTwoLiveRails() {
        Circuit legs = Circuit.builder("Legs")
                .place("unit", "Unit", Place.Access.PANEL)
                .part("M", "supply", "unit", "system", "two-leg-208")
                .part("S", "switch", "unit")
                .part("H", "resistive-load", "unit", "volts", 208.0, "watts", 1000.0)
                .wire("M.L1", "S.1")
                .wire("S.2", "H.1")
                .wire("H.2", "M.L2")
                .build();
        assertEquals(
                LadderLayout.of(Assembly.of(legs)).texts().stream()
                        .filter(t -> t.kind() == Ladder.TextKind.RAIL)
                        .map(Ladder.Text::text)
                        .toList(),
                List.of("L1", "L2"));
    }

    /** Over the cottage's outdoor circuit stand its two legs and the disconnect, with its volts and without a number. */
    @Test
    public void theSupplyStandsOverItsRailsWithItsVolts() {
        Ladder ladder = LadderLayout.of(Assembly.of(Circuits.demo("wardens-cottage")));
        assertEquals(rung(ladder, "MO", "L1-N"), 0);
        assertEquals(rung(ladder, "DS", "L1-T1"), 0);
        double source = y(ladder, "MO", "L1-N");
        List<Ladder.Text> beside = ladder.texts().stream()
                .filter(t -> Math.abs(t.y() - source) < 14 && t.kind() == Ladder.TextKind.FUNCTION)
                .toList();
        assertTrue(beside.stream().anyMatch(t -> t.text().contains("240\u00a0V")), beside.toString());
        assertTrue(ladder.lines().stream().anyMatch(l -> l.rail() && l.y1() == source), "a rail begins at it");
        assertTrue(rung(ladder, "CMP", "R-C") > 0);
    }

    private static double y(Ladder ladder, String part, String label) {
        return ladder.symbols().stream()
                .filter(s ->
                        s.branch().owner().equals(part) && s.branch().label().equals(label))
                .findFirst()
                .orElseThrow()
                .y();
    }

    private static Comparator<Branch> byIndex() {
        return Comparator.comparingInt(Branch::index);
    }

    @Test(dataProvider = "circuits")
    public void noTextLiesOverATextALineOrASymbol(String name, Circuit circuit) {
        List<String> mistakes = GeometryCheck.ladder(LadderLayout.of(Assembly.of(circuit)));
        assertTrue(mistakes.isEmpty(), String.join("\n", mistakes));
    }

    @Test(dataProvider = "circuits")
    public void theNetsCanBeRebuiltFromTheLinesAlone(String name, Circuit circuit) {
        Ladder ladder = LadderLayout.of(Assembly.of(circuit));
        List<String> mistakes = new ArrayList<>(GeometryCheck.netsRebuilt(ladder));
        mistakes.addAll(GeometryCheck.looseEnds(ladder));
        assertTrue(mistakes.isEmpty(), String.join("\n", mistakes));
    }

    @Test
    public void coilsNameTheRungsOfTheirContactsAndContactsTheRungOfTheirCoil() {
        Ladder ladder = LadderLayout.of(Assembly.of(Circuits.demo("lab-bench")));
        int coil = rung(ladder, "K4", "A1-A2");
        int seal = rung(ladder, "K4", "11-14");
        int lamp = rung(ladder, "K4", "21-24");
        int standby = rung(ladder, "K4", "21-22");
        List<String> details = ladder.texts().stream()
                .filter(t -> t.kind() == Ladder.TextKind.DETAIL && t.ref().equals("K4"))
                .map(Ladder.Text::text)
                .toList();
        assertTrue(
                details.contains("NO " + seal + ", " + lamp + " · NC " + standby + " · 1 spare"), details.toString());
        assertTrue(details.contains("11–14 (" + coil + ")"), details.toString());
    }

    private static int rung(Ladder ladder, String part, String label) {
        return ladder.symbols().stream()
                .filter(s ->
                        s.branch().owner().equals(part) && s.branch().label().equals(label))
                .findFirst()
                .orElseThrow()
                .rung();
    }

    @Test
    public void loadsStandAgainstTheReturnRail() {
        Ladder ladder = LadderLayout.of(Assembly.of(Circuits.demo("lab-bench")));
        double coils = x(ladder, "K1", "A1-A2");
        for (String part : List.of("K2", "K3", "K4", "K5", "K6")) {
            assertEquals(x(ladder, part, "A1-A2"), coils, 1e-9, part);
        }
        for (int i = 1; i <= 6; i++) {
            assertEquals(x(ladder, "LP" + i, "1-2"), coils, 1e-9, "LP" + i);
        }
    }

    private static double x(Ladder ladder, String part, String label) {
        return ladder.symbols().stream()
                .filter(s ->
                        s.branch().owner().equals(part) && s.branch().label().equals(label))
                .findFirst()
                .orElseThrow()
                .x();
    }

    @Test
    public void theSameCircuitIsDrawnTheSameWay() {
        Circuit circuit = Circuits.demo("lab-bench");
        assertEquals(LadderLayout.of(Assembly.of(circuit)), LadderLayout.of(Assembly.of(circuit)));
    }
}
