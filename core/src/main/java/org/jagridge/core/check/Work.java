package org.jagridge.core.check;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Predicate;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Trait;
import org.jagridge.core.run.Effect;
import org.jagridge.core.run.Frame;

/** What the machines of a circuit do in one state: who heats, who compresses, who moves air. */
final class Work {
    private final Assembly assembly;
    private final Optional<Effect> heatPump;

    Work(Assembly assembly) {
        this.assembly = assembly;
        heatPump = Effect.of(assembly.circuit());
    }

    boolean has(Trait trait) {
        return assembly.members().stream().anyMatch(m -> m.part().fitted() && m.is(trait));
    }

    /** Parts that make heat, a heat pump's compressor among them while it heats. */
    Set<String> heats(Frame f) {
        Set<String> heats = which(f, m -> m.type().makesHeat(m.params(), signal(f, m)));
        if (heatPump.isPresent() && heatPump.get().in(f) == Effect.Air.HEATS) {
            heats.addAll(compressors(f));
        }
        return heats;
    }

    /** Parts that make heat by themselves, whatever a heat pump does. */
    Set<String> burns(Frame f) {
        return which(f, m -> m.type().makesHeat(m.params(), signal(f, m)));
    }

    /** Compressors that run and don't heat. */
    Set<String> cools(Frame f) {
        return heatPump.isPresent() && heatPump.get().in(f) == Effect.Air.HEATS ? Set.of() : compressors(f);
    }

    Set<String> compressors(Frame f) {
        return which(f, m -> m.is(Trait.COMPRESSOR) && signal(f, m).equals("running"));
    }

    Set<String> movesAir(Frame f) {
        return which(
                f,
                m -> (m.is(Trait.AIR_MOVER) || m.is(Trait.PERHAPS_AIR_MOVER))
                        && m.signal().isAtWork(signal(f, m)));
    }

    /** All that does the work that people want: heat, cold and air. */
    Set<String> all(Frame f) {
        Set<String> all = heats(f);
        all.addAll(compressors(f));
        all.addAll(movesAir(f));
        return all;
    }

    /** Everything that is at work and wasn't before, the control itself aside. */
    Set<String> begun(Frame before, Frame now, String control) {
        return which(
                now,
                m -> !m.part().id().equals(control)
                        && m.signal().isThere()
                        && !signal(now, m).equals(signal(before, m)));
    }

    static String listed(Set<String> parts) {
        return String.join(", ", List.copyOf(parts));
    }

    private static String signal(Frame f, Assembly.Member m) {
        return f.signals().getOrDefault(m.part().id(), "");
    }

    private Set<String> which(Frame f, Predicate<Assembly.Member> is) {
        Set<String> parts = new TreeSet<>();
        assembly.members().stream()
                .filter(m ->
                        m.part().fitted() && f.signals().containsKey(m.part().id()))
                .filter(is)
                .forEach(m -> parts.add(m.part().id()));
        return parts;
    }
}
