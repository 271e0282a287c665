package org.jagridge.core.prove;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Condition;
import org.jagridge.core.circuit.Rule;
import org.jagridge.core.circuit.Rule.Claim;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Trait;

/**
 * Rules that stand for every circuit with such parts, without anybody having written them: what is there can run at all,
 * no heat without air, heat and cooling never together, no compressor that starts against pressure, a heat pump that
 * heats when it is called for heat and cools when it is called for cooling.
 */
public final class Standing {
    private static final double AIR_GRACE_SECONDS = 60;
    private static final double CHANGE_GRACE_SECONDS = 1;
    private static final double VALVE_GRACE_SECONDS = 5;
    private static final int MOST_TERMINALS = 8;
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
        standing.valve();
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

    /** One thermostat with a terminal for the valve, one valve: it stands as the call wants it, but for a defrost. */
    private void valve() {
        List<Assembly.Member> valves = with(m -> m.is(Trait.REVERSING_VALVE));
        List<Assembly.Member> calling = with(m -> m.is(Trait.THERMOSTAT)
                && (calls(m, "Y", "O", true).isPresent()
                        || calls(m, "Y", "B", true).isPresent()));
        if (valves.size() != 1 || calling.size() != 1) {
            return;
        }
        Assembly.Member valve = valves.get(0);
        Assembly.Member thermostat = calling.get(0);
        boolean cools = valve.params().is("energised", "cools");
        boolean o = calls(thermostat, "Y", "O", true).isPresent();
        Condition coolingCall = calls(thermostat, "Y", o ? "O" : "B", o).orElseThrow();
        Condition heatingCall = calls(thermostat, "Y", o ? "O" : "B", !o).orElseThrow();
        List<Condition> noDefrost = with(m -> m.is(Trait.DEFROSTS)).stream()
                .map(m -> (Condition) new Condition.Word(m.part().id(), false, "defrost"))
                .toList();
        for (Assembly.Member c : with(m -> m.is(Trait.COMPRESSOR))) {
            String who = c.part().id() + " never ";
            String by = " while " + thermostat.part().id() + " calls for ";
            never(
                    "cools-" + c.part().id(),
                    who + "heats" + by + "cooling",
                    c,
                    coolingCall,
                    inHeating(valve, cools),
                    List.of());
            never(
                    "heats-" + c.part().id(),
                    who + "cools" + by + "heat",
                    c,
                    heatingCall,
                    inHeating(valve, !cools),
                    noDefrost);
        }
    }

    private void never(
            String id, String text, Assembly.Member c, Condition call, Condition valve, List<Condition> besides) {
        List<Condition> all = new ArrayList<>(List.of(works(c), call, valve));
        all.addAll(besides);
        add(id, text, new Claim.Never(new Condition.Several(true, all)), VALVE_GRACE_SECONDS);
    }

    private static Condition inHeating(Assembly.Member valve, boolean coolsEnergised) {
        return new Condition.Word(valve.part().id(), !coolsEnergised, "on");
    }

    /**
     * That a thermostat calls at one terminal and does or doesn't at another: any of the values that say so; empty where
     * it has no such terminals, or so many that they aren't listed.
     */
    private static Optional<Condition> calls(Assembly.Member m, String first, String second, boolean both) {
        List<String> items = m.signal().items();
        if (items.size() > MOST_TERMINALS
                || items.stream().noneMatch(i -> i.endsWith("-" + first))
                || items.stream().noneMatch(i -> i.endsWith("-" + second))) {
            return Optional.empty();
        }
        List<Condition> any = new ArrayList<>();
        for (int set = 1; set < 1 << items.size(); set++) {
            List<String> closed = new ArrayList<>();
            for (int i = 0; i < items.size(); i++) {
                if ((set & 1 << i) != 0) {
                    closed.add(items.get(i));
                }
            }
            if (closed.stream().anyMatch(i -> i.endsWith("-" + first))
                    && closed.stream().anyMatch(i -> i.endsWith("-" + second)) == both) {
                any.add(new Condition.Word(m.part().id(), true, String.join(" ", closed)));
            }
        }
        return Optional.of(new Condition.Several(false, any));
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
