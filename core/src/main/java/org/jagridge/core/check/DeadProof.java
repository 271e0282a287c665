package org.jagridge.core.check;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Input;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.network.Network;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.PartTypes;
import org.jagridge.core.part.Role;
import org.jagridge.core.part.Trait;
import org.jagridge.core.run.Frame;
import org.jagridge.core.run.Run;
import org.jagridge.core.run.Simulation;

/**
 * What must be open, unplugged or discharged so that every terminal in a place is dead by every route.
 *
 * <p>A route is a way from a live source through anything that can conduct: wires, contacts (taken as closed, for they
 * may weld), loads, and transformers in either direction. It ends at earth, since what is bonded to earth can't be live.
 * Isolators are opened until no route is left, as few as do, and among as many the local ones. The answer is then checked
 * by solving the network.
 */
public final class DeadProof {
    /** Volts to earth from which a terminal isn't dead. */
    private static final double DEAD = 1;
    /** Choices of isolators that are tried for a smaller one. */
    private static final int MOST_TRIES = 20_000;

    /** Something to open: the input that does it, and how it is called. */
    public record Isolator(String input, Object off, String words) {}

    /**
     * The answer for a place.
     *
     * @param open what must be open, in the order of the circuit
     * @param discharge capacitors to discharge
     * @param routes where routes remain whatever is opened: each as the parts and wires from the source
     * @param points terminals to prove, the poles of what comes in first
     * @param worstVolts the most volts to earth at any terminal of the place with those isolators open, as solved
     */
    public record Sheet(
            String place,
            List<Isolator> open,
            List<String> discharge,
            List<List<String>> routes,
            List<Terminal> points,
            double worstVolts) {
        public boolean dead() {
            return routes.isEmpty() && worstVolts < DEAD;
        }
    }

    private final Assembly assembly;
    private final String place;
    private final Set<Integer> nodes = new LinkedHashSet<>();
    private final Route route;

    private DeadProof(Circuit circuit, String place) {
        assembly = Assembly.of(circuit);
        this.place = place;
        assembly.nodes().forEach((t, n) -> {
            if (placeOf(t).equals(place)) {
                nodes.add(n);
            }
        });
        route = new Route(assembly);
    }

    /** The prove-dead sheet of a place. */
    public static Sheet of(Circuit circuit, String place) {
        return new DeadProof(circuit, place).sheet();
    }

    private String placeOf(Terminal t) {
        return assembly.circuit().part(t.part()).map(p -> p.place()).orElse(t.part());
    }

    private Sheet sheet() {
        List<Isolator> all = isolators();
        List<Isolator> needed = routes(all).isEmpty() ? fewest(all) : all;
        return new Sheet(place, needed, capacitors(), routes(needed), points(), worstVolts(needed));
    }

    /**
     * As few as do; among as many, those nearest to the place. All are opened and one after the other is left on where it
     * isn't needed, the sources first; then every smaller choice is tried, up to a number of tries.
     */
    private List<Isolator> fewest(List<Isolator> all) {
        List<Isolator> open = new ArrayList<>(all);
        List<Isolator> order = new ArrayList<>(all);
        order.sort(Comparator.comparingInt(this::farness).reversed());
        for (Isolator i : order) {
            open.remove(i);
            if (!routes(open).isEmpty()) {
                open.add(i);
            }
        }
        List<Isolator> nearestFirst = new ArrayList<>(all);
        nearestFirst.sort(Comparator.comparingInt(this::farness));
        Tries tries = new Tries(nearestFirst);
        for (int size = 0; size < open.size(); size++) {
            List<Isolator> fewer = tries.ofSize(size);
            if (fewer != null) {
                open = fewer;
            }
        }
        return all.stream().filter(open::contains).toList();
    }

    /** Tries choices of isolators. */
    private final class Tries {
        private final List<Isolator> from;
        private int left = MOST_TRIES;

        Tries(List<Isolator> from) {
            this.from = from;
        }

        /** The first choice of a size that leaves no route, or null. */
        List<Isolator> ofSize(int size) {
            return choose(size, 0, new ArrayList<>());
        }

        private List<Isolator> choose(int size, int first, List<Isolator> chosen) {
            if (size == 0) {
                return left-- > 0 && routes(chosen).isEmpty() ? List.copyOf(chosen) : null;
            }
            for (int i = first; i <= from.size() - size && left > 0; i++) {
                chosen.add(from.get(i));
                List<Isolator> found = choose(size - 1, i + 1, chosen);
                if (found != null) {
                    return found;
                }
                chosen.remove(chosen.size() - 1);
            }
            return null;
        }
    }

    private int farness(Isolator i) {
        Assembly.Member m = assembly.member(Input.parse(i.input()).part()).orElseThrow();
        boolean source = m.type().isolation(m.params()).orElseThrow().source();
        return (source ? 2 : 0) + (m.part().place().equals(place) ? 0 : 1);
    }

    private List<Isolator> isolators() {
        List<Isolator> list = new ArrayList<>();
        for (Assembly.Member m : assembly.members()) {
            String id = m.part().id();
            m.type()
                    .isolation(m.params())
                    .ifPresent(i -> list.add(new Isolator(
                            id + "." + i.input(), i.off(), m.part().title() + " (" + id + "): " + i.words())));
        }
        return list;
    }

    private List<String> capacitors() {
        return assembly.circuit().parts().stream()
                .filter(p -> PartTypes.traitsOf(p).contains(Trait.HOLDS_CHARGE)
                        && p.place().equals(place)
                        && p.fitted())
                .map(p -> p.id())
                .toList();
    }

    /** The routes that reach the place with some isolators open, one for each source that does. */
    private List<List<String>> routes(Collection<Isolator> open) {
        Set<String> off = new HashSet<>();
        open.forEach(i -> off.add(Input.parse(i.input()).part()));
        return route.sources().stream()
                .filter(source -> !off.contains(source.owner()))
                .flatMap(source -> route.from(source, nodes::contains, b -> !isOpened(b, off)).stream())
                .toList();
    }

    private static boolean isOpened(Branch b, Set<String> off) {
        return off.contains(b.owner())
                && (b.role() == Role.CONTACT || b.role() == Role.PROTECTION || b.role() == Role.SOURCE);
    }

    /** Terminals where wires from other places come in, then the poles of transformers and contactors inside. */
    private List<Terminal> points() {
        Set<Terminal> points = new LinkedHashSet<>();
        assembly.circuit().wires().forEach(w -> {
            boolean from = placeOf(w.from()).equals(place);
            boolean to = placeOf(w.to()).equals(place);
            if (from != to) {
                points.add(from ? w.from() : w.to());
            }
        });
        for (Branch b : assembly.branches()) {
            boolean pole = b.role().gives() || b.role() == Role.PRIMARY;
            if (pole && b.isDrawn() && placeOf(b.a()).equals(place)) {
                points.addAll(List.of(b.a(), b.b()));
            }
        }
        points.removeIf(t -> t.name().equals("PE"));
        return List.copyOf(points);
    }

    private double worstVolts(List<Isolator> open) {
        Map<String, Object> start = new HashMap<>();
        open.forEach(i -> start.put(i.input(), i.off()));
        Run run = Simulation.run(assembly, new Scenario("Isolated", start, List.of(), List.of(), 1));
        Frame f = run.at(1_000_000);
        double worst = 0;
        for (int n : nodes) {
            double direct = f.dc() == null ? 0 : f.dc().volts(n, Network.EARTH).abs();
            worst = Math.max(worst, Math.hypot(f.ac().volts(n, Network.EARTH).abs(), direct));
        }
        return worst;
    }
}
