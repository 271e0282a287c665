package org.jagridge.core.prove;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.part.Time;
import org.jagridge.core.prove.Openings.Design;
import org.jagridge.core.prove.Repair.Answer;
import org.jagridge.core.prove.Repair.Next;
import org.jagridge.core.prove.Repair.Seen;
import org.jagridge.core.prove.Repair.Test;
import org.jagridge.core.run.Simulation;

/** Which relay, contact or wire explains an interlock that doesn't do as it should. */
public class RepairTest {
    private static Set<String> words(Answer a) {
        return a.suspects().stream().map(x -> x.fault().words()).collect(Collectors.toSet());
    }

    private static Seen seen(String opening, String position, boolean works) {
        return new Seen(new Test(opening, position, false), "H1", works);
    }

    @org.testng.annotations.Test
    public void heatThatGoesOnWithAnOpenVentIsAWeldALinkOrAStuckSwitchOfThatVent() {
        Repair repair = new Repair(Openings.of(2, 1, Design.SHUT));
        assertEquals(repair.openings(), List.of("V1", "V2"));
        assertEquals(repair.watched(), List.of("H1"));
        Answer a = repair.explain(List.of(seen("V1", "open", true), seen("V2", "open", false)));
        assertFalse(a.asDrawn());
        assertTrue(
                words(a).containsAll(Set.of(
                        "contact welded K1 11-14",
                        "contact welded LS1 C-NO",
                        "link K1.11 to K1.14",
                        "link LS1.C to LS1.NO")),
                words(a).toString());
        assertFalse(words(a).contains("stuck V1 shut"), "it was seen open");
        assertTrue(words(a).stream().noneMatch(w -> w.contains("K2") || w.contains("LS2")), words(a).toString());
    }

    @org.testng.annotations.Test
    public void whatTheDrawnCircuitDoesIsNoFault() {
        Repair repair = new Repair(Openings.of(1, 1, Design.MOVING_NC));
        Answer a = repair.explain(List.of(seen("V1", "half", true)));
        assertTrue(a.asDrawn(), "the design lets the heat come back half open");
        assertFalse(new Repair(Openings.of(1, 1, Design.SHUT))
                .explain(List.of(seen("V1", "half", true)))
                .asDrawn());
    }

    /** Whoever looks where it says next keeps the fault that is there and loses others at every look. */
    @org.testng.annotations.Test
    public void whoLooksWhereItSaysKeepsTheFaultThatIsThere() {
        Circuit circuit = Openings.of(2, 1, Design.SHUT);
        Repair repair = new Repair(circuit);
        int narrowed = 0;
        for (Fault hidden : Faults.of(circuit)) {
            if (!hidden.words().matches("(contact welded|contact open|coil open|wire open) .*")) {
                continue;
            }
            List<Seen> seen = new ArrayList<>();
            seen.add(look(circuit, repair, hidden, new Test("V1", "open", false)));
            Answer a = repair.explain(seen);
            for (int i = 0; i < 4 && a.next().isPresent(); i++) {
                Next next = a.next().get();
                int before = a.suspects().size();
                seen.add(look(circuit, repair, hidden, next.test()));
                a = repair.explain(seen);
                assertTrue(a.suspects().size() < before, hidden.words());
                narrowed++;
            }
            assertTrue(words(a).contains(hidden.words()), hidden.words() + " not in " + words(a));
        }
        assertTrue(narrowed > 5, narrowed + " looks");
    }

    /** Seen by the simulation, and not by what explains it. */
    private static Seen look(Circuit circuit, Repair repair, Fault hidden, Test t) {
        var run = Simulation.run(circuit, repair.scenario(new Repair.Suspect(hidden, false), t));
        String signal = run.at(Repair.lookedAt()).signals().get("H1");
        assertTrue(run.until() >= Time.micros(500));
        return new Seen(t, "H1", signal.equals("burning"));
    }
}
