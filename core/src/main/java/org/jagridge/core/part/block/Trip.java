package org.jagridge.core.part.block;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Stream;
import org.jagridge.core.circuit.Condition;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.PartDeclaration;
import org.jagridge.core.circuit.Problem;
import org.jagridge.core.part.Moment;
import org.jagridge.core.part.Time;

/**
 * One thing that opens a safety: a condition over the circuit that has held for a time, in a state of the world.
 *
 * @param opens holds while the safety is being driven open
 * @param after microseconds that it must hold without a break
 * @param world the state of the world it needs, like {@code low-charge}, or null for none
 * @param recloses holds while the safety is driven closed again, or null for the opposite of {@code opens}
 */
public record Trip(Condition opens, long after, String world, Condition recloses, long recloseAfter) {
    /** Reads the parameter {@code trips}. */
    public static List<Trip> of(Params params) {
        List<Trip> trips = new ArrayList<>();
        for (Map<String, Object> t : params.structures("trips")) {
            trips.add(new Trip(
                    t.containsKey("while") ? Condition.parse(t.get("while")) : null,
                    micros(t.get("afterSeconds")),
                    (String) t.get("condition"),
                    t.containsKey("recloseWhile") ? Condition.parse(t.get("recloseWhile")) : null,
                    micros(t.get("recloseSeconds"))));
        }
        return trips;
    }

    /** The conditions of the parameter {@code trips} with their paths. */
    public static List<PartDeclaration.Held> held(Params params) {
        List<PartDeclaration.Held> held = new ArrayList<>();
        List<Trip> trips = of(params);
        for (int i = 0; i < trips.size(); i++) {
            if (trips.get(i).opens() != null) {
                held.add(new PartDeclaration.Held(
                        "trips/" + i + "/while", trips.get(i).opens()));
            }
            if (trips.get(i).recloses() != null) {
                held.add(new PartDeclaration.Held(
                        "trips/" + i + "/recloseWhile", trips.get(i).recloses()));
            }
        }
        return held;
    }

    private static long micros(Object seconds) {
        return seconds instanceof Number n ? Time.micros(n.doubleValue()) : 0;
    }

    /** Mistakes in the parameter {@code trips}. */
    public static List<Problem> mistakes(Params params) {
        List<Problem> problems = new ArrayList<>();
        int i = 0;
        for (Object t : params.list("trips")) {
            String path = "trips/" + i++;
            if (!(t instanceof Map<?, ?> map)) {
                problems.add(
                        new Problem(
                                path,
                                "\"" + t
                                        + "\" is no trip; write it like while GV=on and BLW=off for 120 s, closes after 90 s, or like while CC=in in low-charge for 25 s"));
                continue;
            }
            for (String key : List.of("while", "recloseWhile")) {
                if (map.containsKey(key)) {
                    try {
                        Condition.parse(map.get(key));
                    } catch (IllegalArgumentException e) {
                        problems.add(new Problem(path + "/" + key, e.getMessage()));
                    }
                }
            }
            if (!map.containsKey("while") && !map.containsKey("condition")) {
                problems.add(new Problem(path, "a trip needs \"while\" or \"condition\""));
            }
        }
        return problems;
    }

    /** The parts that the conditions look at. */
    public List<String> parts() {
        return Stream.of(opens, recloses)
                .filter(Objects::nonNull)
                .flatMap(c -> c.parts().stream())
                .toList();
    }

    public boolean drivesOpen(Moment m) {
        return (world == null || m.condition(world)) && (opens == null || m.holds(opens));
    }

    public boolean drivesClosed(Moment m) {
        return recloses == null ? !drivesOpen(m) : m.holds(recloses);
    }
}
