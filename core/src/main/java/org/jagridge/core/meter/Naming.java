package org.jagridge.core.meter;

import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.FaultKind;
import org.jagridge.core.circuit.PartDefect;
import org.jagridge.core.circuit.WiringDefect;
import org.jagridge.core.world.World;

/** Which faults would explain what was seen: up to three by name, more of them counted by what they sit in. */
final class Naming {
    private static final int MOST_NAMED = 3;

    private Naming() {}

    /** A sentence, or nothing where the sound circuit is among the worlds. */
    static String faults(List<World> fitting) {
        if (fitting.isEmpty() || fitting.stream().anyMatch(World::isSound)) {
            return "";
        }
        Map<Fault, String> names = new LinkedHashMap<>();
        Map<String, Set<String>> places = new LinkedHashMap<>();
        for (World w : fitting) {
            for (Fault f : w.faults()) {
                names.putIfAbsent(Fit.isPoorJoint(f) ? Fit.with(f, 1) : f, name(f));
                places.computeIfAbsent(place(f), k -> new LinkedHashSet<>())
                        .add(f.part() != null ? f.part() : f.wire() != null ? f.wire() : f.words());
            }
        }
        if (names.size() == 1) {
            return " Of the single faults tried only one explains it: "
                    + names.values().iterator().next() + ".";
        }
        if (names.size() <= MOST_NAMED) {
            return " It is one of: " + String.join("; ", names.values()) + " (of the single faults tried).";
        }
        return " " + names.size() + " of the single faults tried would explain it, in "
                + places.entrySet().stream()
                        .map(e -> counted(e.getKey(), e.getValue()))
                        .collect(Collectors.joining(", "))
                + ".";
    }

    /** "w9 with a poor joint of about 24 Ω", "coil open K1". */
    static String name(Fault f) {
        if (f.defect() instanceof WiringDefect.WireResistive r) {
            return r.wire() + " with a poor joint of about " + Math.round(r.ohms()) + " Ω";
        }
        if (f.defect() instanceof PartDefect.ContactResistive r) {
            return r.part() + " " + r.contact() + " worn, about " + Math.round(r.ohms()) + " Ω";
        }
        return f.kind() == FaultKind.WIRE_OPEN
                ? f.wire() + " open"
                : f.kind() == FaultKind.WIRE_EARTHED ? f.wire() + " touching earth" : f.words();
    }

    private static String place(Fault f) {
        return f.part() != null ? "part" : f.wire() != null ? "wire" : "pair of wires";
    }

    private static String counted(String what, Set<String> which) {
        if (which.size() <= MOST_NAMED && !what.startsWith("pair")) {
            return String.join(", ", which);
        }
        return which.size() + " " + (which.size() == 1 ? what : what.replaceFirst("(part|wire|pair)", "$1s"));
    }
}
