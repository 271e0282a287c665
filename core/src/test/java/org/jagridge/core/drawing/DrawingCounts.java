package org.jagridge.core.drawing;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jagridge.core.Circuits;
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

    /** What was counted with the layout before: name; parts; wires; crossings of the ladder, of the connection diagram … */
    static Map<String, int[]> before() {
        Map<String, int[]> before = new HashMap<>();
        Circuits.text("/drawing-before.txt")
                .lines()
                .map(l -> l.split(";"))
                .forEach(l -> before.put(l[0], new int[] {Integer.parseInt(l[3]), Integer.parseInt(l[4])}));
        return before;
    }

    public static void main(String[] args) {
        Map<String, int[]> before = before();
        System.out.println("circuit: crossings of ladder (before), of connection diagram (before); layout times");
        for (Families.Drawn d : circuits()) {
            Assembly assembly = Assembly.of(d.circuit());
            long t0 = System.nanoTime();
            Ladder ladder = LadderLayout.of(assembly);
            long t1 = System.nanoTime();
            Connection c = ConnectionLayout.of(assembly);
            long t2 = System.nanoTime();
            System.out.printf(
                    "%s: %d (%d), %d (%d); %d ms, %d ms%n",
                    d.name(),
                    Crossings.of(ladder),
                    before.get(d.name())[0],
                    Crossings.of(c, d.circuit()),
                    before.get(d.name())[1],
                    (t1 - t0) / 1000000,
                    (t2 - t1) / 1000000);
        }
    }
}
