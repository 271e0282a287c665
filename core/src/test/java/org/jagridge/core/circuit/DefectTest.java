package org.jagridge.core.circuit;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertNotEquals;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jagridge.core.Circuits;
import org.jagridge.core.run.FaultList;
import org.testng.annotations.Test;

/** Whatever a defect is, it says of itself what the file says of it, and goes along with what it is about. */
public class DefectTest {
    private static final Rename SAME = new Rename() {
        @Override
        public String part(String id) {
            return id;
        }

        @Override
        public String wire(String id) {
            return id;
        }
    };
    private static final Rename LONGER = new Rename() {
        @Override
        public String part(String id) {
            return id + "-new";
        }

        @Override
        public String wire(String id) {
            return id + "-new";
        }
    };

    /** One of each kind at least: those that the demos' parts and wires can have, and those that only hands make. */
    private static List<Defect> defects() {
        List<Defect> defects = new ArrayList<>();
        for (String slug : Circuits.DEMOS) {
            FaultList.faultsOf(Circuits.demo(slug)).forEach(f -> defects.add(f.defect()));
        }
        defects.add(new WiringDefect.Lifted("w7", Terminal.parse("K1.A1")));
        defects.add(new WiringDefect.Twisted(
                List.of("w7", "w8"), List.of(Terminal.parse("K1.A1"), Terminal.parse("K2.A1"))));
        defects.add(new WiringDefect.Shorted(Terminal.parse("K1.A1"), Terminal.parse("K1.A2"), null));
        defects.add(new PartDefect.CapacitorWeak("CAP", null));
        return defects;
    }

    @Test
    public void everyKindIsThere() {
        EnumSet<FaultKind> kinds = EnumSet.noneOf(FaultKind.class);
        defects().forEach(d -> kinds.add(d.kind()));
        assertEquals(kinds, EnumSet.allOf(FaultKind.class));
    }

    @Test
    public void whatIsWrittenOfADefectIsReadAsTheSameDefect() {
        for (Defect d : defects()) {
            assertEquals(d.kind().read(d.details()), d, d.words());
            d.kind().details().stream()
                    .filter(detail -> !detail.optional())
                    .forEach(detail -> assertTrue(d.details().containsKey(detail.key()), d.words()));
        }
    }

    @Test
    public void noTwoDefectsOfACircuitAreSaidInTheSameWords() {
        for (String slug : Circuits.DEMOS) {
            List<Fault> faults = FaultList.faultsOf(Circuits.demo(slug));
            Set<String> words = new HashSet<>();
            faults.forEach(f -> words.add(f.words()));
            assertEquals(words.size(), new HashSet<>(faults).size(), slug);
        }
    }

    @Test
    public void aDefectGoesAlongWithWhatItIsAbout() {
        for (Defect d : defects()) {
            assertEquals(d.renamed(SAME), d);
            Defect renamed = d.renamed(LONGER);
            assertNotEquals(renamed, d, d.words());
            Set<String> longer = new HashSet<>();
            d.touches().forEach(id -> longer.add(id + "-new"));
            assertEquals(new HashSet<>(renamed.touches()), longer, d.words());
            assertEquals(renamed.kind(), d.kind());
            assertEquals(renamed.part(), d.part() == null ? null : d.part() + "-new");
            assertEquals(renamed.wire(), d.wire() == null ? null : d.wire() + "-new");
        }
    }

    @Test
    public void aDefectEitherRewiresOrTakesHoldOrIsLeftToThePart() {
        for (Defect d : defects()) {
            boolean rewires = d instanceof Defect.Rewiring;
            boolean ofItself = Set.of(
                            FaultKind.ARMATURE_STUCK,
                            FaultKind.MOTOR_SEIZED,
                            FaultKind.STUCK,
                            FaultKind.OUTPUT_DEAD,
                            FaultKind.OUTPUT_STUCK,
                            FaultKind.CONDITION)
                    .contains(d.kind());
            boolean onlyShort = d.kind() == FaultKind.SHORT;
            assertEquals(rewires || !d.holds().isEmpty(), !ofItself, d.words());
            assertTrue(!rewires || d.holds().isEmpty() || onlyShort, d.words());
        }
    }

    @Test
    public void conductorsThatNobodyDrewHaveIdsThatNobodyCanGive() {
        Circuit bench = Circuits.demo("lab-bench");
        List<Defect.Rewiring> added = List.of(
                new WiringDefect.Link(Terminal.parse("TH.R"), Terminal.parse("TH.G")),
                new WiringDefect.Shorted(Terminal.parse("TH.R"), Terminal.parse("TH.G"), 0.5),
                new WiringDefect.WireEarthed("w9"));
        Set<String> ids = new HashSet<>();
        for (Defect.Rewiring d : added) {
            Circuit.Builder b = bench.toBuilder();
            d.rewire(bench, b, null);
            Circuit changed = b.build();
            assertEquals(changed.wires().size(), bench.wires().size() + 1);
            String id = changed.wires().get(changed.wires().size() - 1).id();
            assertTrue(!id.matches("[A-Za-z][A-Za-z0-9_-]{0,31}"), id);
            assertTrue(ids.add(id), id + " is taken");
            d.rewire(bench, b, null);
            assertEquals(b.build().wires().size(), changed.wires().size(), "the same twice is one");
        }
    }

    @Test
    public void numbersAreSaidWithoutNoughtsThatSayNothing() {
        assertEquals(new WiringDefect.WireResistive("w9", 10).words(), "wire resistive w9 10 Ω");
        assertEquals(new WiringDefect.WireResistive("w9", 0.25).words(), "wire resistive w9 0.25 Ω");
        assertEquals(
                new Fault(FaultKind.SWAPPED, Map.of("wires", List.of("w1", "w2"), "end", 1), 5.0, null).words(),
                "w1 and w2 changed over at their second ends");
        assertEquals(
                new WiringDefect.Landed("w7", 0, Terminal.parse("TH.E")).words(), "w7 landed on TH.E by its first end");
    }
}
