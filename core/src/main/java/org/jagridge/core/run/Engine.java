package org.jagridge.core.run;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import com.github.benmanes.caffeine.cache.Interner;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Instant;

/**
 * What follows in one circuit from any {@link Configuration} and any {@link Act}, without a word of telling. Safe for
 * several threads; one engine serves all who look at a circuit, so that what one has worked out need not be worked out
 * again.
 */
public final class Engine {
    /** Kept circuits with faults in them, by the nodes of all of them together; what shares its parts counts for little. */
    private static final long MOST_NODES = 100_000;

    private static final int SHARES = 16;

    private final Variant healthy;
    private final Homes homes;
    private final Causes causes;
    private final Interner<Object> states = Interner.newWeakInterner();
    private final Cache<List<Fault>, Variant> variants = Caffeine.newBuilder()
            .maximumWeight(MOST_NODES)
            .<List<Fault>, Variant>weigher((f, v) -> nodes(v))
            .executor(Runnable::run)
            .build();
    /** Those of them whose machines stand ready, by their nodes. */
    private final Cache<Variant, Variant> ready = Caffeine.newBuilder()
            .maximumWeight(MOST_NODES)
            .<Variant, Variant>weigher((v, same) -> v.assembly.nodeCount())
            .removalListener((v, same, why) -> dismissed(v))
            .executor(Runnable::run)
            .build();

    /** The scenario that was followed last. */
    private record Followed(Scenario scenario, Schedule schedule) {}

    private volatile Followed followed;

    private Engine(Assembly assembly) {
        healthy = new Variant(this, assembly);
        homes = new Homes(assembly);
        causes = new Causes(assembly, homes);
    }

    /** The engine of a circuit that has been put together. */
    public static Engine of(Assembly assembly) {
        return assembly.kept(Engine.class, Engine::new);
    }

    public static Engine of(Circuit circuit) {
        return of(Assembly.of(circuit));
    }

    private int nodes(Variant variant) {
        int nodes = variant.assembly.nodeCount();
        return variant.assembly.sharesParts(healthy.assembly) ? nodes / SHARES + 1 : nodes;
    }

    private static void dismissed(Variant variant) {
        if (variant != null) {
            variant.dismissMachines();
        }
    }

    /** A variant is worked with: its machines stand ready for a while. */
    void works(Variant variant) {
        if (variant != healthy && ready.getIfPresent(variant) == null) {
            ready.put(variant, variant);
        }
    }

    Assembly assembly() {
        return healthy.assembly;
    }

    Homes homes() {
        return homes;
    }

    Causes causes() {
        return causes;
    }

    Object interned(Object state) {
        return states.intern(state);
    }

    /** The circuit as those of the faults that change its wiring or settings make it. */
    Variant variant(List<Fault> faults) {
        List<Fault> changing =
                faults.stream().filter(FaultEffects::changesCircuit).toList();
        return changing.isEmpty()
                ? healthy
                : variants.get(
                        changing,
                        f -> new Variant(
                                this,
                                Assembly.of(FaultEffects.apply(healthy.assembly.circuit(), f), healthy.assembly)));
    }

    /**
     * The circuit come to rest with these hands and faults.
     *
     * @param inputs by {@code PART.input}; what isn't named is at its default
     * @throws RunLimitException where it never comes to rest
     * @throws IllegalArgumentException where there is no such input
     */
    public Configuration start(Map<String, Object> inputs, List<Fault> faults) {
        Machine machine = variant(faults).borrow();
        machine.reset(inputs, faults);
        machine.comeToRest();
        return machine.done();
    }

    /**
     * The configuration after {@code act}: for an act of hands or a fault that of the same instant, when everything that
     * takes no time has moved; for {@link Act.Wait} that after so much time.
     *
     * @throws RunLimitException where it goes over the limits of a run
     * @throws IllegalArgumentException where there is no such input
     */
    public Configuration advance(Configuration from, Act act) {
        Machine machine = from.variant.borrow();
        machine.load(from);
        if (act instanceof Act.Wait wait) {
            Instant until = from.now.plus(wait.micros());
            machine.runUntil(until);
            machine.passTo(until);
        } else {
            machine = machine.apply(act instanceof Act.Together t ? t.acts() : List.of(act));
            machine.settle();
        }
        return machine.done();
    }

    /**
     * Where a scenario stands at an instant: everything that is due or done by then has moved.
     *
     * @param more faults that are there from the start, besides those of the scenario
     * @throws RunLimitException where it goes over the limits of a run
     * @throws IllegalArgumentException where there is no such input
     */
    public Configuration follow(Scenario scenario, List<Fault> more, long micros) {
        Schedule schedule = scheduleOf(scenario);
        Map<String, Object> hands = new LinkedHashMap<>();
        List<Fault> faults = new ArrayList<>();
        schedule.beginning(hands, faults);
        faults.addAll(more);
        return follow(start(hands, faults), scenario, micros);
    }

    /** The same from a configuration that the scenario has led to. What stood there at that instant isn't done again. */
    public Configuration follow(Configuration from, Scenario scenario, long micros) {
        Schedule schedule = scheduleOf(scenario);
        Machine machine = from.variant.borrow();
        machine.load(from);
        while (true) {
            Instant next = schedule.next(machine);
            if (next.isNever() || next.micros() > micros) {
                machine.passTo(new Instant(micros));
                return machine.done();
            }
            machine.passTo(next);
            List<Act> acts = schedule.at(next.micros());
            machine = acts.isEmpty() ? machine : machine.apply(acts);
            machine.settle();
        }
    }

    /** Worlds follow one scenario thousands of times, with each of the faults. */
    private Schedule scheduleOf(Scenario scenario) {
        Followed last = followed;
        if (last == null || !last.scenario().equals(scenario)) {
            last = new Followed(scenario, Schedule.of(scenario));
            followed = last;
        }
        return last.schedule();
    }

    /** The instants at which a scenario has hands act or the weather change, after one and up to another. */
    public static Collection<Long> acts(Scenario scenario, long after, long until) {
        return Schedule.of(scenario)
                .acts()
                .subMap(after, false, Math.max(after, until), true)
                .keySet();
    }

    /** The first instant at which something else happens in two scenarios, or {@link Long#MAX_VALUE}. */
    public static long firstDifference(Scenario one, Scenario other) {
        return Schedule.of(one).firstDifference(Schedule.of(other));
    }

    /** The configuration after the next instant at which a part moves by itself; empty where none ever does. */
    public Optional<Configuration> next(Configuration from) {
        Machine machine = from.variant.borrow();
        machine.load(from);
        Instant wake = machine.nextWake();
        if (wake.isNever()) {
            machine.done();
            return Optional.empty();
        }
        machine.passTo(wake);
        machine.settle();
        return Optional.of(machine.done());
    }
}
