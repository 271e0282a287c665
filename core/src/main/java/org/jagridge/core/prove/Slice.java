package org.jagridge.core.prove;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.FaultKind;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Rule;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.circuit.Wire;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.PartTypes;
import org.jagridge.core.part.Role;
import org.jagridge.core.part.Trait;

/**
 * The part of a circuit that one claim depends on, as a circuit of its own. Free contacts that lie in series with nothing
 * between them are one hand switch, since it takes only one of them to open; contacts in such a row may change places.
 * Conductors under 1 Ω count as none. What is alike then reads alike ({@link #key}), whatever its parts are called.
 */
final class Slice {
    private static final double NEGLIGIBLE_OHMS = 1;
    private static final Pattern ID = Pattern.compile("[A-Za-z][A-Za-z0-9_-]*");

    /** A contact that is opened and closed at will in place of what moves it. */
    record Free(String part, Branch contact) {}

    final Circuit circuit;
    final Cone cone;
    /** What each hand switch that was put in stands for. */
    final Map<String, List<Free>> frees = new LinkedHashMap<>();
    /** For a wire that a row has swallowed: one that is in series with it. */
    private final Map<String, String> standsFor = new HashMap<>();

    /** Isolators that are left alone, since the source going off is the same. */
    final Set<String> left;

    final List<String> order = new ArrayList<>();
    private final Circuit whole;
    private final Map<String, Wire> wires = new LinkedHashMap<>();
    /** Those that rows are joined by anew. */
    private final List<Wire> added = new ArrayList<>();

    private final Map<Terminal, Terminal> moved = new HashMap<>();

    /** @param left isolators that are left alone */
    Slice(Assembly assembly, Cone cone, Set<String> left) {
        this.left = left;
        this.whole = assembly.circuit();
        this.cone = cone;
        whole.wires().stream().filter(w -> cone.wires.contains(w.id())).forEach(w -> wires.put(w.id(), w));
        rows(assembly);
        Circuit.Builder b = Circuit.builder(whole.name());
        b.places().addAll(whole.places());
        cone.parts.forEach(id -> b.parts().add(whole.part(id).orElseThrow()));
        String place = whole.places().get(0).id();
        frees.keySet().forEach(id -> b.parts().add(PartTypes.handSwitch(id, place)));
        Set<String> there = new HashSet<>(cone.parts);
        there.addAll(frees.keySet());
        whole.places().forEach(p -> there.add(p.id()));
        List<Terminal> junctions = wires.values().stream()
                .flatMap(w -> Stream.of(w.from(), w.to()))
                .filter(t -> !moved.containsKey(t) && !there.contains(t.part()))
                .distinct()
                .toList();
        for (Terminal t : junctions) {
            // of that part nothing is used but a terminal, for wires to meet at
            String joint = unused("joint" + (moved.size() + 1));
            b.parts().add(PartTypes.fittings().splice(joint, place, null, 2));
            moved.put(t, new Terminal(joint, "1"));
            there.add(joint);
            order.add(joint);
        }
        Stream.concat(wires.values().stream().map(this::plain), added.stream())
                .filter(w -> there.contains(w.from().part()) && there.contains(w.to().part()))
                .forEach(w -> b.wires().add(w));
        circuit = b.build();
        order.addAll(cone.parts);
        order.addAll(frees.keySet());
        Map<String, String> ends = new HashMap<>();
        circuit.wires()
                .forEach(w -> ends.put(
                        w.id(),
                        Stream.of(w.from(), w.to())
                                        .map(t -> numbered(t.toString()))
                                        .sorted()
                                        .toList() + ""));
        circuit.wires().stream()
                .map(Wire::id)
                .sorted(Comparator.comparing(ends::get))
                .forEach(order::add);
    }

    private Wire plain(Wire w) {
        boolean heavy = whole.ohmsOf(w) >= NEGLIGIBLE_OHMS;
        return new Wire(
                w.id(),
                moved.getOrDefault(w.from(), w.from()),
                moved.getOrDefault(w.to(), w.to()),
                null,
                heavy ? whole.sizeOf(w) : null,
                heavy ? whole.lengthOf(w).orElse(null) : null,
                w.run(),
                null,
                null,
                List.of());
    }

    private String unused(String id) {
        return whole.part(id).isEmpty() && whole.wire(id).isEmpty() ? id : unused(id + "x");
    }

    /* ---- rows of contacts in series ---- */

    private record Element(Branch contact, boolean free) {}

    private void rows(Assembly assembly) {
        Nets nets = new Nets(wires.values());
        List<Element> elements = new ArrayList<>();
        Map<Terminal, List<Object>> attached = new HashMap<>();
        cone.contacts.forEach((part, set) -> set.forEach(b -> elements.add(new Element(b, true))));
        for (String id : cone.parts) {
            Assembly.Member m = assembly.member(id).orElseThrow();
            for (Branch b : assembly.branchesOf(id)) {
                boolean contact = b.role() == Role.CONTACT && b.a() != null && b.b() != null;
                if (contact
                        && (nets.wiresOf(b.a()).isEmpty() || nets.wiresOf(b.b()).isEmpty())) {
                    continue;
                }
                if (contact && m.is(Trait.FOLLOWS)) {
                    elements.add(new Element(b, false));
                } else {
                    attach(attached, b.a(), b);
                    attach(attached, b.b(), b);
                }
            }
        }
        elements.forEach(e -> {
            attach(attached, e.contact().a(), e);
            attach(attached, e.contact().b(), e);
        });
        Map<Terminal, List<Object>> byNet = new HashMap<>();
        attached.forEach((t, list) ->
                byNet.computeIfAbsent(nets.of(t), n -> new ArrayList<>()).addAll(list));
        Set<Element> done = new HashSet<>();
        for (Element e : elements) {
            if (e.free() && !done.contains(e)) {
                row(e, nets, byNet, done);
            }
        }
    }

    private static void attach(Map<Terminal, List<Object>> attached, Terminal t, Object what) {
        if (t != null) {
            attached.computeIfAbsent(t, x -> new ArrayList<>()).add(what);
        }
    }

    /** The element on the other side of a net that joins nothing but two of them, or null. */
    private static Element neighbour(Element e, Terminal at, Nets nets, Map<Terminal, List<Object>> byNet) {
        List<Object> there = byNet.getOrDefault(nets.of(at), List.of());
        if (there.size() != 2 || nets.hasMetalwork(at)) {
            return null;
        }
        Object other = there.get(0).equals(e) ? there.get(1) : there.get(0);
        return other instanceof Element x && !x.equals(e) ? x : null;
    }

    private void row(Element start, Nets nets, Map<Terminal, List<Object>> byNet, Set<Element> done) {
        List<Element> row = new ArrayList<>(List.of(start));
        List<Terminal> inner = new ArrayList<>();
        Terminal first = extend(row, inner, start.contact().a(), true, nets, byNet);
        Terminal last = extend(row, inner, start.contact().b(), false, nets, byNet);
        done.addAll(row);
        // called after what it stands for, so that it is known again in a circuit with a fault
        String id = "free-"
                + Integer.toHexString(row.stream()
                        .filter(Element::free)
                        .map(e -> e.contact().title())
                        .collect(Collectors.toCollection(TreeSet::new))
                        .hashCode());
        id = unused(id);
        frees.put(
                id,
                row.stream()
                        .filter(Element::free)
                        .map(e -> new Free(e.contact().owner(), e.contact()))
                        .toList());
        Set<String> swallowed = new LinkedHashSet<>();
        inner.forEach(t -> swallowed.addAll(nets.wiresOf(t)));
        swallowed.forEach(wires::remove);
        moved.put(first, new Terminal(id, "1"));
        Terminal end = new Terminal(id, "2");
        int n = 0;
        for (Element e : row) {
            if (!e.free()) {
                String wire = id + "-" + ++n;
                added.add(Wire.between(wire, end, e.contact().a()));
                end = e.contact().b();
            }
        }
        moved.put(last, end);
        nets.wiresOf(first).stream().findFirst().ifPresent(w -> swallowed.forEach(s -> standsFor.put(s, w)));
    }

    /** Adds what follows on one side of the row; gives the terminal at that end of it. */
    private static Terminal extend(
            List<Element> row,
            List<Terminal> inner,
            Terminal from,
            boolean atFront,
            Nets nets,
            Map<Terminal, List<Object>> byNet) {
        Terminal at = from;
        Element e = atFront ? row.get(0) : row.get(row.size() - 1);
        for (Element next = neighbour(e, at, nets, byNet);
                next != null && !row.contains(next);
                next = neighbour(e, at, nets, byNet)) {
            inner.add(at);
            row.add(atFront ? 0 : row.size(), next);
            at = nets.of(next.contact().a()).equals(nets.of(at))
                    ? next.contact().b()
                    : next.contact().a();
            e = next;
        }
        return at;
    }

    /** What wires join. */
    private static final class Nets {
        private final Map<Terminal, Terminal> joined = new HashMap<>();
        private final Map<Terminal, List<String>> wires = new HashMap<>();
        private final Set<Terminal> metalwork = new HashSet<>();

        Nets(Iterable<Wire> all) {
            all.forEach(w -> joined.put(of(w.from()), of(w.to())));
            all.forEach(w -> {
                wires.computeIfAbsent(of(w.from()), n -> new ArrayList<>()).add(w.id());
                if (w.from().name().equals("PE") || w.to().name().equals("PE")) {
                    metalwork.add(of(w.from()));
                }
            });
        }

        Terminal of(Terminal t) {
            Terminal root = t;
            for (Terminal next = joined.get(root); next != null && !next.equals(root); next = joined.get(root)) {
                root = next;
            }
            return root;
        }

        List<String> wiresOf(Terminal t) {
            return wires.getOrDefault(of(t), List.of());
        }

        boolean hasMetalwork(Terminal t) {
            return metalwork.contains(of(t));
        }
    }

    /* ---- faults and likeness ---- */

    /** Whether a fault touches what it depends on; what it does to what moves a free contact is taken in already. */
    boolean isTouchedBy(Fault f) {
        return f.defect().touches().stream().anyMatch(id -> cone.parts.contains(id) || cone.wires.contains(id));
    }

    /** Whether a fault is at an isolator that is left alone: then that has to be thrown, too. */
    boolean leavesAlone(Fault f) {
        return f.defect().touches().stream()
                .anyMatch(id -> left.contains(id)
                        || whole.wire(id)
                                .filter(w -> left.contains(w.from().part()) || left.contains(w.to().part()))
                                .isPresent());
    }

    Subject subject(Rule claim) {
        return new Subject(circuit, List.of(claim), left);
    }

    /** The fault in this slice, or null where it can't be said in it. */
    Fault inSlice(Fault f) {
        String wire = f.wire();
        if (wire == null || circuit.wire(wire).isPresent()) {
            return f;
        }
        String other = standsFor.get(wire);
        if (other == null || (f.kind() != FaultKind.WIRE_OPEN && f.kind() != FaultKind.WIRE_RESISTIVE)) {
            return null;
        }
        Map<String, Object> details = new LinkedHashMap<>(f.defect().details());
        details.put("wire", other);
        return new Fault(f.kind(), details, null, null);
    }

    /** The same text for slices that are alike. */
    String key(Rule claim, List<Fault> faults) {
        StringBuilder text = new StringBuilder();
        for (String id : order) {
            circuit.part(id).map(Slice::shape).ifPresent(p -> text.append(p).append('\n'));
            circuit.wire(id)
                    .ifPresent(w -> text.append(w.from() + " " + w.to() + " " + w.size() + w.lengthMetres())
                            .append('\n'));
        }
        text.append(claim.claim()).append(claim.graceSeconds()).append(claim.inputs());
        faults.forEach(f -> text.append(f.words()).append(';'));
        text.append(left);
        return numbered(text.toString());
    }

    private static String shape(Part p) {
        return p.id() + " is " + p.type() + p.params() + p.fitted() + p.whenNotFitted();
    }

    /** Whether it has such a part or wire. */
    boolean isIn(String id) {
        return order.contains(id);
    }

    /** The same text for what is alike in slices that are alike. */
    String numbered(String text) {
        Matcher m = ID.matcher(text);
        StringBuilder out = new StringBuilder();
        while (m.find()) {
            int i = order.indexOf(m.group());
            m.appendReplacement(out, i < 0 ? Matcher.quoteReplacement(m.group()) : "#" + i);
        }
        return m.appendTail(out).toString();
    }
}
