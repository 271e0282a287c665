package org.jagridge.core.world;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.BooleanSupplier;
import java.util.function.Supplier;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.jagridge.core.budget.Parallel;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.network.Values;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.run.Act;
import org.jagridge.core.run.Configuration;
import org.jagridge.core.run.Engine;
import org.jagridge.core.run.FaultList;
import org.jagridge.core.run.RunLimitException;

/**
 * All states in which a circuit may be at one moment for somebody who knows its diagram and what hands have done, and has
 * measured nothing yet: as it should be, and with each single fault that its parts and wires can have, there from the
 * start, or since just before any of the acts of hands, or since this moment. (A latched relay or a lockout remembers in
 * which of them it was.) What is said of a reading has to hold in every one of them that fits it.
 */
public final class Worlds {
    /** By when a fault began, so many of its states are followed; nearly all come together soon, a few (of what keeps warm) don't. */
    private static final int MOST_BEGINNINGS = 12;

    private final Assembly assembly;
    private final Engine engine;
    private final Scenario known;
    private final long micros;
    private final Configuration sound;
    /** The last instant before that, from which worlds of a later one go on: what hands then do at this one is still ahead. */
    private final long before;

    private final Configuration soundBefore;
    /** With each of the possible faults, by when it began; empty where such a circuit never comes to rest. */
    private final List<List<Configuration>> faultyBefore;

    private final List<World> all;
    private final Map<Fault, Optional<World>> since = new ConcurrentHashMap<>();

    private record Possible(List<Fault> faults) {
        static Possible of(Assembly assembly) {
            return new Possible(FaultList.faultsOf(assembly.circuit()));
        }
    }

    /**
     * What tells two states apart for eyes and leads.
     *
     * @param rewiring the faults by which it is another circuit
     */
    private record Look(List<Fault> rewiring, Values ac, Values dc, Map<String, String> signals) {
        static Look of(Configuration c) {
            return new Look(
                    c.faults().stream().filter(FaultList::rewires).toList(),
                    c.frame().ac().values(),
                    c.frame().dc() == null ? null : c.frame().dc().values(),
                    c.frame().signals());
        }
    }

    private Worlds(Assembly assembly, Scenario known, long micros, Worlds earlier, BooleanSupplier unwanted) {
        this.assembly = assembly;
        this.known = known;
        this.micros = micros;
        before = Math.max(0, micros - 1);
        engine = Engine.of(assembly);
        List<Fault> possible = possible();
        boolean goesOn = earlier != null
                && earlier.assembly == assembly
                && earlier.before <= before
                && Engine.firstDifference(earlier.known, known) > earlier.before;
        Configuration from = goesOn ? earlier.soundBefore : engine.follow(known, List.of(), 0);
        List<Configuration> sounds = new ArrayList<>();
        Configuration last = from;
        for (long act : Engine.acts(known, from.micros(), micros)) {
            last = engine.follow(last, known, act - 1);
            sounds.add(last);
        }
        soundBefore = engine.follow(last, known, before);
        sound = engine.follow(soundBefore, known, micros);
        List<Configuration> soundsBefore =
                sounds.stream().filter(s -> s.micros() < before).toList();
        List<Configuration> soundsSince = sounds.subList(soundsBefore.size(), sounds.size());
        List<Faulty> faulty =
                Parallel.map(IntStream.range(0, possible.size()).boxed().toList(), i -> {
                    if (unwanted.getAsBoolean()) {
                        throw new CancellationException();
                    }
                    Fault fault = possible.get(i);
                    List<Configuration> earlierOn = goesOn
                            ? earlier.faultyBefore.get(i)
                            : atRest(() -> engine.follow(known, List.of(fault), 0)).stream()
                                    .toList();
                    List<Configuration> then = followed(earlierOn, soundsBefore, fault, before);
                    List<Configuration> now = new ArrayList<>(followed(then, soundsSince, fault, micros));
                    atRest(() -> begun(sound, fault)).ifPresent(now::add);
                    return new Faulty(then, now);
                });
        faultyBefore = faulty.stream().map(Faulty::before).toList();
        all = states(possible, faulty);
    }

    /** What comes of a fault, by when it began: at the last instant, and now. */
    private record Faulty(List<Configuration> before, List<Configuration> now) {}

    /**
     * Where a circuit with a fault stands at an instant.
     *
     * @param from where it stands by when the fault began, which goes on
     * @param sounds the sound circuit, wherever it begins besides
     */
    private List<Configuration> followed(
            List<Configuration> from, List<Configuration> sounds, Fault fault, long until) {
        List<Configuration> all = from;
        for (Configuration s : sounds) {
            List<Configuration> then = new ArrayList<>(onTo(all, s.micros()));
            atRest(() -> begun(s, fault)).ifPresent(c -> addDistinct(then, c));
            if (then.size() > MOST_BEGINNINGS) {
                // the first is from the start
                then.remove(1);
            }
            all = then;
        }
        return onTo(all, until);
    }

    private List<Configuration> onTo(List<Configuration> from, long until) {
        List<Configuration> distinct = new ArrayList<>();
        from.forEach(c -> atRest(() -> engine.follow(c, known, until)).ifPresent(then -> addDistinct(distinct, then)));
        return distinct;
    }

    private static void addDistinct(List<Configuration> distinct, Configuration c) {
        if (!distinct.contains(c)) {
            distinct.add(c);
        }
    }

    private Configuration begun(Configuration sound, Fault fault) {
        return engine.advance(sound, new Act.Begin(fault));
    }

    /** The sound circuit first, then one world of each state that faults make. */
    private List<World> states(List<Fault> possible, List<Faulty> faulty) {
        Map<Look, Configuration> states = new LinkedHashMap<>();
        Map<Look, List<Fault>> faults = new HashMap<>();
        Look own = Look.of(sound);
        for (int i = 0; i < possible.size(); i++) {
            Fault fault = possible.get(i);
            for (Configuration c : faulty.get(i).now()) {
                Look look = Look.of(c);
                states.putIfAbsent(look, c);
                List<Fault> such = faults.computeIfAbsent(look, l -> new ArrayList<>());
                if (!such.contains(fault)) {
                    such.add(fault);
                }
            }
        }
        return Stream.concat(
                        Stream.of(new World(sound, List.of())),
                        states.entrySet().stream()
                                .filter(e -> !e.getKey().equals(own))
                                .map(e -> new World(e.getValue(), faults.get(e.getKey()))))
                .toList();
    }

    private static Optional<Configuration> atRest(Supplier<Configuration> course) {
        try {
            return Optional.of(course.get());
        } catch (RunLimitException e) {
            // a circuit that never comes to rest shows no steady reading
            return Optional.empty();
        }
    }

    /**
     * The worlds at an instant of a scenario.
     *
     * @param known what hands did and what is known to be wrong; hidden faults are left out of it
     * @throws RunLimitException where even the circuit without a fault goes over the limits of a run
     */
    public static Worlds at(Assembly assembly, Scenario known, long micros) {
        return new Worlds(assembly, known, micros, null, () -> false);
    }

    /**
     * The same, found sooner from those of an earlier instant where what happened before it was the same.
     *
     * @param unwanted whether nobody waits for them any more
     * @throws CancellationException where that comes true on the way
     */
    public static Worlds at(Assembly assembly, Scenario known, long micros, Worlds earlier, BooleanSupplier unwanted) {
        return new Worlds(assembly, known, micros, earlier, unwanted);
    }

    /** Whether they are those of an instant after what is known. */
    public boolean areOf(Assembly of, Scenario what, long when) {
        return of == assembly && when == micros && Engine.firstDifference(known, what) > micros;
    }

    /** The faults that nobody may know of. */
    public List<Fault> possible() {
        return assembly.kept(Possible.class, Possible::of).faults();
    }

    /** The world with a fault that begins at this moment, kept for the next who asks; empty where it never rests. */
    public Optional<World> keptSince(Fault fault) {
        return since.computeIfAbsent(fault, this::since);
    }

    /** The world with a fault that begins at this moment; empty where it never comes to rest. */
    public Optional<World> since(Fault fault) {
        return atRest(() -> begun(sound, fault)).map(made -> new World(made, List.of(fault)));
    }

    public Assembly assembly() {
        return assembly;
    }

    /** The sound circuit first, then one of each state that a fault makes. */
    public List<World> all() {
        return all;
    }

    public World sound() {
        return all.get(0);
    }

    /** What they take in memory, roughly: of the values that they were solved from, most are there once only. */
    public int kilobytes() {
        int nodes = assembly.nodeCount();
        int branches = assembly.branches().size();
        int kept = faultyBefore.stream().mapToInt(List::size).sum();
        return (int) ((all.size() + kept) * (16L * nodes + 24L * branches) / 1024);
    }
}
