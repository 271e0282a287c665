package org.jagridge.core.meter;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.network.Solution;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Role;
import org.jagridge.core.part.Shape;
import org.jagridge.core.run.Frame;
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
 */
public record CheckSheet(List<Section> sections) {
    static final double SUPPLY_RANGE = 0.10;
    /** A supply that nothing is drawn from may have this much of its computed open-circuit volts. */
    private static final double OPEN_RANGE = 1.05;

    static final double LINE_RANGE = 0.04;
    /** What a meter shows of nothing. */
    private static final double COUNTS = 0.001;

    private static final double AMPS_RANGE = 0.15;
    private static final double LEAST_AMPS_RANGE = 0.02;
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
     * One circuit: from a source's pole to a load and back.
     *
     * @param title like "T1 X1–X2 to K1 A1–A2"
     */
    public record Section(String title, List<Line> lines) {}

    /**
     * One measurement.
     *
     * @param what it is for: "supply", "R–C at TH", "K1.A1", "current"
     * @param by the wire or part between the line before and this one, or null
     * @param expected what a sound circuit has there now
     * @param low the least value that is right with a supply as expected, {@code high} the most
     * @param supply whether it is the section's supply, by which the other lines are judged
     * @param otherwise what a value out of the range would mean
     */
    public record Line(
            String what,
            Request request,
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

    /** A line and its value, judged. */
    public record Judged(Line line, double value, boolean right) {}

    /** What was measured, line by line in the sheet's order; lines without a value are left out. */
    public List<Judged> judge(Map<String, Double> measured) {
        List<Judged> judged = new ArrayList<>();
        for (Section s : sections) {
            double share = 1;
            for (Line l : s.lines()) {
                Double value = measured.get(l.key());
                if (value == null) {
                    continue;
                }
                boolean plausible = l.expected() > COUNTS
                        && value >= (1 - MOST_SCALING) * l.expected()
                        && value <= Math.max(l.high(), (1 + MOST_SCALING) * l.expected());
                if (l.supply() && plausible) {
                    share = value / l.expected();
                }
                judged.add(new Judged(l, value, l.isRight(value, share)));
            }
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
        Maker maker = new Maker(run.at(micros), school);
        maker.add(load);
        return new CheckSheet(maker.sections);
    }

    private static final class Maker {
        private final Frame frame;
        private final Assembly assembly;
        private final Meter meter;
        private final School school;
        private final List<Section> sections = new ArrayList<>();
        private final Set<Branch> seen = new HashSet<>();
        private final Set<String> keys = new HashSet<>();

        Maker(Frame frame, School school) {
            this.frame = frame;
            this.school = school;
            assembly = frame.assembly();
            meter = new Meter(frame);
        }

        /** What must be right first comes first: the transformer's primary, and the coils whose contacts are passed. */
        void add(Branch load) {
            List<Walk.Stop> stops = Walk.to(load, frame);
            if (!seen.add(load) || stops.isEmpty()) {
                return;
            }
            feedOf(stops.get(0).terminal().part());
            for (Walk.Stop s : stops) {
                if (s.by() != null && s.by().role() == Role.CONTACT && !s.load()) {
                    firstOf(s.by().owner(), Role.COIL);
                }
            }
            sections.add(section(load, stops));
        }

        /** What a source has with nothing drawn from it: V + I·Z. */
        private double openVolts(Terminal hot, Terminal common, Request.Mode mode, double loaded) {
            Solution solution = mode == Request.Mode.DC_VOLTS ? frame.dc() : frame.ac();
            return assembly.branches().stream()
                    .filter(b -> b.role().gives() && hot.equals(b.a()) && common.equals(b.b()) && frame.conducts(b))
                    .mapToDouble(b -> loaded
                            + solution.amps(b.index()).abs()
                                    / solution.values().admittance(b.index()).abs())
                    .findFirst()
                    .orElse(loaded);
        }

        /** The source's own feed: a transformer's primary, or the mains of what only works on mains. */
        private void feedOf(String source) {
            boolean transformer = assembly.branchesOf(source).stream().anyMatch(b -> b.role() == Role.PRIMARY);
            firstOf(source, transformer ? Role.PRIMARY : Role.LOAD);
        }

        private void firstOf(String part, Role role) {
            assembly.branchesOf(part).stream()
                    .filter(b -> b.role() == role && b.isDrawn())
                    .findFirst()
                    .ifPresent(this::add);
        }

        private Section section(Branch load, List<Walk.Stop> stops) {
            Terminal hot = stops.get(0).terminal();
            Terminal common = stops.get(stops.size() - 1).terminal();
            List<Line> lines = new ArrayList<>();
            Request.Mode mode = meter.volts(hot, common);
            double supply = value(request(mode, hot, common));
            put(
                    lines,
                    line(
                            "supply",
                            request(mode, hot, common),
                            null,
                            supply,
                            (1 - SUPPLY_RANGE) * supply - COUNTS,
                            COUNTS
                                    + Math.max(
                                            (1 + SUPPLY_RANGE) * supply,
                                            OPEN_RANGE * openVolts(hot, common, mode, supply)),
                            true,
                            "The supply " + hot.part()
                                    + " is off, its breaker or fuse is open, or it is the wrong tap."));
            int atTheLoad = 1;
            while (atTheLoad < stops.size() && !stops.get(atTheLoad).load()) {
                atTheLoad++;
            }
            for (int i = 1; i < atTheLoad; i++) {
                way(lines, mode, stops, i, i - 1, supply);
            }
            // the way back is walked from the common, so that here, too, the first wrong line is next to the fault
            for (int i = stops.size() - 2; i >= atTheLoad; i--) {
                way(lines, mode, stops, i, i + 1, supply);
            }
            for (int i = 1; i < atTheLoad; i++) {
                controlSupply(stops.get(i).terminal(), mode, supply, lines);
            }
            Request atLoad = request(mode, load.a(), load.b());
            put(
                    lines,
                    line(
                            "at " + load.owner(),
                            atLoad,
                            load,
                            value(atLoad),
                            value(atLoad) - LINE_RANGE * supply - COUNTS,
                            (1 + LINE_RANGE) * supply + COUNTS,
                            false,
                            "The way to " + load.owner() + " or back from it is open or poor."));
            // what a transformer takes depends on all that hangs on it
            if (load.role() != Role.PRIMARY && load.shape() != Shape.BOX) {
                amps(load, stops, mode, lines);
            }
            return new Section(hot + "–" + common.name() + " to " + load.title().replace('-', '–'), lines);
        }

        /** The line at a stop, which one comes to from the stop at {@code from}. */
        private void way(List<Line> lines, Request.Mode mode, List<Walk.Stop> stops, int i, int from, double supply) {
            Walk.Stop s = stops.get(i);
            Terminal hot = stops.get(0).terminal();
            Terminal common = stops.get(stops.size() - 1).terminal();
            Branch by = stops.get(Math.max(i, from)).by();
            Request r =
                    school == School.TO_COMMON ? request(mode, s.terminal(), common) : request(mode, hot, s.terminal());
            // without any drop the feed's side is at the supply's volts from common, the way back's at none
            double ideal = (from < i) == (school == School.TO_COMMON) ? supply : 0;
            double is = value(r);
            double beyond = Math.max(COUNTS, LINE_RANGE * supply);
            put(
                    lines,
                    line(
                            s.terminal().toString(),
                            r,
                            by,
                            is,
                            Math.min(is, ideal) - beyond,
                            Math.max(is, ideal) + beyond,
                            false,
                            "The way between " + stops.get(from).terminal() + " and " + s.terminal() + " (" + by.title()
                                    + ") is open or poor."));
        }

        /** R–C at a control whose feed is passed: it may live on it, and its common has a wire of its own. */
        private void controlSupply(Terminal r, Request.Mode mode, double supply, List<Line> lines) {
            Terminal c = new Terminal(r.part(), "C");
            boolean control = List.of("R", "RH", "RC").contains(r.name())
                    && assembly.node(c).isPresent();
            double volts = control ? value(request(mode, r, c)) : 0;
            if (volts > supply / 2) {
                put(
                        lines,
                        line(
                                r.name() + "–C at " + r.part(),
                                request(mode, r, c),
                                null,
                                volts,
                                volts - LINE_RANGE * supply,
                                (1 + LINE_RANGE) * supply,
                                false,
                                "The common to " + r.part() + " is open."));
            }
        }

        private void amps(Branch load, List<Walk.Stop> stops, Request.Mode mode, List<Line> lines) {
            Branch wire = null;
            for (int i = 1; i < stops.size(); i++) {
                boolean before = stops.get(i).load()
                        && stops.get(i - 1).by() != null
                        && stops.get(i - 1).by().isWire();
                boolean after = stops.get(i - 1).load() && stops.get(i).by().isWire();
                if (wire == null && (before || after)) {
                    wire = before ? stops.get(i - 1).by() : stops.get(i).by();
                }
            }
            if (wire == null) {
                return;
            }
            Request.Mode clamp = mode == Request.Mode.DC_VOLTS ? Request.Mode.DC_AMPS : Request.Mode.AMPS;
            Request r = new Request(clamp, null, null, wire.owner(), 1, false);
            double amps = value(r);
            double off = Math.max(LEAST_AMPS_RANGE, AMPS_RANGE * amps);
            put(
                    lines,
                    line(
                            "current",
                            r,
                            load,
                            amps,
                            amps - off,
                            amps + off,
                            false,
                            "With volts at " + load.owner()
                                    + ": none means open inside, much more a short or a locked rotor."));
        }

        private static Request request(Request.Mode mode, Terminal plus, Terminal minus) {
            return new Request(mode, plus, minus, null, 1, false);
        }

        private double value(Request r) {
            return Math.abs(meter.value(r));
        }

        private static Line line(
                String what,
                Request r,
                Branch by,
                double expected,
                double low,
                double high,
                boolean supply,
                String otherwise) {
            return new Line(what, r, by, expected, Math.max(0, low), high, supply, otherwise);
        }

        /** A place that an earlier circuit has led over already isn't measured again. */
        private void put(List<Line> lines, Line line) {
            boolean same = line.request().plus() != null
                    && line.request().plus().equals(line.request().minus());
            if (!same && keys.add(line.key())) {
                lines.add(line);
            }
        }
    }
}
