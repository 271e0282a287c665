package org.jagridge.core.meter;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jagridge.core.circuit.Cable;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.circuit.Wire;
import org.jagridge.core.circuit.WiringDefect;
import org.jagridge.core.network.Network;
import org.jagridge.core.network.Solver;
import org.jagridge.core.network.Values;

/**
 * A cable tested with both of its ends off: the ohms between each two cores with the far ends apart and with two of them
 * twisted together, and of each core to earth. What is wrong follows from the readings alone.
 *
 * <p>Example: 6 m of five cores AWG 18 (20.95 Ω/km) read 2 · 6 · 0.02095 = 0.25 Ω for a sound pair tied at the far end,
 * and nothing apart.
 */
public final class CableTest {
    /** At or under this the meter beeps. */
    private static final double BEEP_OHMS = 30;

    private static final double OPEN_OHMS = 20e6;

    /**
     * The readings of one tie.
     *
     * @param one the far ends that are twisted together, by the colour they have there
     * @param ohms between these two at the near end; infinite for OL
     * @param beeps pairs of other near ends that beep instead, like "red–green"
     */
    public record Tie(String one, String other, double apart, double ohms, List<String> beeps) {}

    /**
     * The outcome.
     *
     * @param expected ohms of a sound pair tied at the far end
     * @param toEarth ohms of each core to earth, by colour
     * @param verdicts what is wrong, in sentences; empty for a sound cable
     */
    public record Outcome(double expected, List<Tie> ties, Map<String, Double> toEarth, List<String> verdicts) {}

    private final List<String> cores;
    private final double ohms;
    private final Map<String, String> farOf = new LinkedHashMap<>();
    private final Set<String> open = new HashSet<>();
    private final Set<String> earthed = new HashSet<>();
    private final List<String[]> shorts = new ArrayList<>();

    private CableTest(List<String> cores, double ohms) {
        this.cores = cores;
        this.ohms = ohms;
        cores.forEach(c -> farOf.put(c, c));
    }

    /** Tests a cable of a circuit that has some faults; those that sit elsewhere don't matter. */
    public static Outcome of(Circuit circuit, Cable cable, List<Fault> faults) {
        double metres = cable.lengthMetres() == null ? 0 : cable.lengthMetres();
        double perKilometre = cable.size() == null ? 0 : cable.size().ohmsPerKilometre();
        CableTest test = new CableTest(cable.cores(), Math.max(1e-3, metres * perKilometre / 1000));
        faults.forEach(f -> test.put(f, circuit, cable));
        return test.outcome();
    }

    private void put(Fault f, Circuit circuit, Cable cable) {
        if (f.defect() instanceof WiringDefect.WireOpen d) {
            core(d.wire(), circuit, cable, open);
        } else if (f.defect() instanceof WiringDefect.WireEarthed d) {
            core(d.wire(), circuit, cable, earthed);
        } else if (f.defect() instanceof WiringDefect.Shorted d) {
            List<String> at = List.of(coreAt(d.a(), circuit, cable), coreAt(d.b(), circuit, cable));
            if (!at.contains("")) {
                shorts.add(at.toArray(String[]::new));
            }
        } else if (f.defect() instanceof WiringDefect.Swapped d) {
            String one = coreOf(d.one(), circuit, cable);
            String other = coreOf(d.other(), circuit, cable);
            if (!one.isEmpty() && !other.isEmpty()) {
                farOf.put(one, other);
                farOf.put(other, one);
            }
        }
    }

    private static void core(String wire, Circuit circuit, Cable cable, Set<String> into) {
        String core = coreOf(wire, circuit, cable);
        if (!core.isEmpty()) {
            into.add(core);
        }
    }

    private static String coreOf(String wire, Circuit circuit, Cable cable) {
        return circuit.wire(wire)
                .filter(w -> cable.id().equals(w.cable()))
                .map(Wire::core)
                .orElse("");
    }

    private static String coreAt(Terminal t, Circuit circuit, Cable cable) {
        return circuit.wires().stream()
                .filter(w -> cable.id().equals(w.cable()))
                .filter(w -> w.from().equals(t) || w.to().equals(t))
                .map(Wire::core)
                .findFirst()
                .orElse("");
    }

    /** The ohms between two near ends, or a near end and earth ({@code null}), with two far colours tied or none. */
    private double read(String one, String other, String tieOne, String tieOther) {
        Network.Builder b = Network.builder();
        Map<String, Integer> near = new LinkedHashMap<>();
        Map<String, Integer> far = new LinkedHashMap<>();
        cores.forEach(c -> near.put(c, b.node()));
        cores.forEach(c -> far.put(c, b.node()));
        List<double[]> mhos = new ArrayList<>();
        for (String c : cores) {
            if (!open.contains(c)) {
                mhos.add(new double[] {b.branch(near.get(c), far.get(farOf.get(c))), 1 / ohms});
            }
            if (earthed.contains(c)) {
                mhos.add(new double[] {b.branch(near.get(c), Network.EARTH), 1 / ohms});
            }
        }
        shorts.forEach(s -> mhos.add(new double[] {b.branch(near.get(s[0]), near.get(s[1])), 1 / 0.1}));
        if (tieOne != null) {
            mhos.add(new double[] {b.branch(far.get(tieOne), far.get(tieOther)), 1 / 0.01});
        }
        // a lone probe lead, so that there is always a branch
        int probe = b.branch(near.get(one), Network.EARTH);
        Network network = b.build();
        Values values = new Values(network);
        mhos.forEach(m -> values.admittance((int) m[0], m[1], 0));
        values.admittance(probe, 0, 0);
        Solver solver = new Solver(network);
        double z = solver.impedance(
                        solver.solve(values), near.get(one), other == null ? Network.EARTH : near.get(other))
                .abs();
        return z > OPEN_OHMS ? Double.POSITIVE_INFINITY : z;
    }

    private Outcome outcome() {
        List<Tie> ties = new ArrayList<>();
        Map<String, Set<String>> heardWithFar = new LinkedHashMap<>();
        Set<String> everHeard = new HashSet<>();
        cores.forEach(c -> heardWithFar.put(c, new HashSet<>(cores)));
        for (int i = 0; i < cores.size(); i++) {
            for (int j = i + 1; j < cores.size(); j++) {
                String a = cores.get(i);
                String b = cores.get(j);
                List<String> beeps = new ArrayList<>();
                Set<String> heard = new HashSet<>();
                for (int k = 0; k < cores.size(); k++) {
                    for (int l = k + 1; l < cores.size(); l++) {
                        String c = cores.get(k);
                        String d = cores.get(l);
                        boolean newlyJoined = read(c, d, a, b) <= BEEP_OHMS && read(c, d, null, null) > BEEP_OHMS;
                        if (newlyJoined) {
                            heard.addAll(List.of(c, d));
                            if (k != i || l != j) {
                                beeps.add(c + "–" + d);
                            }
                        }
                    }
                }
                everHeard.addAll(heard);
                if (!heard.isEmpty()) {
                    heardWithFar.get(a).retainAll(heard);
                    heardWithFar.get(b).retainAll(heard);
                }
                ties.add(new Tie(a, b, read(a, b, null, null), read(a, b, a, b), beeps));
            }
        }
        Map<String, Double> toEarth = new LinkedHashMap<>();
        cores.forEach(c -> toEarth.put(c, read(c, null, null, null)));
        return new Outcome(2 * ohms, ties, toEarth, verdicts(ties, toEarth, heardWithFar, everHeard));
    }

    private List<String> verdicts(
            List<Tie> ties, Map<String, Double> toEarth, Map<String, Set<String>> heardWithFar, Set<String> heard) {
        List<String> verdicts = new ArrayList<>();
        Set<String> joined = new HashSet<>();
        for (Tie t : ties) {
            if (t.apart() <= BEEP_OHMS) {
                verdicts.add(t.one() + " and " + t.other() + " are shorted to each other.");
                joined.add(t.one());
                joined.add(t.other());
            }
        }
        toEarth.forEach((core, z) -> {
            if (z <= BEEP_OHMS) {
                verdicts.add(core + " touches earth.");
            }
        });
        List<String> silent = cores.stream()
                .filter(c -> !heard.contains(c) && !joined.contains(c))
                .toList();
        if (cores.size() == 2 && silent.size() == 2) {
            verdicts.add("One of " + silent.get(0) + " and " + silent.get(1)
                    + " is open; with two cores, test each against earth or a third wire.");
        } else {
            silent.forEach(c -> verdicts.add(c + " is open."));
        }
        if (joined.isEmpty()) {
            for (String far : cores) {
                Set<String> near = heardWithFar.get(far);
                if (cores.size() > 2 && near.size() == 1 && !near.contains(far)) {
                    verdicts.add("The far " + far + " is the near "
                            + near.iterator().next() + ": swapped, or it changes colour at a splice.");
                }
            }
        }
        return verdicts;
    }
}
