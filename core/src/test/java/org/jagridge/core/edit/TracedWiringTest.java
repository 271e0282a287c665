package org.jagridge.core.edit;

import static org.jagridge.core.Circuits.control;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.jagridge.core.Circuits;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.found.AsFound;
import org.jagridge.core.found.Tracing;
import org.testng.annotations.Test;

/** What was traced with a meter, made into the drawing. */
public class TracedWiringTest {
    private static final Circuit BARE = control()
            .part("K", "relay", "unit")
            .part("L", "relay", "unit")
            .part("S", "switch", "unit")
            .wire("T1.X1", "S.1")
            .wire("S.2", "L.A1")
            .build();

    private static Tracing.End end(String at, String colour) {
        return new Tracing.End(Terminal.parse(at), colour);
    }

    /** Everything off its terminal, and then each conductor's first end held against all others. */
    private static Tracing traced(List<Tracing.End> ends, List<Set<Integer>> conductors) {
        Set<Integer> all = IntStream.range(0, ends.size()).boxed().collect(Collectors.toSet());
        return new Tracing(
                ends,
                conductors.stream()
                        .map(c -> {
                            int held = c.stream().min(Integer::compare).orElseThrow();
                            return new Tracing.Round(held, all, without(all, held), without(c, held));
                        })
                        .toList());
    }

    private static Set<Integer> without(Set<Integer> set, int item) {
        return set.stream().filter(i -> i != item).collect(Collectors.toSet());
    }

    private static List<String> wires(Circuit c) {
        return c.wires().stream()
                .map(w -> w.from() + " " + w.to() + " " + w.colour() + " " + w.colourAtEnds())
                .toList();
    }

    @Test
    public void twoEndsAreAWireAndAChangeOfColourIsKept() {
        Tracing t = traced(
                List.of(end("S.2", "red"), end("K.A1", "red"), end("K.A2", "blue"), end("T1.X2", "brown")),
                List.of(Set.of(0, 1), Set.of(2, 3)));
        Circuit after = Edits.traced(t).applyTo(BARE);
        assertEquals(
                wires(after).subList(wires(after).size() - 2, wires(after).size()),
                List.of("S.2 K.A1 red []", "K.A2 T1.X2 null [blue, brown]"));
        assertTrue(
                wires(after).stream().noneMatch(w -> w.startsWith("S.2 L.A1")), "what was drawn there before is gone");
        assertTrue(wires(after).stream().anyMatch(w -> w.startsWith("T1.X1 S.1")), "the rest stays as drawn");
    }

    @Test
    public void threeEndsMeetAtASpliceOutOfSightOnceOnly() {
        List<Tracing.End> ends = List.of(end("S.2", "red"), end("K.A1", "red"), end("L.A1", "orange"));
        Edit edit = Edits.traced(traced(ends, List.of(Set.of(0, 1, 2))));
        Circuit after = edit.applyTo(BARE);
        assertEquals(after.part("HS1").orElseThrow().place(), "hidden");
        assertEquals(
                after.wires().stream()
                        .filter(w -> w.to().part().equals("HS1"))
                        .map(w -> w.from() + " " + w.colour())
                        .toList(),
                List.of("S.2 red", "K.A1 red", "L.A1 orange"));
        Circuit again = edit.applyTo(after);
        assertEquals(again.parts().size(), after.parts().size(), "the old splice went with its wires");
        assertEquals(
                again.places().stream().filter(p -> p.id().equals("hidden")).count(), 1);
    }

    /** The lab's thermostat cable traced core by core gives the drawing that is there, cores and all. */
    @Test
    public void whatIsTracedAsDrawnChangesNothing() {
        Circuit lab = Circuits.demo("lab-bench");
        List<Tracing.End> ends = lab.wires().stream()
                .filter(w -> "TC".equals(w.cable()))
                .flatMap(w -> List.of(new Tracing.End(w.from(), w.core()), new Tracing.End(w.to(), w.core())).stream())
                .toList();
        List<Set<Integer>> pairs = IntStream.range(0, ends.size() / 2)
                .mapToObj(i -> Set.of(2 * i, 2 * i + 1))
                .toList();
        Circuit bare = Edits.traced(traced(ends, pairs)).applyTo(lab);
        // strip terminals carry a wire of the board too, which the list left out: those are taken off as well
        assertEquals(
                bare.wires().stream().filter(w -> "TC".equals(w.cable())).toList(),
                lab.wires().stream().filter(w -> "TC".equals(w.cable())).toList());
    }

    @Test
    public void comparedWithTheFieldByNetsATracedSpliceIsNoDifference() {
        List<Tracing.End> ends = List.of(end("S.2", "red"), end("K.A1", "red"), end("L.A1", "red"));
        Circuit after = Edits.traced(traced(ends, List.of(Set.of(0, 1, 2)))).applyTo(BARE);
        AsFound found = AsFound.read("S.2,red,K.A1\nL.A1,red,K.A1", after);
        assertEquals(found.compare(after), List.of());
        assertTrue(
                found.notLookedAt(after).stream().noneMatch(t -> t.part().equals("HS1")),
                "nobody can look at the splice");
    }
}
