package org.jagridge.core.plan;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.part.Time;
import org.jagridge.core.plan.InterlockAnswer.Plan;
import org.jagridge.core.plan.InterlockRequest.Heater;
import org.jagridge.core.run.Run;
import org.jagridge.core.run.Simulation;

/**
 * What an interlock saves: a day of heat called for, on which the openings are opened several times, is run with the
 * interlock and without it.
 */
public final class Consequences {
    private static final double DAY = 24 * 3600;
    private static final double MORNING = 8 * 3600;
    private static final String BURNING = "burning";
    private static final String SHUT = "shut";

    /**
     * A day.
     *
     * @param times how often all openings are opened, at equal distances from eight o'clock on
     * @param hours for which they are open, all times together
     */
    public record Day(int times, double hours) {}

    /**
     * One heater on such a day.
     *
     * @param hoursWith hours that it burns while an opening that it answers to isn't shut, with the interlock
     * @param startsWith how often it starts, with the interlock
     */
    public record Heat(String heater, double hoursWith, double hoursWithout, int startsWith, int startsWithout) {
        public double hoursSaved() {
            return hoursWithout - hoursWith;
        }
    }

    private Consequences() {}

    /** The heaters that answer to an opening, with what such a day is for each. */
    public static List<Heat> of(InterlockRequest request, Plan plan, Day day) {
        InterlockKit bare = new InterlockKit(
                request.unprotected(), InterlockKit.of(request, plan).techniques());
        Run with = run(request, plan.circuit(), day);
        Run without = run(request, bare.circuit("Without interlock"), day);
        List<Heat> heat = new ArrayList<>();
        for (Heater h : request.heaters()) {
            List<String> openings = request.matrix().get(h.id());
            if (!openings.isEmpty()) {
                heat.add(new Heat(
                        h.id(),
                        hours(with, h.id(), openings),
                        hours(without, h.id(), openings),
                        starts(with, h.id()),
                        starts(without, h.id())));
            }
        }
        return heat;
    }

    private static Run run(InterlockRequest request, Circuit circuit, Day day) {
        Map<String, Object> call = new LinkedHashMap<>();
        request.heaters().forEach(h -> call.putAll(InterlockKit.call(h)));
        List<Scenario.Step> steps = new ArrayList<>();
        steps.add(new Scenario.Step(1, call, List.of()));
        double each = day.hours() * 3600 / day.times();
        double apart = (DAY - MORNING) / day.times();
        for (int i = 0; i < day.times(); i++) {
            steps.add(moved(request, MORNING + i * apart, "open"));
            steps.add(moved(request, MORNING + i * apart + each, SHUT));
        }
        return Simulation.run(circuit, new Scenario("A day", Map.of(), steps, List.of(), DAY));
    }

    private static Scenario.Step moved(InterlockRequest request, double at, String target) {
        Map<String, Object> sets = new LinkedHashMap<>();
        request.openings().forEach(o -> sets.put(o.id() + ".target", target));
        return new Scenario.Step(at, sets, List.of());
    }

    private static double hours(Run run, String heater, List<String> openings) {
        long micros = 0;
        for (int i = 0; i < run.frames().size(); i++) {
            Map<String, String> now = run.frames().get(i).signals();
            boolean open = openings.stream().anyMatch(o -> !SHUT.equals(now.get(o)));
            if (open && BURNING.equals(now.get(heater))) {
                long end = i + 1 < run.frames().size() ? run.frames().get(i + 1).micros() : run.until();
                micros += end - run.frames().get(i).micros();
            }
        }
        return Time.seconds(micros) / 3600;
    }

    private static int starts(Run run, String heater) {
        return (int) run.signals().get(heater).stream()
                .filter(s -> s.value().equals(BURNING))
                .count();
    }
}
