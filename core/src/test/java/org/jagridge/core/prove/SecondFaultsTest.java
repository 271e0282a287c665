package org.jagridge.core.prove;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertNotNull;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.FaultKind;
import org.jagridge.core.prove.FaultVerdict.Kind;
import org.jagridge.core.prove.FaultVerdict.Second;
import org.jagridge.core.prove.Openings.Design;
import org.testng.annotations.Test;

/** What lies behind faults that show nowhere, held against searches of the whole circuit with both faults in it. */
public class SecondFaultsTest {
    private static Verdict proved(Circuit circuit) {
        List<Verdict> single = Prover.prove(circuit, circuit.rules(), true, Limits.usual());
        return Prover.secondFaults(circuit, single, Limits.usual()).get(0);
    }

    private static Set<String> second(Verdict v, String hidden) {
        return v.of(Kind.HIDDEN).stream()
                .filter(f -> f.fault().words().equals(hidden))
                .flatMap(f -> f.second().stream())
                .filter(s -> s.how() != null)
                .map(s -> s.fault().words())
                .collect(Collectors.toSet());
    }

    @Test
    public void aLimitSwitchThatSticksIsHiddenUntilTheOtherOneSticksToo() {
        Circuit circuit = Openings.of(1, 1, Design.TWO_LIMITS);
        Verdict v = proved(circuit);
        assertTrue(v.holds());
        Set<String> hidden =
                v.of(Kind.HIDDEN).stream().map(f -> f.fault().words()).collect(Collectors.toSet());
        assertTrue(hidden.contains("contact welded LS1 C-NO"), hidden.toString());
        Set<String> then = second(v, "contact welded LS1 C-NO");
        assertTrue(then.contains("contact welded LX1 C-NO"), then.toString());
        assertTrue(then.contains("link LX1.C to LX1.NO"), then.toString());
        assertFalse(then.contains("contact welded K1 11-14"), "that one breaks it alone");
    }

    @Test
    public void eachPairPlaysInTheWholeCircuitAndNeitherFaultDoesItAlone() {
        Circuit circuit = Openings.of(2, 1, Design.TWO_LIMITS);
        Verdict v = proved(circuit);
        Subject whole = new Subject(Subject.still(circuit), List.of(v.rule()));
        int pairs = 0;
        for (FaultVerdict f : v.of(Kind.HIDDEN)) {
            for (Second s : f.second()) {
                assertNotNull(s.how(), f.fault().words() + ", then " + s.fault().words());
                assertFalse(v.failsHot().contains(s.fault()));
                Set<Fault> there = new HashSet<>(s.how().faults());
                s.how().steps().forEach(step -> there.addAll(step.faults()));
                assertEquals(there, Set.of(f.fault(), s.fault()));
                StateSearch search = whole.search(Limits.usual().with(1, 20_000))
                        .from(List.of(f.fault(), s.fault()))
                        .search();
                assertNotNull(
                        search.broken(0),
                        f.fault().words() + ", then " + s.fault().words());
                pairs++;
            }
        }
        assertTrue(pairs >= 8, pairs + " pairs");
    }

    /** Every pair of a hidden and another fault in the whole circuit, from the start. */
    @Test
    public void nothingIsMissingThatASearchOfTheWholeCircuitFinds() {
        Circuit circuit = Openings.of(1, 1, Design.TWO_LIMITS);
        Verdict v = proved(circuit);
        Subject whole = new Subject(Subject.still(circuit), List.of(v.rule()));
        List<String> missing = new ArrayList<>();
        for (FaultVerdict hidden : v.of(Kind.HIDDEN)) {
            if (hidden.fault().words().contains("resistive")) {
                continue;
            }
            Set<Fault> known = hidden.second().stream().map(Second::fault).collect(Collectors.toSet());
            for (Fault then : Faults.of(circuit)) {
                boolean alone = v.failsHot().contains(then);
                boolean same = then.part() != null
                        && then.part().equals(hidden.fault().part())
                        && then.kind() == hidden.fault().kind();
                boolean slip = then.kind() == FaultKind.LANDED || hidden.fault().kind() == FaultKind.LANDED;
                if (alone || same || slip || then.equals(hidden.fault()) || known.contains(then)) {
                    continue;
                }
                StateSearch s = whole.search(Limits.usual().with(1, 250))
                        .untilDecided()
                        .from(List.of(hidden.fault(), then))
                        .search();
                if (s.broken(0) != null) {
                    missing.add(hidden.fault().words() + ", then " + then.words());
                }
            }
        }
        assertTrue(missing.isEmpty(), missing.toString());
    }
}
