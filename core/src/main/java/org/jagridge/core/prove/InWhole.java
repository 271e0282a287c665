package org.jagridge.core.prove;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.Input;
import org.jagridge.core.circuit.Rule;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.prove.FaultVerdict.Kind;
import org.jagridge.core.run.Configuration;

/** From a slice to the whole circuit: does there what was found in a part of it, before anything is said. */
final class InWhole {
    private static final int MODULE_STEPS = 5_000;

    private final Subject whole;
    private final Cone.Trunk trunk;
    private final Limits limits;
    private final Configuration start;
    private final Map<String, Map<Input, Object>> ways = new ConcurrentHashMap<>();

    InWhole(Subject whole, Cone.Trunk trunk, Limits limits) {
        this.whole = whole;
        this.trunk = trunk;
        this.limits = limits;
        start = whole.engine.start(Map.of(), List.of());
    }

    /** What the things of one slice are called in another that is alike. */
    static Map<String, String> names(Slice from, Slice to) {
        Map<String, String> names = new HashMap<>();
        for (int i = 0; i < Math.min(from.order.size(), to.order.size()); i++) {
            names.put(from.order.get(i), to.order.get(i));
        }
        return names;
    }

    /** What breaks a rule in a slice, done in the whole circuit; null where that doesn't break it. */
    Counterexample broken(
            Slice mine, Slice searched, List<Replay.Deed> deeds, Rule rule, List<Fault> faults, Fault begins) {
        Map<String, String> names = names(searched, mine);
        Map<String, List<Slice.Free>> frees = new HashMap<>();
        searched.frees
                .keySet()
                .forEach(id ->
                        frees.put(id, mine.frees.getOrDefault(names.getOrDefault(id, id), searched.frees.get(id))));
        Map<Input, Object> first = new LinkedHashMap<>();
        frees.values()
                .forEach(list -> list.forEach(f -> {
                    if (!conducts(start, whole.assembly, f.contact())) {
                        first.putAll(way(f, true));
                    }
                }));
        List<Replay.Deed> real = new ArrayList<>();
        if (!first.isEmpty()) {
            real.add(new Replay.Deed(Replay.Deed.AT_REST, first, List.of()));
        }
        for (Replay.Deed d : deeds) {
            Map<Input, Object> sets = new LinkedHashMap<>();
            d.sets().forEach((input, value) -> {
                List<Slice.Free> free = frees.get(input.part());
                if (free == null) {
                    sets.put(new Input(names.getOrDefault(input.part(), input.part()), input.name()), value);
                } else if (Boolean.TRUE.equals(value)) {
                    free.forEach(f -> sets.putAll(way(f, true)));
                } else {
                    sets.putAll(way(free.get(0), false));
                }
            });
            real.add(new Replay.Deed(d.after(), sets, d.begins().isEmpty() ? List.of() : List.of(begins)));
        }
        return Replay.shortest(whole.engine, whole.assembly, rule, faults, real);
    }

    /**
     * What a fault does where its slice doesn't tell, as with a short of the supply: in the whole circuit, with everything
     * calling, each single change of the parts that the claim names.
     */
    FaultVerdict tried(Slice slice, Set<String> duties, List<String> parts, Rule rule, Fault fault) {
        Map<Input, Object> sets = new LinkedHashMap<>();
        slice.frees.values().forEach(list -> list.forEach(f -> sets.putAll(way(f, true))));
        Replay.Deed call = new Replay.Deed(Replay.Deed.AT_REST, sets, List.of());
        for (Hands.Dial d : whole.hands.dials()) {
            for (Object value : parts.contains(d.input().part()) ? d.values() : List.of()) {
                Replay.Deed act = new Replay.Deed(Replay.Deed.AT_REST, Map.of(d.input(), value), List.of());
                Counterexample how =
                        Replay.shortest(whole.engine, whole.assembly, rule, List.of(fault), List.of(call, act));
                if (how != null) {
                    return new FaultVerdict(fault, Kind.HOT, how, null, List.of());
                }
            }
        }
        Configuration usual = Replay.end(whole.engine, List.of(), call);
        Configuration now = Replay.end(whole.engine, List.of(fault), call);
        boolean cold = whole.seen.stream()
                .filter(m -> duties.contains(m.part().id()))
                .anyMatch(
                        m -> m.signal().isAtWork(usual.signal(m)) && !m.signal().isAtWork(signal(now, m)));
        return new FaultVerdict(fault, cold ? Kind.COLD : Kind.OPEN, null, cold ? Prover.named(sets) : null, List.of());
    }

    private static String signal(Configuration c, Assembly.Member m) {
        return c.frame().signals().get(m.part().id());
    }

    private static boolean conducts(Configuration at, Assembly assembly, Branch contact) {
        return assembly.branchesOf(contact.owner()).stream()
                .filter(b -> b.label().equals(contact.label()))
                .anyMatch(b -> at.frame().conducts(b));
    }

    /** What hands set so that a contact closes or opens; empty where nothing was found. */
    private Map<Input, Object> way(Slice.Free free, boolean closed) {
        return ways.computeIfAbsent(free.contact().title() + closed, k -> {
            Cone cone = Cone.whatMoves(trunk, free.part());
            Circuit module = new Slice(whole.assembly, cone, Set.of()).circuit;
            Subject subject = new Subject(module, List.of(SliceProver.looksAt(free.part())));
            StateSearch s =
                    subject.search(limits.with(1, MODULE_STEPS)).from(List.of()).search();
            return s.atRest().stream()
                    .filter(c -> conducts(c, subject.assembly, free.contact()) == closed)
                    .findFirst()
                    .map(c -> own(subject.hands.setting(c), cone))
                    .orElse(Map.of());
        });
    }

    private static Map<Input, Object> own(Map<Input, Object> setting, Cone cone) {
        Map<Input, Object> own = new LinkedHashMap<>();
        setting.forEach((input, value) -> {
            if (!cone.feeding.contains(input.part())) {
                own.put(input, value);
            }
        });
        return own;
    }
}
