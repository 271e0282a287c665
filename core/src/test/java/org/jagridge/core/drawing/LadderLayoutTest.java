package org.jagridge.core.drawing;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.jagridge.core.Circuits;
import org.jagridge.core.GeneratedCircuits;
import org.jagridge.core.ReferenceCase;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
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
                .filter(b -> b.isDrawn() && !Nets.isMerged(b))
                .toList();
        assertEquals(
                ladder.symbols().stream()
                        .map(Ladder.Symbol::branch)
                        .sorted(byIndex())
                        .toList(),
                expected);
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
        assertTrue(details.contains("NO " + seal + ", " + lamp + " · NC " + standby), details.toString());
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
