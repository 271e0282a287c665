package org.jagridge.core.drawing;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.jagridge.core.Circuits;
import org.jagridge.core.Families;
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

    private final IdentityHashMap<Circuit, Drawn> drawn = new IdentityHashMap<>();
    private Object[][] circuits;

    private record Drawn(Assembly assembly, LadderPlan plan, Ladder ladder) {}

    private Drawn drawn(Circuit circuit) {
        return drawn.computeIfAbsent(circuit, c -> {
            Assembly a = Assembly.of(c);
            return new Drawn(a, new LadderPlan(a, new Spots(a, new Nets(a))), LadderLayout.of(a));
        });
    }

    /** The same circuits for every test, so that each is made once. */
    @DataProvider
    public Object[][] circuits() {
        if (circuits == null) {
            circuits = makeCircuits();
        }
        return circuits;
    }

    private static Object[][] makeCircuits() {
        List<Families.Drawn> families = Families.all();
        Object[][] rows = new Object[13 + GENERATED + families.size()][];
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
        for (int i = 13; i < 13 + GENERATED; i++) {
            rows[i] = new Object[] {"generated " + i, GeneratedCircuits.of(i, 80)};
        }
        for (int i = 0; i < families.size(); i++) {
            rows[13 + GENERATED + i] =
                    new Object[] {families.get(i).name(), families.get(i).circuit()};
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
        Assembly assembly = drawn(circuit).assembly();
        Ladder ladder = drawn(circuit).ladder();
        List<Branch> expected = assembly.branches().stream()
                .filter(b -> b.isDrawn() && !Nets.isMerged(b) && !isUnused(b, assembly))
                .toList();
        assertEquals(
                ladder.symbols().stream()
                        .map(Ladder.Symbol::branch)
                        .filter(assembly.branches()::contains)
                        .sorted(byIndex())
                        .toList(),
                expected);
    }

    /**
     * A contact without a wire on one of its ends, whose other end has none either or serves another of its part; an
     * output without any wire of a part that has a load to tell it at.
     */
    private static boolean isUnused(Branch b, Assembly assembly) {
        Set<Terminal> wired = new HashSet<>();
        assembly.circuit().wires().forEach(w -> wired.addAll(List.of(w.from(), w.to())));
        if (b.role().gives()) {
            return !wired.contains(b.a())
                    && !wired.contains(b.b())
                    && assembly.branchesOf(b.owner()).stream()
                            .filter(o -> !o.equals(b) && o.isDrawn())
                            .noneMatch(o -> touches(o, b))
                    && assembly.branchesOf(b.owner()).stream()
                            .anyMatch(o -> o.isDrawn() && o.role().consumes());
        }
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

    private static boolean touches(Branch a, Branch b) {
        Set<Integer> ends = Set.of(a.nodeA(), a.nodeB());
        return ends.contains(b.nodeA()) || ends.contains(b.nodeB());
    }

    /** Every rail that has a source is called by its pole or by the trade's letter for it. */
    @Test(dataProvider = "circuits")
    public void railsAreNamedByTheirPole(String name, Circuit circuit) {
        Assembly assembly = drawn(circuit).assembly();
        for (LadderSection section : drawn(circuit).plan().sections()) {
            boolean source =
                    section.placed().stream().anyMatch(p -> p.branch().role().gives());
            assertTrue(!source || section.hotPole() != null, name);
        }
        Set<String> poles = new HashSet<>(List.of("L", "L1", "L2", "N", "+", "-", "R", "RC", "RH", "X1", "C", "X2"));
        assembly.branches().stream()
                .filter(b -> b.role().gives())
                .flatMap(b ->
                        assembly.nodes().keySet().stream().filter(t -> t.part().equals(b.owner())))
                .forEach(t -> {
                    poles.add(t.name());
                });
        drawn(circuit).ladder().texts().stream()
                .filter(t -> t.kind() == Ladder.TextKind.RAIL && !t.text().contains("."))
                .forEach(t -> assertTrue(poles.contains(t.text()), name + " " + t.text()));
    }

    /** A section has a source, drawn or within its equipment, or says that none leads there. */
    @Test(dataProvider = "circuits")
    public void everySectionHasASourceOrSaysWhyNot(String name, Circuit circuit) {
        Ladder ladder = drawn(circuit).ladder();
        long without = drawn(circuit).plan().sections().stream()
                .filter(s ->
                        s.placed().stream().noneMatch(p -> p.branch().role().gives()))
                .count();
        assertEquals(
                ladder.texts().stream()
                        .filter(t -> t.text().equals("No source drawn here"))
                        .count(),
                without,
                name);
        boolean made = name.matches("(relays|hydronics|rooftops|interlocks) .*");
        assertTrue(!made || without == 0, name + " has " + without + " sections without a source");
    }

    /** Each rung says what it is for, and no two say the same. */
    @Test(dataProvider = "circuits")
    public void eachRungHasWordsOfItsOwn(String name, Circuit circuit) {
        Assembly assembly = drawn(circuit).assembly();
        LadderPlan plan = drawn(circuit).plan();
        LadderWords words = new LadderWords(assembly, plan);
        Map<String, Integer> rungOf = new HashMap<>();
        for (LadderSection section : plan.sections()) {
            Set<Integer> rows = new TreeSet<>();
            section.placed().forEach(p -> rows.add(p.row()));
            for (int row : rows) {
                int rung = plan.rungOf(section, row);
                List<String> told = LadderWords.wrap(words.job(section, row));
                assertTrue(!told.isEmpty(), name + ", rung " + rung + " says nothing");
                Integer alike = rung == 0 ? null : rungOf.put(String.join(" ", told), rung);
                assertTrue(alike == null, name + ", rungs " + alike + " and " + rung + " say " + told);
            }
        }
    }

    /**
     * A load stands before its return rail, or before the contacts of a second pole; but for one whose far end is fed, too,
     * or that another load follows.
     */
    @Test(dataProvider = "circuits")
    public void loadsStandInTheLastColumn(String name, Circuit circuit) {
        for (LadderSection section : drawn(circuit).plan().sections()) {
            for (LadderSection.Placed p : section.placed()) {
                boolean onePole = name.matches("(relays|hydronics|interlocks) .*");
                boolean load = p.branch().role().consumes() && (onePole || p.right() == section.returnRail());
                assertTrue(
                        !load || p.loops() || p.left() == section.returnRail() || p.column() == section.columns() - 1,
                        name + ": " + p.branch().title() + " in column " + p.column() + " of " + section.columns());
            }
        }
    }

    @Test
    public void crossingsAreAtMostAThirdOfWhatTheyWere() {
        Map<String, int[]> before = DrawingCounts.before();
        int then = 0;
        int now = 0;
        for (Families.Drawn d : DrawingCounts.circuits()) {
            int crossings = Crossings.of(LadderLayout.of(Assembly.of(d.circuit())));
            assertTrue(d.name().startsWith("dice") || crossings == 0, d.name() + " has " + crossings);
            then += before.get(d.name())[0];
            now += crossings;
        }
        assertTrue(3 * now <= then, now + " crossings, before " + then);
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
        List<String> mistakes = GeometryCheck.ladder(drawn(circuit).ladder());
        assertTrue(mistakes.isEmpty(), String.join("\n", mistakes));
    }

    @Test(dataProvider = "circuits")
    public void theNetsCanBeRebuiltFromTheLinesAlone(String name, Circuit circuit) {
        Ladder ladder = drawn(circuit).ladder();
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
