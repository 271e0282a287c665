package org.jagridge.core.prove;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertNotNull;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Condition;
import org.jagridge.core.circuit.Rule;
import org.jagridge.core.circuit.Rule.Claim;
import org.jagridge.core.part.Time;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What breaks each kind of rule, and what is forgiven. */
public class WatchTest {
    private final Circuit circuit = circuit();

    /** A switch that pulls in a relay, which starts a timer of 30 s that pulls in another. */
    private static Circuit circuit() {
        List<Object> parts = new ArrayList<>();
        List<Object> wires = new ArrayList<>();
        for (Object[] p : new Object[][] {
            {"M", "supply", Map.of("system", "single-120")},
            {"T", "transformer", Map.of("va", 40)},
            {"S", "switch", Map.of("rest", "open")},
            {"K1", "relay", Map.of()},
            {"TD", "timer", Map.of("function", "delay-on-make", "seconds", 30, "form", "relay")},
            {"K2", "relay", Map.of()}
        }) {
            parts.add(Map.of("id", p[0], "type", p[1], "place", "panel", "params", p[2]));
        }
        for (String w : List.of(
                "M.L T.P1",
                "T.P2 M.N",
                "T.X1 S.1",
                "S.2 K1.A1",
                "K1.A2 T.X2",
                "T.X1 K1.11",
                "K1.14 TD.A1",
                "TD.A2 T.X2",
                "T.X1 TD.11",
                "TD.14 K2.A1",
                "K2.A2 T.X2")) {
            wires.add(Map.of("id", "w" + (wires.size() + 1), "ends", List.of(w.split(" ", -1))));
        }
        return Openings.read(parts, wires, List.of());
    }

    private Verdict proved(Claim claim, double grace) {
        Rule rule = new Rule("r", "r", claim, grace, Map.of());
        return Prover.prove(circuit, List.of(rule), false, Limits.usual()).get(0);
    }

    private static Condition is(String atom) {
        return Condition.parse(atom);
    }

    @DataProvider
    public Object[][] claims() {
        Condition both = Condition.parse(Map.of("all", List.of("K1=in", "K2=out")));
        return new Object[][] {
            {"K1 in and K2 out for 30 s: longer than the grace", new Claim.Never(both), 10.0, false},
            {"the same is forgiven up to half a minute and a bit", new Claim.Never(both), 31.0, true},
            {"what always holds", new Claim.Always(is("T!=burnt")), 0.1, true},
            {"what doesn't", new Claim.Always(is("K2=out")), 0.1, false},
            {"K2 comes within 40 s of K1, or K1 goes before", new Claim.Within(is("K1=in"), is("K2=in"), 40), 0.1, true
            },
            {"but not within 20 s", new Claim.Within(is("K1=in"), is("K2=in"), 20), 0.1, false},
            {"K1 is in before K2", new Claim.Before(is("K1=in"), is("K2=in")), 0.1, true},
            {"K2 isn't in before K1", new Claim.Before(is("K2=in"), is("K1=in")), 0.1, false},
            {"K2 can come in", new Claim.Possible(is("K2=in")), 0.1, true},
            {"a relay is never burnt here", new Claim.Possible(is("K2=burnt")), 0.1, false},
        };
    }

    @Test(dataProvider = "claims")
    public void eachKindOfRule(String what, Claim claim, double grace, boolean holds) {
        Verdict v = proved(claim, grace);
        assertEquals(v.holds(), holds, what + ": " + v);
        assertTrue(v.complete(), v.bound());
        boolean plays = holds == claim instanceof Claim.Possible;
        assertEquals(v.how() != null, plays, what);
    }

    @Test
    public void aRuleIsBrokenWhenWhatIsWrongHasLastedItsGrace() {
        Verdict v = proved(new Claim.Never(Condition.parse(Map.of("all", List.of("K1=in", "K2=out")))), 10);
        Step step = v.how().steps().get(0);
        assertEquals(step.set(), Map.of("S.closed", true));
        // pulled in after 15 ms, and then ten seconds
        assertEquals(v.how().brokenAtSeconds(), step.atSeconds() + 0.015 + 10, 1e-6);
    }

    @Test
    public void howManyChangesAreInFlightIsSaidAndSearched() {
        Rule rule = new Rule("r", "r", new Claim.Always(is("T!=burnt")), 0.1, Map.of());
        String one = Prover.prove(circuit, List.of(rule), false, Limits.usual().withChanges(1))
                .get(0)
                .bound();
        String two = Prover.prove(circuit, List.of(rule), false, Limits.usual().withChanges(2))
                .get(0)
                .bound();
        assertTrue(one.contains("at most one change in flight") && one.contains(" and 0 on the way"), one);
        assertTrue(two.contains("at most 2 changes in flight") && !two.contains(" and 0 on the way"), two);
    }

    @Test
    public void inputsThatARuleNarrowsTakeOnlyThoseValues() {
        Rule free = new Rule("r", "r", new Claim.Never(is("K1=in")), 0.1, Map.of());
        assertFalse(Prover.prove(circuit, List.of(free), false, Limits.usual())
                .get(0)
                .holds());
        Rule narrow = new Rule("r", "r", new Claim.Never(is("K1=in")), 0.1, Map.of("S.closed", List.of(false)));
        assertTrue(Prover.prove(circuit, List.of(narrow), false, Limits.usual())
                .get(0)
                .holds());
    }

    @Test
    public void faultsAreToldApartByWhatTheyDoToTheRule() {
        Rule rule = new Rule(
                "r", "r", new Claim.Never(Condition.parse(Map.of("all", List.of("K2=in", "K1=out")))), 1, Map.of());
        Verdict v = Prover.prove(circuit, List.of(rule), true, Limits.usual()).get(0);
        assertTrue(v.holds(), v.bound());
        FaultVerdict weld = v.faults().stream()
                .filter(f -> f.fault().words().equals("contact welded TD 11-14"))
                .findFirst()
                .orElseThrow();
        assertEquals(weld.kind(), FaultVerdict.Kind.HOT);
        assertNotNull(weld.how());
        assertTrue(weld.how().brokenAtSeconds() < 10 * 60, "shortest, with short pauses: " + weld.how());
    }

    @Test
    public void sinceWhenSomethingIsWrong() {
        Rule rule = new Rule("r", "r", new Claim.Before(is("A=on"), is("B=on")), 0.5, Map.of());
        Watch watch = new Watch(rule);
        Condition.Signals none = signs("off", "off");
        Condition.Signals only = signs("off", "on");
        Condition.Signals both = signs("on", "on");
        assertEquals(watch.next(Watch.FINE, none, only, 7), 7);
        assertEquals(watch.next(7, only, only, 9), 7, "it has been wrong since then");
        assertEquals(watch.next(7, only, both, 9), Watch.FINE, "it came within the grace");
        assertEquals(watch.next(Watch.FINE, both, only, 9), Watch.FINE, "what went away later was there before");
        assertFalse(watch.isBroken(7, 7 + Time.SECOND / 4));
        assertTrue(watch.isBroken(7, 7 + Time.SECOND / 2));
        assertFalse(watch.isBroken(Watch.FINE, Long.MAX_VALUE));
    }

    private static Condition.Signals signs(String a, String b) {
        return new Condition.Signals() {
            @Override
            public String word(String part) {
                return part.equals("A") ? a : b;
            }

            @Override
            public double number(String part, String name) {
                return Double.NaN;
            }
        };
    }
}
