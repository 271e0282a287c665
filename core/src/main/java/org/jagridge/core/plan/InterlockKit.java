package org.jagridge.core.plan;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.format.CircuitReader;
import org.jagridge.core.format.JsonText;
import org.jagridge.core.plan.InterlockRequest.Heater;
import org.jagridge.core.plan.InterlockRequest.Opening;

/**
 * The pieces of interlocks, as data: what an opening offers, the techniques that make a contact of it, heaters with the
 * loop that they are called by, and the panel. In a piece {@code $} stands for the opening or heater, {@code #} for the
 * relay set that a heater gets.
 */
final class InterlockKit {
    private static final Map<String, Object> DATA = map(Board.resource("interlock.json"));
    private static final double SEALED_VA = 3.5;
    private static final double RELEASE_VA = 7.5;
    private static final double LAMP_VA = 1;
    /** A transformer isn't loaded over 80 % for long. */
    private static final double SHARE = 0.8;

    private static final double LOW_VOLTS = 24;
    private static final String SMALL = "18AWG";

    /** A way to make a contact of what an opening offers. */
    record Technique(String key, Map<String, Object> data) {
        String title() {
            return (String) data.get("title");
        }

        String why(Opening o) {
            return ((String) data.get("why")).replace("$", o.id());
        }

        int number(String what) {
            return data.get(what) instanceof Number n ? n.intValue() : 0;
        }

        boolean isLow() {
            return Boolean.TRUE.equals(data.get("low"));
        }

        boolean fits(Opening o, int loops) {
            return list(data.get("signals")).contains(o.signal().word())
                    && (o.limitSwitch() || !Boolean.TRUE.equals(data.get("limit")))
                    && loops <= number("most");
        }
    }

    /** An order of techniques: each opening gets the first that fits. */
    record Strategy(String title, List<String> order) {}

    static List<Strategy> strategies() {
        return list(DATA.get("strategies")).stream()
                .map(InterlockKit::map)
                .map(m -> new Strategy((String) m.get("title"), strings(m.get("order"))))
                .toList();
    }

    static Optional<Technique> technique(Strategy s, Opening o, int loops) {
        return s.order().stream()
                .map(InterlockKit::technique)
                .filter(t -> t.fits(o, loops))
                .findFirst();
    }

    static Technique technique(String key) {
        return new Technique(key, map(map(DATA.get("techniques")).get(key)));
    }

    /** What a heater's contact breaks. */
    static String breaks(Heater h) {
        return (String) heater(h).get("breaks");
    }

    private static Map<String, Object> heater(Heater h) {
        return map(map(DATA.get("heaters")).get(h.control().word()));
    }

    private final InterlockRequest request;
    private final Map<String, Technique> techniques;
    private final List<Map<String, Object>> parts = new ArrayList<>();
    private final List<Map<String, Object>> wires = new ArrayList<>();
    private final List<Map<String, Object>> places = new ArrayList<>();

    InterlockKit(InterlockRequest request, Map<String, Technique> techniques) {
        this.request = request;
        this.techniques = techniques;
    }

    /** The pieces of a plan that was made. */
    static InterlockKit of(InterlockRequest request, InterlockAnswer.Plan plan) {
        Map<String, Technique> techniques = new LinkedHashMap<>();
        plan.techniques().forEach((opening, key) -> techniques.put(opening, technique(key)));
        return new InterlockKit(request, techniques);
    }

    Map<String, Technique> techniques() {
        return techniques;
    }

    /** The whole interlock as a circuit, with a rule for each heater that answers to an opening. */
    Circuit circuit(String name) {
        places.add(Map.of("id", "panel", "name", "Interlock panel", "access", "panel"));
        places.add(Map.of("id", "house", "name", "At the heaters", "access", "wall"));
        put(map(DATA.get("panel")), Map.of(), "panel", 0);
        if (needsLow()) {
            double va = va();
            put(map(DATA.get("low")), Map.of("VA", va, "FUSE", Math.ceil(va / LOW_VOLTS)), "panel", 0);
        }
        if (request.frost()) {
            put(map(DATA.get("alarm")), Map.of(), "panel", 0);
        }
        for (Opening o : request.openings()) {
            String place = "at-" + o.id();
            places.add(Map.of("id", place, "name", "At " + o.id(), "access", "ladder"));
            Technique t = techniques.get(o.id());
            int sets = Math.max(1, request.loopsOf(o.id()) + t.number("extra"));
            Map<String, Object> values = Map.of("$", o.id(), "VOLTS", o.volts(), "SETS", sets);
            put(map(map(DATA.get("signals")).get(o.signal().word())), values, place, o.metres());
            put(t.data(), values, place, o.metres());
        }
        for (Heater h : request.heaters()) {
            put(heater(h), Map.of("$", h.id(), "AMPS", h.amps(), "RATING", rating(h.amps())), "panel", 0);
            loop(h);
        }
        return read(name, rules(), notes());
    }

    /** What it is for, and by what each opening is watched. */
    private String notes() {
        List<String> words = new ArrayList<>();
        request.matrix().forEach((heater, openings) -> {
            if (!openings.isEmpty()) {
                words.add(heater + " stays off while " + anyOf(openings) + " is not shut.");
            }
        });
        Map<String, List<String>> by = new LinkedHashMap<>();
        techniques.forEach((opening, t) ->
                by.computeIfAbsent(t.title(), x -> new ArrayList<>()).add(opening));
        by.forEach((title, openings) -> words.add(String.join(", ", openings) + ": " + title + "."));
        return String.join(" ", words);
    }

    private Circuit read(String name, List<Map<String, Object>> rules, String notes) {
        Map<String, Object> file = new LinkedHashMap<>();
        file.put("format", "jagridge-circuit");
        file.put("version", 1);
        file.put("name", name);
        file.put("notes", notes);
        file.put("places", places);
        file.put("parts", parts);
        file.put("wires", wires);
        file.put("rules", rules);
        return CircuitReader.read(JsonText.tree(file), "");
    }

    /** Nothing but an opening with what it offers, on the panel's mains. */
    static Circuit signalAlone(Opening o) {
        InterlockKit kit =
                new InterlockKit(new InterlockRequest(List.of(o), List.of(), Map.of(), Map.of(), false, ""), Map.of());
        kit.places.add(Map.of("id", "panel", "name", "Panel", "access", "panel"));
        kit.put(map(DATA.get("panel")), Map.of(), "panel", 0);
        kit.put(
                map(map(DATA.get("signals")).get(o.signal().word())),
                Map.of("$", o.id(), "VOLTS", o.volts()),
                "panel",
                0);
        return kit.read("What " + o.id() + " offers", List.of(), "");
    }

    /** The two terminals at which an opening gives its signal; empty where it gives none. */
    static List<Terminal> signalTerminals(Circuit circuit, String opening) {
        return list(DATA.get("signalTerminals")).stream()
                .map(InterlockKit::strings)
                .map(ends -> ends.stream()
                        .map(e -> Terminal.parse(e.replace("$", opening)))
                        .toList())
                .filter(ends -> circuit.part(ends.get(0).part()).isPresent())
                .findFirst()
                .orElse(List.of());
    }

    boolean needsLow() {
        return request.frost()
                || techniques.values().stream().anyMatch(Technique::isLow)
                || request.heaters().stream()
                        .anyMatch(h -> Boolean.TRUE.equals(heater(h).get("low")));
    }

    /** The smallest transformer that feeds everything at once. */
    double va() {
        double sealed = request.frost() ? LAMP_VA : 0;
        for (Technique t : techniques.values()) {
            sealed += t.isLow() ? t.number("relays") * SEALED_VA + t.number("extra") * LAMP_VA : 0;
        }
        for (Heater h : request.heaters()) {
            sealed += Boolean.TRUE.equals(heater(h).get("low")) ? RELEASE_VA : 0;
        }
        double needed = sealed / SHARE;
        return numbers("transformers").stream()
                .filter(v -> v >= needed)
                .findFirst()
                .orElse(needed);
    }

    static double rating(double amps) {
        return numbers("contactRatings").stream()
                .filter(r -> r >= amps)
                .findFirst()
                .orElse(amps);
    }

    private static List<Double> numbers(String key) {
        return list(DATA.get(key)).stream().map(n -> ((Number) n).doubleValue()).toList();
    }

    /** From the feed of a heater's call through a contact of each opening that stops it, to the call. */
    private void loop(Heater h) {
        List<String> ends = loopEnds(h);
        String at = ends.get(0);
        double back = 0;
        for (String id : request.matrix().get(h.id())) {
            Opening o = request.openings().stream()
                    .filter(x -> x.id().equals(id))
                    .findFirst()
                    .orElseThrow();
            Technique t = techniques.get(id);
            int set = setOf(h, id);
            for (Object pair : list(t.data().get("contacts"))) {
                List<String> contact = strings(pair).stream()
                        .map(c -> c.replace("$", id).replace("#", Integer.toString(set)))
                        .toList();
                double out = isInField(t) ? o.metres() : 0;
                wire(at, contact.get(0), back + out);
                at = contact.get(1);
                back = out;
            }
        }
        wire(at, ends.get(1), back);
    }

    /** Whether its contact lies out at the opening, so that the loop leads there and back. */
    private static boolean isInField(Technique t) {
        return t.number("relays") == 0;
    }

    /** Metres of conductor in a heater's loop that lead out to openings and back. */
    double loopMetres(Heater h) {
        return request.openings().stream()
                .filter(o -> request.matrix().get(h.id()).contains(o.id()) && isInField(techniques.get(o.id())))
                .mapToDouble(o -> 2 * o.metres())
                .sum();
    }

    /** Where the loop of a heater's call begins and ends. */
    static List<String> loopEnds(Heater h) {
        return strings(heater(h).get("loop")).stream()
                .map(e -> port(e.replace("$", h.id())))
                .toList();
    }

    /** What hands do to call for a heater. */
    static Map<String, Object> call(Heater h) {
        Map<String, Object> call = new LinkedHashMap<>();
        map(heater(h).get("call")).forEach((input, value) -> call.put(input.replace("$", h.id()), value));
        return call;
    }

    /** The coil at the end of a heater's loop; empty where the loop is the heater's own pair. */
    static List<String> coil(Heater h) {
        return strings(heater(h).get("coil")).stream()
                .map(e -> e.replace("$", h.id()))
                .toList();
    }

    /** Each heater that an opening stops has a set of that opening's relay for itself. */
    private int setOf(Heater h, String opening) {
        int set = 1;
        for (Heater other : request.heaters()) {
            if (other.id().equals(h.id())) {
                return set;
            }
            set += request.matrix().get(other.id()).contains(opening) ? 1 : 0;
        }
        return set;
    }

    private List<Map<String, Object>> rules() {
        List<Map<String, Object>> rules = new ArrayList<>();
        request.matrix().forEach((heater, openings) -> {
            if (!openings.isEmpty()) {
                rules.add(Map.of(
                        "id",
                        "shut-" + heater,
                        "text",
                        heater + " never burns while " + anyOf(openings) + " is not shut",
                        "never",
                        Map.of(
                                "all",
                                List.of(
                                        heater + "=burning",
                                        Map.of(
                                                "any",
                                                openings.stream()
                                                        .map(o -> o + "!=shut")
                                                        .toList()))),
                        "graceSeconds",
                        1));
            }
        });
        return rules;
    }

    private static String anyOf(List<String> openings) {
        return openings.size() == 1 ? openings.get(0) : "any of " + String.join(", ", openings);
    }

    /* ---- pieces ---- */

    private void put(Map<String, Object> piece, Map<String, Object> values, String place, double metres) {
        for (Object p : list(piece.get("parts"))) {
            Map<String, Object> part = new LinkedHashMap<>(map(filled(p, values)));
            boolean far = Boolean.TRUE.equals(part.remove("far"));
            part.putIfAbsent("place", far ? place : "panel");
            parts.add(part);
        }
        for (Object w : list(piece.get("wires"))) {
            List<String> ends =
                    strings(w).stream().map(e -> (String) filled(e, values)).toList();
            wire(extra(ends.get(0), values), extra(ends.get(1), values), ends.size() > 2 ? metres : 0);
        }
    }

    /** The set after those of the heaters. */
    private static String extra(String terminal, Map<String, Object> values) {
        return values.containsKey("SETS") ? terminal.replace(".X", "." + values.get("SETS")) : terminal;
    }

    private static Object filled(Object value, Map<String, Object> values) {
        if (value instanceof Map<?, ?> m) {
            Map<String, Object> filled = new LinkedHashMap<>();
            m.forEach((k, v) -> filled.put((String) k, filled(v, values)));
            return filled;
        }
        if (value instanceof List<?> l) {
            return l.stream().map(v -> filled(v, values)).toList();
        }
        if (value instanceof String s) {
            return values.containsKey(s) && !s.equals("$")
                    ? values.get(s)
                    : values.containsKey("$") ? s.replace("$", (String) values.get("$")) : s;
        }
        return value;
    }

    private static String port(String name) {
        return map(DATA.get("ports")).getOrDefault(name, name).toString();
    }

    private void wire(String from, String to, double metres) {
        Map<String, Object> w = new LinkedHashMap<>();
        w.put("id", "w" + (wires.size() + 1));
        w.put("ends", List.of(port(from), port(to)));
        if (metres > 0) {
            w.put("lengthMetres", metres);
            w.put("size", SMALL);
        }
        wires.add(w);
    }

    /** Metres of conductor out to the openings. */
    double metres() {
        return wires.stream()
                .mapToDouble(w -> w.get("lengthMetres") instanceof Number n ? n.doubleValue() : 0)
                .sum();
    }

    @SuppressWarnings("unchecked")
    private static Map<String, Object> map(Object value) {
        return (Map<String, Object>) value;
    }

    @SuppressWarnings("unchecked")
    private static List<Object> list(Object value) {
        return value == null ? List.of() : (List<Object>) value;
    }

    private static List<String> strings(Object value) {
        return list(value).stream().map(Object::toString).toList();
    }
}
