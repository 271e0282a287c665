package org.jagridge.core.part;

import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.ServiceLoader;
import java.util.Set;
import java.util.function.BiFunction;
import org.jagridge.core.circuit.Catalogue;
import org.jagridge.core.circuit.Fittings;
import org.jagridge.core.circuit.Input;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Signal;

/** The catalogue: the part types of every register that is there. */
public final class PartTypes implements Catalogue {
    /** A room of part types; found as a service, so that nothing before it has to know it. */
    public interface Register {
        /** Its types, in the order of the catalogue. */
        List<PartType> types();
    }

    private static final PartTypes CATALOGUE = new PartTypes(ServiceLoader.load(Register.class));

    private final Map<String, PartType> byType = new LinkedHashMap<>();

    private PartTypes(Iterable<Register> registers) {
        registers.forEach(r -> r.types().forEach(t -> byType.put(t.type(), t)));
    }

    public static PartTypes catalogue() {
        return CATALOGUE;
    }

    /** Whether a part is one of these. */
    public static boolean is(Part part, Trait trait) {
        return traitsOf(part).contains(trait);
    }

    /** Fittings that hands and defects put into a circuit. */
    public static Fittings fittings() {
        return new Fittings() {
            @Override
            public Part splice(String id, String place, String name, int posts) {
                return fitting(id, "splice", place, name, posts);
            }

            @Override
            public Part strip(String id, String place, int posts) {
                return fitting(id, "terminal-strip", place, null, posts);
            }
        };
    }

    private static Part fitting(String id, String type, String place, String name, int posts) {
        return new Part(
                id, type, place, name, Map.of("posts", (double) posts), true, Part.WhenNotFitted.OPEN, Map.of());
    }

    /** A switch that a hand throws, closed at first, between terminals 1 and 2. */
    public static Part handSwitch(String id, String place) {
        return new Part(id, "switch", place, null, Map.of("rest", "closed"), true, Part.WhenNotFitted.OPEN, Map.of());
    }

    /** What a part is. */
    public static Set<Trait> traitsOf(Part part) {
        return asked(part, PartType::traits);
    }

    /** The values that a part's main signal can take. */
    public static Signal signalOf(Part part) {
        return asked(part, PartType::signal);
    }

    /** How a part of that id is made in a chain, of the kind that is usually called so: {@code F9:fuse}. */
    public static String example(String id) {
        String letters = id.replaceAll("[^A-Za-z].*$", "").toUpperCase(Locale.ROOT);
        return id + ":"
                + CATALOGUE.all().stream()
                        .filter(t -> t.letters().equals(letters))
                        .findFirst()
                        .map(PartType::type)
                        .orElse("relay");
    }

    /** The names of a part's terminals, in their order on the device. */
    public static List<String> terminalsOf(Part part) {
        return asked(part, PartType::terminals);
    }

    /** What a part can be made to call for. */
    public static List<Call> callsOf(Part part) {
        return asked(part, (type, params) -> type.calls(part, params));
    }

    /** What makes a part call for nothing. */
    public static Map<Input, Object> quietOf(Part part) {
        return asked(part, (type, params) -> type.quiet(part, params));
    }

    /** What makes a part let through what others call for. */
    public static Map<Input, Object> letsThrough(Part part) {
        return CATALOGUE.require(part).letsThrough(part);
    }

    /** The temperatures at which a part does something else, by the input that sets what it reads. */
    public static Map<Input, List<Double>> cutsOf(Part part) {
        return asked(part, (type, params) -> type.cuts(part, params));
    }

    /** The same part where temperatures stay as they are set. */
    public static Part still(Part part) {
        return asked(part, (type, params) -> type.still(part, params));
    }

    /** What is set at a part for a day on which coils get frosted. */
    public static Map<Input, Object> frost(Part part) {
        return asked(part, (type, params) -> type.frost(part, params));
    }

    private static <T> T asked(Part part, BiFunction<PartType, Params, T> question) {
        PartType type = CATALOGUE.require(part);
        return question.apply(type, new Params(type.params(), part.params()));
    }

    @Override
    public Optional<PartType> find(String type) {
        return Optional.ofNullable(byType.get(type));
    }

    @Override
    public Collection<PartType> all() {
        return byType.values();
    }

    @Override
    public PartType require(Part part) {
        return find(part.type())
                .orElseThrow(() ->
                        new IllegalArgumentException("part " + part.id() + " has the unknown type " + part.type()));
    }
}
