package org.jagridge.core.circuit;

import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/**
 * One circuit: the only thing that is stored; drawings, sequences and readings are derived from it. Immutable.
 *
 * <p>A circuit made by the reader in {@code format} has been checked: ids are unique, every wire ends at a terminal
 * that exists, every parameter fits its declaration.
 */
public final class Circuit {
    /** Ends the keys of a layout under which a drawing keeps by itself where it has put things. */
    public static final String ITSELF = " itself";

    private final String name;
    private final String notes;
    private final List<Place> places;
    private final List<Part> parts;
    private final List<Cable> cables;
    private final List<Wire> wires;
    private final List<Scenario> scenarios;
    private final List<Rule> rules;
    private final Map<String, Object> layout;
    private final ById<Part> partsById;
    private final ById<Place> placesById;
    private final ById<Cable> cablesById;
    private final ById<Wire> wiresById;

    private Circuit(Builder b) {
        name = Objects.requireNonNull(b.name, "name");
        notes = b.notes;
        places = List.copyOf(b.places);
        parts = List.copyOf(b.parts);
        cables = List.copyOf(b.cables);
        wires = List.copyOf(b.wires);
        scenarios = List.copyOf(b.scenarios);
        rules = List.copyOf(b.rules);
        layout = Collections.unmodifiableMap(new LinkedHashMap<>(b.layout));
        partsById = new ById<>(parts, Part::id);
        placesById = new ById<>(places, Place::id);
        cablesById = new ById<>(cables, Cable::id);
        wiresById = new ById<>(wires, Wire::id);
    }

    /** A list by ids, found at the first question: of most circuits that faults make nobody asks. */
    private static final class ById<T> {
        private final List<T> list;
        private final Function<T, String> id;
        private Map<String, T> byId;

        ById(List<T> list, Function<T, String> id) {
            this.list = list;
            this.id = id;
        }

        synchronized T get(String wanted) {
            if (byId == null) {
                byId = list.stream().collect(Collectors.toMap(id, Function.identity(), (a, b) -> a));
            }
            return byId.get(wanted);
        }
    }

    public String name() {
        return name;
    }

    /** Free text, or null. */
    public String notes() {
        return notes;
    }

    public List<Place> places() {
        return places;
    }

    public List<Part> parts() {
        return parts;
    }

    public List<Cable> cables() {
        return cables;
    }

    public List<Wire> wires() {
        return wires;
    }

    public List<Scenario> scenarios() {
        return scenarios;
    }

    /** What must hold in it. */
    public List<Rule> rules() {
        return rules;
    }

    /** What the screens keep about positions; no meaning for the circuit. */
    public Map<String, Object> layout() {
        return layout;
    }

    /** Of the layout, what hands have arranged: all but what a drawing keeps by itself, under keys with {@link #ITSELF}. */
    public Map<String, Object> arrangement() {
        Map<String, Object> byHand = new LinkedHashMap<>(layout);
        byHand.keySet().removeIf(key -> key.endsWith(ITSELF));
        return byHand;
    }

    public Optional<Part> part(String id) {
        return Optional.ofNullable(partsById.get(id));
    }

    public Optional<Place> place(String id) {
        return Optional.ofNullable(placesById.get(id));
    }

    public Optional<Cable> cable(String id) {
        return Optional.ofNullable(cablesById.get(id));
    }

    public Optional<Wire> wire(String id) {
        return Optional.ofNullable(wiresById.get(id));
    }

    /**
     * The terminal that a text names, {@code PART.TERMINAL}: by its own name, or by what the maker prints at it, in any
     * case; its own name goes first. What is neither is taken as it stands.
     *
     * @param exists whether a part has a terminal
     * @throws IllegalArgumentException where the text isn't {@linkplain Terminal#isWellFormed well formed}
     */
    public Terminal named(String text, Predicate<Terminal> exists) {
        Terminal t = Terminal.parse(text);
        Map<String, String> labels = part(t.part()).map(Part::labels).orElse(Map.of());
        return exists.test(t)
                ? t
                : labels.entrySet().stream()
                        .filter(e -> e.getValue().equalsIgnoreCase(t.name()))
                        .map(e -> new Terminal(t.part(), e.getKey()))
                        .findFirst()
                        .orElse(t);
    }

    /** What is printed at a terminal: the maker's mark, or its name. */
    public String markOf(Terminal t) {
        return part(t.part())
                .map(p -> p.labels().getOrDefault(t.name(), t.name()))
                .orElse(t.name());
    }

    /** Words with the maker's mark after each terminal that has one: {@code TH.R (Rh) to TH.W}. */
    public String withMarks(String words) {
        String said = words;
        for (Part p : parts) {
            for (Map.Entry<String, String> label : p.labels().entrySet()) {
                String name = p.id() + "." + label.getKey();
                said = said.replaceAll(
                        "(?<![\\w.-])" + Pattern.quote(name) + "(?![\\w+-])",
                        Matcher.quoteReplacement(name + " (" + label.getValue() + ")"));
            }
        }
        return said;
    }

    /** The colour of a wire: its own, or that of its core. Null where nobody wrote it down. */
    public String colourOf(Wire wire) {
        return wire.core() != null ? wire.core() : wire.colour();
    }

    /** The size of a wire: that of its cable, or its own. Null where nobody measured it. */
    public ConductorSize sizeOf(Wire wire) {
        Cable cable = wire.cable() == null ? null : cablesById.get(wire.cable());
        return cable != null && cable.size() != null ? cable.size() : wire.size();
    }

    /** The length of a wire in metres: that of its cable, or its own. Empty where nobody measured it. */
    public Optional<Double> lengthOf(Wire wire) {
        Cable cable = wire.cable() == null ? null : cablesById.get(wire.cable());
        return Optional.ofNullable(
                cable != null && cable.lengthMetres() != null ? cable.lengthMetres() : wire.lengthMetres());
    }

    /**
     * Resistance of a wire in ohms: length × that of its size, 5 mΩ where either is unknown, and never under 0.1 mΩ
     * (the screw).
     */
    public double ohmsOf(Wire wire) {
        ConductorSize size = sizeOf(wire);
        Optional<Double> length = lengthOf(wire);
        if (size == null || length.isEmpty()) {
            return 0.005;
        }
        return Math.max(1e-4, length.get() * size.ohmsPerKilometre() / 1000);
    }

    public Builder toBuilder() {
        return toBuilder(name);
    }

    /** To build a circuit like this one under another name. */
    public Builder toBuilder(String otherName) {
        Builder b = builder(otherName).notes(notes);
        b.places.addAll(places);
        b.parts.addAll(parts);
        b.cables.addAll(cables);
        b.wires.addAll(wires);
        b.scenarios.addAll(scenarios);
        b.rules.addAll(rules);
        b.layout.putAll(layout);
        return b;
    }

    public static Builder builder(String name) {
        return new Builder(name);
    }

    /** Collects the pieces of a circuit; the lists may be changed freely until {@link #build()}. */
    public static final class Builder {
        private final String name;
        private String notes;
        private final List<Place> places = new ArrayList<>();
        private final List<Part> parts = new ArrayList<>();
        private final List<Cable> cables = new ArrayList<>();
        private final List<Wire> wires = new ArrayList<>();
        private final List<Scenario> scenarios = new ArrayList<>();
        private final List<Rule> rules = new ArrayList<>();
        private final Map<String, Object> layout = new LinkedHashMap<>();

        private Builder(String name) {
            this.name = name;
        }

        public Builder notes(String text) {
            notes = text;
            return this;
        }

        public Builder place(String id, String placeName, Place.Access access) {
            places.add(new Place(id, placeName, access));
            return this;
        }

        /** A fitted part without a name of its own; parameters as alternating names and values. */
        public Builder part(String id, String type, String place, Object... params) {
            Map<String, Object> given = new LinkedHashMap<>();
            for (int i = 0; i < params.length; i += 2) {
                given.put((String) params[i], params[i + 1]);
            }
            parts.add(new Part(id, type, place, null, given, true, Part.WhenNotFitted.OPEN, Map.of()));
            return this;
        }

        /** A wire with the next free id {@code w1}, {@code w2} … between terminals written {@code PART.TERMINAL}. */
        public Builder wire(String from, String to) {
            wires.add(Wire.between("w" + (wires.size() + 1), Terminal.parse(from), Terminal.parse(to)));
            return this;
        }

        public List<Place> places() {
            return places;
        }

        public List<Part> parts() {
            return parts;
        }

        public List<Cable> cables() {
            return cables;
        }

        public List<Wire> wires() {
            return wires;
        }

        public List<Scenario> scenarios() {
            return scenarios;
        }

        public List<Rule> rules() {
            return rules;
        }

        public Map<String, Object> layout() {
            return layout;
        }

        public Circuit build() {
            return new Circuit(this);
        }
    }
}
