package org.jagridge.core.plan;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jagridge.core.circuit.Cable;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Place;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.circuit.Wire;

/** A circuit while it is put together out of boards, with what is known of their posts and duties. */
final class Kit {
    /** Where the thermostat hangs: a place is called after what hangs there. */
    static final String THERMOSTAT = Worded.Spot.THERMOSTAT.word();

    private static final Map<String, Place> PLACES = places();

    private final Map<String, Part> parts = new LinkedHashMap<>();
    private final List<Wire> wires = new ArrayList<>();
    private final List<Cable> cables = new ArrayList<>();
    private final List<Post> posts = new ArrayList<>();
    private final Map<Duty, List<String>> duties = new EnumMap<>(Duty.class);
    private final Set<String> sources = new LinkedHashSet<>();
    private final Set<Duty> needsAir = EnumSet.noneOf(Duty.class);
    private final Set<String> used = new LinkedHashSet<>();
    private int pieces;

    private static Map<String, Place> places() {
        Map<String, Place> places = new LinkedHashMap<>();
        places.put("indoor", new Place("indoor", "Indoor unit", Place.Access.PANEL));
        places.put(THERMOSTAT, new Place(THERMOSTAT, "Thermostat", Place.Access.WALL));
        places.put("outdoor", new Place("outdoor", "Outdoor unit", Place.Access.OUTDOOR));
        places.put("panel", new Place("panel", "Panel", Place.Access.PANEL));
        places.put("module", new Place("module", "Module", Place.Access.PANEL));
        return places;
    }

    static Set<String> placeIds() {
        return PLACES.keySet();
    }

    /** What people call a place, in a sentence. */
    static String placeName(String id) {
        return switch (id) {
            case "indoor" -> "the indoor unit";
            case "outdoor" -> "the outdoor unit";
            default -> "the " + id;
        };
    }

    /** Puts a board where it belongs. */
    void add(String key) {
        Board board = Board.named(key);
        board.parts().forEach(p -> put(p, p.place()));
        board.wires().forEach(w -> wire(w.get(0), w.get(1), w.get(2), Wire.Run.FACTORY));
        posts.addAll(board.posts());
        duties(board);
    }

    /**
     * Puts a piece of its own into a place.
     *
     * @return the id of its part
     */
    String piece(String key, String place) {
        Board board = Board.named(key);
        String tag = Integer.toString(++pieces);
        board.parts().forEach(p -> put(renamed(p, p.id().replace("#", tag)), place));
        board.wires().forEach(w -> wire(w.get(0), w.get(1), w.get(2), Wire.Run.FACTORY));
        duties(board);
        return board.parts().get(0).id().replace("#", tag);
    }

    private void duties(Board board) {
        board.duties()
                .forEach((d, atoms) ->
                        duties.computeIfAbsent(d, k -> new ArrayList<>()).addAll(atoms));
        sources.addAll(board.sources());
        needsAir.addAll(board.needsAir());
    }

    private static Part renamed(Part p, String id) {
        return new Part(id, p.type(), p.place(), p.name(), p.params(), true, p.whenNotFitted(), p.labels());
    }

    private void put(Part p, String place) {
        parts.put(p.id(), p.withPlace(place));
        used.add(place);
    }

    void set(String part, String param, Object value) {
        Map<String, Object> params = new LinkedHashMap<>(parts.get(part).params());
        params.put(param, value);
        parts.put(part, parts.get(part).withParams(params));
    }

    void label(String part, Map<String, String> labels) {
        Part p = parts.get(part);
        parts.put(part, new Part(p.id(), p.type(), p.place(), p.name(), p.params(), true, p.whenNotFitted(), labels));
    }

    boolean has(String part) {
        return parts.containsKey(part);
    }

    String placeOf(String terminal) {
        return parts.get(Terminal.parse(terminal).part()).place();
    }

    void cable(Cable cable) {
        cables.add(cable);
    }

    /** @return its id */
    String wire(String from, String to, String colour, Wire.Run run) {
        String id = "w" + (wires.size() + 1);
        wires.add(
                new Wire(id, Terminal.parse(from), Terminal.parse(to), colour, null, null, run, null, null, List.of()));
        return id;
    }

    /** @return its id */
    String core(String from, String to, String cable, String core) {
        String id = "w" + (wires.size() + 1);
        wires.add(Wire.between(id, Terminal.parse(from), Terminal.parse(to)).withCable(cable, core));
        return id;
    }

    /** Takes a factory wire out. */
    void unwire(String from, String to) {
        wires.removeIf(
                w -> w.from().toString().equals(from) && w.to().toString().equals(to));
    }

    /** The wire between two terminals. */
    String wireBetween(String from, String to) {
        return wires.stream()
                .filter(w ->
                        w.from().toString().equals(from) && w.to().toString().equals(to))
                .findFirst()
                .orElseThrow()
                .id();
    }

    List<Post> posts() {
        return posts;
    }

    /** The post of a line on which a conductor lands at a place: one that needs it before one that only holds it. */
    Optional<Post> post(Line line, String place) {
        return posts.stream()
                .filter(p -> p.line() == line && p.place().equals(place))
                .reduce((a, b) -> b);
    }

    Optional<Post> post(Line line, Post.How how) {
        return posts.stream().filter(p -> p.line() == line && p.how() == how).reduce((a, b) -> b);
    }

    Map<Duty, List<String>> duties() {
        return duties;
    }

    Set<String> sources() {
        return sources;
    }

    Set<Duty> needsAir() {
        return needsAir;
    }

    Circuit build(String name, String notes) {
        Circuit.Builder b = Circuit.builder(name).notes(notes);
        cables.forEach(c -> {
            used.add(c.from());
            used.add(c.to());
        });
        PLACES.values().stream().filter(p -> used.contains(p.id())).forEach(b.places()::add);
        b.parts().addAll(parts.values());
        b.cables().addAll(cables);
        b.wires().addAll(wires);
        return b.build();
    }
}
