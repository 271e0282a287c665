package org.jagridge.core.found;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.part.Groups;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Tracing against a field that answers as copper does: wires in the wall, and parts that lead on between their terminals. */
public class TracingTest {
    /** The wiring that nobody has drawn, and what a beeper says of it. */
    private static final class Field {
        private final List<Tracing.End> ends = new ArrayList<>();
        private final List<Integer> conductor = new ArrayList<>();
        private final List<Set<Terminal>> parts = new ArrayList<>();

        Field end(String at, String colour, int joins) {
            ends.add(new Tracing.End(Terminal.parse(at), colour));
            conductor.add(joins);
            return this;
        }

        /** A part that leads on between these terminals: a link, a coil of few ohms, a closed contact. */
        Field part(String... terminals) {
            parts.add(Arrays.stream(terminals).map(Terminal::parse).collect(Collectors.toSet()));
            return this;
        }

        /** Everything that the held end's copper leads to while the ends in {@code off} are off their terminals. */
        Set<Integer> beeping(int held, Set<Integer> off) {
            Groups<Object> way = new Groups<>();
            for (int i = 0; i < ends.size(); i++) {
                way.join("end " + i, "conductor " + conductor.get(i));
                if (!off.contains(i)) {
                    way.join("end " + i, ends.get(i).at());
                }
            }
            parts.forEach(p -> p.forEach(t -> way.join(p.iterator().next(), t)));
            return IntStream.range(0, ends.size())
                    .filter(i -> i != held && way.together("end " + i, "end " + held))
                    .boxed()
                    .collect(Collectors.toSet());
        }

        Set<Set<Integer>> truth() {
            return IntStream.range(0, ends.size())
                    .boxed()
                    .collect(Collectors.groupingBy(conductor::get, Collectors.toSet()))
                    .values()
                    .stream()
                    .collect(Collectors.toSet());
        }

        /** Follows every proposal to the end. */
        Tracing traced() {
            List<Tracing.Round> rounds = new ArrayList<>();
            Tracing tracing = new Tracing(ends, rounds);
            for (Optional<Tracing.Proposal> p = tracing.next(); p.isPresent(); p = tracing.next()) {
                Set<Integer> off = new HashSet<>(tracing.lifted());
                off.addAll(p.get().lift());
                Set<Integer> beeped = beeping(p.get().held(), off);
                beeped.retainAll(p.get().touch());
                rounds.add(p.get().noted(beeped));
                assertTrue(rounds.size() <= 2 * ends.size(), "no end of rounds");
                tracing = new Tracing(ends, rounds);
            }
            return tracing;
        }
    }

    private static Field pair() {
        return new Field()
                .end("TH.R", "red", 1)
                .end("TH.G", "green", 2)
                .end("XT.1", "red", 1)
                .end("XT.3", "green", 2);
    }

    @Test
    public void theFirstActIsToHoldTheFirstEndAndTouchTheOthersItsColourFirst() {
        Tracing.Proposal first = new Tracing(pair().ends, List.of()).next().orElseThrow();
        assertEquals(first.held(), 0);
        assertEquals(first.lift(), List.of(0));
        assertEquals(first.touch(), List.of(2, 3, 1));
        assertFalse(first.again());
    }

    @Test
    public void whatBeepedWhileLandedIsLiftedAndTouchedAgain() {
        Tracing.Round first = new Tracing.Round(0, Set.of(0), Set.of(1, 2, 3), Set.of(2));
        Tracing after = new Tracing(pair().ends, List.of(first));
        assertEquals(after.conductors().size(), 4, "a landed end that beeps proves nothing yet");
        Tracing.Proposal second = after.next().orElseThrow();
        assertEquals(second, new Tracing.Proposal(0, List.of(2), List.of(2), true));
        Tracing done = new Tracing(pair().ends, List.of(first, second.noted(Set.of(2))));
        assertEquals(done.conductors().get(0), Set.of(0, 2));
        assertEquals(done.decided(), 2);
    }

    /** R and G are linked at the strip: all four beep as landed. */
    @Test
    public void aLinkAtTheFarEndIsNotTakenForASplice() {
        Tracing t = pair().part("XT.1", "XT.3").traced();
        assertEquals(Set.copyOf(t.conductors()), Set.of(Set.of(0, 2), Set.of(1, 3)));
        assertTrue(t.lifted().containsAll(Set.of(0, 2, 3)));
    }

    @Test
    public void threeEndsOfOneConductorAreOneAndACutCoreIsByItself() {
        Tracing t = new Field()
                .end("B.C", "blue", 1)
                .end("TH.C", "blue", 1)
                .end("OUT.C", "brown", 1)
                .end("TH.W", "white", 2)
                .traced();
        assertEquals(Set.copyOf(t.conductors()), Set.of(Set.of(0, 1, 2), Set.of(3)));
        assertEquals(t.decided(), 4);
    }

    @DataProvider
    public Object[][] seeds() {
        return IntStream.range(0, 300).mapToObj(i -> new Object[] {i}).toArray(Object[][]::new);
    }

    /** Any wiring, with splices, cut cores, two wires under a screw and parts that lead on, is found as it is. */
    @Test(dataProvider = "seeds")
    public void everyWiringIsFoundAsItIs(int seed) {
        Random random = new Random(seed);
        int count = 1 + random.nextInt(14);
        int conductors = 1 + random.nextInt(count);
        Field field = new Field();
        String[] colours = {"red", "white", "green", ""};
        Set<String> used = new LinkedHashSet<>();
        for (int i = 0; i < count; i++) {
            String at = "P" + random.nextInt(4) + "." + random.nextInt(4);
            used.add(at);
            field.end(at, colours[random.nextInt(4)], random.nextInt(conductors));
        }
        List<String> terminals = List.copyOf(used);
        for (int i = random.nextInt(4); i > 0; i--) {
            field.part(
                    terminals.get(random.nextInt(terminals.size())), terminals.get(random.nextInt(terminals.size())));
        }
        Tracing t = field.traced();
        assertEquals(Set.copyOf(t.conductors()), field.truth());
        assertEquals(t.decided(), count);
    }
}
