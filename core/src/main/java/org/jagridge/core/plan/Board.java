package org.jagridge.core.plan;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.format.JsonText;

/**
 * A piece of equipment as it comes: its parts and factory wires, what its posts need or give, and by which signals one
 * sees that it does its duty.
 *
 * @param name for people
 * @param place where it hangs; empty for a piece that goes anywhere
 * @param wires each: from, to, colour
 * @param duties any one of the texts ({@code GV=on}; a part's id alone: it is at work; with {@code &}: both) says that it is done
 * @param sources parts that can lose and regain their mains
 * @param needsAir duties that must never be done while the indoor fan rests
 */
record Board(
        String name,
        String place,
        List<Part> parts,
        List<List<String>> wires,
        List<Post> posts,
        Map<Duty, List<String>> duties,
        List<String> sources,
        List<Duty> needsAir) {
    private static final Map<String, Board> ALL = readAll();

    static Board named(String key) {
        Board board = ALL.get(key);
        if (board == null) {
            throw new IllegalArgumentException("there is no board " + key);
        }
        return board;
    }

    @SuppressWarnings("unchecked")
    private static Map<String, Board> readAll() {
        Map<String, Board> all = new LinkedHashMap<>();
        ((Map<String, Map<String, Object>>) resource("boards.json")).forEach((key, m) -> all.put(key, read(m)));
        return all;
    }

    /** A file of this package's data as plain values. */
    static Object resource(String file) {
        try (InputStream in = Board.class.getResourceAsStream("/plan/" + file)) {
            return JsonText.plainValue(new String(in.readAllBytes(), StandardCharsets.UTF_8));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    @SuppressWarnings("unchecked")
    private static Board read(Map<String, Object> m) {
        String place = (String) m.get("place");
        List<Part> parts = new ArrayList<>();
        for (Map<String, Object> p : (List<Map<String, Object>>) m.getOrDefault("parts", List.of())) {
            parts.add(new Part(
                    (String) p.get("id"),
                    (String) p.get("type"),
                    place,
                    (String) p.get("name"),
                    (Map<String, Object>) p.getOrDefault("params", Map.of()),
                    true,
                    Part.WhenNotFitted.OPEN,
                    Map.of()));
        }
        List<Post> posts = new ArrayList<>();
        for (Map<String, String> p : (List<Map<String, String>>) m.getOrDefault("posts", List.of())) {
            posts.add(new Post(
                    p.get("letter"),
                    Worded.of(Line.class, p.get("line")),
                    p.get("at"),
                    place,
                    Post.How.valueOf(p.get("how").toUpperCase(Locale.ROOT))));
        }
        Map<Duty, List<String>> duties = new LinkedHashMap<>();
        ((Map<String, List<String>>) m.getOrDefault("duties", Map.of()))
                .forEach((word, atoms) -> duties.put(Worded.of(Duty.class, word), atoms));
        return new Board(
                (String) m.get("name"),
                place,
                parts,
                (List<List<String>>) m.getOrDefault("wires", List.of()),
                posts,
                duties,
                (List<String>) m.getOrDefault("sources", List.of()),
                ((List<String>) m.getOrDefault("needsAir", List.of()))
                        .stream().map(d -> Worded.of(Duty.class, d)).toList());
    }
}
