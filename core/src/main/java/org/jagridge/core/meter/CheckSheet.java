package org.jagridge.core.meter;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jagridge.core.part.Branch;
import org.jagridge.core.run.Run;

/**
 * What to measure on the way to a load that should work now, in the order in which a technician goes: line, transformer,
 * R–C, then each terminal of the control circuit, then the power circuit that it switches, and the amps of each.
 *
 * <p>Example: a fan relay's sheet is T1's primary, T1's secondary, R–C at the thermostat, then fuse, thermostat, G and
 * the coil, with the volts that the solved network has there. What is right reaches from 4 % of the supply's volts beyond
 * the expected value to 4 % beyond what a way without any drop would show, since a circuit that draws less drops less;
 * all of it moves with what the supply really has. A supply's own range is from 10 % under its loaded volts to 10 % over,
 * or 5 % over its open-circuit volts where that is more: a thermopile nearly doubles when its loop is broken.
 *
 * <p>Both leads of a line are in one place, where one person reaches them: the lead that stays goes to the same pole
 * there. Where a place has no such point, volts are measured across what the current passes there. Nobody comes to a
 * place twice: the sections of one stand together.
 */
public record CheckSheet(List<Section> sections) {
    static final double SUPPLY_RANGE = 0.10;
    static final double LINE_RANGE = 0.04;
    /** What a meter shows of nothing. */
    static final double COUNTS = 0.001;
    /** A supply so far off is a fault of its own, and no reason to expect less elsewhere. */
    private static final double MOST_SCALING = 0.25;

    /** The two schools of checking. */
    public enum School {
        /** One lead on common, the other walks. */
        TO_COMMON,
        /** One lead on the feed, the other walks. */
        ACROSS
    }

    /**
     * What is measured of one circuit in one place.
     *
     * @param place its id
     * @param circuit from a source's pole to a load and back, like "T1.X1–X2 to K1 A1–A2"
     * @param notes what can't be measured here, a sentence each
     */
    public record Section(String place, String circuit, List<Line> lines, List<String> notes) {}

    /**
     * One measurement.
     *
     * @param what it is for: "supply", "R–C at TH", "K1.A1", "current"
     * @param circuit that of its section
     * @param order of the line on the way of the current; the first wrong one by it is next to the fault
     * @param by the wire or part between the line before and this one, or null
     * @param expected what a sound circuit has there now
     * @param low the least value that is right with a supply as expected, {@code high} the most
     * @param supply whether it is the section's supply, by which the other lines are judged
     * @param otherwise what a value out of the range would mean
     */
    public record Line(
            String what,
            Request request,
            String circuit,
            int order,
            Branch by,
            double expected,
            double low,
            double high,
            boolean supply,
            String otherwise) {
        /** What names the line in records. */
        public String key() {
            return request.key();
        }

        public String unit() {
            return request.mode().clamps() ? "A" : "V";
        }

        /** Whether a value is right where the supply has {@code share} of what is expected of it. */
        public boolean isRight(double value, double share) {
            double moved = supply ? 1 : share;
            return value >= low * moved && value <= high * moved;
        }
    }

    /** The lines of all sections in their order. */
    public List<Line> lines() {
        return sections.stream().flatMap(s -> s.lines().stream()).toList();
    }

    /**
     * A line and its value, judged.
     *
     * @param words what a wrong value means where every line before it on the way is known to be right; else empty
     */
    public record Judged(Line line, double value, boolean right, String words) {}

    /** The lines as the current passes them, one circuit after the other. */
    public List<Line> onTheWay() {
        return lines().stream().sorted(Comparator.comparingInt(Line::order)).toList();
    }

    /** What was measured, in the order of the way; lines without a value are left out. */
    public List<Judged> judge(Map<String, Double> measured) {
        List<Judged> judged = new ArrayList<>();
        Map<String, Double> shares = new HashMap<>();
        boolean soFarRight = true;
        for (Line l : onTheWay()) {
            Double value = measured.get(l.key());
            if (value == null) {
                soFarRight = false;
                continue;
            }
            boolean plausible = l.expected() > COUNTS
                    && value >= (1 - MOST_SCALING) * l.expected()
                    && value <= Math.max(l.high(), (1 + MOST_SCALING) * l.expected());
            if (l.supply() && plausible) {
                shares.put(l.circuit(), value / l.expected());
            }
            boolean right = l.isRight(value, shares.getOrDefault(l.circuit(), 1.0));
            judged.add(new Judged(l, value, right, right || !soFarRight ? "" : l.otherwise()));
            soFarRight &= right;
        }
        return judged;
    }

    /** What a meter shows at each line of this sheet in another run of the same circuit, by key. */
    public Map<String, Double> measure(Run run, long micros) {
        Meter meter = Meter.at(run, micros);
        Map<String, Double> values = new LinkedHashMap<>();
        lines().forEach(l -> values.put(l.key(), Math.abs(meter.value(l.request()))));
        return values;
    }

    /**
     * The sheet for a load.
     *
     * @param run of the sound circuit, with the call that should make the load work
     * @param micros the instant at which it works
     */
    public static CheckSheet of(Run run, long micros, Branch load, School school) {
        return new SheetMaker(run.at(micros), school).make(load);
    }
}
