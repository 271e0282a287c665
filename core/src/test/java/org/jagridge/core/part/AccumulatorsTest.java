package org.jagridge.core.part;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import org.jagridge.core.network.Complex;
import org.testng.annotations.Test;

/** The small clocks and accumulators that parts are made of, each with a worked example. */
public class AccumulatorsTest {
    @Test
    public void fuseHeatReachesOneAfterKOverTheExcess() {
        double rate = Heat.rate(5.1, 1.1, 1.5);
        Heat hot = Heat.COLD.then(rate, 10, 0);
        assertEquals(Time.seconds(hot.full()), 1.5 / (5.1 * 5.1 - 1.21), 1e-6);
    }

    @Test
    public void heatCoolsByItsTimeConstantAndIsForgotten() {
        Heat half = Heat.COLD.then(0.5, 10, 0).then(0, 10, Time.SECOND);
        assertEquals(half.levelAt(Time.SECOND, 10), 0.5, 1e-9);
        assertEquals(half.levelAt(11 * Time.SECOND, 10), 0.5 / Math.E, 1e-9);
        assertEquals(half.levelAt(1000 * Time.SECOND, 10), 0, 1e-12);
        assertEquals(half.full(), Reaction.NEVER);
    }

    @Test
    public void heatUnderTheLimitDoesNotGrow() {
        assertEquals(Heat.rate(1.1, 1.1, 1.5), 0, 0);
        assertTrue(Heat.rate(1.11, 1.1, 1.5) > 0);
    }

    @Test
    public void stressStartsAnewWhenItsKindChangesAndIsForgottenWhenItEnds() {
        Stress over = Stress.NONE.under(Stress.Kind.OVERVOLTAGE, 10);
        assertEquals(over.under(Stress.Kind.OVERVOLTAGE, 99), over);
        assertEquals(over.breaksAt(), 10 + 5 * Time.SECOND);
        assertEquals(over.under(Stress.Kind.OVERHEATED, 20).breaksAt(), 20 + 60 * Time.SECOND);
        assertEquals(over.under(Stress.Kind.NONE, 20), Stress.NONE);
        assertEquals(Stress.NONE.breaksAt(), Reaction.NEVER);
    }

    @Test
    public void driftTendsToItsEndAndSaysWhenItPasses() {
        Drift d = Drift.still(20, 0).toward(0, 3600, 0);
        assertEquals(d.at(3600 * Time.SECOND), 20 / Math.E, 1e-9);
        long when = d.when(10, 0);
        assertEquals(Time.seconds(when), 3600 * Math.log(2), 1e-3);
        assertEquals(d.when(-1, 0), Reaction.NEVER, "beyond its end");
        assertEquals(d.when(21, 0), Reaction.NEVER, "behind it");
        assertEquals(Drift.still(20, 0).when(20, 0), Reaction.NEVER);
    }

    @Test
    public void travelTurnsAtOnceFromWhereItIs() {
        Travel out = Travel.rest(0).toward(1, 0, 12 * Time.SECOND);
        assertEquals(out.arrives(12 * Time.SECOND), 12 * Time.SECOND);
        Travel back = out.toward(0, 3 * Time.SECOND, 12 * Time.SECOND);
        assertEquals(back.at(3 * Time.SECOND, 12 * Time.SECOND), 0.25, 1e-9);
        assertEquals(back.arrives(12 * Time.SECOND), 6 * Time.SECOND);
        assertTrue(!back.toward(0, 6 * Time.SECOND, 12 * Time.SECOND).moves());
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

    @Test
    public void theSensorCurveGivesTenKilohmAtTwentyFiveDegrees() {
        assertEquals(SensorElement.ohms(25, 3977), 10_000, 1e-6);
        assertEquals(SensorElement.ohms(0, 3977), 33_900, 200);
    }
}
