package org.jagridge.core.network;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertNotEquals;
import static org.testng.Assert.assertSame;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import org.testng.annotations.Test;

/** Small networks worked out by hand. */
public class NetworkTest {
    private static void near(Complex is, double re, double im) {
        assertEquals(is.re(), re, 1e-9);
        assertEquals(is.im(), im, 1e-9);
    }

    @Test
    public void complexNumbersReckonAsInTheBooks() {
        near(Complex.polar(10, 30), 8.660254037844387, 5);
        near(Complex.impedance(96, 0.6), 57.6, 76.8);
        near(Complex.impedance(5, 1.5), 7.5, 0);
        near(new Complex(3, 4).inverse(), 0.12, -0.16);
        near(new Complex(3, 4).conjugate(), 3, -4);
        near(new Complex(3, 4).times(new Complex(1, 2)), -5, 10);
        near(new Complex(-5, 10).over(new Complex(1, 2)), 3, 4);
        near(new Complex(3, 4).plus(new Complex(1, 2)).minus(new Complex(2, 2)).times(2), 4, 8);
        assertEquals(new Complex(3, 4).abs(), 5, 1e-12);
    }

    /** Two windings and a stray between three nodes. */
    private static Network transformers() {
        Network.Builder b = Network.builder();
        int[] n = {b.node(), b.node(), b.node()};
        int[] w = {b.branch(n[0], Network.EARTH), b.branch(n[1], Network.EARTH), b.branch(n[2], Network.EARTH)};
        assertEquals(b.coupling(w[0], w[1]), 0);
        assertEquals(b.coupling(w[1], w[2]), 1);
        assertEquals(b.strayBranch(n[0], n[2]), 3);
        return b.build();
    }

    @Test
    public void aNetworkKnowsItsWindings() {
        Network network = transformers();
        assertEquals(
                List.of(network.primary(0), network.secondary(0), network.primary(1), network.secondary(1)),
                List.of(0, 1, 1, 2));
        assertEquals(network.couplings(), 2);
        assertTrue(network.isGalvanic(2));
        assertFalse(network.isGalvanic(3));
        assertSame(network.solver(), network.solver());
    }

    @Test
    public void aBranchNeedsNodesThatAreThere() {
        Network.Builder b = Network.builder();
        int node = b.node();
        expectThrows(IllegalArgumentException.class, () -> b.branch(node, node + 1));
        expectThrows(IllegalArgumentException.class, () -> b.branch(node + 1, Network.EARTH));
        assertEquals(b.branch(node, Network.EARTH), 0);
    }

    @Test
    public void valuesAreEqualOnlyIfAllIsEqual() {
        Network network = transformers();
        List<Consumer<Values>> changes = List.of(
                v -> v.admittance(2, 1, 0),
                v -> v.admittance(2, 0, 1),
                v -> v.source(1, 1, 0),
                v -> v.source(1, 0, 1),
                v -> v.mutual(1, -1));
        for (Consumer<Values> change : changes) {
            Values changed = new Values(network);
            change.accept(changed);
            assertNotEquals(changed, new Values(network));
            Values copy = changed.copy();
            assertEquals(copy, changed);
            assertEquals(copy.hashCode(), changed.hashCode());
            copy.clear();
            assertEquals(copy, new Values(network));
            assertNotEquals(changed, copy, "a copy is its own");
        }
        List<Integer> hashes = new ArrayList<>();
        for (int b = 0; b < 3; b++) {
            Values values = new Values(network);
            values.admittance(b, 200, 0);
            hashes.add(values.hashCode());
            values.admittance(b, 200, -1);
            hashes.add(values.hashCode());
            values.source(b, 24, 0);
            hashes.add(values.hashCode());
        }
        assertEquals(hashes.stream().distinct().count(), hashes.size(), "states that differ lie apart");
    }

    @Test
    public void aSourceIsSeenWhateverItsPhase() {
        Values values = new Values(transformers());
        assertFalse(values.hasSource());
        values.source(0, 0, 2);
        assertTrue(values.hasSource());
        values.source(0, 0, 0);
        assertFalse(values.hasSource());
        values.source(3, 2, 0);
        assertTrue(values.hasSource());
    }

    @Test
    public void eachIslandLeaksAtTheFirstOfItsReturnPoles() {
        Network.Builder b = Network.builder();
        for (int i = 0; i < 8; i++) {
            b.node();
        }
        int[] pairs = {b.branch(0, 1), b.branch(1, 2), b.branch(3, 4), b.branch(5, Network.EARTH), b.branch(5, 6)};
        int stray = b.strayBranch(7, 5);
        b.returnPole(2);
        b.returnPole(1);
        b.returnPole(4);
        b.returnPole(2);
        Network network = b.build();
        Values values = new Values(network);
        for (int branch : pairs) {
            values.admittance(branch, 0, 1);
        }
        values.admittance(stray, 0, 1);
        assertEquals(leaks(network, values), List.of(2, 4, 7));
        values.admittance(pairs[1], 0, 0);
        assertEquals(leaks(network, values), List.of(1, 2, 4, 7), "an open branch joins nothing");
    }

    private static List<Integer> leaks(Network network, Values values) {
        List<Integer> nodes = new ArrayList<>();
        new Islands(network).forEachLeak(network, values, nodes::add);
        return nodes.stream().sorted().toList();
    }

    @Test
    public void whatHangsOnNothingShowsTheLeakToEarth() {
        Network.Builder b = Network.builder();
        int alone = b.node();
        int fed = b.node();
        int branch = b.branch(fed, Network.EARTH);
        Network network = b.build();
        Values values = new Values(network);
        values.admittance(branch, 0.5, 0);
        values.source(branch, 12, 0);
        Solver solver = network.solver();
        Solution s = solver.solve(values);
        near(solver.impedance(s, alone, Network.EARTH).times(Solver.ISLAND_LEAK), 1, 0);
        near(solver.impedance(s, fed, Network.EARTH), 2, 0);
        near(solver.impedance(s, Network.EARTH, fed), 2, 0);
        near(s.volts(fed, Network.EARTH), 24, 0);
        near(s.volts(alone, fed), -24, 0);
        near(solver.loadedVolts(s, fed, Network.EARTH, 0.5), 12, 0);
        assertSame(s.network(), network);
    }

    /** A choke of 1 Ω and a capacitor of 1 Ω at one node: nothing is left on the diagonal for the sparse solver. */
    @Test
    public void atResonanceTheDenseSolverTakesOver() {
        Network.Builder b = Network.builder();
        int tuned = b.node();
        int fed = b.node();
        int choke = b.branch(tuned, Network.EARTH);
        int capacitor = b.branch(tuned, fed);
        int source = b.branch(fed, Network.EARTH);
        int second = b.branch(fed, Network.EARTH);
        Network network = b.build();
        Values values = new Values(network);
        values.admittance(choke, 0, -1);
        values.admittance(capacitor, 0, 1);
        values.admittance(source, 1, 0);
        values.source(source, 10, 0);
        Solver solver = new Solver(network);
        Solution s = solver.solve(values);
        assertEquals(solver.denseFallbacks(), 1);
        // the two in series are no impedance at all: all 10 A flow through them, 10 V stand across each
        near(s.volts(fed, Network.EARTH), 0, 0);
        near(s.amps(choke), -s.amps(source).re(), -s.amps(source).im());
        assertEquals(s.branchMagnitude(choke), 10, 1e-9);
        assertEquals(s.branchMagnitude(capacitor), 10, 1e-9);
        near(solver.impedance(s, fed, Network.EARTH), 0, 0);
        values.admittance(second, 4, 0);
        near(solver.solve(values).volts(fed, Network.EARTH), 0, 0);
        assertEquals(solver.denseFallbacks(), 2);
        values.admittance(choke, 1, 0);
        solver.solve(values);
        assertEquals(solver.denseFallbacks(), 2, "and gives way again");
    }

    @Test
    public void whatHasNoSolutionIsSaid() {
        Network.Builder b = Network.builder();
        b.node();
        int tuned = b.node();
        int choke = b.branch(tuned, Network.EARTH);
        int capacitor = b.branch(tuned, Network.EARTH);
        Network network = b.build();
        Values values = new Values(network);
        values.admittance(choke, 0, -1);
        values.admittance(capacitor, 0, 1);
        values.source(capacitor, 1, 0);
        SingularNetworkException e =
                expectThrows(SingularNetworkException.class, () -> new Solver(network).solve(values));
        assertTrue(e.getMessage().endsWith("node " + e.node()), e.getMessage());
    }
}
