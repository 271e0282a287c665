package org.jagridge.core.circuit;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A condition over signals: an atom {@code PART=value}, {@code PART!=value}, {@code PART.signal>=number}, or {@code all},
 * {@code any}, {@code not} of others.
 */
public sealed interface Condition {
    /** What a condition asks of the circuit's present state. */
    interface Signals {
        /** The main signal of a part, or null. */
        String word(String part);

        /** A numeric signal or input, like {@code celsius}. */
        double number(String part, String name);
    }

    boolean holds(Signals signals);

    /** What it is made of: conditions that look at one part. */
    List<Atom> atoms();

    /** The same condition for parts that have other ids. */
    Condition renamed(Rename names);

    /** As the file has it, the opposite of {@link #parse}. */
    Object tree();

    /** The parts it looks at. */
    default List<String> parts() {
        return atoms().stream().map(Atom::part).toList();
    }

    /** A condition over one part. */
    sealed interface Atom extends Condition {
        String part();

        @Override
        default List<Atom> atoms() {
            return List.of(this);
        }
    }

    /** {@code PART=value} or {@code PART!=value}. */
    record Word(String part, boolean equal, String value) implements Atom {
        @Override
        public boolean holds(Signals s) {
            return value.equals(s.word(part)) == equal;
        }

        @Override
        public Word renamed(Rename names) {
            return new Word(names.part(part), equal, value);
        }

        @Override
        public String tree() {
            return part + (equal ? "=" : "!=") + value;
        }
    }

    /** {@code PART.signal>=number} or {@code <=}. */
    record Compare(String part, String name, boolean atLeast, double value) implements Atom {
        @Override
        public boolean holds(Signals s) {
            double now = s.number(part, name);
            return atLeast ? now >= value : now <= value;
        }

        @Override
        public Compare renamed(Rename names) {
            return new Compare(names.part(part), name, atLeast, value);
        }

        @Override
        public String tree() {
            String number = BigDecimal.valueOf(value).stripTrailingZeros().toPlainString();
            return part + "." + name + (atLeast ? ">=" : "<=") + number;
        }
    }

    /** All of them, or any of them. */
    record Several(boolean every, List<Condition> of) implements Condition {
        @Override
        public boolean holds(Signals s) {
            return every ? of.stream().allMatch(c -> c.holds(s)) : of.stream().anyMatch(c -> c.holds(s));
        }

        @Override
        public List<Atom> atoms() {
            return of.stream().flatMap(c -> c.atoms().stream()).toList();
        }

        @Override
        public Several renamed(Rename names) {
            return new Several(every, of.stream().map(c -> c.renamed(names)).toList());
        }

        @Override
        public Object tree() {
            return Map.of(
                    every ? "all" : "any", of.stream().map(Condition::tree).toList());
        }
    }

    /** The opposite. */
    record Not(Condition of) implements Condition {
        @Override
        public boolean holds(Signals s) {
            return !of.holds(s);
        }

        @Override
        public List<Atom> atoms() {
            return of.atoms();
        }

        @Override
        public Not renamed(Rename names) {
            return new Not(of.renamed(names));
        }

        @Override
        public Object tree() {
            return Map.of("not", of.tree());
        }
    }

    Pattern WORD = Pattern.compile("([A-Za-z][\\w-]*)(!?=)(.+)");
    Pattern COMPARE = Pattern.compile("([A-Za-z][\\w-]*)\\.(\\w+)(>=|<=)(-?\\d+(?:\\.\\d+)?)");

    /**
     * Reads a condition as the file has it.
     *
     * @throws IllegalArgumentException that says what is wrong
     */
    static Condition parse(Object tree) {
        if (tree instanceof String text) {
            Matcher compare = COMPARE.matcher(text);
            if (compare.matches()) {
                double value = Double.parseDouble(compare.group(4));
                return new Compare(
                        compare.group(1), compare.group(2), compare.group(3).equals(">="), value);
            }
            Matcher word = WORD.matcher(text);
            if (word.matches()) {
                return new Word(word.group(1), word.group(2).equals("="), word.group(3));
            }
            throw new IllegalArgumentException(
                    "\"" + text + "\" is no condition; write PART=value, PART!=value or PART.signal>=number");
        }
        if (tree instanceof Map<?, ?> map && map.size() == 1) {
            Object value = map.values().iterator().next();
            String key = String.valueOf(map.keySet().iterator().next());
            if (key.equals("not")) {
                return new Not(parse(value));
            }
            if ((key.equals("all") || key.equals("any")) && value instanceof List<?> list) {
                List<Condition> of = new ArrayList<>();
                list.forEach(c -> of.add(parse(c)));
                return new Several(key.equals("all"), of);
            }
        }
        throw new IllegalArgumentException(tree + " is no condition; it takes one of \"all\", \"any\", \"not\"");
    }
}
