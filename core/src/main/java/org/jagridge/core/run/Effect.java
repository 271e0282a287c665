package org.jagridge.core.run;

import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.part.PartTypes;
import org.jagridge.core.part.Trait;

/**
 * What a heat pump does to the room: it follows from whether its compressor runs and how its reversing valve stands,
 * whatever was called for.
 */
public final class Effect {
    /** What the heat pump does. */
    public enum Air {
        NOTHING,
        HEATS,
        COOLS;

        public String words() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    private final List<String> compressors;
    private final String valve;
    private final boolean coolsEnergised;

    private Effect(List<String> compressors, Part valve) {
        this.compressors = compressors;
        this.valve = valve.id();
        Params params = new Params(PartTypes.catalogue().require(valve).params(), valve.params());
        coolsEnergised = params.is("energised", "cools");
    }

    /** The heat pump of a circuit; empty where it has no compressor or not exactly one reversing valve. */
    public static Optional<Effect> of(Circuit circuit) {
        List<String> compressors = circuit.parts().stream()
                .filter(p -> p.fitted() && PartTypes.is(p, Trait.COMPRESSOR))
                .map(Part::id)
                .toList();
        List<Part> valves = circuit.parts().stream()
                .filter(p -> p.fitted() && PartTypes.is(p, Trait.REVERSING_VALVE))
                .toList();
        return compressors.isEmpty() || valves.size() != 1
                ? Optional.empty()
                : Optional.of(new Effect(compressors, valves.get(0)));
    }

    /** What it does in one state. */
    public Air in(Frame frame) {
        Map<String, String> signals = frame.signals();
        if (compressors.stream().noneMatch(c -> "running".equals(signals.get(c)))) {
            return Air.NOTHING;
        }
        return "on".equals(signals.get(valve)) == coolsEnergised ? Air.COOLS : Air.HEATS;
    }

    /** What it did for the longer part of the time it ran. */
    public Air mostly(Run run) {
        Map<Air, Long> lasted = new EnumMap<>(Air.class);
        List<Frame> frames = run.frames();
        for (int i = 0; i < frames.size(); i++) {
            long end = i + 1 < frames.size() ? frames.get(i + 1).micros() : run.until();
            lasted.merge(in(frames.get(i)), end - frames.get(i).micros(), Long::sum);
        }
        long heats = lasted.getOrDefault(Air.HEATS, 0L);
        long cools = lasted.getOrDefault(Air.COOLS, 0L);
        return heats == 0 && cools == 0 ? Air.NOTHING : heats >= cools ? Air.HEATS : Air.COOLS;
    }
}
