package org.jagridge.core.prove;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.List;
import org.jagridge.core.prove.Acceptance.Line;
import org.jagridge.core.prove.Acceptance.Sheet;
import org.jagridge.core.prove.Openings.Design;
import org.testng.annotations.Test;

/** The hand tests with which an interlock is accepted. */
public class AcceptanceTest {
    private static Line line(Sheet sheet, String act) {
        return sheet.lines().stream()
                .filter(l -> l.act().equals(act))
                .findFirst()
                .orElseThrow(() -> new AssertionError(act + " in " + sheet.lines()));
    }

    @Test
    public void everyOpeningGoesThroughEveryPositionAndTheHeatMustGoAndComeBack() {
        Sheet sheet = Acceptance.of(Openings.of(2, 1, Design.SHUT));
        assertTrue(
                sheet.lines().get(0).see().contains("H1: burning"),
                sheet.lines().get(0).toString());
        for (String v : List.of("V1", "V2")) {
            String by = "by its drive";
            assertEquals(line(sheet, v + " half open, " + by).see(), List.of("H1: off"));
            assertEquals(line(sheet, v + " open, " + by).see(), List.of("H1: off"));
            assertEquals(line(sheet, v + " shut, " + by).see(), List.of("H1: burning"));
        }
        assertEquals(line(sheet, "M off").see(), List.of("H1: off"));
        assertEquals(line(sheet, "M on again").see(), List.of("H1: burning"));
        // one to begin, three positions of two openings, by the drive since a hand does the same, off and on again,
        // mains off and on
        assertEquals(sheet.lines().size(), 1 + 3 * 2 + 2 + 2);
        assertTrue(line(sheet, "Everything shut, and called: T1 turned to 23.0 °C")
                .see()
                .contains("H1: burning"));
        assertTrue(sheet.notCovered().stream().anyMatch(n -> n.contains("two faults")));
    }

    @Test
    public void whatADesignGetsWrongStandsOnItsSheetAsItWouldBeSeen() {
        Sheet sheet = Acceptance.of(Openings.of(1, 1, Design.MOVING_NC));
        assertEquals(line(sheet, "V1 half open, by its drive").see(), List.of("H1: burning"));
        // a drive that says only when it moves says nothing of a hand
        assertEquals(line(sheet, "V1 open, by hand").see(), List.of("H1: burning"));
    }
}
