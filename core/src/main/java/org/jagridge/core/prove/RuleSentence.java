package org.jagridge.core.prove;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Condition;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Rule;
import org.jagridge.core.circuit.Rule.Claim;
import org.jagridge.core.circuit.Signal;
import org.jagridge.core.part.PartTypes;

/**
 * Reads a rule as people say it:
 *
 * <pre>
 * Never HTR1 on while V1 is not shut
 * Never UH1 burning while any of V1, V2, V3 is not shut
 * Always BLW on or HTR off
 * Within 30 s after FC is heating BLW is on
 * Before CMP runs BLW runs
 * Possible: UH1 burning
 * </pre>
 *
 * A condition is made of parts with what they show, joined by "and" and "or" ("and" binds more); "runs" and "works" stand
 * for everything that a part shows when it is at work, "rests" for the rest.
 */
public final class RuleSentence {
    /**
     * What couldn't be read.
     *
     * @param word the word, or an empty text at the end
     * @param from its first letter, counted from 0
     * @param could what would have been understood there
     */
    public record NotUnderstood(String word, int from, String why, List<String> could) {}

    /** A rule, or what wasn't understood of it; one of them is null. */
    public record Reading(Rule rule, NotUnderstood mistake) {}

    private static final Set<String> WORKS = Set.of("runs", "works", "running", "working");
    private static final Set<String> RESTS = Set.of("rests", "resting");
    private static final Set<String> FILLS = Set.of("is", "are", "the", "goes", "being");
    private static final Set<String> WHILE = Set.of("while", "when", "with");

    private record Token(String text, int from) {
        String low() {
            return text.toLowerCase(Locale.ROOT);
        }
    }

    private static final class Stop extends Exception {
        private static final long serialVersionUID = 1L;
        private final transient NotUnderstood what;

        Stop(NotUnderstood what) {
            super(what.why());
            this.what = what;
        }
    }

    private final Circuit circuit;
    private final String text;
    private final List<Token> tokens = new ArrayList<>();
    private int next;

    private RuleSentence(Circuit circuit, String text) {
        this.circuit = circuit;
        this.text = text;
        int i = 0;
        while (i < text.length()) {
            char c = text.charAt(i);
            if (Character.isWhitespace(c) || c == ',' || c == ':' || c == '.' || c == ';') {
                i++;
                continue;
            }
            int from = i;
            while (i < text.length() && !Character.isWhitespace(text.charAt(i)) && ",:;".indexOf(text.charAt(i)) < 0) {
                i++;
            }
            String word = text.substring(from, i);
            tokens.add(new Token(word.endsWith(".") ? word.substring(0, word.length() - 1) : word, from));
        }
    }

    /**
     * Reads a sentence.
     *
     * @param id the id that the rule gets
     */
    public static Reading read(Circuit circuit, String id, String text) {
        RuleSentence s = new RuleSentence(circuit, text);
        try {
            Claim claim = s.claim();
            if (s.next < s.tokens.size()) {
                throw s.stop("the sentence should end here, or go on with \"and\" or \"or\"", List.of("and", "or"));
            }
            return new Reading(new Rule(id, text.strip(), claim, Rule.GRACE_SECONDS, Map.of()), null);
        } catch (Stop e) {
            return new Reading(null, e.what);
        }
    }

    private Stop stop(String why, List<String> could) {
        Token t = next < tokens.size() ? tokens.get(next) : new Token("", text.length());
        return new Stop(new NotUnderstood(t.text(), t.from(), why, could));
    }

    private boolean takes(Set<String> words) {
        if (next < tokens.size() && words.contains(tokens.get(next).low())) {
            next++;
            return true;
        }
        return false;
    }

    private boolean takes(String word) {
        return takes(Set.of(word));
    }

    private Claim claim() throws Stop {
        if (takes(Set.of("never", "no"))) {
            Condition first = condition();
            return new Claim.Never(takes(WHILE) ? new Condition.Several(true, List.of(first, condition())) : first);
        }
        if (takes("always")) {
            return new Claim.Always(condition());
        }
        if (takes("possible")) {
            return new Claim.Possible(condition());
        }
        if (takes("within")) {
            double seconds = seconds();
            if (!takes(Set.of("after", "of"))) {
                throw stop("after the time comes \"after\" and what it counts from", List.of("after"));
            }
            Condition when = condition();
            return new Claim.Within(when, condition(), seconds);
        }
        if (takes("before")) {
            Condition then = condition();
            return new Claim.Before(condition(), then);
        }
        throw stop(
                "a rule begins with never, always, within, before or possible",
                List.of("Never", "Always", "Within", "Before", "Possible"));
    }

    private double seconds() throws Stop {
        if (next >= tokens.size()) {
            throw stop("a time is missing, like \"30 s\"", List.of("30 s"));
        }
        String number = tokens.get(next).low().replaceAll("[a-z]+$", "");
        String unit = tokens.get(next).low().substring(number.length());
        double value;
        try {
            value = Double.parseDouble(number);
        } catch (NumberFormatException e) {
            throw stop("a time was expected, like \"30 s\"", List.of("30 s"));
        }
        next++;
        if (unit.isEmpty() && next < tokens.size()) {
            unit = tokens.get(next++).low();
        }
        return switch (unit) {
            case "s", "sec", "second", "seconds" -> value;
            case "min", "minute", "minutes" -> 60 * value;
            case "h", "hour", "hours" -> 3600 * value;
            default -> {
                next--;
                throw stop("a time is in s, min or h", List.of("s", "min", "h"));
            }
        };
    }

    private Condition condition() throws Stop {
        List<Condition> any = new ArrayList<>(List.of(all()));
        while (takes("or")) {
            any.add(all());
        }
        return any.size() == 1 ? any.get(0) : new Condition.Several(false, any);
    }

    private Condition all() throws Stop {
        List<Condition> all = new ArrayList<>(List.of(about()));
        while (takes("and")) {
            all.add(about());
        }
        return all.size() == 1 ? all.get(0) : new Condition.Several(true, all);
    }

    /** One part, or several of which all or any are said to show the same. */
    private Condition about() throws Stop {
        boolean every = false;
        boolean several = false;
        if (takes(Set.of("any", "one")) || takes("all") || takes("every")) {
            every = Set.of("all", "every").contains(tokens.get(next - 1).low());
            several = true;
            takes("of");
        }
        List<Part> parts = new ArrayList<>();
        do {
            parts.add(part());
            several |= parts.size() > 1;
        } while (goesOnWithPart(several));
        while (takes(FILLS)) {
            // only makes it a sentence
        }
        boolean not = takes("not") || takes("isn't") || takes("aren't");
        String verb = next < tokens.size() ? tokens.get(next).text() : "";
        int at = next;
        List<Condition> each = new ArrayList<>();
        for (Part p : parts) {
            next = at;
            each.add(shows(p, verb, not));
        }
        return each.size() == 1 ? each.get(0) : new Condition.Several(every, each);
    }

    private boolean goesOnWithPart(boolean several) {
        int mark = next;
        boolean joins = takes("or") || takes("and");
        boolean another = next < tokens.size()
                && circuit.part(tokens.get(next).text()).isPresent()
                && (several || joins)
                && saysNothingYet(mark);
        if (!another) {
            next = mark;
        }
        return another;
    }

    /** "V1 or V2 is not shut": between the two nothing is said of the first. */
    private boolean saysNothingYet(int mark) {
        return mark > 0 && circuit.part(tokens.get(mark - 1).text()).isPresent();
    }

    private Part part() throws Stop {
        while (takes(FILLS)) {
            // only makes it a sentence
        }
        Optional<Part> part = next < tokens.size()
                ? circuit.parts().stream()
                        .filter(p -> p.id().equalsIgnoreCase(tokens.get(next).text()))
                        .findFirst()
                : Optional.empty();
        if (part.isEmpty()) {
            throw stop(
                    next < tokens.size()
                            ? "there is no part " + tokens.get(next).text()
                            : "the name of a part is missing",
                    circuit.parts().stream()
                            .filter(p -> PartTypes.signalOf(p).isThere())
                            .map(Part::id)
                            .toList());
        }
        next++;
        return part.get();
    }

    private Condition shows(Part part, String verb, boolean not) throws Stop {
        Signal signal = PartTypes.signalOf(part);
        if (WORKS.contains(verb.toLowerCase(Locale.ROOT)) && !signal.words().contains(verb)) {
            next++;
            return negated(works(part, signal), not);
        }
        if (RESTS.contains(verb.toLowerCase(Locale.ROOT))) {
            next++;
            return negated(works(part, signal), !not);
        }
        // what a part shows may be several words, as the contacts of a thermostat are
        for (int many = Math.min(6, tokens.size() - next); many > 0; many--) {
            String value = String.join(
                    " ",
                    tokens.subList(next, next + many).stream().map(Token::text).toList());
            String known = signal.words().stream()
                    .filter(w -> w.equalsIgnoreCase(value))
                    .findFirst()
                    .orElse(value);
            if (signal.isThere() && signal.mistakeIn(known).isEmpty()) {
                next += many;
                return new Condition.Word(part.id(), !not, known);
            }
        }
        List<String> could = new ArrayList<>(signal.words());
        could.addAll(signal.items());
        could.addAll(List.of("runs", "rests"));
        throw stop(
                signal.isThere()
                        ? part.id() + " is never \"" + verb + "\"; it can be " + String.join(", ", could)
                        : part.id() + " shows nothing that a rule could name",
                could);
    }

    private static Condition negated(Condition c, boolean not) {
        return not ? new Condition.Not(c) : c;
    }

    static Condition works(Part part, Signal signal) {
        List<Condition> any = signal.words().stream()
                .filter(signal::isAtWork)
                .map(w -> (Condition) new Condition.Word(part.id(), true, w))
                .toList();
        if (any.isEmpty()) {
            return new Condition.Not(new Condition.Several(
                    false,
                    signal.idle().stream()
                            .map(w -> (Condition) new Condition.Word(part.id(), true, w))
                            .toList()));
        }
        return any.size() == 1 ? any.get(0) : new Condition.Several(false, any);
    }
}
