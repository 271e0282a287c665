package org.jagridge.core.meter;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Input;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.circuit.Wire;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Call;
import org.jagridge.core.part.NodeGroups;
import org.jagridge.core.part.PartTypes;
import org.jagridge.core.part.Role;
import org.jagridge.core.part.Time;
import org.jagridge.core.part.Trait;
import org.jagridge.core.run.Frame;
import org.jagridge.core.run.Run;
import org.jagridge.core.run.Simulation;

/**
 * The volts at each post of a terminal strip in every state of the controls that are wired to it: each combination, run
 * from power on until it has settled.
 *
 * @param reference where the other lead is: the return of a supply
 * @param together whether all combinations are there; otherwise they would be more than {@link #MOST_ROWS}, and each
 *     control is moved alone
 */
public record StripTable(
        Part strip, Terminal reference, List<Part> controls, List<Post> posts, List<Row> rows, boolean together) {
    public static final int MOST_ROWS = 96;

    /** How long each state lasts before the volts are taken, seconds: longer than valves and sequencers take. */
    public static final double SETTLES = 600;

    /**
     * A post that is wired.
     *
     * @param wires with the terminal at the other end of each
     */
    public record Post(Terminal terminal, List<End> wires) {}

    /** A conductor under a post. */
    public record End(Wire wire, Terminal far) {}

    /**
     * @param states of the controls, in their order; empty for one that is at rest
     * @param volts at the posts, in their order, with a meter of high impedance
     * @param ghosts whether most of that goes away with a meter of low impedance, by post
     * @param works what is at work then
     */
    public record Row(List<String> states, List<Reading> volts, List<Boolean> ghosts, List<String> works) {}

    /** Volts under which nobody asks where they come from. */
    private static final double LEAST_GHOST = 1;

    /** What is left of a ghost at the most when the meter loads it. */
    private static final double GHOST_LEFT = 0.5;

    /** The dial of a thermostat that calls by itself. */
    private static final String DIAL = "setCelsius";

    /**
     * What a control can be made to do.
     *
     * @param words empty for at rest
     * @param shown the part whose own signal is the words, or null
     */
    private record Setting(String words, Map<String, Object> inputs, String shown) {
        Setting(String words, Map<String, Object> inputs) {
            this(words, inputs, null);
        }

        String words(Frame frame) {
            return shown == null ? words : frame.signals().getOrDefault(shown, words);
        }
    }

    /** The strips of a circuit that have wires. */
    public static List<Part> strips(Circuit circuit) {
        return circuit.parts().stream()
                .filter(p -> p.fitted() && PartTypes.is(p, Trait.POSTS))
                .filter(p -> !posts(circuit, p).isEmpty())
                .toList();
    }

    /** The table of a strip; empty where no supply of the circuit has a return. */
    public static Optional<StripTable> of(Assembly assembly, Part strip) {
        Circuit circuit = assembly.circuit();
        List<Post> posts = posts(circuit, strip);
        Optional<Terminal> reference = reference(assembly, posts);
        if (reference.isEmpty()) {
            return Optional.empty();
        }
        Map<Part, List<Setting>> settings = settings(assembly, strip);
        List<Part> controls = List.copyOf(settings.keySet());
        long all = settings.values().stream().mapToLong(List::size).reduce(1, (a, b) -> Math.min(1_000_000, a * b));
        List<List<Setting>> states =
                all <= MOST_ROWS ? product(List.copyOf(settings.values())) : oneByOne(List.copyOf(settings.values()));
        return Optional.of(new StripTable(
                strip,
                reference.get(),
                controls,
                posts,
                states.stream()
                        .map(s -> row(assembly, s, posts, reference.get()))
                        .toList(),
                all <= MOST_ROWS));
    }

    private static Row row(Assembly assembly, List<Setting> settings, List<Post> posts, Terminal reference) {
        Map<String, Object> start = new LinkedHashMap<>();
        settings.forEach(s -> start.putAll(s.inputs()));
        Run run = Simulation.run(assembly, new Scenario("state", start, List.of(), List.of(), SETTLES));
        long at = Time.micros(SETTLES);
        Meter meter = Meter.at(run, at);
        List<Reading> volts = new ArrayList<>();
        List<Boolean> ghosts = new ArrayList<>();
        for (Post p : posts) {
            Request.Mode mode = meter.volts(p.terminal(), reference);
            Reading high = meter.shown(new Request(mode, p.terminal(), reference, null, 1, false));
            Reading low = meter.shown(new Request(mode, p.terminal(), reference, null, 1, true));
            volts.add(high);
            ghosts.add(Math.abs(high.value()) >= LEAST_GHOST
                    && Math.abs(low.value()) < GHOST_LEFT * Math.abs(high.value()));
        }
        return new Row(settings.stream().map(s -> s.words(run.at(at))).toList(), volts, ghosts, working(run.at(at)));
    }

    private static List<String> working(Frame frame) {
        return frame.assembly().members().stream()
                .filter(m -> frame.assembly().branchesOf(m.part().id()).stream().anyMatch(Branch::doesWork)
                        || m.is(Trait.HEAT_SOURCE))
                .filter(m -> m.signal()
                        .isAtWork(frame.signals().getOrDefault(m.part().id(), "")))
                .map(m -> m.part().id())
                .toList();
    }

    private static List<Post> posts(Circuit circuit, Part strip) {
        Map<String, List<End>> ends = new LinkedHashMap<>();
        PartTypes.terminalsOf(strip).forEach(t -> ends.put(t, new ArrayList<>()));
        for (Wire w : circuit.wires()) {
            for (int end = 0; end < 2; end++) {
                if (w.end(end).part().equals(strip.id())
                        && ends.containsKey(w.end(end).name())) {
                    ends.get(w.end(end).name()).add(new End(w, w.end(1 - end)));
                }
            }
        }
        return ends.entrySet().stream()
                .filter(e -> !e.getValue().isEmpty())
                .map(e -> new Post(new Terminal(strip.id(), e.getKey()), e.getValue()))
                .toList();
    }

    /** The return of the supply that the strip has a post of; of the first supply where it has none. */
    private static Optional<Terminal> reference(Assembly assembly, List<Post> posts) {
        NodeGroups joined = NodeGroups.of(assembly, b -> b.isWire() || b.role() == Role.CONDUCTOR);
        List<Terminal> returns = Stream.of(Role.SECONDARY, Role.SOURCE)
                .flatMap(role -> assembly.branches().stream().filter(b -> b.role() == role && b.b() != null))
                .map(Branch::b)
                .toList();
        return posts.stream()
                .map(Post::terminal)
                .filter(p -> returns.stream()
                        .anyMatch(r -> joined.together(
                                assembly.node(p).orElseThrow(), assembly.node(r).orElseThrow())))
                .findFirst()
                .or(() -> returns.stream().findFirst());
    }

    /** By control with a wire to the strip, in the order of the circuit, what it can do; at rest first. */
    private static Map<Part, List<Setting>> settings(Assembly assembly, Part strip) {
        Circuit circuit = assembly.circuit();
        Set<String> wired = new LinkedHashSet<>();
        for (Wire w : circuit.wires()) {
            for (int end = 0; end < 2; end++) {
                if (w.end(end).part().equals(strip.id())) {
                    wired.add(w.end(1 - end).part());
                }
            }
        }
        Map<Part, List<Setting>> settings = new LinkedHashMap<>();
        for (Part p : circuit.parts()) {
            if (p.fitted() && wired.contains(p.id())) {
                List<Setting> of = settings(assembly, p, PartTypes.callsOf(p));
                if (of.size() > 1) {
                    settings.put(p, of);
                }
            }
        }
        return settings;
    }

    private static List<Setting> settings(Assembly assembly, Part control, List<Call> calls) {
        if (calls.isEmpty()) {
            return switched(assembly, control);
        }
        Map<String, Object> rest = new LinkedHashMap<>();
        calls.forEach(c -> {
            put(rest, c.before());
            put(rest, c.end());
        });
        put(rest, PartTypes.quietOf(control));
        List<Setting> all = new ArrayList<>(List.of(new Setting("", rest)));
        for (Call c : calls) {
            Map<String, Object> called = new LinkedHashMap<>(rest);
            put(called, c.before());
            put(called, c.begin());
            all.add(new Setting(c.name(), called));
        }
        return all;
    }

    private static void put(Map<String, Object> to, Map<Input, Object> set) {
        set.forEach((input, value) -> to.put(input.toString(), value));
    }

    /** A dial turned down and up, or a switch or button that a hand throws; empty for anything else. */
    private static List<Setting> switched(Assembly assembly, Part part) {
        List<Field> inputs = assembly.member(part.id()).orElseThrow().inputs();
        for (Field f : inputs) {
            String key = new Input(part.id(), f.name()).toString();
            if (f.name().equals(DIAL)) {
                return List.of(
                        new Setting("", Map.of(key, f.min()), part.id()),
                        new Setting("", Map.of(key, f.max()), part.id()));
            }
            if (PartTypes.is(part, Trait.HAND_SWITCH) && f.kind() == Field.Kind.FLAG && inputs.size() == 1) {
                boolean rest = Boolean.TRUE.equals(f.initial());
                boolean push = "push".equals(part.params().get("kind"));
                String moved = push ? "pressed" : rest ? "open" : "closed";
                return List.of(new Setting("", Map.of(key, rest)), new Setting(moved, Map.of(key, !rest)));
            }
        }
        return List.of();
    }

    private static List<List<Setting>> product(List<List<Setting>> controls) {
        List<List<Setting>> rows = List.of(List.of());
        for (List<Setting> settings : controls) {
            List<List<Setting>> longer = new ArrayList<>();
            for (List<Setting> row : rows) {
                for (Setting s : settings) {
                    List<Setting> more = new ArrayList<>(row);
                    more.add(s);
                    longer.add(more);
                }
            }
            rows = longer;
        }
        return rows;
    }

    private static List<List<Setting>> oneByOne(List<List<Setting>> controls) {
        List<Setting> rest = controls.stream().map(s -> s.get(0)).toList();
        List<List<Setting>> rows = new ArrayList<>(List.of(rest));
        for (int i = 0; i < controls.size(); i++) {
            for (Setting s : controls.get(i).subList(1, controls.get(i).size())) {
                List<Setting> row = new ArrayList<>(rest);
                row.set(i, s);
                rows.add(row);
            }
        }
        return rows;
    }
}
