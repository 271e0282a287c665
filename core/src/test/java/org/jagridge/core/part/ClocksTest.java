package org.jagridge.core.part;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertNotEquals;
import static org.testng.Assert.assertSame;

import java.util.Arrays;
import java.util.List;
import org.jagridge.core.part.block.Heat;
import org.testng.annotations.Test;

/** States of any shape are moved along the clock. */
public class ClocksTest {
    private static final Instant FIVE = new Instant(5);

    record Inner(Instant due, String name) {}

    record Outer(int count, Inner inner, List<Instant> many, Instant never) {}

    record Plain(int count, String name) {}

    private static Outer outer(long micros) {
        return new Outer(
                3,
                new Inner(new Instant(micros), "inner"),
                List.of(new Instant(micros + 1), Instant.NEVER),
                Instant.NEVER);
    }

    @Test
    public void everyInstantMovesWhereverItStands() {
        assertEquals(Clocks.shifted(outer(10), 32), outer(42));
        assertEquals(Clocks.shifted(FIVE, -5), Instant.START);
        assertEquals(Clocks.shifted(Instant.NEVER, 5), Instant.NEVER);
    }

    @Test
    public void whatHoldsNoTimeStaysTheSameObject() {
        Plain plain = new Plain(1, "x");
        assertSame(Clocks.shifted(plain, 99), plain);
        Outer never = new Outer(1, null, List.of(), Instant.NEVER);
        assertEquals(Clocks.shifted(never, 99), never);
        assertSame(Clocks.shifted("idle", 99), "idle");
        List<String> words = List.of("a", "b");
        assertSame(Clocks.shifted(words, 99), words);
        Outer there = outer(10);
        assertSame(Clocks.shifted(there, 0), there);
    }

    @Test
    public void seenFromNowCoursesThatGoOnAlikeAreEqual() {
        Heat early = new Heat(0.2, 0.1, 10, Instant.START);
        Heat late = new Heat(0.3, 0.1, 10, new Instant(Time.SECOND));
        Instant now = new Instant(3 * Time.SECOND);
        assertNotEquals(early, late);
        assertEquals(Clocks.relative(List.of(early), now), Clocks.relative(List.of(late), now));
        Heat hotter = new Heat(0.31, 0.1, 10, new Instant(Time.SECOND));
        assertNotEquals(Clocks.relative(early, now), Clocks.relative(hotter, now));
    }

    @Test
    public void theSameStateAtAnotherTimeOfTheDayLooksTheSame() {
        Instant morning = new Instant(100);
        Instant evening = new Instant(9_000_100);
        assertEquals(
                Clocks.relative(outer(40), morning), Clocks.relative(Clocks.shifted(outer(40), 9_000_000), evening));
    }

    @Test
    public void instantsAreComparedAsTimes() {
        assertEquals(Instant.earliest(FIVE, Instant.NEVER), FIVE);
        assertEquals(Instant.earliest(new Instant(9), FIVE), FIVE);
        List<Boolean> come = Arrays.asList(
                FIVE.hasCome(new Instant(4)),
                FIVE.hasCome(FIVE),
                FIVE.hasCome(new Instant(6)),
                Instant.NEVER.hasCome(FIVE));
        assertEquals(come, List.of(false, true, true, false));
        assertEquals(FIVE.notBefore(new Instant(7)), new Instant(7));
        assertEquals(FIVE.notBefore(new Instant(3)), FIVE);
        assertEquals(new Instant(12).since(FIVE), 7);
        assertEquals(Instant.NEVER.plus(5), Instant.NEVER);
        assertEquals(FIVE.minus(2), new Instant(3));
    }
}
