package org.jagridge.web.bench;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Place;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Numbers;
import org.jagridge.core.trace.Narrator;
import org.jagridge.web.circuits.CircuitStore.Drawn;

/**
 * The strip of hand controls: every input of every part, by place, always in the same order. Where each stands is laid
 * over them by the page's script.
 */
record HandsView(List<Group> groups) {

    /** Choices with more letters than this become a list, since they don't fit beside each other. */
    private static final int LETTERS_ABREAST = 17;

    /** What one does to a part to find out, rather than to use it: not worth a key. */
    private static final Set<String> BY_HAND = Set.of("pulled", "pressed");

    /** A place. */
    record Group(String title, List<PartHands> parts) {}

    /**
     * A part with its controls.
     *
     * @param single whether it has just one, which then stands on the part's line
     */
    record PartHands(String id, String title, List<Control> controls, boolean single) {}

    /**
     * One control.
     *
     * @param digit the digit key that throws it, or empty
     */
    record Control(
            String key,
            String label,
            String kind,
            List<String> choices,
            String min,
            String max,
            String step,
            String unit,
            String digit) {
        /** What a push does, as its button says. */
        public String does() {
            return key.endsWith(".replaced") ? "replace" : key.endsWith(".reset") ? "reset" : "press";
        }
    }

    static HandsView of(Drawn drawn) {
        Circuit circuit = drawn.circuit();
        List<Group> groups = new ArrayList<>();
        int digit = 1;
        for (Place place : circuit.places()) {
            List<PartHands> parts = new ArrayList<>();
            for (Assembly.Member m : drawn.assembly().members()) {
                if (!m.part().place().equals(place.id()) || m.inputs().isEmpty()) {
                    continue;
                }
                List<Control> controls = new ArrayList<>();
                for (Field f : m.inputs()) {
                    boolean throwable = f.kind() == Field.Kind.FLAG && !BY_HAND.contains(f.name()) && digit <= 9;
                    controls.add(control(m.part(), f, throwable ? "" + digit++ : ""));
                }
                // a toggle alone on a part's line is the part's own switch
                boolean single = controls.size() == 1
                        && !BY_HAND.contains(m.inputs().get(0).name());
                parts.add(new PartHands(m.part().id(), m.part().title(), controls, single));
            }
            if (!parts.isEmpty()) {
                groups.add(new Group(place.name(), parts));
            }
        }
        return new HandsView(groups);
    }

    /** Where each input stands, by {@code part.input}. */
    static Map<String, String> values(BenchState state) {
        Map<String, String> values = new LinkedHashMap<>();
        state.frame()
                .inputs()
                .forEach((key, value) -> values.put(
                        key, value instanceof Number n ? Numbers.plain(n.doubleValue()) : String.valueOf(value)));
        return values;
    }

    /** The inputs that aren't where they started. */
    static List<String> moved(BenchState state) {
        Map<String, Object> inputs = state.frame().inputs();
        List<String> moved = new ArrayList<>();
        for (Assembly.Member m : state.drawn().assembly().members()) {
            for (Field f : m.inputs()) {
                String key = m.part().id() + "." + f.name();
                if (f.kind() != Field.Kind.MOMENTARY && !f.initial().equals(inputs.get(key))) {
                    moved.add(key);
                }
            }
        }
        return moved;
    }

    private static Control control(Part part, Field f, String digit) {
        String key = part.id() + "." + f.name();
        boolean push =
                f.kind() == Field.Kind.MOMENTARY || "push".equals(part.params().get("kind"));
        boolean wide =
                f.kind() == Field.Kind.CHOICE && String.join("", f.choices()).length() > LETTERS_ABREAST;
        String kind = push ? "push" : wide ? "select" : f.kind().name().toLowerCase(Locale.ROOT);
        return new Control(
                key,
                label(f.name()),
                kind,
                f.choices(),
                f.isBounded() ? Numbers.plain(f.min()) : null,
                f.isBounded() ? Numbers.plain(f.max()) : null,
                "0.1",
                f.unit(),
                digit);
    }

    /** {@code roomCelsius} is the room, {@code heatSetCelsius} the heat set point; the unit stands beside it. */
    private static String label(String input) {
        return input.equals("replaced") ? "its fuse" : Narrator.spaced(input);
    }
}
