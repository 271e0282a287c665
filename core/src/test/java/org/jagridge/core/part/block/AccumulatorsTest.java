package org.jagridge.core.part.block;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import org.jagridge.core.network.Complex;
import org.jagridge.core.part.Instant;
import org.jagridge.core.part.Numbers;
import org.jagridge.core.part.Time;
import org.testng.annotations.Test;

/** The small clocks and accumulators that parts are made of, each with a worked example. */
public class AccumulatorsTest {
    private static Instant second(int s) {
        return new Instant(s * Time.SECOND);
    }

    @Test
    public void twoCoursesThatGoOnAlikeAreWrittenAlikeFromNow() {
        Heat heated = Heat.COLD.then(0.5, 10, Instant.START);
        Heat later = new Heat(0.25, 0.5, 10, new Instant(Time.SECOND / 2));
        assertEquals(heated.asOf(second(1)), later.asOf(second(1)));
        assertEquals(
                Heat.COLD.then(0.5, 10, Instant.START).then(0, 10, second(1)).asOf(second(1000)),
                Heat.COLD.asOf(second(1000)));
        Drift drift = Drift.still(20, Instant.START).toward(0, 3600, Instant.START);
        Drift resumed = new Drift(drift.at(second(600)), 0, 3600, second(600));
        assertEquals(drift.asOf(second(900)), resumed.asOf(second(900)));
        Travel out = Travel.rest(0, 12 * Time.SECOND).toward(1, Instant.START);
        Travel fromHalf = new Travel(0.5, 1, second(6), 12 * Time.SECOND);
        assertEquals(out.asOf(second(9)), fromHalf.asOf(second(9)));
        assertEquals(Travel.rest(1, 12).asOf(second(5)), new Travel(1, 1, second(3), 12).asOf(second(5)));
    }

    @Test
    public void fuseHeatReachesOneAfterKOverTheExcess() {
        double rate = Heat.rate(5.1, 1.1, 1.5);
        Heat hot = Heat.COLD.then(rate, 10, Instant.START);
        assertEquals(Time.seconds(hot.full().micros()), 1.5 / (5.1 * 5.1 - 1.21), 1e-6);
    }

    @Test
    public void heatCoolsByItsTimeConstantAndIsForgotten() {
        Heat half = Heat.COLD.then(0.5, 10, Instant.START).then(0, 10, second(1));
        assertEquals(half.levelAt(second(1)), 0.5, 1e-9);
        assertEquals(half.levelAt(second(11)), 0.5 / Math.E, 1e-9);
        assertEquals(half.levelAt(second(1000)), 0, 1e-12);
        assertEquals(half.full(), Instant.NEVER);
    }

    @Test
    public void heatUnderTheLimitDoesNotGrow() {
        assertEquals(Heat.rate(1.1, 1.1, 1.5), 0, 0);
        assertTrue(Heat.rate(1.11, 1.1, 1.5) > 0);
    }

    @Test
    public void stressStartsAnewWhenItsKindChangesAndIsForgottenWhenItEnds() {
        Stress over = Stress.NONE.under(Stress.Kind.OVERVOLTAGE, new Instant(10));
        assertEquals(over.under(Stress.Kind.OVERVOLTAGE, new Instant(99)), over);
        assertEquals(over.breaksAt(), second(5).plus(10));
        assertEquals(
                over.under(Stress.Kind.OVERHEATED, new Instant(20)).breaksAt(),
                second(60).plus(20));
        assertEquals(over.under(Stress.Kind.NONE, new Instant(20)), Stress.NONE);
        assertEquals(Stress.NONE.breaksAt(), Instant.NEVER);
    }

    @Test
    public void driftTendsToItsEndAndSaysWhenItPasses() {
        Drift d = Drift.still(20, Instant.START).toward(0, 3600, Instant.START);
        assertEquals(d.at(second(3600)), 20 / Math.E, 1e-9);
        Instant when = d.when(10, Instant.START);
        assertEquals(Time.seconds(when.micros()), 3600 * Math.log(2), 1e-3);
        assertEquals(d.when(-1, Instant.START), Instant.NEVER, "beyond its end");
        assertEquals(d.when(21, Instant.START), Instant.NEVER, "behind it");
        assertEquals(Drift.still(20, Instant.START).when(20, Instant.START), Instant.NEVER);
    }

    @Test
    public void travelTurnsAtOnceFromWhereItIs() {
        Travel out = Travel.rest(0, 12 * Time.SECOND).toward(1, Instant.START);
        assertEquals(out.arrives(), second(12));
        Travel back = out.toward(0, second(3));
        assertEquals(back.at(second(3)), 0.25, 1e-9);
        assertEquals(back.arrives(), second(6));
        assertTrue(!back.toward(0, second(6)).moves());
    }

    @Test
    public void timesAreSaidAsPeopleSayThem() {
        assertEquals(Time.words(15 * Time.MILLISECOND), "15 ms");
        assertEquals(Time.words(3500 * Time.MILLISECOND), "3.5 s");
        assertEquals(Time.words(90 * Time.SECOND), "90 s");
        assertEquals(Time.words(132 * Time.SECOND), "2 min 12 s");
        assertEquals(Time.words(300 * Time.SECOND), "5 min");
        assertEquals(Time.words(5400 * Time.SECOND), "1 h 30 min");
    }

    @Test
    public void numbersHaveThreeFiguresAndNoTrailingZeros() {
        assertEquals(Numbers.threeFigures(26.876), "26.9");
        assertEquals(Numbers.threeFigures(0.8847), "0.885");
        assertEquals(Numbers.threeFigures(239.7), "240");
        assertEquals(Numbers.threeFigures(0.0001), "0");
        assertEquals(Numbers.plain(3), "3");
        assertEquals(Numbers.plain(0.50), "0.5");
    }

    @Test
    public void aCoilOfSixVaAtTwentyFourVoltsHasNinetySixOhms() {
        Complex z = Complex.impedance(24 * 24 / 6.0, 0.6);
        assertEquals(z.re(), 57.6, 1e-9);
        assertEquals(z.im(), 76.8, 1e-9);
        assertEquals(z.inverse().inverse().im(), 76.8, 1e-9);
    }
}
