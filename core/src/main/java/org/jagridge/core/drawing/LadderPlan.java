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
import org.jagridge.core.part.Shape;
import org.jagridge.core.part.Trait;

/** Which branches of a circuit are on which rung of which section of its ladder, and the numbers of rungs and wires. */
final class LadderPlan {
    /** Contacts that lead nowhere are listed below the ladder, so many a row. */
    static final int SPARES_A_ROW = 4;

    private final Assembly assembly;
    private final Spots spots;
    private final Set<Terminal> wired = new HashSet<>();
    private final List<LadderSection> sections = new ArrayList<>();
    private final List<Branch> spares = new ArrayList<>();
    private final Set<Branch> folded = new HashSet<>();
    private final Map<LadderSection, Integer> firstRung = new HashMap<>();
    private final Map<Branch, Integer> rungOf = new HashMap<>();
    private final Map<Integer, Integer> numberOf = new HashMap<>();

    LadderPlan(Assembly assembly, Spots spots) {
        this.assembly = assembly;
        this.spots = spots;
        assembly.circuit().wires().forEach(w -> wired.addAll(List.of(w.from(), w.to())));
        divide();
        numberRungs();
        numberNets();
    }

    List<LadderSection> sections() {
        return sections;
    }

    /** Contacts and outputs that nothing is wired to: they are not drawn, and told at their part's coil or load. */
    Set<Branch> folded() {
        return folded;
    }

    /** Contacts that lead nowhere though a wire is on one end. */
    List<Branch> spares() {
        return spares;
    }

    /** Whether a line goes around a contact. */
    boolean isJumper(Branch b) {
        return spots.jumpers().contains(b);
    }

    /** Whether a contact's two ends are one net, so that it stops nothing. */
    boolean isBypassed(Branch b) {
        return Spots.isSwitch(b) && net(spots.ofNode(b.nodeA())) == net(spots.ofNode(b.nodeB()));
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

    boolean isOnASpare(int spot) {
        return spares.stream().anyMatch(b -> spots.ofNode(b.nodeA()) == spot || spots.ofNode(b.nodeB()) == spot);
    }

    // ---- which branch belongs to which section

    private void divide() {
        List<Branch> drawn = assembly.branches().stream()
                .filter(b -> isJumper(b) || (b.isDrawn() && !Nets.isMerged(b)))
                .toList();
        int[] ends = new int[spots.count()];
        for (Branch b : drawn) {
            ends[spots.ofNode(b.nodeA())]++;
            ends[spots.ofNode(b.nodeB())]++;
        }
        List<Branch> kept = new ArrayList<>();
        for (Branch b : drawn) {
            boolean fromNowhere = isDeadEnd(b.nodeA(), ends);
            boolean toNowhere = isDeadEnd(b.nodeB(), ends);
            boolean unusedOutput = b.role().gives() && fromNowhere && toNowhere && hasALoad(b.owner());
            if (unusedOutput || (b.role() == Role.CONTACT && isBare(b))) {
                folded.add(b);
            } else {
                (b.role() == Role.CONTACT && (fromNowhere || toNowhere) ? spares : kept).add(b);
            }
        }
        components(kept).stream()
                .map(this::withItsFeed)
                .sorted(Comparator.comparingInt(this::rank))
                .forEach(component -> sections.add(new LadderSection(component, spots, this::isolates)));
    }

    /** Where no source is drawn, the equipment that feeds the section from within comes first. */
    private List<Branch> withItsFeed(List<Branch> component) {
        if (component.stream().anyMatch(b -> b.role().gives())) {
            return component;
        }
        Set<Integer> there = new HashSet<>();
        component.forEach(b -> there.addAll(List.of(spots.ofNode(b.nodeA()), spots.ofNode(b.nodeB()))));
        List<Branch> fed = new ArrayList<>(OwnPair.in(assembly, there, spots));
        fed.addAll(component);
        return fed;
    }

    private boolean isolates(Branch b) {
        return b.role() == Role.PROTECTION
                || (b.role() == Role.CONTACT
                        && assembly.member(b.owner())
                                .flatMap(m -> m.type().isolation(m.params()))
                                .isPresent());
    }

    /** Whether no wire at all is on the terminals of a contact, or only on a common that its part's others use. */
    private boolean isBare(Branch b) {
        boolean a = hasNoWire(b.a());
        boolean c = hasNoWire(b.b());
        return (a && c) || ((a || c) && sharesItsCommon(b));
    }

    private boolean hasALoad(String part) {
        return assembly.branchesOf(part).stream()
                .anyMatch(b -> b.isDrawn() && b.role().consumes());
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
        int net = spots.ofNode(node);
        return ends[net] == 1 && spots.at(net).terminals().size() == 1;
    }

    /** What hangs together, in the order of the circuit. */
    private List<List<Branch>> components(List<Branch> branches) {
        Groups<Integer> joined = new Groups<>();
        branches.forEach(b -> joined.join(spots.ofNode(b.nodeA()), spots.ofNode(b.nodeB())));
        Map<Integer, List<Branch>> byRoot = new LinkedHashMap<>();
        for (Branch b : branches) {
            byRoot.computeIfAbsent(joined.root(spots.ofNode(b.nodeA())), r -> new ArrayList<>())
                    .add(b);
        }
        return List.copyOf(byRoot.values());
    }

    /** Line voltage, each transformer's secondary, direct current, loops that equipment feeds, what nothing feeds. */
    private int rank(List<Branch> component) {
        return component.stream()
                .filter(b -> b.role().gives())
                .mapToInt(this::rankOfSource)
                .min()
                .orElse(4);
    }

    private int rankOfSource(Branch b) {
        if (b.shape() == Shape.BOX) {
            return 3;
        }
        Assembly.Member m = assembly.member(b.owner()).orElseThrow();
        boolean mains = m.type().traits(m.params()).contains(Trait.MAINS);
        return mains ? 0 : m.type().source(m.params()).direct() ? 2 : 1;
    }

    // ---- numbers

    private int net(int spot) {
        return spots.netOf(spot).index();
    }

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
            for (int spot : reading) {
                if (numberOf.putIfAbsent(net(spot), next) == null) {
                    next++;
                }
            }
            hundred += 100 * (1 + (next - hundred) / 100);
        }
        int next = hundred + 1;
        Map<Integer, Integer> ends = new HashMap<>();
        for (Branch b : spares) {
            ends.merge(spots.ofNode(b.nodeA()), 1, Integer::sum);
            ends.merge(spots.ofNode(b.nodeB()), 1, Integer::sum);
        }
        for (Branch b : spares) {
            for (int net : new int[] {spots.ofNode(b.nodeA()), spots.ofNode(b.nodeB())}) {
                boolean joins = spots.at(net).terminals().size() > 1 || ends.get(net) > 1;
                if (joins && numberOf.putIfAbsent(net(net), next) == null) {
                    next++;
                }
            }
        }
    }
}
