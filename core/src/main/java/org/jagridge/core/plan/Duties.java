package org.jagridge.core.plan;

import java.util.Arrays;
import java.util.Collection;
import java.util.EnumSet;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.run.Frame;

/** By what one sees which duties are done in a state. */
final class Duties {
    private final Kit kit;
    private final Assembly assembly;

    Duties(Kit kit, Assembly assembly) {
        this.kit = kit;
        this.assembly = assembly;
    }

    Set<Duty> needAir() {
        return kit.needsAir();
    }

    /** What is done in a state. */
    Set<Duty> done(Frame frame) {
        Map<String, String> signals = frame.signals();
        Set<Duty> done = EnumSet.noneOf(Duty.class);
        kit.duties().forEach((duty, atoms) -> {
            if (atoms.stream().anyMatch(a -> holds(a, signals))) {
                done.add(duty);
            }
        });
        return done;
    }

    private boolean holds(String atoms, Map<String, String> signals) {
        return Arrays.stream(atoms.split(" & ", -1)).allMatch(atom -> {
            int equals = atom.indexOf('=');
            if (equals > 0) {
                return atom.substring(equals + 1).equals(signals.get(atom.substring(0, equals)));
            }
            String value = signals.get(atom);
            return value != null && assembly.member(atom).orElseThrow().signal().isAtWork(value);
        });
    }

    /** The first thing that is wrong with what runs; null where it is as it must be. */
    static String difference(Set<Duty> wanted, Set<Duty> runs) {
        Set<Duty> more = EnumSet.noneOf(Duty.class);
        more.addAll(runs);
        more.removeAll(wanted);
        if (!more.isEmpty()) {
            return titles(more) + (more.size() == 1 ? " runs and must not" : " run and must not");
        }
        Set<Duty> less = EnumSet.noneOf(Duty.class);
        less.addAll(wanted);
        less.removeAll(runs);
        return less.isEmpty() ? null : titles(less) + (less.size() == 1 ? " doesn't come" : " don't come");
    }

    static String titles(Collection<Duty> duties) {
        return duties.stream().map(Duty::title).collect(Collectors.joining(" and "));
    }
}
