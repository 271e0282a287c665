package org.jagridge.core.circuit;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * What must hold in a circuit at every instant, whatever is done to it.
 *
 * @param text the same in plain words
 * @param graceSeconds an uninterrupted violation shorter than this is forgiven
 * @param inputs the values between which an input is varied, by {@code PART.input}; those not named take all of theirs
 */
public record Rule(String id, String text, Claim claim, double graceSeconds, Map<String, List<Object>> inputs) {
    public static final double GRACE_SECONDS = 0.1;

    /** What is claimed. */
    public sealed interface Claim {
        List<Condition> conditions();

        /** The condition never holds. */
        record Never(Condition of) implements Claim {
            @Override
            public List<Condition> conditions() {
                return List.of(of);
            }
        }

        /** The condition holds at all times. */
        record Always(Condition of) implements Claim {
            @Override
            public List<Condition> conditions() {
                return List.of(of);
            }
        }

        /** Once {@code when} holds, {@code then} does within so many seconds, unless {@code when} ends before. */
        record Within(Condition when, Condition then, double seconds) implements Claim {
            @Override
            public List<Condition> conditions() {
                return List.of(when, then);
            }
        }

        /** In some state that can be reached the condition holds. */
        record Possible(Condition of) implements Claim {
            @Override
            public List<Condition> conditions() {
                return List.of(of);
            }
        }

        /** Before {@code then} holds, {@code first} does. */
        record Before(Condition first, Condition then) implements Claim {
            @Override
            public List<Condition> conditions() {
                return List.of(first, then);
            }
        }
    }

    /** The same rule for parts that have other ids. */
    public Rule renamed(Rename names) {
        Map<String, List<Object>> renamed = new LinkedHashMap<>();
        inputs.forEach(
                (key, values) -> renamed.put(Input.parse(key).renamed(names).toString(), values));
        return new Rule(id, text, renamed(claim, names), graceSeconds, renamed);
    }

    private static Claim renamed(Claim claim, Rename names) {
        if (claim instanceof Claim.Never c) {
            return new Claim.Never(c.of().renamed(names));
        }
        if (claim instanceof Claim.Always c) {
            return new Claim.Always(c.of().renamed(names));
        }
        if (claim instanceof Claim.Possible c) {
            return new Claim.Possible(c.of().renamed(names));
        }
        if (claim instanceof Claim.Within c) {
            return new Claim.Within(c.when().renamed(names), c.then().renamed(names), c.seconds());
        }
        Claim.Before c = (Claim.Before) claim;
        return new Claim.Before(c.first().renamed(names), c.then().renamed(names));
    }
}
