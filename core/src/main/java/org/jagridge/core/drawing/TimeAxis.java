package org.jagridge.core.drawing;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.TreeSet;
import java.util.stream.LongStream;

/**
 * A time axis on which milliseconds and minutes are both seen: each gap between two instants takes width by the
 * logarithm of its length. Between two instants time runs evenly.
 */
public final class TimeAxis {
    private static final double SHORTEST = 10;
    private static final double LONGEST = 90;
    private static final double MILLISECOND = 1000;

    private final List<Long> instants;
    private final double[] x;

    /**
     * @param micros the instants that matter, in any order
     * @param until the end of the axis
     */
    public TimeAxis(LongStream micros, long until, double width) {
        TreeSet<Long> set = new TreeSet<>();
        micros.forEach(set::add);
        set.add(0L);
        set.add(until);
        instants = new ArrayList<>(set);
        x = new double[instants.size()];
        for (int i = 1; i < x.length; i++) {
            double gap = instants.get(i) - instants.get(i - 1);
            x[i] = x[i - 1] + Math.min(LONGEST, SHORTEST + 7 * Math.log10(1 + gap / MILLISECOND));
        }
        double scale = x.length < 2 || x[x.length - 1] == 0 ? 1 : width / x[x.length - 1];
        for (int i = 0; i < x.length; i++) {
            x[i] *= scale;
        }
    }

    public List<Long> instants() {
        return instants;
    }

    public double x(long micros) {
        int i = Collections.binarySearch(instants, micros);
        if (i >= 0) {
            return x[i];
        }
        int after = -i - 1;
        if (after == 0) {
            return 0;
        }
        if (after >= x.length) {
            return x[x.length - 1];
        }
        double share = (micros - instants.get(after - 1)) / (double) (instants.get(after) - instants.get(after - 1));
        return x[after - 1] + share * (x[after] - x[after - 1]);
    }

    /** The time at a place on the axis. */
    public long micros(double at) {
        int i = 1;
        while (i < x.length - 1 && x[i] < at) {
            i++;
        }
        if (x.length < 2) {
            return 0;
        }
        double share = Math.max(0, Math.min(1, (at - x[i - 1]) / (x[i] - x[i - 1])));
        return instants.get(i - 1) + Math.round(share * (instants.get(i) - instants.get(i - 1)));
    }
}
