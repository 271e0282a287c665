package org.jagridge.core.plan;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.circuit.Wire;
import org.jagridge.core.part.Time;
import org.jagridge.core.plan.InterlockAnswer.Plan;
import org.jagridge.core.plan.InterlockRequest.Heater;
import org.jagridge.core.run.Run;
import org.jagridge.core.run.Simulation;

/** What is cut, marked and measured when an interlock is fitted: all of it from the plan's circuit. */
public final class InterlockWork {
    private static final double CALLED_SECONDS = 120;
    private static final double NEEDED = 0.78 * 24;

    /**
     * One cable to cut.
     *
     * @param to the place at its far end
     * @param metres of each core
     */
    public record Cut(String to, int cores, double metres) {}

    /** A mark at the end of a conductor, or on a device. */
    public record Label(String at, String text) {}

    /**
     * A heater's loop with everything shut and called.
     *
     * @param lost volts between its two ends
     * @param coilVolts at the coil at its end, or NaN where it is the heater's own pair
     */
    public record Loop(String heater, double metres, double lost, double coilVolts) {
        /** Whether the coil at its end gets enough to pull in. */
        public boolean holds() {
            return Double.isNaN(coilVolts) || coilVolts >= NEEDED;
        }

        public boolean hasCoil() {
            return !Double.isNaN(coilVolts);
        }
    }

    /** Everything for one plan. */
    public record Work(List<Cut> cuts, double metres, List<Label> labels, List<Loop> loops) {}

    private InterlockWork() {}

    public static Work of(InterlockRequest request, Plan plan) {
        Circuit circuit = plan.circuit();
        InterlockKit kit = InterlockKit.of(request, plan);
        List<Cut> cuts = cuts(circuit);
        return new Work(
                cuts,
                cuts.stream().mapToDouble(c -> c.cores() * c.metres()).sum(),
                labels(circuit),
                request.heaters().stream()
                        .filter(h -> !request.matrix().get(h.id()).isEmpty())
                        .map(h -> loop(circuit, h, kit.loopMetres(h)))
                        .toList());
    }

    private static List<Cut> cuts(Circuit circuit) {
        Map<String, Map<Double, Integer>> cores = new LinkedHashMap<>();
        for (Wire w : circuit.wires()) {
            circuit.lengthOf(w)
                    .ifPresent(m -> cores.computeIfAbsent(farPlace(circuit, w), p -> new TreeMap<>())
                            .merge(m, 1, Integer::sum));
        }
        List<Cut> cuts = new ArrayList<>();
        cores.forEach((place, byLength) -> byLength.forEach((m, n) -> cuts.add(new Cut(place, n, m))));
        return cuts;
    }

    /** The end that isn't in the panel; of two such, the second. */
    private static String farPlace(Circuit circuit, Wire w) {
        String panel = circuit.places().get(0).id();
        String to = placeOf(circuit, w.to());
        String place = to.equals(panel) ? placeOf(circuit, w.from()) : to;
        return circuit.places().stream()
                .filter(p -> p.id().equals(place))
                .findFirst()
                .orElseThrow()
                .name();
    }

    private static String placeOf(Circuit circuit, Terminal t) {
        return circuit.part(t.part())
                .map(Part::place)
                .orElse(circuit.places().get(0).id());
    }

    private static List<Label> labels(Circuit circuit) {
        List<Label> labels = new ArrayList<>();
        for (Wire w : circuit.wires()) {
            if (circuit.lengthOf(w).isPresent()) {
                labels.add(new Label(w.from().toString(), w.id() + " to " + w.to()));
                labels.add(new Label(w.to().toString(), w.id() + " to " + w.from()));
            }
        }
        for (Part p : circuit.parts()) {
            labels.add(new Label(p.id(), p.title()));
        }
        return labels;
    }

    private static Loop loop(Circuit circuit, Heater h, double metres) {
        Scenario called = new Scenario(
                "Called",
                Map.of(),
                List.of(new Scenario.Step(1, InterlockKit.call(h), List.of())),
                List.of(),
                CALLED_SECONDS);
        Run run = Simulation.run(circuit, called);
        List<String> ends = InterlockKit.loopEnds(h);
        List<String> coil = InterlockKit.coil(h);
        return new Loop(h.id(), metres, volts(run, ends), coil.isEmpty() ? Double.NaN : volts(run, coil));
    }

    /** Volts between two terminals once everything called is on. */
    private static double volts(Run run, List<String> between) {
        int[] nodes = between.stream()
                .mapToInt(t -> run.assembly().node(Terminal.parse(t)).orElseThrow())
                .toArray();
        return run.at(Time.micros(CALLED_SECONDS - 1)).acVolts(nodes[0], nodes[1]);
    }
}
