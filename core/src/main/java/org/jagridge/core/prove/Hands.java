package org.jagridge.core.prove;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;
import org.jagridge.core.circuit.Condition;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Input;
import org.jagridge.core.circuit.Rule;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.PartTypes;
import org.jagridge.core.part.Time;
import org.jagridge.core.part.Trait;
import org.jagridge.core.part.block.CoilAndContacts;
import org.jagridge.core.run.Configuration;

/**
 * What hands and the world may change in a circuit: every input with finite values in all of them, temperatures in one
 * value of each range between those at which a part does something else. Set points stay as they are; nobody holds a
 * contactor in by hand.
 */
final class Hands {
    /** How long a dip of the mains lasts: longer than any relay holds, shorter than any timer waits. */
    static final long DIP = Time.SECOND / 2;

    private static final String MOVED_BY = "movedBy";

    /**
     * One input with the values it is varied between.
     *
     * @param pushed whether it is a push, which holds nothing
     */
    record Dial(Assembly.Member member, Input input, List<Object> values, boolean pushed) {
        Object initial() {
            return member.inputs().stream()
                    .filter(f -> f.name().equals(input.name()))
                    .findFirst()
                    .orElseThrow()
                    .initial();
        }
    }

    private final List<Dial> dials = new ArrayList<>();
    private final Set<Input> mains = new LinkedHashSet<>();
    /** The input that says who moves an opening, by the one that says where to. */
    private final Map<Input, Input> movers = new LinkedHashMap<>();

    Hands(Assembly assembly, List<Rule> rules) {
        this(assembly, rules, Set.of());
    }

    /** @param left parts that are left as they are */
    Hands(Assembly assembly, List<Rule> rules, Set<String> left) {
        Map<String, List<Object>> narrowed = new LinkedHashMap<>();
        rules.forEach(r -> r.inputs()
                .forEach((key, values) -> narrowed.merge(
                        key,
                        values,
                        (a, b) ->
                                Stream.concat(a.stream(), b.stream()).distinct().toList())));
        Map<Input, Set<Double>> cuts = cuts(assembly, rules);
        for (Assembly.Member m : assembly.members()) {
            for (Field f : m.inputs()) {
                Input input = new Input(m.part().id(), f.name());
                List<Object> values = narrowed.getOrDefault(input.toString(), values(f, cuts.get(input)));
                boolean push = f.kind() == Field.Kind.MOMENTARY;
                if (!left.contains(m.part().id())
                        && (values.size() > 1 || push || isAnother(values, f))
                        && isVaried(assembly, m, f)) {
                    dials.add(new Dial(m, input, values, push));
                }
                if (m.is(Trait.MAINS) && f.kind() == Field.Kind.FLAG) {
                    mains.add(input);
                }
            }
            if (m.is(Trait.OPENING) && m.inputs().size() == 2) {
                Input who = new Input(m.part().id(), MOVED_BY);
                m.inputs().stream()
                        .filter(f -> !f.name().equals(MOVED_BY))
                        .forEach(f -> movers.put(new Input(m.part().id(), f.name()), who));
            }
        }
        movers.values().retainAll(dials.stream().map(Dial::input).toList());
    }

    private static boolean isAnother(List<Object> values, Field f) {
        return values.size() == 1 && !Objects.equals(values.get(0), f.initial());
    }

    /** Who moves an opening is of no matter where no drive of it gives a signal. */
    private static boolean isVaried(Assembly assembly, Assembly.Member m, Field f) {
        if (f.name().equals(CoilAndContacts.PRESSED)) {
            return false;
        }
        return !f.name().equals(MOVED_BY)
                || assembly.members().stream()
                        .filter(o -> o.is(Trait.DERIVED_SOURCE))
                        .flatMap(o -> o.type().references(o.params()).stream())
                        .anyMatch(r -> r.id().equals(m.part().id()));
    }

    private static List<Object> values(Field f, Set<Double> cuts) {
        return switch (f.kind()) {
            case CHOICE -> List.copyOf(f.choices());
            case FLAG -> List.of(f.initial(), !(boolean) f.initial());
            case MOMENTARY -> List.of(true);
            case NUMBER -> cuts == null ? List.of() : between(cuts, f);
            default -> List.of();
        };
    }

    /** One value in each range that the cuts make; where the input begins is one of them. */
    private static List<Object> between(Set<Double> cuts, Field f) {
        List<Double> sorted = List.copyOf(cuts);
        Set<Object> values = new LinkedHashSet<>();
        for (int i = 0; i <= sorted.size(); i++) {
            double low = i == 0 ? sorted.get(0) - 2 : sorted.get(i - 1);
            double high = i == sorted.size() ? sorted.get(i - 1) + 2 : sorted.get(i);
            double initial = ((Number) f.initial()).doubleValue();
            double value = initial > low && initial < high ? initial : (low + high) / 2;
            values.add(Math.min(f.max(), Math.max(f.min(), value)));
        }
        return List.copyOf(values);
    }

    private static Map<Input, Set<Double>> cuts(Assembly assembly, List<Rule> rules) {
        Map<Input, Set<Double>> cuts = new LinkedHashMap<>();
        for (Assembly.Member m : assembly.members()) {
            PartTypes.cutsOf(m.part())
                    .forEach((input, at) ->
                            cuts.computeIfAbsent(input, i -> new TreeSet<>()).addAll(at));
        }
        rules.stream()
                .flatMap(r -> r.claim().conditions().stream())
                .flatMap(c -> c.atoms().stream())
                .filter(Condition.Compare.class::isInstance)
                .map(Condition.Compare.class::cast)
                .forEach(c -> cuts.computeIfAbsent(new Input(c.part(), c.name()), i -> new TreeSet<>())
                        .add(c.value()));
        return cuts;
    }

    List<Dial> dials() {
        return dials;
    }

    /** How many settings of all dials there are. */
    double settings() {
        return dials.stream()
                .filter(d -> !d.pushed())
                .mapToDouble(d -> d.values().size())
                .reduce(1, (a, b) -> a * b);
    }

    /** Every single change that can be made here. */
    List<Move> moves(Configuration at) {
        List<Move> moves = new ArrayList<>();
        for (Dial d : dials) {
            if (movers.containsValue(d.input())) {
                continue;
            }
            if (d.pushed() && d.member().is(Trait.FUSE) && d.member().signal().isAtWork(at.signal(d.member()))) {
                // nobody replaces a fuse that is whole
                continue;
            }
            Object now = at.input(d.member(), d.input().name());
            Input who = movers.get(d.input());
            for (Object value : d.values()) {
                if (!d.pushed() && same(value, now)) {
                    continue;
                }
                if (who == null) {
                    moves.add(Move.of(Map.of(d.input(), value)));
                } else {
                    for (Object by : valuesOf(who)) {
                        Map<Input, Object> both = new LinkedHashMap<>();
                        if (!by.equals(at.input(d.member(), who.name()))) {
                            both.put(who, by);
                        }
                        both.put(d.input(), value);
                        moves.add(Move.of(both));
                    }
                }
            }
        }
        for (Input m : mains) {
            if (Boolean.TRUE.equals(
                    dialOf(m) == null ? null : at.input(dialOf(m).member(), m.name()))) {
                moves.add(new Move(Map.of(m, false), List.of(), List.of(), DIP));
            }
        }
        return moves;
    }

    private Dial dialOf(Input input) {
        return dials.stream().filter(d -> d.input().equals(input)).findFirst().orElse(null);
    }

    private List<Object> valuesOf(Input input) {
        return dialOf(input).values();
    }

    private static boolean same(Object a, Object b) {
        if (a instanceof Number x && b instanceof Number y) {
            return x.doubleValue() == y.doubleValue();
        }
        return a.equals(b);
    }

    /** What every dial stands at. */
    Map<Input, Object> setting(Configuration at) {
        Map<Input, Object> setting = new LinkedHashMap<>();
        dials.stream()
                .filter(d -> !d.pushed())
                .forEach(d ->
                        setting.put(d.input(), at.input(d.member(), d.input().name())));
        return setting;
    }

    /** What differs in a setting from where everything begins. */
    Map<Input, Object> unusual(Map<Input, Object> setting) {
        Map<Input, Object> unusual = new LinkedHashMap<>();
        for (Dial d : dials) {
            Object value = setting.get(d.input());
            if (value != null && !same(value, d.initial())) {
                unusual.put(d.input(), value);
            }
        }
        return unusual;
    }
}
