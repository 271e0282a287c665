package org.jagridge.core.edit;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jagridge.core.circuit.Cable;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Place;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.circuit.Wire;

/** What is different between two circuits, thing by thing, in words. */
public final class CircuitDiff {
    /** What happened to a thing. */
    public enum Kind {
        ADDED,
        REMOVED,
        CHANGED
    }

    /**
     * One difference.
     *
     * @param id the id of the place, part, cable or wire, or empty for the circuit itself
     */
    public record Line(Kind kind, String id, String words) {}

    private final List<Line> lines = new ArrayList<>();

    private CircuitDiff() {}

    /** The differences in the order of a file: circuit, places, parts, cables, wires, the rest. */
    public static List<Line> between(Circuit before, Circuit after) {
        CircuitDiff d = new CircuitDiff();
        d.value("", "name", before.name(), after.name());
        d.value("", "notes", before.notes(), after.notes());
        d.each(before.places(), after.places(), Place::id, p -> "place " + p.id() + ", " + p.name(), CircuitDiff::of);
        d.each(before.parts(), after.parts(), Part::id, p -> p.type() + " " + p.id(), CircuitDiff::of);
        d.each(before.cables(), after.cables(), Cable::id, k -> "cable " + k.id(), CircuitDiff::of);
        d.each(before.wires(), after.wires(), Wire::id, w -> wire(w, after), CircuitDiff::of);
        d.each(before.scenarios(), after.scenarios(), Scenario::name, s -> "scenario " + s.name(), CircuitDiff::of);
        if (!before.rules().equals(after.rules())) {
            d.lines.add(new Line(Kind.CHANGED, "", "the rules"));
        }
        if (!before.arrangement().equals(after.arrangement())) {
            d.lines.add(new Line(Kind.CHANGED, "", "how the drawing is arranged"));
        }
        return List.copyOf(d.lines);
    }

    private static String wire(Wire w, Circuit c) {
        String colour = c.colourOf(w);
        return "wire " + w.id() + ", " + w.from() + " to " + w.to() + (colour == null ? "" : ", " + colour);
    }

    private <T> void each(
            List<T> before,
            List<T> after,
            Function<T, String> id,
            Function<T, String> words,
            Function<T, Map<String, Object>> properties) {
        Map<String, T> was = new LinkedHashMap<>();
        before.forEach(t -> was.put(id.apply(t), t));
        for (T now : after) {
            T old = was.remove(id.apply(now));
            if (old == null) {
                lines.add(new Line(Kind.ADDED, id.apply(now), words.apply(now)));
            } else if (!old.equals(now)) {
                Map<String, Object> then = properties.apply(old);
                Map<String, Object> since = properties.apply(now);
                Set<String> keys = new LinkedHashSet<>(since.keySet());
                keys.addAll(then.keySet());
                keys.forEach(key -> value(id.apply(now), key, then.get(key), since.get(key)));
            }
        }
        was.values().forEach(t -> lines.add(new Line(Kind.REMOVED, id.apply(t), words.apply(t))));
    }

    private void value(String id, String key, Object before, Object after) {
        if (Objects.equals(before, after)) {
            return;
        }
        String words = (id.isEmpty() ? "" : id + ": ") + key + " was " + show(before) + ", now " + show(after);
        lines.add(new Line(Kind.CHANGED, id, words));
    }

    private static String show(Object value) {
        return value == null || value.equals("") ? "nothing" : String.valueOf(value);
    }

    private static Map<String, Object> of(Place p) {
        Map<String, Object> m = new LinkedHashMap<>();
        m.put("name", p.name());
        m.put("access", p.access().word());
        return m;
    }

    private static Map<String, Object> of(Part p) {
        Map<String, Object> m = new LinkedHashMap<>();
        m.put("type", p.type());
        m.put("place", p.place());
        m.put("name", p.name());
        p.params().forEach((key, value) -> m.put(key, PartText.value(value)));
        m.put("fitted", p.fitted() ? "yes" : "no");
        m.put("when not fitted", p.whenNotFitted().name().toLowerCase(Locale.ROOT));
        m.put("labels", p.labels());
        return m;
    }

    private static Map<String, Object> of(Scenario s) {
        Sentences told = Sentences.of(s);
        Map<String, Object> m = new LinkedHashMap<>();
        m.put(
                "what is set",
                told.acts().stream()
                        .map(a -> "at " + a.at() + " " + a.what() + " is " + a.value())
                        .collect(Collectors.joining(", ")));
        m.put(
                "faults",
                told.defects().stream()
                        .map(f -> f.fault() + " from " + f.from() + " to " + f.to())
                        .collect(Collectors.joining(", ")));
        m.put("watched until", told.until());
        return m;
    }

    private static Map<String, Object> of(Cable k) {
        Map<String, Object> m = new LinkedHashMap<>();
        m.put("from", k.from());
        m.put("to", k.to());
        m.put("length", k.lengthMetres() == null ? null : k.lengthMetres() + " m");
        m.put("size", k.size() == null ? null : k.size().word());
        m.put("cores", String.join(", ", k.cores()));
        return m;
    }

    private static Map<String, Object> of(Wire w) {
        Map<String, Object> m = new LinkedHashMap<>();
        m.put("from", w.from());
        m.put("to", w.to());
        m.put("colour", w.colour());
        m.put("size", w.size() == null ? null : w.size().word());
        m.put("length", w.lengthMetres() == null ? null : w.lengthMetres() + " m");
        m.put("run", w.run().name().toLowerCase(Locale.ROOT));
        m.put("cable", w.cable());
        m.put("core", w.core());
        m.put("colour at the ends", String.join(" / ", w.colourAtEnds()));
        return m;
    }
}
