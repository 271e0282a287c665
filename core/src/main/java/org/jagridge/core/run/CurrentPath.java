package org.jagridge.core.run;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import org.jagridge.core.network.Complex;
import org.jagridge.core.network.Network;
import org.jagridge.core.network.Solution;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Role;
import org.jagridge.core.part.Trait;
import org.jagridge.core.part.Ways;

/**
 * The way the current takes: from a source's hot pole through a load and back, as the chain of parts and wires met
 * when the largest current in phase with the load's is followed each way.
 */
public final class CurrentPath {
    private static final double LEAST_AMPS = 1e-6;

    /**
     * A path.
     *
     * @param owners parts and wires from hot pole to return pole; empty where no current flows
     * @param branches the branches on it, in the same order
     * @param backFeed whether it runs through another load that isn't meant to be in series with it, between two supplies, or comes from a supply that the
     *     circuit as drawn doesn't join to this load
     */
    public record Path(List<String> owners, List<Branch> branches, boolean backFeed) {
        static final Path NONE = new Path(List.of(), List.of(), false);
    }

    private record Walk(List<Branch> branches, Branch source, boolean atHotPole) {}

    private final Assembly assembly;
    private final Homes homes;
    private final Ways ways;

    /** @param homes which supply each terminal belongs to in the circuit as it was meant to be */
    CurrentPath(Assembly assembly, Homes homes) {
        this.assembly = assembly;
        this.homes = homes;
        ways = assembly.kept(Ways.class, a -> Ways.ofNodes(a, b -> true));
    }

    /** Whether it follows currents in this network. */
    boolean isOf(Network network) {
        return assembly.network() == network;
    }

    /** The path of the current through {@code focus}. */
    public Path through(Branch focus, Solution solution) {
        return through(focus, solution, new HashSet<>());
    }

    private Path through(Branch focus, Solution solution, Set<Integer> transformersPassed) {
        Complex reference = solution.amps(focus.index());
        if (reference.abs() < LEAST_AMPS) {
            return Path.NONE;
        }
        Walk up = walk(focus, focus.nodeA(), reference, solution, true);
        Walk down = walk(focus, focus.nodeB(), reference, solution, false);
        boolean hotFirst = up.atHotPole() != down.atHotPole()
                ? up.atHotPole()
                : up.source() == null
                        || down.source() == null
                        || up.source().index() <= down.source().index();
        Walk first = hotFirst ? up : down;
        Walk last = hotFirst ? down : up;

        List<Branch> chain = new ArrayList<>();
        if (first.source() != null) {
            chain.addAll(feedOf(first.source(), solution, transformersPassed));
        }
        List<Branch> inward = new ArrayList<>(first.branches());
        Collections.reverse(inward);
        chain.addAll(inward);
        chain.add(focus);
        chain.addAll(last.branches());
        return new Path(owners(chain), chain, isBackFeed(focus, up, down));
    }

    /** For a secondary winding: the chain that feeds its primary, up to the transformer. */
    private List<Branch> feedOf(Branch source, Solution solution, Set<Integer> passed) {
        if (source.role() != Role.SECONDARY || !passed.add(source.index())) {
            return List.of();
        }
        for (Branch b : assembly.branchesOf(source.owner())) {
            if (b.role() == Role.PRIMARY) {
                List<Branch> chain = through(b, solution, passed).branches();
                int end = chain.indexOf(b);
                return end < 0 ? List.of() : chain.subList(0, end + 1);
            }
        }
        return List.of();
    }

    private Walk walk(Branch from, int start, Complex reference, Solution solution, boolean upstream) {
        List<Branch> met = new ArrayList<>();
        Set<Integer> seen = new HashSet<>();
        seen.add(from.index());
        int node = start;
        while (true) {
            Branch best = null;
            double most = 1e-3 * reference.abs();
            for (Branch b : ways.at(node)) {
                if (seen.contains(b.index())) {
                    continue;
                }
                double inflow = inPhase(solution.amps(b.index()), reference) * (b.nodeB() == node ? 1 : -1);
                double flow = upstream ? inflow : -inflow;
                if (flow > most) {
                    most = flow;
                    best = b;
                }
            }
            if (best == null) {
                return new Walk(met, null, false);
            }
            met.add(best);
            seen.add(best.index());
            if (best.role().gives()) {
                return new Walk(met, best, best.nodeA() == node);
            }
            node = best.nodeA() == node ? best.nodeB() : best.nodeA();
        }
    }

    private static double inPhase(Complex amps, Complex reference) {
        return (amps.re() * reference.re() + amps.im() * reference.im()) / reference.abs();
    }

    private boolean isBackFeed(Branch focus, Walk up, Walk down) {
        if (!focus.role().consumes()) {
            return false;
        }
        boolean throughLoad = Stream.concat(up.branches().stream(), down.branches().stream())
                .anyMatch(b -> b.role().consumes() && !worksInSeries(focus, b));
        boolean twoSupplies = up.source() != null
                && down.source() != null
                && !up.source().owner().equals(down.source().owner());
        boolean stranger = homes.differ(focus, up.source()) || homes.differ(focus, down.source());
        return throughLoad || twoSupplies || stranger;
    }

    /** The coil of a lockout relay is made to pull in through another coil. */
    private boolean worksInSeries(Branch one, Branch other) {
        boolean lockout = locksOut(one) || locksOut(other);
        return lockout && one.role() == Role.COIL && other.role() == Role.COIL;
    }

    private boolean locksOut(Branch b) {
        return assembly.member(b.owner()).filter(m -> m.is(Trait.LOCKS_OUT)).isPresent();
    }

    private static List<String> owners(List<Branch> chain) {
        List<String> owners = new ArrayList<>();
        for (Branch b : chain) {
            if (owners.isEmpty() || !owners.get(owners.size() - 1).equals(b.owner())) {
                owners.add(b.owner());
            }
        }
        return owners;
    }
}
