package org.jagridge.benchmarks;

import java.util.Random;
import org.ejml.data.ZMatrixRMaj;
import org.jagridge.core.network.Network;
import org.jagridge.core.network.Values;

/** Networks of the shape that control circuits have: rungs of contacts and coils between a feed and a common. */
final class Ladders {
    final Network network;
    final Values[] states;
    private final double[][] admittances;

    /** @param nodes about how many nodes @param states how many switch states to make */
    Ladders(int nodes, int states) {
        Random random = new Random(nodes);
        Network.Builder b = Network.builder();
        int hot = b.node();
        int common = b.node();
        b.branch(hot, common);
        b.branch(common, Network.EARTH);
        int rungs = (nodes - 2) / 4;
        for (int i = 0; i < rungs; i++) {
            int w1 = b.node();
            int w2 = b.node();
            int w3 = b.node();
            int w4 = b.node();
            b.branch(hot, w1);
            b.branch(w1, w2);
            b.branch(w2, w3);
            b.branch(w3, w4);
            b.branch(w4, common);
        }
        network = b.build();
        this.states = new Values[states];
        admittances = new double[states][network.branches()];
        for (int s = 0; s < states; s++) {
            Values v = new Values(network);
            set(v, s, 0, 1 / 1.728);
            v.source(0, 26.88 / 1.728, 0);
            set(v, s, 1, 1000);
            for (int i = 0; i < rungs; i++) {
                set(v, s, 2 + 5 * i, 200);
                set(v, s, 3 + 5 * i, random.nextBoolean() ? 200 : 0);
                set(v, s, 4 + 5 * i, 200);
                set(v, s, 5 + 5 * i, 1.0 / (60 + random.nextInt(100)));
                set(v, s, 6 + 5 * i, 200);
            }
            this.states[s] = v;
        }
    }

    private void set(Values v, int state, int branch, double mhos) {
        v.admittance(branch, mhos, 0);
        admittances[state][branch] = mhos;
    }

    /** The same equations as a dense matrix, for the library. Rows without any conductor get a leak. */
    ZMatrixRMaj dense(int state) {
        int n = network.nodes();
        ZMatrixRMaj y = new ZMatrixRMaj(n, n);
        for (int i = 0; i < n; i++) {
            y.set(i, i, 1e-9, 0);
        }
        for (int b = 0; b < network.branches(); b++) {
            double g = admittances[state][b];
            int from = network.from(b);
            int to = network.to(b);
            y.set(from, from, y.getReal(from, from) + g, 0);
            if (to >= 0) {
                y.set(to, to, y.getReal(to, to) + g, 0);
                y.set(from, to, y.getReal(from, to) - g, 0);
                y.set(to, from, y.getReal(to, from) - g, 0);
            }
        }
        return y;
    }
}
