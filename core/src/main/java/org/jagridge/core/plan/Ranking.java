package org.jagridge.core.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;

/** Orders what holds: by functions lost, then upkeep, money and minutes; what another beats on all three is dropped. */
final class Ranking {
    private Ranking() {}

    /** What a composition loses, in words. */
    static List<String> lost(Composition c) {
        Set<String> lost = new LinkedHashSet<>(c.lost);
        c.moves.stream().filter(m -> m.loses() != null).map(Move::loses).forEach(lost::add);
        return List.copyOf(lost);
    }

    /** Batteries to be changed are a burden, but nothing that doesn't work. */
    private static int functionsLost(Composition c) {
        return lost(c).size() - (c.has(Move.BATTERIES) ? 1 : 0);
    }

    static List<Composition> best(List<Composition> kept) {
        List<Composition> best = new ArrayList<>();
        for (int i = 0; i < kept.size(); i++) {
            Composition one = kept.get(i);
            boolean beaten = false;
            for (int j = 0; j < kept.size() && !beaten; j++) {
                beaten = i != j && beats(kept.get(j), one, j < i);
            }
            if (!beaten) {
                best.add(one);
            }
        }
        best.sort(Comparator.comparingInt(Ranking::functionsLost)
                .thenComparingInt(c -> lost(c).size())
                .thenComparingDouble(c -> c.price.parts())
                .thenComparingDouble(c -> c.price.minutes()));
        return best;
    }

    /** @param earlier whether it was found first: of two alike the first stays */
    private static boolean beats(Composition one, Composition other, boolean earlier) {
        boolean noWorse = lost(other).containsAll(lost(one))
                && one.price.parts() <= other.price.parts()
                && one.price.minutes() <= other.price.minutes();
        boolean same = lost(other).size() == lost(one).size()
                && one.price.parts() == other.price.parts()
                && one.price.minutes() == other.price.minutes();
        return noWorse && (!same || earlier);
    }
}
