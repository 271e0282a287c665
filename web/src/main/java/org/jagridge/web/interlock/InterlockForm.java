package org.jagridge.web.interlock;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jagridge.core.circuit.Quantity;
import org.jagridge.core.plan.InterlockRequest;
import org.springframework.util.LinkedMultiValueMap;
import org.springframework.util.MultiValueMap;
import org.springframework.web.util.UriComponentsBuilder;
import org.springframework.web.util.UriUtils;

/** What is asked for in the address: columns of a table of openings and one of heaters, a value a row. */
final class InterlockForm {
    private static final List<String> OPENING = List.of("id", "signal", "volts", "limit", "metres");
    private static final String SEPARATORS = "[ ,;]+";
    private static final List<String> HEATER = List.of("id", "control", "amps", "to");

    /** A section of the glasshouse: four ridge vents with DC drives, and one side vent whose drive says when it moves. */
    private static final List<List<String>> EXAMPLE_OPENINGS = List.of(
            List.of("V1", "dc-always", "28", "yes", "18"),
            List.of("V2", "dc-always", "28", "yes", "24"),
            List.of("V3", "ac-while-moving", "24", "yes", "12"));

    private static final List<List<String>> EXAMPLE_HEATERS = List.of(
            List.of("UH1", "24V-pair", "2", ""),
            List.of("TUBE", InterlockRequest.Control.LINE_THERMOSTAT.word(), "1.2", "V1 V2"));

    private final List<Map<String, String>> openings;
    private final List<Map<String, String>> heaters;
    private final boolean frost;
    private final boolean asked;
    private String place = "";
    private String like = "";
    private boolean repeated;

    private InterlockForm(
            List<Map<String, String>> openings, List<Map<String, String>> heaters, boolean frost, boolean asked) {
        this.openings = openings;
        this.heaters = heaters;
        this.frost = frost;
        this.asked = asked;
    }

    static InterlockForm of(MultiValueMap<String, String> p) {
        InterlockForm form = p.containsKey("o.id")
                ? new InterlockForm(rows(p, "o.", OPENING), rows(p, "h.", HEATER), p.containsKey("frost"), true)
                : new InterlockForm(example(EXAMPLE_OPENINGS, OPENING), example(EXAMPLE_HEATERS, HEATER), true, false);
        form.place = p.getFirst("place") == null ? "" : p.getFirst("place").strip();
        form.like = p.getFirst("like") == null ? "" : p.getFirst("like");
        if (p.getFirst("again") != null) {
            form.repeat(p.getFirst("again"));
        }
        return form;
    }

    /** The place whose plan is copied to this one; empty where none is. */
    public Optional<InterlockForm> first() {
        return like.isEmpty()
                ? Optional.empty()
                : Optional.of(of(UriComponentsBuilder.fromUriString(like).build().getQueryParams().entrySet().stream()
                        .collect(
                                LinkedMultiValueMap::new,
                                (all, e) -> e.getValue().forEach(v -> all.add(e.getKey(), decoded(v))),
                                LinkedMultiValueMap::addAll)));
    }

    private static String decoded(String value) {
        return value == null ? "" : UriUtils.decode(value, StandardCharsets.UTF_8);
    }

    /** Adds another opening like one that is there, with the next number, and lets the same heaters answer to it. */
    private void repeat(String id) {
        repeated = true;
        openings.stream().filter(o -> o.get("id").equals(id)).findFirst().ifPresent(like -> {
            String next = next(id);
            Map<String, String> row = new LinkedHashMap<>(like);
            row.put("id", next);
            openings.add(row);
            heaters.stream()
                    .filter(h -> List.of(h.get("to").strip().split(SEPARATORS)).contains(id))
                    .forEach(h -> h.put("to", h.get("to").strip() + " " + next));
        });
    }

    private String next(String id) {
        String stem = id.replaceFirst("\\d+$", "");
        int number = 1;
        while (isThere(stem + number)) {
            number++;
        }
        return stem + number;
    }

    private boolean isThere(String id) {
        return Stream.concat(openings.stream(), heaters.stream())
                .anyMatch(row -> row.get("id").equals(id));
    }

    /** Whether only another row was asked for, and no plan yet. */
    public boolean repeated() {
        return repeated;
    }

    private static List<Map<String, String>> example(List<List<String>> rows, List<String> names) {
        List<Map<String, String>> made = new ArrayList<>();
        for (List<String> row : rows) {
            Map<String, String> m = new LinkedHashMap<>();
            for (int i = 0; i < names.size(); i++) {
                m.put(names.get(i), row.get(i));
            }
            made.add(m);
        }
        return made;
    }

    /** Rows that have an id; a row without one isn't there. */
    private static List<Map<String, String>> rows(MultiValueMap<String, String> p, String prefix, List<String> names) {
        List<Map<String, String>> rows = new ArrayList<>();
        List<String> ids = p.getOrDefault(prefix + "id", List.of());
        for (int i = 0; i < ids.size(); i++) {
            if (ids.get(i).isBlank()) {
                continue;
            }
            Map<String, String> row = new LinkedHashMap<>();
            for (String n : names) {
                List<String> column = p.getOrDefault(prefix + n, List.of());
                row.put(n, i < column.size() ? column.get(i).strip() : "");
            }
            rows.add(row);
        }
        return rows;
    }

    public List<Map<String, String>> openings() {
        return openings;
    }

    public List<Map<String, String>> heaters() {
        return heaters;
    }

    public String place() {
        return place;
    }

    public String like() {
        return like;
    }

    public boolean frost() {
        return frost;
    }

    public boolean asked() {
        return asked;
    }

    public InterlockRequest.Signal[] signals() {
        return InterlockRequest.Signal.values();
    }

    public InterlockRequest.Control[] controls() {
        return InterlockRequest.Control.values();
    }

    /** The same as the JSON interface takes it. */
    Map<String, Object> request() {
        Map<String, Object> matrix = new LinkedHashMap<>();
        List<String> all = openings.stream().map(o -> o.get("id")).toList();
        heaters.forEach(h -> matrix.put(
                h.get("id"),
                h.get("to").isBlank() ? all : List.of(h.get("to").strip().split(SEPARATORS))));
        Map<String, Object> request = new LinkedHashMap<>();
        request.put(
                "openings",
                openings.stream()
                        .map(o -> filled(Map.of(
                                "id", o.get("id"),
                                "signal", o.get("signal"),
                                "volts", number(o.get("volts"), "V"),
                                "limitSwitch", o.get("limit").equals("yes"),
                                "metres", number(o.get("metres"), Quantity.METRES))))
                        .toList());
        request.put(
                "heaters",
                heaters.stream()
                        .map(h -> filled(Map.of(
                                "id", h.get("id"), "control", h.get("control"), "amps", number(h.get("amps"), "A"))))
                        .toList());
        request.put("matrix", matrix);
        request.put("frost", frost);
        request.put("place", place);
        return request;
    }

    private static Map<String, Object> filled(Map<String, Object> m) {
        return m.entrySet().stream()
                .filter(e -> !"".equals(e.getValue()))
                .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue));
    }

    /** A number, or the text as it is, so that the reader can say what is wrong with it. */
    private static Object number(String text, String unit) {
        OptionalDouble number = Quantity.read(text, unit);
        return text.isBlank() ? "" : number.isPresent() ? (Object) number.getAsDouble() : text;
    }

    /** What the address of the next place would be: the same rows, and where they were copied from. */
    public String nextQuery() {
        InterlockForm next = new InterlockForm(openings, heaters, frost, true);
        String here = like;
        like = "";
        next.like = query();
        like = here;
        return next.query();
    }

    /** What the address would be. */
    public String query() {
        UriComponentsBuilder b = UriComponentsBuilder.newInstance();
        Stream.of(Map.entry("o.", openings), Map.entry("h.", heaters))
                .forEach(table -> table.getValue()
                        .forEach(row -> row.forEach((name, value) -> b.queryParam(table.getKey() + name, value))));
        if (frost) {
            b.queryParam("frost", "on");
        }
        if (!place.isEmpty()) {
            b.queryParam("place", place);
        }
        if (!like.isEmpty()) {
            b.queryParam("like", like);
        }
        return b.encode().build().toUriString();
    }
}
