package org.jagridge.core.part;

import java.util.Arrays;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.FaultKind;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Input;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.PartDeclaration;

/** One entry of the catalogue: what is declared of a type, and the behaviour of each part of it. */
public abstract class PartType implements PartDeclaration {
    private final String type;
    private final String title;
    private final String summary;

    protected PartType(String type, String title, String summary) {
        this.type = type;
        this.title = title;
        this.summary = summary;
    }

    @Override
    public final String type() {
        return type;
    }

    @Override
    public final String title() {
        return title;
    }

    @Override
    public final String summary() {
        return summary;
    }

    @Override
    public List<Field> params() {
        return List.of();
    }

    @Override
    public List<Field> inputs(Params params) {
        return List.of();
    }

    /** Faults of a part that its branches alone don't tell: what sticks, is set wrong, or goes wrong around it. */
    public List<Fault> ownFaults(Part part, Params params) {
        return List.of();
    }

    /** One fault of a kind for each of some words under a key. */
    protected static List<Fault> each(Part part, FaultKind kind, String key, Collection<String> words) {
        return words.stream()
                .map(w -> Fault.of(kind, "part", part.id(), key, w))
                .toList();
    }

    /** "1", "2" … as signals count stages and zones. */
    protected static List<String> numbers(int most) {
        return IntStream.rangeClosed(1, most).mapToObj(Integer::toString).toList();
    }

    /** Where the temperature is set that a control reads: the room that it names, or its own place. */
    protected static Input room(Part part, Params params) {
        return params.has("reads") ? new Input(params.text("reads"), "celsius") : new Input(part.id(), "roomCelsius");
    }

    /** The letters with which the ids of such parts usually begin: the initials of its kind. */
    public String letters() {
        return Arrays.stream(type().split("-", -1))
                .map(w -> w.substring(0, 1).toUpperCase(Locale.ROOT))
                .collect(Collectors.joining());
    }

    /** What a part of this type is. */
    public Set<Trait> traits(Params params) {
        return Set.of();
    }

    /** What it can be made to call for, in the order in which these are tried; none for what is no control. */
    public List<Call> calls(Part part, Params params) {
        return List.of();
    }

    /** What makes a control call for nothing, where that isn't so by itself. */
    public Map<Input, Object> quiet(Part part, Params params) {
        return Map.of();
    }

    /** What makes a control let through what other controls call for. */
    public Map<Input, Object> letsThrough(Part part) {
        return Map.of();
    }

    /** What one sees at a control without a meter. */
    public interface Seen {
        /** What one of its inputs is set to. */
        Object input(String name);

        /** What it shows itself to be, like {@code blank}. */
        String signal();

        /** The temperature of another part, where it has one. */
        OptionalDouble celsius(String part);

        default double number(String input) {
            return input(input) instanceof Number n ? n.doubleValue() : Double.NaN;
        }

        /** What a control reads: the room that it names, or its own place. */
        default double room(Params params) {
            return params.has("reads") ? celsius(params.text("reads")).orElse(Double.NaN) : number("roomCelsius");
        }
    }

    /**
     * Why a control calls for nothing as it is set and as warm as it is; empty where it calls, or is no control.
     *
     * @param output the terminal that is asked about, or null for any
     */
    public Optional<String> whyQuiet(Part part, Params params, String output, Seen seen) {
        return Optional.empty();
    }

    /** The temperatures at which it does something else, by the input that sets what it reads. */
    public Map<Input, List<Double>> cuts(Part part, Params params) {
        return Map.of();
    }

    /** The same part where temperatures stay as they are set, so that hands alone decide on them. */
    public Part still(Part part, Params params) {
        return part;
    }

    /** What is set for a cold and damp day on which coils get frosted. */
    public Map<Input, Object> frost(Part part, Params params) {
        return Map.of();
    }

    /**
     * Change-over sets by the labels of their contacts, where the common terminal alone doesn't tell them: the contacts of
     * one set are never closed at once, those of different sets have nothing to do with each other.
     */
    public List<Set<String>> changeoverSets() {
        return List.of();
    }

    /** Whether a part makes heat while its main signal has a value. */
    public boolean makesHeat(Params params, String signal) {
        return traits(params).contains(Trait.HEAT_SOURCE) && signal(params).isAtWork(signal);
    }

    /** How a hand makes it feed nothing any more; empty for what is no isolator. */
    public Optional<Isolation> isolation(Params params) {
        return Optional.empty();
    }

    /** What its loads are there for, by the terminals that they lie between, where these don't tell it by themselves. */
    protected Map<String, String> jobs() {
        return Map.of();
    }

    /**
     * What one of its loads is there for: what it declares, or the trade's letter of the call that the load hears.
     *
     * @param label the load's terminals, like {@code W-C}
     */
    public final Optional<String> job(String label) {
        String first = label.replaceAll("-.*", "");
        String call = first.matches("[WYGOBE]\\d?|AUX") ? first + " call" : null;
        return Optional.ofNullable(jobs().getOrDefault(label, call));
    }

    /**
     * The terminals on the upper face of the device, all others are on the lower one; on each in the order of {@code
     * terminals}. Controls have all of theirs below, where the wires to what they switch are, loads above.
     */
    public Set<String> above(Params params) {
        List<String> all = terminals(params);
        return all.size() == 2 ? Set.of(all.get(0)) : Set.of();
    }

    /** Whether one of its coils moves one of its contacts, both by the terminals that they lie between. */
    public boolean moves(String coil, String contact) {
        return true;
    }

    /** What its plate says. */
    public Rating rating(Params params) {
        return Rating.usual(params);
    }

    /** What it gives by its rating; asked of parts with a source only. */
    public SourceRating source(Params params) {
        return SourceRating.ac(24);
    }

    /** Makes the part's branches by {@code draft} and returns what drives them. */
    public abstract Behaviour<?> build(PartDraft draft);
}
