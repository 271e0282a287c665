package org.jagridge.core.network;

import java.lang.ref.Reference;
import java.lang.ref.SoftReference;
import java.lang.ref.WeakReference;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.WeakHashMap;
import java.util.concurrent.atomic.AtomicReference;

/**
 * The structure of a network: what could ever conduct. It depends on the circuit only, not on any switch.
 *
 * <p>Branch {@code b} lies between the nodes {@code from(b)} and {@code to(b)}; its current counts from the first to
 * the second. A coupling ties two branches as the windings of a transformer: the current of each also depends on the
 * volts of the other.
 */
public final class Network {
    /** The reference node. */
    public static final int EARTH = -1;

    private final int nodes;
    private final int[] from;
    private final int[] to;
    private final int[] couplingPrimary;
    private final int[] couplingSecondary;
    private final boolean[] galvanic;
    private final int[] leakRank;
    private final Map<Thread, Reference<Solver>> solvers = Collections.synchronizedMap(new WeakHashMap<>());
    /** Whether it is another wiring of another one. */
    private final boolean rewired;

    /** What a solver of this network, or of another wiring of it, kept last: most of what the next one keeps is the same. */
    private final AtomicReference<Values> lastKept;

    private SparsePattern pattern;

    private Network(Builder b) {
        rewired = false;
        lastKept = new AtomicReference<>();
        nodes = b.nodes;
        from = b.from.stream().mapToInt(Integer::intValue).toArray();
        to = b.to.stream().mapToInt(Integer::intValue).toArray();
        couplingPrimary = b.couplings.stream().mapToInt(c -> c[0]).toArray();
        couplingSecondary = b.couplings.stream().mapToInt(c -> c[1]).toArray();
        galvanic = new boolean[from.length];
        for (int i = 0; i < galvanic.length; i++) {
            galvanic[i] = b.galvanic.get(i);
        }
        leakRank = new int[nodes];
        Arrays.fill(leakRank, Integer.MAX_VALUE);
        for (int i = 0; i < b.returnPoles.size(); i++) {
            int node = b.returnPoles.get(i);
            leakRank[node] = Math.min(leakRank[node], i);
        }
    }

    private Network(Network like, int first, int[] wiresFrom, int[] wiresTo) {
        rewired = true;
        lastKept = like.lastKept;
        nodes = like.nodes;
        couplingPrimary = like.couplingPrimary;
        couplingSecondary = like.couplingSecondary;
        leakRank = like.leakRank;
        from = joined(like.from, first, wiresFrom);
        to = joined(like.to, first, wiresTo);
        galvanic = Arrays.copyOf(like.galvanic, from.length);
        Arrays.fill(galvanic, first, galvanic.length, true);
    }

    private static int[] joined(int[] head, int length, int[] tail) {
        int[] all = Arrays.copyOf(head, length + tail.length);
        System.arraycopy(tail, 0, all, length, tail.length);
        return all;
    }

    /**
     * The same nodes, couplings and branches with other ones from a branch on, which all conduct.
     *
     * @param first the first branch that is left out; none after it belongs to a coupling
     * @param wiresFrom by new branch: the node that it comes from
     * @param wiresTo the node that it goes to
     */
    public Network rewired(int first, int[] wiresFrom, int[] wiresTo) {
        return new Network(this, first, wiresFrom, wiresTo);
    }

    public int nodes() {
        return nodes;
    }

    public int branches() {
        return from.length;
    }

    public int couplings() {
        return couplingPrimary.length;
    }

    public int from(int branch) {
        return from[branch];
    }

    public int to(int branch) {
        return to[branch];
    }

    /** The branch that is the primary winding of coupling {@code c}. */
    public int primary(int c) {
        return couplingPrimary[c];
    }

    /** The branch that is the secondary winding of coupling {@code c}. */
    public int secondary(int c) {
        return couplingSecondary[c];
    }

    /** Whether charge can flow through the branch at all; false for a mere capacitance to earth. */
    boolean isGalvanic(int branch) {
        return galvanic[branch];
    }

    /** Order in which nodes are preferred as the place of an island's leak; lower is preferred. */
    int leakRank(int node) {
        return leakRank[node];
    }

    /** The pattern of this network's matrix, found at the first call. */
    synchronized SparsePattern pattern() {
        if (pattern == null) {
            pattern = new SparsePattern(this);
        }
        return pattern;
    }

    AtomicReference<Values> lastKept() {
        return lastKept;
    }

    /**
     * The solver of this network for the calling thread: what it has solved before it needn't solve again. That of
     * another wiring is there for as long as somebody has it.
     */
    public Solver solver() {
        Thread thread = Thread.currentThread();
        Reference<Solver> known = solvers.get(thread);
        Solver solver = known == null ? null : known.get();
        if (solver == null) {
            solver = new Solver(this);
            solvers.put(thread, rewired ? new WeakReference<>(solver) : new SoftReference<>(solver));
        }
        return solver;
    }

    public static Builder builder() {
        return new Builder();
    }

    /** Collects nodes and branches. */
    public static final class Builder {
        private int nodes;
        private final List<Integer> from = new ArrayList<>();
        private final List<Integer> to = new ArrayList<>();
        private final List<Boolean> galvanic = new ArrayList<>();
        private final List<int[]> couplings = new ArrayList<>();
        private final List<Integer> returnPoles = new ArrayList<>();

        /** A new node; returns its index. */
        public int node() {
            return nodes++;
        }

        /** A new branch; returns its index. */
        public int branch(int a, int b) {
            return add(a, b, true);
        }

        /** A branch that carries no direct current and doesn't join islands: stray capacitance. */
        public int strayBranch(int a, int b) {
            return add(a, b, false);
        }

        private int add(int a, int b, boolean joins) {
            if (a >= nodes || b >= nodes) {
                throw new IllegalArgumentException("branch between unknown nodes " + a + " and " + b);
            }
            from.add(a);
            to.add(b);
            galvanic.add(joins);
            return from.size() - 1;
        }

        /** Couples two branches as windings; returns the coupling's index. */
        public int coupling(int primary, int secondary) {
            couplings.add(new int[] {primary, secondary});
            return couplings.size() - 1;
        }

        /** Marks the node where an island without an earth bond leaks to earth. Earlier ones are preferred. */
        public void returnPole(int node) {
            returnPoles.add(node);
        }

        public Network build() {
            return new Network(this);
        }
    }
}
