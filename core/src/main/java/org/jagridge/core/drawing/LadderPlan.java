package org.jagridge.core.drawing;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Groups;
import org.jagridge.core.part.Role;

/** Which branches of a circuit are on which rung of which section of its ladder, and the numbers of rungs and wires. */
final class LadderPlan {
    /** Contacts that lead nowhere are listed below the ladder, so many a row. */
    static final int SPARES_A_ROW = 4;

    private final Assembly assembly;
    private final Nets nets;
    private final Set<Terminal> wired = new HashSet<>();
    private final List<LadderSection> sections = new ArrayList<>();
    private final List<Branch> spares = new ArrayList<>();
    private final Set<Branch> folded = new HashSet<>();
    private final Map<LadderSection, Integer> firstRung = new HashMap<>();
    private final Map<Branch, Integer> rungOf = new HashMap<>();
    private final Map<Integer, Integer> numberOf = new HashMap<>();

    LadderPlan(Assembly assembly, Nets nets) {
        this.assembly = assembly;
        this.nets = nets;
        assembly.circuit().wires().forEach(w -> wired.addAll(List.of(w.from(), w.to())));
        divide();
        numberRungs();
        numberNets();
    }

    List<LadderSection> sections() {
        return sections;
    }

    /** Contacts that nothing is wired to: they are not drawn, and told at their coil. */
    Set<Branch> folded() {
        return folded;
    }

    /** Contacts that lead nowhere though a wire is on one end. */
    List<Branch> spares() {
        return spares;
    }

    boolean isDrawn(Branch b) {
        return rungOf.containsKey(b);
    }

    int rungOf(Branch b) {
        return rungOf.get(b);
    }

    /** The number of the section's row, counted through all sections; 0 for the supply over its rails. */
    int rungOf(LadderSection section, int row) {
        return row < section.supplyRows() ? 0 : firstRung.get(section) + row - section.supplyRows();
    }

    boolean isNumbered(int net) {
        return numberOf.containsKey(net);
    }

    /** The wire number of a net, 0 where it has none. */
    int numberOf(int net) {
        return numberOf.getOrDefault(net, 0);
    }

    boolean isOnASpare(int net) {
        return spares.stream().anyMatch(b -> nets.ofNode(b.nodeA()) == net || nets.ofNode(b.nodeB()) == net);
    }

    // ---- which branch belongs to which section

    private void divide() {
        List<Branch> drawn = assembly.branches().stream()
                .filter(b -> b.isDrawn() && !Nets.isMerged(b))
                .toList();
        int[] ends = new int[nets.all().size()];
        for (Branch b : drawn) {
            ends[nets.ofNode(b.nodeA())]++;
            ends[nets.ofNode(b.nodeB())]++;
        }
        List<Branch> kept = new ArrayList<>();
        for (Branch b : drawn) {
            boolean fromNowhere = isDeadEnd(b.nodeA(), ends);
            boolean toNowhere = isDeadEnd(b.nodeB(), ends);
            if (b.role() == Role.CONTACT && isBare(b)) {
                folded.add(b);
            } else {
                (b.role() == Role.CONTACT && (fromNowhere || toNowhere) ? spares : kept).add(b);
            }
        }
        components(kept)
                .forEach(component ->
                        sections.add(new LadderSection(component, nets, this::isolates, poles(component))));
    }

    private boolean isolates(Branch b) {
        return b.role() == Role.PROTECTION
                || (b.role() == Role.CONTACT
                        && assembly.member(b.owner())
                                .flatMap(m -> m.type().isolation(m.params()))
                                .isPresent());
    }

    /** The two legs of a supply that is drawn without its inside, where both are in a component; null where they aren't. */
    private LadderSection.Poles poles(List<Branch> component) {
        Set<Integer> there = new HashSet<>();
        component.forEach(b -> there.addAll(List.of(nets.ofNode(b.nodeA()), nets.ofNode(b.nodeB()))));
        List<Branch> legs = assembly.branches().stream()
                .filter(b -> b.role().gives() && !b.isDrawn() && there.contains(nets.ofNode(b.nodeA())))
                .toList();
        if (legs.size() != 2
                || nets.ofNode(legs.get(0).nodeA()) == nets.ofNode(legs.get(1).nodeA())) {
            return null;
        }
        return new LadderSection.Poles(
                nets.ofNode(legs.get(0).nodeA()),
                terminal(legs.get(0)),
                nets.ofNode(legs.get(1).nodeA()),
                terminal(legs.get(1)));
    }

    private Terminal terminal(Branch leg) {
        return assembly.nodes().entrySet().stream()
                .filter(e -> e.getValue() == leg.nodeA() && e.getKey().part().equals(leg.owner()))
                .map(Map.Entry::getKey)
                .findFirst()
                .orElse(null);
    }

    /** Whether no wire at all is on the terminals of a contact, or only on a common that its part's others use. */
    private boolean isBare(Branch b) {
        boolean a = hasNoWire(b.a());
        boolean c = hasNoWire(b.b());
        return (a && c) || ((a || c) && sharesItsCommon(b));
    }

    private boolean hasNoWire(Terminal t) {
        return !wired.contains(t);
    }

    private boolean sharesItsCommon(Branch b) {
        Terminal common = hasNoWire(b.a()) ? b.b() : b.a();
        return assembly.branchesOf(b.owner()).stream()
                .anyMatch(o -> !o.equals(b)
                        && o.isDrawn()
                        && (common.equals(o.a()) || common.equals(o.b()))
                        && !hasNoWire(o.a())
                        && !hasNoWire(o.b()));
    }

    /** Whether nothing else is on a node's net: no other branch, no wire. */
    private boolean isDeadEnd(int node, int[] ends) {
        int net = nets.ofNode(node);
        return ends[net] == 1 && nets.all().get(net).terminals().size() == 1;
    }

    /** Components joined by common nets; those with a supply first, then those with a transformer, then the rest. */
    private List<List<Branch>> components(List<Branch> branches) {
        Groups<Integer> joined = new Groups<>();
        branches.forEach(b -> joined.join(nets.ofNode(b.nodeA()), nets.ofNode(b.nodeB())));
        Map<Integer, List<Branch>> byRoot = new LinkedHashMap<>();
        for (Branch b : branches) {
            byRoot.computeIfAbsent(joined.root(nets.ofNode(b.nodeA())), r -> new ArrayList<>())
                    .add(b);
        }
        List<List<Branch>> components = new ArrayList<>(byRoot.values());
        components.sort(Comparator.comparingInt(LadderPlan::rank));
        return components;
    }

    private static int rank(List<Branch> component) {
        if (component.stream().anyMatch(b -> b.role() == Role.SOURCE)) {
            return 0;
        }
        return component.stream().anyMatch(b -> b.role() == Role.SECONDARY) ? 1 : 2;
    }

    // ---- numbers

    private void numberRungs() {
        int rung = 1;
        for (LadderSection section : sections) {
            firstRung.put(section, rung);
            section.placed().forEach(p -> rungOf.put(p.branch(), rungOf(section, p.row())));
            rung += section.rows() - section.supplyRows();
        }
        for (int i = 0; i < spares.size(); i++) {
            rungOf.put(spares.get(i), rung + i / SPARES_A_ROW);
        }
    }

    /** Wire numbers: hundreds by section, rails first, then as the rungs are read. */
    private void numberNets() {
        int hundred = 100;
        for (LadderSection section : sections) {
            int next = hundred + 1;
            List<Integer> reading = new ArrayList<>(List.of(section.hotRail()));
            if (section.returnRail() != LadderSection.NONE) {
                reading.add(section.returnRail());
            }
            section.placed().forEach(p -> reading.addAll(List.of(p.left(), p.right())));
            for (int net : reading) {
                if (numberOf.putIfAbsent(net, next) == null) {
                    next++;
                }
            }
            hundred += 100 * (1 + (next - hundred) / 100);
        }
        int next = hundred + 1;
        Map<Integer, Integer> ends = new HashMap<>();
        for (Branch b : spares) {
            ends.merge(nets.ofNode(b.nodeA()), 1, Integer::sum);
            ends.merge(nets.ofNode(b.nodeB()), 1, Integer::sum);
        }
        for (Branch b : spares) {
            for (int net : new int[] {nets.ofNode(b.nodeA()), nets.ofNode(b.nodeB())}) {
                boolean joins = nets.all().get(net).terminals().size() > 1 || ends.get(net) > 1;
                if (joins && numberOf.putIfAbsent(net, next) == null) {
                    next++;
                }
            }
        }
    }
}
