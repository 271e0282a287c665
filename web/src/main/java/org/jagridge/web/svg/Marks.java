package org.jagridge.web.svg;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jagridge.core.drawing.Ladder;
import org.jagridge.core.part.Assembly;

/**
 * What both drawings of a circuit show of an instant, for a page in which they stand already.
 *
 * @param kinds each mark once; the others are their places in this list
 * @param ladder of its lines, dots and symbols, in the order in which they are written
 * @param parts of the connection diagram's boxes, by the id of the part
 * @param wires by id
 * @param posts by terminal
 */
public record Marks(
        List<Mark> kinds,
        List<Integer> ladder,
        Map<String, Integer> parts,
        Map<String, Integer> wires,
        Map<String, Integer> posts) {

    /**
     * The marks of an instant.
     *
     * @param drawn the circuit as it is drawn
     */
    public static Marks of(Ladder ladder, Assembly drawn, LiveState live, Look look) {
        Map<Mark, Integer> kinds = new LinkedHashMap<>();
        List<Integer> rungs = LadderSvg.marks(ladder, live, look).stream()
                .map(m -> number(m, kinds))
                .toList();
        ConnectionSvg.Marks connections =
                ConnectionSvg.marks(drawn, live.frame().assembly(), live);
        Map<String, Integer> parts = numbers(connections.parts(), kinds);
        Map<String, Integer> wires = numbers(connections.wires(), kinds);
        Map<String, Integer> posts = numbers(connections.posts(), kinds);
        return new Marks(List.copyOf(kinds.keySet()), rungs, parts, wires, posts);
    }

    private static Map<String, Integer> numbers(Map<String, Mark> marks, Map<Mark, Integer> kinds) {
        Map<String, Integer> numbers = new LinkedHashMap<>();
        marks.forEach((key, mark) -> numbers.put(key, number(mark, kinds)));
        return numbers;
    }

    private static int number(Mark mark, Map<Mark, Integer> kinds) {
        return kinds.computeIfAbsent(mark, m -> kinds.size());
    }
}
