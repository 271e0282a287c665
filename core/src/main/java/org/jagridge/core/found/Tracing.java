package org.jagridge.core.found;

import java.util.Collections;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.IntStream;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.part.Groups;

/**
 * Finds out where wires go that nobody has drawn, with everything dead: one end is taken off and held, all others are
 * touched, and what beeps is noted. A silent end surely isn't joined with the held one. One that beeps is, if every end
 * that beeped was off its terminal too; while one is still landed, the way may lead through the part that it is on, so
 * that the next round is a lift test of what beeped. Ends are named by their place in the list.
 *
 * <p>Why that is enough: a way that leaves the held end's conductor does so at a landed end of that conductor; that end
 * beeps, since it belongs to the conductor; so once all that beep are lifted, there is no way out.
 */
public final class Tracing {
    private final List<End> ends;
    private final List<Round> rounds;
    private final Groups<Integer> joined = new Groups<>();
    private final Set<Pair> apart = new LinkedHashSet<>();
    private final Set<Integer> lifted = new TreeSet<>();

    /** Two ends that were silent. */
    private record Pair(int one, int other) {}

    /** A wire's end as it was found at a terminal; two wires under one screw are two ends. */
    public record End(Terminal at, String colour) {
        /** "TH.G green". */
        public String words() {
            return at + (colour.isEmpty() ? "" : " " + colour);
        }
    }

    /**
     * What was noted with one end held.
     *
     * @param held the end at one lead, off its terminal
     * @param lifted the ends that were taken off for it, the held one among them unless it was off before
     * @param touched the ends that the other lead touched
     * @param beeped those of them that beeped
     */
    public record Round(int held, Set<Integer> lifted, Set<Integer> touched, Set<Integer> beeped) {
        public Round {
            lifted = Set.copyOf(lifted);
            touched = Set.copyOf(touched);
            beeped = Set.copyOf(beeped);
        }
    }

    /**
     * What to do next.
     *
     * @param held the end to hold
     * @param lift ends to take off first
     * @param touch the ends to touch, the likeliest first
     * @param again whether what beeped is touched again, now off its terminals
     */
    public record Proposal(int held, List<Integer> lift, List<Integer> touch, boolean again) {
        /** The round that this becomes when it is known what beeped. */
        public Round noted(Set<Integer> beeped) {
            return new Round(held, Set.copyOf(lift), Set.copyOf(touch), beeped);
        }
    }

    public Tracing(List<End> ends, List<Round> rounds) {
        this.ends = List.copyOf(ends);
        this.rounds = List.copyOf(rounds);
        for (Round r : rounds) {
            note(r);
        }
    }

    private void note(Round r) {
        lifted.add(r.held());
        lifted.addAll(r.lifted());
        for (int end : r.touched()) {
            if (!r.beeped().contains(end)) {
                apart.add(new Pair(Math.min(r.held(), end), Math.max(r.held(), end)));
            }
        }
        boolean nothingLanded = lifted.containsAll(r.beeped());
        boolean nothingForgotten = others(r.held()).allMatch(e -> r.beeped().contains(e) || known(r.held(), e));
        boolean itsOwnOff =
                others(r.held()).filter(e -> joined.together(e, r.held())).allMatch(lifted::contains);
        if (nothingLanded && nothingForgotten && itsOwnOff) {
            r.beeped().forEach(e -> joined.join(r.held(), e));
        }
    }

    private IntStream others(int end) {
        return IntStream.range(0, ends.size()).filter(e -> e != end);
    }

    private boolean known(int a, int b) {
        return joined.together(a, b) || areApart(a, b);
    }

    /** Whether two ends, or any that they are joined with, were silent. */
    private boolean areApart(int a, int b) {
        return apart.stream()
                .anyMatch(p -> (joined.together(p.one(), a) && joined.together(p.other(), b))
                        || (joined.together(p.one(), b) && joined.together(p.other(), a)));
    }

    public List<End> ends() {
        return ends;
    }

    public List<Round> rounds() {
        return rounds;
    }

    /** The ends that are off their terminals by now and have to be landed again. */
    public Set<Integer> lifted() {
        return Collections.unmodifiableSet(lifted);
    }

    /** How many ends are known to go to each of the others, or not to. */
    public int decided() {
        return (int) IntStream.range(0, ends.size()).filter(this::isDecided).count();
    }

    private boolean isDecided(int end) {
        return others(end).allMatch(e -> known(end, e));
    }

    /** The next act; empty where all is known. No two ends are ever asked about again once they are decided. */
    public Optional<Proposal> next() {
        Optional<Round> last = rounds.isEmpty() ? Optional.empty() : Optional.of(rounds.get(rounds.size() - 1));
        Optional<Integer> unfinished = last.map(Round::held).filter(h -> !isDecided(h));
        return unfinished
                .or(() -> IntStream.range(0, ends.size())
                        .filter(e -> !isDecided(e))
                        .boxed()
                        .findFirst())
                .map(this::propose);
    }

    private Proposal propose(int held) {
        List<Integer> open = others(held).filter(e -> !known(held, e)).boxed().toList();
        Set<Integer> off = new LinkedHashSet<>();
        off.add(held);
        boolean again = false;
        for (Round r : rounds) {
            if (r.held() == held && r.beeped().containsAll(open)) {
                off.addAll(open);
                again = true;
            }
        }
        off.removeAll(lifted);
        List<Integer> touch = open.stream()
                .sorted(Comparator.comparing((Integer e) ->
                                !ends.get(e).colour().equals(ends.get(held).colour()))
                        .thenComparing(e -> ends.get(e)
                                .at()
                                .part()
                                .equals(ends.get(held).at().part())))
                .toList();
        return new Proposal(held, List.copyOf(off), touch, again);
    }

    /** The conductors found so far, each as its ends; where all is decided, an end by itself goes nowhere. */
    public List<Set<Integer>> conductors() {
        return joined.of(IntStream.range(0, ends.size()).boxed().toList());
    }
}
