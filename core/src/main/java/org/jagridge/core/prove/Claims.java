package org.jagridge.core.prove;

import java.util.ArrayList;
import java.util.List;
import org.jagridge.core.circuit.Condition;
import org.jagridge.core.circuit.Rule;
import org.jagridge.core.circuit.Rule.Claim;

/**
 * Takes a rule apart into claims that hold all together just if the rule does: what must never be is taken apart into
 * each of the ways in which it can be.
 */
final class Claims {
    /** More ways than that are left together. */
    private static final int MOST = 64;

    private Claims() {}

    static List<Rule> of(Rule rule) {
        if (!(rule.claim() instanceof Claim.Never never)) {
            return List.of(rule);
        }
        List<Condition> ways = ways(never.of(), false);
        return ways == null || ways.size() > MOST
                ? List.of(rule)
                : ways.stream()
                        .map(w -> new Rule(
                                rule.id(), rule.text(), new Claim.Never(w), rule.graceSeconds(), rule.inputs()))
                        .toList();
    }

    /** The disjunctive normal form of a condition, or of its opposite; null where it is too large. */
    private static List<Condition> ways(Condition c, boolean opposite) {
        if (c instanceof Condition.Not n) {
            return ways(n.of(), !opposite);
        }
        if (!(c instanceof Condition.Several s)) {
            return List.of(opposite ? new Condition.Not(c) : c);
        }
        List<Condition> all = new ArrayList<>();
        if (s.every() == opposite) {
            for (Condition of : s.of()) {
                List<Condition> some = ways(of, opposite);
                if (some == null) {
                    return null;
                }
                all.addAll(some);
            }
            return all;
        }
        all.add(new Condition.Several(true, List.of()));
        for (Condition of : s.of()) {
            List<Condition> some = ways(of, opposite);
            if (some == null || all.size() * some.size() > MOST) {
                return null;
            }
            List<Condition> next = new ArrayList<>();
            for (Condition a : all) {
                for (Condition b : some) {
                    List<Condition> both = new ArrayList<>(((Condition.Several) a).of());
                    both.add(b);
                    next.add(new Condition.Several(true, both));
                }
            }
            all = next;
        }
        return all;
    }
}
