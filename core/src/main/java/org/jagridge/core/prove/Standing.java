package org.jagridge.core.prove;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Condition;
import org.jagridge.core.circuit.Rule;
import org.jagridge.core.circuit.Rule.Claim;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Trait;

/**
 * Rules that stand for every circuit with such parts, without anybody having written them: what is there can run at all,
 * no heat without air, heat and cooling never together, no compressor that starts against pressure.
 */
public final class Standing {
    private static final double AIR_GRACE_SECONDS = 60;
    private static final double CHANGE_GRACE_SECONDS = 1;
    private static final String AGAINST_PRESSURE = "stalled";
    private static final String PREFIX = "standing-";

    private final Assembly assembly;
    private final List<Rule> rules = new ArrayList<>();

    private Standing(Circuit circuit) {
        assembly = Assembly.of(circuit);
    }

    /** The standing rules of a circuit. */
    public static List<Rule> of(Circuit circuit) {
        Standing standing = new Standing(circuit);
        standing.canRun();
        standing.airWithHeat();
        standing.heatOrCooling();
        standing.pressure();
        return List.copyOf(standing.rules);
    }

    public static boolean is(Rule rule) {
        return rule.id() != null && rule.id().startsWith(PREFIX);
    }

    private List<Assembly.Member> with(Predicate<Assembly.Member> which) {
        return assembly.members().stream()
                .filter(m -> m.part().fitted() && m.signal().isThere() && which.test(m))
                .toList();
    }

    private void canRun() {
        for (Assembly.Member m :
                with(x -> x.is(Trait.HEAT_SOURCE) || x.is(Trait.COMPRESSOR) || x.is(Trait.AIR_MOVER))) {
            add("runs-" + m.part().id(), m.part().id() + " can come on at all", new Claim.Possible(works(m)), 0);
        }
    }

    private void airWithHeat() {
        List<Condition> still = with(m -> m.is(Trait.AIR_MOVER)).stream()
                .map(m -> (Condition) new Condition.Not(works(m)))
                .toList();
        if (still.isEmpty()) {
            return;
        }
        for (Assembly.Member m : with(x -> x.is(Trait.NEEDS_AIR))) {
            List<Condition> all = new ArrayList<>(List.of(works(m)));
            all.addAll(still);
            add(
                    "air-" + m.part().id(),
                    m.part().id() + " never heats for a minute without air",
                    new Claim.Never(new Condition.Several(true, all)),
                    AIR_GRACE_SECONDS);
        }
    }

    private void heatOrCooling() {
        if (!with(m -> m.is(Trait.REVERSING_VALVE)).isEmpty()) {
            // a heat pump's compressor heats, and in defrost both run by design
            return;
        }
        for (Assembly.Member heat : with(m -> m.is(Trait.HEAT_SOURCE))) {
            for (Assembly.Member cold : with(m -> m.is(Trait.COMPRESSOR))) {
                add(
                        "one-" + heat.part().id() + "-" + cold.part().id(),
                        heat.part().id() + " never heats while " + cold.part().id() + " cools",
                        new Claim.Never(new Condition.Several(true, List.of(works(heat), works(cold)))),
                        CHANGE_GRACE_SECONDS);
            }
        }
    }

    private void pressure() {
        for (Assembly.Member m : with(x -> x.is(Trait.COMPRESSOR))) {
            if (m.signal().words().contains(AGAINST_PRESSURE)) {
                add(
                        "start-" + m.part().id(),
                        m.part().id() + " never stalls at a start",
                        new Claim.Never(new Condition.Word(m.part().id(), true, AGAINST_PRESSURE)),
                        CHANGE_GRACE_SECONDS);
            }
        }
    }

    /** It does what it is there for: it makes heat, or is at work. */
    static Condition works(Assembly.Member m) {
        List<String> words = m.signal().words().stream()
                .filter(w -> m.is(Trait.HEAT_SOURCE)
                        ? m.type().makesHeat(m.params(), w)
                        : m.signal().isAtWork(w))
                .toList();
        List<Condition> any = words.stream()
                .map(w -> (Condition) new Condition.Word(m.part().id(), true, w))
                .toList();
        return any.size() == 1 ? any.get(0) : new Condition.Several(false, any);
    }

    private void add(String id, String text, Claim claim, double grace) {
        rules.add(new Rule(PREFIX + id, text, claim, grace, Map.of()));
    }
}
