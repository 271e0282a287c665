package org.jagridge.core.prove;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import org.jagridge.core.circuit.Input;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.prove.FaultVerdict.Kind;

/**
 * What can be seen to be otherwise with a fault, at rest: compared setting by setting with what the sound circuit can
 * show there.
 *
 * @param kind {@link Kind#COLD}, {@link Kind#SHOWS} or {@link Kind#HIDDEN}
 * @param when a setting in which it is, or null
 */
record Differences(Kind kind, Map<Input, Object> when) {
    /**
     * @param duties parts that are to work where they work in the sound circuit
     * @param frees switches that stand for contacts let free; where they aren't the same ones, only what is seen with all
     *     of them closed is compared
     */
    static Differences between(StateSearch sound, StateSearch faulty, Set<String> duties, Set<String> frees) {
        Set<Input> common = new LinkedHashSet<>(inputs(sound));
        common.retainAll(inputs(faulty));
        boolean alike = common.size() == inputs(sound).size()
                && common.size() == inputs(faulty).size();
        Map<Map<Input, Object>, Set<StateSearch.Look>> usual = alike
                ? sound.looks()
                : sound.looks().entrySet().stream()
                        .filter(e -> isClosed(frees, e.getKey()))
                        .collect(Collectors.groupingBy(
                                e -> only(common, e.getKey()),
                                Collectors.flatMapping(e -> e.getValue().stream(), Collectors.toSet())));
        Map<Input, Object> shows = null;
        for (Map.Entry<Map<Input, Object>, Set<StateSearch.Look>> e :
                faulty.looks().entrySet()) {
            Set<StateSearch.Look> known = usual.getOrDefault(alike ? e.getKey() : only(common, e.getKey()), Set.of());
            if (known.isEmpty()
                    || (!alike && !isClosed(frees, e.getKey()))
                    || hasOthers(faulty.hands().unusual(e.getKey()), common, frees)) {
                continue;
            }
            for (StateSearch.Look look : e.getValue()) {
                if (known.stream().anyMatch(k -> same(sound, k, faulty, look))) {
                    continue;
                }
                for (String d : duties) {
                    if (!works(faulty, look, d) && known.stream().allMatch(k -> works(sound, k, d))) {
                        return new Differences(Kind.COLD, faulty.hands().unusual(e.getKey()));
                    }
                }
                shows = shows == null ? faulty.hands().unusual(e.getKey()) : shows;
            }
        }
        return new Differences(shows == null ? Kind.HIDDEN : Kind.SHOWS, shows);
    }

    private static boolean isClosed(Set<String> frees, Map<Input, Object> setting) {
        return setting.entrySet().stream()
                .allMatch(e -> !frees.contains(e.getKey().part()) || Boolean.TRUE.equals(e.getValue()));
    }

    /** Whether something stands otherwise than at the beginning that the sound circuit has no dial for. */
    private static boolean hasOthers(Map<Input, Object> unusual, Set<Input> common, Set<String> frees) {
        return unusual.keySet().stream().anyMatch(i -> !common.contains(i) && !frees.contains(i.part()));
    }

    private static Set<Input> inputs(StateSearch s) {
        return s.hands().dials().stream()
                .filter(d -> !d.pushed())
                .map(Hands.Dial::input)
                .collect(Collectors.toCollection(LinkedHashSet::new));
    }

    private static Map<Input, Object> only(Set<Input> common, Map<Input, Object> setting) {
        return setting.entrySet().stream()
                .filter(e -> common.contains(e.getKey()))
                .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue));
    }

    /** Whether what both show is the same. */
    private static boolean same(StateSearch sound, StateSearch.Look a, StateSearch faulty, StateSearch.Look b) {
        List<Assembly.Member> seen = faulty.seen();
        for (int i = 0; i < seen.size(); i++) {
            int there = index(sound, seen.get(i).part().id());
            if (there >= 0
                    && !Objects.equals(a.signals().get(there), b.signals().get(i))) {
                return false;
            }
        }
        return true;
    }

    private static int index(StateSearch s, String part) {
        for (int i = 0; i < s.seen().size(); i++) {
            if (s.seen().get(i).part().id().equals(part)) {
                return i;
            }
        }
        return -1;
    }

    private static boolean works(StateSearch s, StateSearch.Look look, String part) {
        int i = index(s, part);
        return i < 0 || s.seen().get(i).signal().isAtWork(look.signals().get(i));
    }
}
