package org.jagridge.core.circuit;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.util.List;
import java.util.Map;
import org.testng.annotations.Test;

/** Conditions, terminals, fields and sizes: the small values of a circuit. */
public class ConditionTest {
    private static final Condition.Signals NOW = new Condition.Signals() {
        @Override
        public String word(String part) {
            return Map.of("K1", "in", "V1", "half", "TH", "R-W R-G").get(part);
        }

        @Override
        public double number(String part, String name) {
            return 21.5;
        }
    };

    private static boolean holds(Object tree) {
        return Condition.parse(tree).holds(NOW);
    }

    @Test
    public void atomsCompareWordsAndNumbers() {
        assertTrue(holds("K1=in"));
        assertFalse(holds("K1!=in"));
        assertTrue(holds("V1!=shut"));
        assertTrue(holds("TH=R-W R-G"));
        assertTrue(holds("ROOM.celsius>=21.5"));
        assertFalse(holds("ROOM.celsius<=21.4"));
    }

    @Test
    public void treesOfAllAnyAndNot() {
        assertTrue(holds(Map.of("all", List.of("K1=in", Map.of("not", "V1=shut")))));
        assertTrue(holds(Map.of("any", List.of("K1=out", "V1=half"))));
        assertFalse(holds(Map.of("all", List.of("K1=in", "V1=shut"))));
        assertEquals(Condition.parse(Map.of("any", List.of("A=b", "C=d"))).parts(), List.of("A", "C"));
    }

    @Test
    public void whatIsNoConditionIsRefusedInWords() {
        for (Object bad : List.of("K1", "=in", Map.of("some", List.of()), 3)) {
            String message = expectThrows(IllegalArgumentException.class, () -> Condition.parse(bad))
                    .getMessage();
            assertTrue(message.contains("is no condition"), message);
        }
    }

    @Test
    public void terminalsAreWrittenPartDotTerminal() {
        assertEquals(Terminal.parse("RF.~1"), new Terminal("RF", "~1"));
        assertEquals(Terminal.parse("D-1.+").toString(), "D-1.+");
        for (String bad : List.of("K1", "K1.", ".A1", "1K.A", "K1.A 1", "K1.A.B", "")) {
            assertFalse(Terminal.isWellFormed(bad), bad);
        }
        expectThrows(IllegalArgumentException.class, () -> Terminal.parse("nonsense"));
    }

    @Test
    public void fieldsSayWhatTheyExpected() {
        assertEquals(Field.positive("amps", 3.0, "A").mistakeIn(5), null);
        assertTrue(Field.positive("amps", 3.0, "A").mistakeIn(0).contains("must be more than 0"));
        assertTrue(Field.number("sets", 1.0, "").within(1, 4).mistakeIn(9).contains("at most 4"));
        assertTrue(
                Field.choice("kind", "fast", "fast", "slow").mistakeIn("quick").contains("not one of fast, slow"));
        assertTrue(Field.flag("on", true).mistakeIn("yes").contains("true or false"));
        assertEquals(Field.numbers("microfarads", List.of(), "µF").mistakeIn(40), null, "one number stands for a list");
        assertTrue(Field.texts("t", List.of())
                .outOf("R", "C")
                .mistakeIn(List.of("R", "Q"))
                .contains("\"Q\""));
    }

    @Test
    public void everyFaultSaysItselfInWords() {
        assertEquals(Fault.of(FaultKind.COIL_OPEN, "part", "K1").words(), "coil open K1");
        assertEquals(
                Fault.of(FaultKind.SHORT, "between", List.of("TH.R", "TH.W"), "ohms", 0.1)
                        .words(),
                "short TH.R to TH.W 0.1 Ω");
        assertEquals(
                Fault.of(FaultKind.CONTACT_WELDED, "part", "K1", "contact", "11-14")
                        .words(),
                "contact welded K1 11-14");
        for (FaultKind kind : FaultKind.values()) {
            assertEquals(FaultKind.of(kind.word()).orElseThrow(), kind);
        }
    }

    @Test
    public void everySizeIsFoundByItsWord() {
        for (ConductorSize size : ConductorSize.values()) {
            assertEquals(ConductorSize.of(size.word()).orElseThrow(), size);
        }
        assertEquals(ConductorSize.of("18AWG").orElseThrow().ohmsPerKilometre(), 20.95, 0);
        assertTrue(ConductorSize.of("17AWG").isEmpty());
    }
}
