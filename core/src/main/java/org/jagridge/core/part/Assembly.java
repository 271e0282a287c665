package org.jagridge.core.part;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Input;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Place;
import org.jagridge.core.circuit.Signal;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.circuit.Wire;
import org.jagridge.core.network.Network;

/**
 * One circuit put together: a node for every terminal, the branches of all parts and wires, and the behaviours that
 * drive them. Immutable; one assembly serves any number of runs.
 */
public final class Assembly {
    /** A part with its behaviour and the inputs it takes. */
    public record Member(
            int index,
            Part part,
            PartType type,
            Params params,
            Behaviour<?> behaviour,
            List<Field> inputs,
            Signal signal,
            Set<Trait> traits) {
        public boolean is(Trait trait) {
            return traits.contains(trait);
        }

        public Rating rating() {
            return type.rating(params);
        }
    }

    private final Circuit circuit;
    private final Network network;
    private final List<Branch> branches;
    private final List<Member> members;
    private final List<Map<String, Object>> untouched;
    private final Map<String, Member> membersById;
    private final Map<Terminal, Integer> nodes;
    private final Map<String, List<Branch>> branchesOfParts;
    /** The branches from here on are the wires, in the circuit's order. */
    private final int firstWire;

    private Map<String, Branch> wires;
    /** Which terminals the parts have asked about whether a wire is on them, with the answer. */
    private final Map<Terminal, Boolean> asked;

    private final double hertz;
    private final Map<Class<?>, Object> kept = new ConcurrentHashMap<>();

    private Assembly(Draft draft) {
        circuit = draft.circuit;
        network = draft.network.build();
        branches = List.copyOf(draft.branches);
        members = List.copyOf(draft.members);
        untouched = members.stream().map(Assembly::untouched).toList();
        nodes = draft.nodes;
        firstWire = draft.firstWire;
        asked = draft.asked;
        membersById = new HashMap<>();
        members.forEach(m -> membersById.put(m.part().id(), m));
        branchesOfParts = new HashMap<>();
        branches.subList(0, firstWire)
                .forEach(b -> branchesOfParts
                        .computeIfAbsent(b.owner(), o -> new ArrayList<>())
                        .add(b));
        hertz = members.stream()
                .filter(m -> m.params().has("hertz"))
                .mapToDouble(m -> m.params().number("hertz"))
                .findFirst()
                .orElse(60);
    }

    /** The parts of another assembly with other wires. */
    private Assembly(Circuit circuit, Assembly like) {
        this.circuit = circuit;
        members = like.members;
        untouched = like.untouched;
        membersById = like.membersById;
        nodes = like.nodes;
        asked = like.asked;
        firstWire = like.firstWire;
        branchesOfParts = like.branchesOfParts;
        hertz = like.hertz;
        List<Branch> all = new ArrayList<>(like.branches.subList(0, firstWire));
        for (Wire w : circuit.wires()) {
            int index = all.size();
            Branch wire = wire(index, w, nodes.get(w.from()), nodes.get(w.to()));
            boolean same =
                    index < like.branches.size() && like.branches.get(index).equals(wire);
            all.add(same ? like.branches.get(index) : wire);
        }
        branches = List.copyOf(all);
        List<Branch> own = branches.subList(firstWire, branches.size());
        network = like.network.rewired(
                firstWire,
                own.stream().mapToInt(Branch::nodeA).toArray(),
                own.stream().mapToInt(Branch::nodeB).toArray());
    }

    private static Branch wire(int index, Wire w, int from, int to) {
        return new Branch(index, w.id(), "", from, to, w.from(), w.to(), Role.WIRE, Shape.NONE, true);
    }

    /**
     * Puts a circuit together that differs from another by a few of its wires: they share what they have in common.
     *
     * @param like that other one; where the two have other parts or places, or a part is built otherwise by the wires on
     *     it, nothing is shared
     */
    public static Assembly of(Circuit circuit, Assembly like) {
        boolean alike = circuit.parts().equals(like.circuit.parts())
                && circuit.places().equals(like.circuit.places())
                && circuit.wires().stream()
                        .allMatch(w -> like.nodes.containsKey(w.from()) && like.nodes.containsKey(w.to()))
                && like.asked.entrySet().stream().allMatch(a -> isWired(circuit, a.getKey()) == a.getValue());
        return alike ? new Assembly(circuit, like) : of(circuit);
    }

    private static boolean isWired(Circuit circuit, Terminal t) {
        return circuit.wires().stream().anyMatch(w -> w.from().equals(t) || w.to().equals(t));
    }

    /** Whether both are of the same parts, so that what is kept of each goes for the other. */
    public boolean sharesParts(Assembly other) {
        return members == other.members;
    }

    /** Puts a checked circuit together. */
    public static Assembly of(Circuit circuit) {
        Draft draft = new Draft(circuit);
        for (Part part : circuit.parts()) {
            draft.add(part);
        }
        for (Place place : circuit.places()) {
            draft.node(place.metalwork());
        }
        draft.firstWire = draft.branches.size();
        for (Wire wire : circuit.wires()) {
            draft.add(wire);
        }
        return new Assembly(draft);
    }

    public Circuit circuit() {
        return circuit;
    }

    public Network network() {
        return network;
    }

    /** All branches; the position in the list is the branch's index in the network. */
    public List<Branch> branches() {
        return branches;
    }

    /** The fitted parts in the circuit's order. */
    public List<Member> members() {
        return members;
    }

    /** By member: its inputs as they are before hands touch them. */
    public List<Map<String, Object>> untouched() {
        return untouched;
    }

    private static Map<String, Object> untouched(Member m) {
        Map<String, Object> values = new HashMap<>();
        m.inputs().forEach(f -> values.put(f.name(), f.initial()));
        return Collections.unmodifiableMap(values);
    }

    public Optional<Member> member(String part) {
        return Optional.ofNullable(membersById.get(part));
    }

    /** The declaration of an input; empty where the circuit has no such one. */
    public Optional<Field> input(Input input) {
        return member(input.part()).stream()
                .flatMap(m -> m.inputs().stream())
                .filter(f -> f.name().equals(input.name()))
                .findFirst();
    }

    /** The branches of a part or wire. */
    public List<Branch> branchesOf(String owner) {
        List<Branch> ofPart = branchesOfParts.get(owner);
        if (ofPart != null) {
            return ofPart;
        }
        Branch wire = wires().get(owner);
        return wire == null ? List.of() : List.of(wire);
    }

    private synchronized Map<String, Branch> wires() {
        if (wires == null) {
            wires = new HashMap<>();
            branches.subList(firstWire, branches.size()).forEach(b -> wires.put(b.owner(), b));
        }
        return wires;
    }

    /** Every terminal with its node. */
    public Map<Terminal, Integer> nodes() {
        return nodes;
    }

    /** The node of a terminal, or empty where the circuit has no such terminal. */
    public Optional<Integer> node(Terminal terminal) {
        return Optional.ofNullable(nodes.get(terminal));
    }

    /** How many nodes the network has; their indices run from 0. */
    public int nodeCount() {
        return network.nodes();
    }

    /**
     * What has been worked out from this assembly and serves as long as it does, one of a kind.
     *
     * @param make works it out at the first call; mustn't ask for another of the same kind
     */
    public <T> T kept(Class<T> kind, Function<Assembly, T> make) {
        Object known = kept.get(kind);
        if (known == null) {
            T made = make.apply(this);
            Object earlier = kept.putIfAbsent(kind, made);
            known = earlier != null ? earlier : made;
        }
        return kind.cast(known);
    }

    /** Frequency of the circuit's AC. */
    public double hertz() {
        return hertz;
    }

    /** The assembly while it grows. */
    static final class Draft {
        final Network.Builder network = Network.builder();
        private final Circuit circuit;
        private final List<Branch> branches = new ArrayList<>();
        private final List<Member> members = new ArrayList<>();
        private final Map<Terminal, Integer> nodes = new LinkedHashMap<>();
        private final Map<Terminal, Integer> hidden = new HashMap<>();
        private final Map<Terminal, Boolean> asked = new HashMap<>();
        private int firstWire;

        Draft(Circuit circuit) {
            this.circuit = circuit;
        }

        Circuit circuit() {
            return circuit;
        }

        int node(Terminal terminal) {
            Map<Terminal, Integer> map = PartDraft.isHidden(terminal.name()) ? hidden : nodes;
            return map.computeIfAbsent(terminal, t -> network.node());
        }

        List<String> terminals(Part part) {
            PartType type = PartTypes.catalogue().require(part);
            return type.terminals(new Params(type.params(), part.params()));
        }

        Optional<Params> paramsOf(String id) {
            return circuit.part(id)
                    .map(p -> new Params(PartTypes.catalogue().require(p).params(), p.params()));
        }

        void add(Part part) {
            PartType type = PartTypes.catalogue().require(part);
            Params params = new Params(type.params(), part.params());
            List<String> names = type.terminals(params);
            names.forEach(t -> node(new Terminal(part.id(), t)));
            PartDraft draft = new PartDraft(this, part, params);
            int before = branches.size();
            Behaviour<?> behaviour = type.build(draft);
            if (!part.fitted()) {
                List<Branch> absent = List.copyOf(branches.subList(before, branches.size()));
                behaviour = NotFitted.build(draft, names, absent);
            }
            members.add(new Member(
                    members.size(),
                    part,
                    type,
                    params,
                    behaviour,
                    type.inputs(params),
                    type.signal(params),
                    type.traits(params)));
        }

        void add(Wire wire) {
            int from = node(wire.from());
            int to = node(wire.to());
            branches.add(Assembly.wire(network.branch(from, to), wire, from, to));
        }

        /** Whether a wire is on a terminal. */
        boolean isWired(Terminal t) {
            return asked.computeIfAbsent(t, x -> Assembly.isWired(circuit, x));
        }

        Branch add(
                String owner,
                String label,
                int nodeA,
                int nodeB,
                Terminal a,
                Terminal b,
                Role role,
                Shape shape,
                boolean restClosed,
                boolean galvanic) {
            int index = galvanic ? network.branch(nodeA, nodeB) : network.strayBranch(nodeA, nodeB);
            Branch branch = new Branch(index, owner, label, nodeA, nodeB, a, b, role, shape, restClosed);
            branches.add(branch);
            return branch;
        }
    }
}
