package org.jagridge.core.trace;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.part.PartTypes;
import org.jagridge.core.run.Event;

/** Puts events into words. */
public final class Narrator {
    private final Circuit circuit;

    public Narrator(Circuit circuit) {
        this.circuit = circuit;
    }

    /** What happened, in one clause: {@code K1 in}, {@code TH closes R–G}, {@code TH fan: on}. */
    public String title(Event e) {
        if (e.signal().endsWith(".fault")) {
            return e.to().isEmpty() ? "gone: " + e.from() : "fault: " + e.to();
        }
        if (e.isInput()) {
            String input = e.signal().substring(e.part().length() + 1);
            return e.part() + " " + spaced(input) + ": " + words(e) + (isCelsius(input) ? " °C" : "");
        }
        boolean closesPairs = circuit.part(e.part())
                .map(PartTypes::signalOf)
                .filter(s -> s.items().stream().anyMatch(i -> i.contains("-")))
                .isPresent();
        return closesPairs ? pairs(e) : e.part() + " " + e.to();
    }

    /** The part's own name, where it has one that says more than its id. */
    public String name(Event e) {
        return circuit.part(e.part()).map(Part::name).orElse("");
    }

    private static String words(Event e) {
        return switch (e.to()) {
            case "true" -> "yes";
            case "false" -> "no";
            default -> e.to();
        };
    }

    /** An input's name, like {@code roomCelsius}, as people read it: {@code room}. */
    public static String spaced(String input) {
        return input.equals("celsius")
                ? "temperature"
                : input.replaceAll("Celsius$", "")
                        .replaceAll("([a-z])([A-Z])", "$1 $2")
                        .toLowerCase(Locale.ROOT);
    }

    private static boolean isCelsius(String input) {
        return input.toLowerCase(Locale.ROOT).endsWith("celsius");
    }

    private static String pairs(Event e) {
        if (e.to().equals("blank")) {
            return e.part() + " goes blank";
        }
        List<String> before = closed(e.from());
        List<String> after = closed(e.to());
        List<String> closes = new ArrayList<>(after);
        closes.removeAll(before);
        List<String> opens = new ArrayList<>(before);
        opens.removeAll(after);
        List<String> words = new ArrayList<>();
        if (!closes.isEmpty()) {
            words.add("closes " + String.join(" and ", closes));
        }
        if (!opens.isEmpty()) {
            words.add("opens " + String.join(" and ", opens));
        }
        return e.part() + " " + (words.isEmpty() ? "has power" : String.join(", ", words));
    }

    private static List<String> closed(String signal) {
        return signal.equals("none") || signal.equals("blank")
                ? List.of()
                : Arrays.stream(signal.split(" ")).map(s -> s.replace('-', '–')).toList();
    }
}
