package org.jagridge.core.edit;

import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.jagridge.core.part.Numbers;

/**
 * What opens a safety, as people write it: {@code while GV=on and BLW=off for 120 s, closes after 90 s; while CC=in in
 * low-charge for 25 s, closes after 60 s while CC=out}.
 */
final class TripText {
    private static final String SECONDS = "[0-9]{1,7}(?:\\.[0-9]+)?\\s*s";
    private static final Pattern TRIP = Pattern.compile("(?:while\\s+(?<while>.+?))?(?:\\s*\\bfor\\s+(?<first>"
            + SECONDS
            + "))?(?:\\s*\\bin\\s+(?<world>[\\w-]+))?(?:\\s*\\bfor\\s+(?<after>" + SECONDS
            + "))?(?:\\s*,\\s*closes(?:\\s+after\\s+(?<closes>" + SECONDS + "))?(?:\\s+while\\s+(?<closing>.+))?)?");

    private TripText() {}

    /** A list of trips in words; empty where it says more than these can. */
    static Optional<String> write(Object trips) {
        if (!(trips instanceof List<?> list) || list.isEmpty()) {
            return Optional.empty();
        }
        String text =
                list.stream().map(t -> t instanceof Map<?, ?> m ? trip(m) : "").collect(Collectors.joining("; "));
        return Optional.of(text)
                .filter(t -> read(t).filter(r -> plain(r).equals(plain(trips))).isPresent());
    }

    private static String trip(Map<?, ?> t) {
        StringBuilder text = new StringBuilder();
        if (t.containsKey("while")) {
            text.append("while ").append(condition(t.get("while")));
        }
        if (t.get("condition") instanceof String world) {
            text.append(" in ").append(world);
        }
        if (t.get("afterSeconds") instanceof Number n) {
            text.append(" for ").append(Numbers.plain(n.doubleValue())).append(" s");
        }
        if (t.containsKey("recloseSeconds") || t.containsKey("recloseWhile")) {
            text.append(", closes");
        }
        if (t.get("recloseSeconds") instanceof Number n) {
            text.append(" after ").append(Numbers.plain(n.doubleValue())).append(" s");
        }
        if (t.containsKey("recloseWhile")) {
            text.append(" while ").append(condition(t.get("recloseWhile")));
        }
        return text.toString().strip();
    }

    private static String condition(Object tree) {
        if (tree instanceof Map<?, ?> m && m.size() == 1) {
            Object of = m.values().iterator().next();
            String word = m.containsKey("all") ? " and " : m.containsKey("any") ? " or " : "";
            if (of instanceof List<?> list && !word.isEmpty()) {
                return list.stream().map(String::valueOf).collect(Collectors.joining(word));
            }
            return m.containsKey("not") ? "not " + of : String.valueOf(tree);
        }
        return String.valueOf(tree);
    }

    /** The list of trips that words mean; empty where they mean none. */
    static Optional<List<Object>> read(String text) {
        List<Optional<Object>> trips = Arrays.stream(text.split(";", -1))
                .map(String::strip)
                .map(TripText::readTrip)
                .toList();
        return trips.stream().allMatch(Optional::isPresent)
                ? Optional.of(trips.stream().map(Optional::get).toList())
                : Optional.empty();
    }

    private static Optional<Object> readTrip(String text) {
        Matcher m = TRIP.matcher(text);
        if (!m.matches() || text.isEmpty()) {
            return Optional.empty();
        }
        Map<String, Object> trip = new LinkedHashMap<>();
        if (m.group("while") != null) {
            trip.put("while", tree(m.group("while")));
        }
        String after = m.group("after") == null ? m.group("first") : m.group("after");
        if (after != null) {
            trip.put("afterSeconds", seconds(after));
        }
        if (m.group("world") != null) {
            trip.put("condition", m.group("world"));
        }
        if (m.group("closes") != null) {
            trip.put("recloseSeconds", seconds(m.group("closes")));
        }
        if (m.group("closing") != null) {
            trip.put("recloseWhile", tree(m.group("closing")));
        }
        return Optional.of(trip);
    }

    /** The same with every number as a double, to compare. */
    private static Object plain(Object tree) {
        if (tree instanceof List<?> list) {
            return list.stream().map(TripText::plain).toList();
        }
        if (tree instanceof Map<?, ?> map) {
            Map<Object, Object> same = new LinkedHashMap<>();
            map.forEach((k, v) -> same.put(k, plain(v)));
            return same;
        }
        return tree instanceof Number n ? (Object) n.doubleValue() : tree;
    }

    private static Object seconds(String text) {
        String number = text.replaceAll("\\s*s$", "");
        return number.contains(".") ? (Object) Double.valueOf(number) : Integer.valueOf(number);
    }

    private static Object tree(String text) {
        for (String[] several : new String[][] {{" and ", "all"}, {" or ", "any"}}) {
            if (text.contains(several[0])) {
                return Map.of(
                        several[1],
                        Arrays.stream(text.split(several[0], -1))
                                .map(String::strip)
                                .toList());
            }
        }
        return text.startsWith("not ") ? Map.of("not", text.substring(4).strip()) : text;
    }
}
