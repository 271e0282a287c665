package org.jagridge.core.drawing;

import java.util.ArrayList;
import java.util.List;
import org.jagridge.core.Families;
import org.jagridge.core.GeneratedCircuits;
import org.jagridge.core.part.Assembly;

/** Prints what the drawings of the families cross and how long they take, a line each: a bench, not a test. */
public final class DrawingCounts {
    private DrawingCounts() {}

    /** The families, and sixty circuits made by dice. */
    static List<Families.Drawn> circuits() {
        List<Families.Drawn> all = new ArrayList<>(Families.all());
        for (int seed = 0; seed < 60; seed++) {
            all.add(new Families.Drawn("dice " + seed, GeneratedCircuits.of(seed, 80)));
        }
        return all;
    }

    public static void main(String[] args) {
        for (Families.Drawn d : circuits()) {
            Assembly assembly = Assembly.of(d.circuit());
            long t0 = System.nanoTime();
            Ladder ladder = LadderLayout.of(assembly);
            long t1 = System.nanoTime();
            Connection c = args.length > 0 ? null : ConnectionLayout.of(assembly);
            long t2 = System.nanoTime();
            System.out.printf(
                    "%s;%d;%d;%d;%d;%d;%d;%.0fx%.0f%n",
                    d.name(),
                    d.circuit().parts().size(),
                    d.circuit().wires().size(),
                    Crossings.of(ladder),
                    c == null ? 0 : Crossings.of(c, d.circuit()),
                    (t1 - t0) / 1000000,
                    (t2 - t1) / 1000000,
                    c == null ? ladder.width() : c.width(),
                    c == null ? ladder.height() : c.height());
        }
    }
}
