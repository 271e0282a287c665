package org.jagridge.core.circuit;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * A named defect: where it sits, what it touches, how it is called after a renaming, and what it does. What it does is
 * one of three: it makes another circuit ({@link Rewiring}), it takes hold of branches ({@link #holds}), or it is left
 * to the part's own behaviour.
 */
public sealed interface Defect permits WiringDefect, PartDefect, Defect.Rewiring {
    FaultKind kind();

    /** Where it sits, by the keys of {@link FaultKind#details()}, as the file has it. */
    Map<String, Object> details();

    /** The ids of the parts and wires that it is about. */
    Set<String> touches();

    /** The same defect in a circuit whose things have other ids. */
    Defect renamed(Rename names);

    /** What it does to branches. */
    default List<Hold> holds() {
        return List.of();
    }

    /** The part it sits in, or null for a defect of the wiring. */
    default String part() {
        return null;
    }

    /** The one wire it sits in, or null. */
    default String wire() {
        return null;
    }

    /** The defect in words, like "coil open K1". */
    default String words() {
        StringBuilder words = new StringBuilder(kind().word().replace('-', ' '));
        details().forEach((key, value) -> {
            if (value instanceof List<?> list) {
                words.append(' ')
                        .append(String.join(
                                " to ", list.stream().map(Object::toString).toList()));
            } else {
                words.append(' ')
                        .append(value instanceof Double d && d == Math.rint(d) ? (Object) d.longValue() : value);
                words.append(key.equals("ohms") ? " Ω" : "");
            }
        });
        return words.toString();
    }

    /** A defect that makes another circuit. */
    non-sealed interface Rewiring extends Defect {
        /**
         * @param circuit as it was before any defect
         * @param b the circuit that the defects make of it
         * @param fittings makes what hands put in
         */
        void rewire(Circuit circuit, Circuit.Builder b, Fittings fittings);

        default Turn turn() {
            return Turn.FAULTS;
        }
    }

    /** In which order defects make another circuit of one. */
    enum Turn {
        FAULTS,
        /** Hands take off what faults have put where it is. */
        HANDS,
        /** A jumper is clipped to where hands have left an end. */
        CLIPS
    }

    /** Details in the order in which they are given, without those that are null. */
    static Map<String, Object> ordered(Object... keysAndValues) {
        Map<String, Object> map = new LinkedHashMap<>();
        for (int i = 0; i < keysAndValues.length; i += 2) {
            if (keysAndValues[i + 1] != null) {
                map.put((String) keysAndValues[i], keysAndValues[i + 1]);
            }
        }
        return map;
    }
}
