package org.jagridge.web.export;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.part.Numbers;
import org.jagridge.core.part.PartTypes;

/** A part's ratings as one reads them on a list of devices: "primary 240 V, opens at 6 °C, 45+5 µF". */
final class RatingWords {
    /** How the names of ratings end, by the unit that stands behind their numbers. */
    private static final Map<String, String> ENDS = Map.ofEntries(
            Map.entry("V", "volts"),
            Map.entry("A", "amps"),
            Map.entry("W", "watts"),
            Map.entry("s", "seconds"),
            Map.entry("h", "hours"),
            Map.entry("min", "minutes"),
            Map.entry("°C", "celsius"),
            Map.entry("m", "metres"),
            Map.entry("Ω", "ohms"),
            Map.entry("Hz", "hertz"),
            Map.entry("mV", "millivolts"),
            Map.entry("µF", "microfarads"));

    private RatingWords() {}

    /** What differs from the usual, without what is itself a list of rules. */
    static String of(Part part) {
        List<Field> fields = PartTypes.catalogue().require(part).params();
        return part.params().entrySet().stream()
                .flatMap(e ->
                        fields.stream().filter(f -> f.name().equals(e.getKey())).map(f -> words(f, e.getValue())))
                .filter(Objects::nonNull)
                .collect(Collectors.joining(", "));
    }

    private static String words(Field field, Object value) {
        boolean rules = value instanceof Map<?, ?>
                || (value instanceof List<?> list && list.stream().anyMatch(v -> v instanceof Map<?, ?>));
        if (rules) {
            return null;
        }
        // "V per leg" is said, why there must be some is not
        String unit = field.unit().replaceFirst(" \\(.*", "");
        String name = name(field.name(), unit.replaceFirst(" .*", ""));
        if (value instanceof Boolean yes) {
            return yes ? name : name + ": no";
        }
        String number = value instanceof List<?> list
                ? list.stream().map(RatingWords::plain).collect(Collectors.joining(unit.equals("µF") ? "+" : "/"))
                : plain(value);
        // of a part that is named, the unit is that of what it measures
        String behind = value instanceof String ? "" : unit;
        return Stream.of(name, number, behind).filter(w -> !w.isEmpty()).collect(Collectors.joining(" "));
    }

    private static String plain(Object value) {
        return value instanceof Number n ? Numbers.plain(n.doubleValue()) : String.valueOf(value);
    }

    /** {@code primaryVolts} in V is the primary, {@code va} in VA has no other name than its unit. */
    private static String name(String rating, String unit) {
        String spaced = rating.replaceAll("([a-z])([A-Z])", "$1 $2").toLowerCase(Locale.ROOT);
        String end = ENDS.getOrDefault(unit, unit.toLowerCase(Locale.ROOT));
        boolean said = !end.isEmpty() && (" " + spaced).endsWith(" " + end);
        return said ? spaced.substring(0, spaced.length() - end.length()).strip() : spaced;
    }
}
