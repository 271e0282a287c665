package org.jagridge.core.edit;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.NavigableMap;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Input;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.PartDeclaration;
import org.jagridge.core.circuit.Problem;
import org.jagridge.core.circuit.Quantity;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.format.MalformedException;
import org.jagridge.core.part.PartTypes;
import org.jagridge.core.part.Time;

/**
 * A scenario in sentences, as people write it: "at 0:05 TH mode is heat", "the fault coil open K1 is there from 1:00 to
 * the end", "watched until 16:40".
 *
 * @param until when the watching ends
 */
public record Sentences(String name, List<Act> acts, List<Defect> defects, String until) {
    private static final Pattern CLOCK = Pattern.compile("(?:(\\d+):)?(\\d+):(\\d{1,2}(?:[.,]\\d+)?)");
    private static final Pattern SPAN = Pattern.compile("(\\d+(?:[.,]\\d+)?)\\s*(s|min|h|)");
    private static final Set<String> START = Set.of("", "start", "the start");
    private static final Set<String> END = Set.of("", "end", "the end");
    private static final Set<String> YES = Set.of("yes", "true", "on");
    private static final Set<String> NO = Set.of("no", "false", "off");

    /**
     * What is set.
     *
     * @param at a time, or "start"
     * @param what the input, as {@code PART.input}
     */
    public record Act(String at, String what, String value) {
        boolean isBlank() {
            return what.isBlank() && value.isBlank();
        }
    }

    /**
     * A fault for a time.
     *
     * @param from a time, or "start"
     * @param to a time, or "end"
     */
    public record Defect(String fault, String from, String to) {
        boolean isBlank() {
            return fault.isBlank();
        }
    }

    public Sentences {
        acts = List.copyOf(acts);
        defects = List.copyOf(defects);
    }

    /** A scenario put into sentences, in the order of time. */
    public static Sentences of(Scenario scenario) {
        List<Act> acts = new ArrayList<>();
        List<Defect> defects = new ArrayList<>();
        scenario.start().forEach((what, value) -> acts.add(new Act("start", what, words(value))));
        scenario.faults().forEach(f -> defects.add(defect(f, null)));
        for (Scenario.Step step : scenario.steps()) {
            step.set().forEach((what, value) -> acts.add(new Act(clock(step.atSeconds()), what, words(value))));
            step.faults().forEach(f -> defects.add(defect(f, step.atSeconds())));
        }
        return new Sentences(scenario.name(), acts, defects, clock(scenario.untilSeconds()));
    }

    private static Defect defect(Fault f, Double step) {
        Double from = f.atSeconds() == null ? step : f.atSeconds();
        return new Defect(
                f.words(),
                from == null ? "start" : clock(from),
                f.untilSeconds() == null ? "end" : clock(f.untilSeconds()));
    }

    /** A value as people write it. */
    private static String words(Object value) {
        if (value instanceof Boolean b) {
            return b ? "yes" : "no";
        }
        return value instanceof Number n ? decimal(n.doubleValue()) : String.valueOf(value);
    }

    private static String decimal(double value) {
        return BigDecimal.valueOf(value)
                .setScale(6, RoundingMode.HALF_UP)
                .stripTrailingZeros()
                .toPlainString();
    }

    /** {@code 0:05}, {@code 16:40}, {@code 1:00:00}, with decimals where there are some. */
    static String clock(double seconds) {
        return Time.clock(Math.round(seconds * Time.SECOND), 0, 6);
    }

    /**
     * The scenario that the sentences tell. Blank sentences are passed over.
     *
     * @param known the faults that can be named
     * @throws MalformedException with every mistake; paths are {@code /name}, {@code /acts/3/value},
     *     {@code /defects/0/fault}, {@code /until}
     */
    public Scenario read(Circuit circuit, List<Fault> known) {
        return new Reading(circuit, known).scenario(this);
    }

    /** Sentences on their way to a scenario. */
    private static final class Reading {
        private final Circuit circuit;
        private final Map<String, Fault> known = new LinkedHashMap<>();
        private final List<Problem> problems = new ArrayList<>();

        Reading(Circuit circuit, List<Fault> faults) {
            this.circuit = circuit;
            faults.forEach(f -> known.putIfAbsent(f.words(), f));
        }

        Scenario scenario(Sentences s) {
            if (s.name().isBlank()) {
                problem("/name", "give it a name");
            }
            Double until = seconds(s.until(), "/until");
            if (until != null && (until <= 0 || until > Scenario.LONGEST_SECONDS)) {
                problem("/until", "watch for more than nothing and for a week at the most");
            }
            Map<String, Object> start = new LinkedHashMap<>();
            TreeMap<Double, Map<String, Object>> steps = new TreeMap<>();
            for (int i = 0; i < s.acts().size(); i++) {
                if (!s.acts().get(i).isBlank()) {
                    act(s.acts().get(i), "/acts/" + i, start, steps);
                }
            }
            List<Fault> faults = new ArrayList<>();
            for (int i = 0; i < s.defects().size(); i++) {
                if (!s.defects().get(i).isBlank()) {
                    defect(s.defects().get(i), "/defects/" + i, faults);
                }
            }
            if (until != null && !steps.isEmpty() && steps.lastKey() > until) {
                problem("/until", "something is set at " + clock(steps.lastKey()) + ", after the watching ends");
            }
            if (!problems.isEmpty()) {
                throw new MalformedException(problems);
            }
            return new Scenario(
                    s.name().strip(),
                    start,
                    steps.entrySet().stream()
                            .map(e -> new Scenario.Step(e.getKey(), e.getValue(), List.of()))
                            .toList(),
                    faults,
                    until);
        }

        private void act(
                Act act, String path, Map<String, Object> start, NavigableMap<Double, Map<String, Object>> steps) {
            boolean atStart = START.contains(act.at().strip());
            Double at = atStart ? null : seconds(act.at(), path + "/at");
            Field field = field(act.what(), path + "/what");
            if (field == null || (at == null && !atStart)) {
                return;
            }
            Object value = value(act.value().strip(), field);
            String mistake = value == null ? "say what " + act.what() + " is" : field.mistakeIn(value);
            if (mistake != null) {
                problem(path + "/value", mistake);
                return;
            }
            Map<String, Object> set = atStart ? start : steps.computeIfAbsent(at, t -> new LinkedHashMap<>());
            if (set.put(act.what(), value) != null) {
                problem(path + "/what", act.what() + " is set twice at " + (atStart ? "the start" : clock(at)));
            }
        }

        private Field field(String what, String path) {
            Input address = Input.isWellFormed(what) ? Input.parse(what) : null;
            Part part = address == null ? null : circuit.part(address.part()).orElse(null);
            if (part == null) {
                problem(path, what.isBlank() ? "say what is set" : "there is no part for \"" + what + "\"");
                return null;
            }
            PartDeclaration type = PartTypes.catalogue().require(part);
            for (Field f : type.inputs(new Params(type.params(), part.params()))) {
                if (f.name().equals(address.name())) {
                    return f;
                }
            }
            problem(path, part.id() + " has nothing called \"" + address.name() + "\" that can be set");
            return null;
        }

        /** The value that a text means for a field; the text itself where it means none, so that the field says why. */
        private static Object value(String text, Field field) {
            String small = text.toLowerCase(Locale.ROOT);
            return switch (field.kind()) {
                case FLAG -> YES.contains(small) ? (Object) true : NO.contains(small) ? (Object) false : text;
                case MOMENTARY -> true;
                case NUMBER -> {
                    OptionalDouble number = Quantity.read(text, field.unit());
                    yield text.isEmpty() ? null : number.isPresent() ? (Object) number.getAsDouble() : text;
                }
                case CHOICE ->
                    text.isEmpty()
                            ? null
                            : field.choices().stream()
                                    .filter(c -> c.equalsIgnoreCase(text))
                                    .findFirst()
                                    .orElse(text);
                default -> text;
            };
        }

        private void defect(Defect d, String path, List<Fault> faults) {
            Fault fault = known.get(d.fault());
            if (fault == null) {
                problem(path + "/fault", "this circuit can't have the fault \"" + d.fault() + "\"");
            }
            Double from = START.contains(d.from().strip()) ? Double.valueOf(0) : seconds(d.from(), path + "/from");
            boolean toEnd = END.contains(d.to().strip());
            Double to = toEnd ? null : seconds(d.to(), path + "/to");
            if (fault == null || from == null || (to == null && !toEnd)) {
                return;
            }
            if (to != null && to <= from) {
                problem(path + "/to", "it goes away before it comes");
                return;
            }
            faults.add(fault.during(from == 0 ? null : from, to));
        }

        private Double seconds(String text, String path) {
            String t = text.strip().toLowerCase(Locale.ROOT);
            Matcher clock = CLOCK.matcher(t);
            if (clock.matches()) {
                double hours = clock.group(1) == null ? 0 : Double.parseDouble(clock.group(1));
                return hours * 3600 + Double.parseDouble(clock.group(2)) * 60 + plain(clock.group(3));
            }
            Matcher span = SPAN.matcher(t);
            if (span.matches()) {
                int unit = span.group(2).equals("h") ? 3600 : span.group(2).equals("min") ? 60 : 1;
                return plain(span.group(1)) * unit;
            }
            problem(path, "\"" + text.strip() + "\" is no time; write it like 0:05, 10:00, 1:30:00 or 5 min");
            return null;
        }

        private static double plain(String text) {
            return Double.parseDouble(text.replace(',', '.'));
        }

        private void problem(String path, String message) {
            problems.add(new Problem(path, message));
        }
    }

    /** All faults that a scenario names, with those a circuit can have; by their words. */
    public static List<Fault> known(Scenario scenario, List<Fault> possible) {
        List<Fault> all = new ArrayList<>(possible);
        Set<String> words = new HashSet<>();
        possible.forEach(f -> words.add(f.words()));
        List<Fault> own = new ArrayList<>(scenario.faults());
        scenario.steps().forEach(s -> own.addAll(s.faults()));
        own.stream().filter(f -> words.add(f.words())).forEach(all::add);
        return all;
    }
}
