package org.jagridge.core.edit;

import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jagridge.core.circuit.Problem;
import org.jagridge.core.format.MalformedException;

/** What a maker prints at a part's terminals as one types it in a line: {@code R=Rh, C=24V COM}. */
public final class MarksText {
    private static final int LONGEST = 20;

    private MarksText() {}

    public static String write(Map<String, String> labels) {
        return labels.entrySet().stream()
                .map(e -> e.getKey() + "=" + e.getValue())
                .collect(Collectors.joining(", "));
    }

    /**
     * Reads such a line.
     *
     * @param terminals those of the part
     * @throws MalformedException where a piece isn't {@code terminal=mark}, the part has no such terminal, or a mark would
     *     name two terminals
     */
    public static Map<String, String> read(String line, List<String> terminals) {
        Map<String, String> labels = new LinkedHashMap<>();
        for (String piece : Arrays.stream(line.split(",", -1))
                .map(String::strip)
                .filter(p -> !p.isEmpty())
                .toList()) {
            int equals = piece.indexOf('=');
            String name = equals < 0 ? "" : piece.substring(0, equals).strip();
            String mark = piece.substring(equals + 1).strip();
            if (name.isEmpty() || mark.isEmpty()) {
                throw problem("\"" + piece + "\" says no mark; write terminal=mark, like "
                        + (terminals.isEmpty() ? "R" : terminals.get(0)) + "=Rh");
            }
            if (!terminals.contains(name)) {
                throw problem("there is no terminal " + name + " to mark; it has " + String.join(", ", terminals));
            }
            if (mark.length() > LONGEST) {
                throw problem("the mark \"" + mark + "\" is longer than " + LONGEST + " letters");
            }
            boolean another = terminals.stream().anyMatch(t -> t.equalsIgnoreCase(mark) && !t.equals(name))
                    || labels.values().stream().anyMatch(mark::equalsIgnoreCase);
            if (another) {
                throw problem("the mark \"" + mark + "\" would name two terminals");
            }
            labels.put(name, mark);
        }
        return labels;
    }

    private static MalformedException problem(String message) {
        return new MalformedException(List.of(new Problem("/labels", message)));
    }
}
