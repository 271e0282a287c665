package org.jagridge.core.drawing;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.LongStream;
import org.jagridge.core.part.Time;
import org.jagridge.core.run.Event;
import org.jagridge.core.run.Frame;
import org.jagridge.core.run.Run;
import org.jagridge.core.trace.Lanes;

/**
 * The geometry of a timing chart: a lane a part, a curve a temperature, time from left to right with idle time folded,
 * and an arrow from each cause to what it led to. Units are pixels, times microseconds.
 *
 * @param labelWidth where the time axis begins
 * @param curves of the temperatures, under the lanes
 * @param folds the stretches in which nothing happens for long
 * @param instants the times at which something happens, and {@code xs} their places
 */
public record Timing(
        double width,
        double height,
        double labelWidth,
        List<Heading> headings,
        List<Lane> lanes,
        List<Curve> curves,
        List<Arrow> arrows,
        List<Fold> folds,
        List<Tick> ticks,
        List<Long> instants,
        List<Double> xs) {

    private static final double TOP = 12;
    private static final double FOOT = 20;
    private static final double END = 12;
    private static final double LANE = 17;
    private static final double BAR = 11;
    private static final double CURVE = 34;
    private static final double HEADING = 13;
    private static final double LEAST_TICK = 58;
    private static final long LEAST_FOLD = 10 * Time.SECOND;
    private static final double LEAST_FOLD_WIDTH = 12;
    private static final int SAMPLES = 12;
    private static final double LEAST_SAMPLE = 4;

    /**
     * A title over the lanes of one kind.
     *
     * @param y of its base line
     */
    public record Heading(String words, double y) {}

    /** @param y of the lane's base line */
    public record Lane(String part, Lanes.Kind kind, double y, List<Bar> bars) {}

    /** A value of a part's main signal for a time. */
    public record Bar(double x, double width, double y, double height, String value, boolean active, long from) {}

    /** A temperature over time, drawn between the base line {@code y} and {@code y − height}. */
    public record Curve(String part, double y, double height, double low, double high, List<Point> points) {}

    public record Point(double x, double y, double celsius) {}

    /** From one event to another that it led to; indices of the events in the run. */
    public record Arrow(int cause, int effect, double x1, double y1, double x2, double y2) {}

    /** @param words how long it is */
    public record Fold(double x, double width, String words) {}

    public record Tick(double x, String words) {}

    /**
     * What to show.
     *
     * @param cursor an instant that has its place on the axis whether something happens or not
     * @param plotWidth of the time axis
     * @param labelWidth of the names
     * @param full with headings, temperatures, arrows and folds; else the lanes alone
     */
    public record Wish(long cursor, double plotWidth, double labelWidth, boolean full) {}

    /** Lays out the lanes of a run. */
    public static Timing of(Run run, Lanes lanes, Wish wish) {
        return new Layout(run, lanes, wish).chart(lanes);
    }

    private static final class Layout {
        private final Run run;
        private final Wish wish;
        private final long end;
        private final TimeAxis axis;
        private final Map<String, Double> middle = new HashMap<>();
        private double y = TOP;

        Layout(Run run, Lanes lanes, Wish wish) {
            this.run = run;
            this.wish = wish;
            end = Math.max(wish.cursor(), run.restAt()) + Time.SECOND;
            Set<String> shown = lanes.lanes().stream().map(Lanes.Lane::part).collect(Collectors.toSet());
            LongStream changes = run.events().stream()
                    .filter(e -> e.isInput() || shown.contains(e.part()))
                    .mapToLong(Event::micros);
            axis = new TimeAxis(LongStream.concat(changes, LongStream.of(wish.cursor())), end, wish.plotWidth());
        }

        private double x(long micros) {
            return wish.labelWidth() + axis.x(Math.min(micros, end));
        }

        Timing chart(Lanes lanes) {
            List<Heading> headings = new ArrayList<>();
            List<Lane> laid = new ArrayList<>();
            Lanes.Kind before = null;
            for (Lanes.Lane l : lanes.lanes()) {
                if (wish.full() && l.kind() != before) {
                    headings.add(new Heading(l.kind().words(), y + HEADING - 3));
                    y += HEADING;
                    before = l.kind();
                }
                laid.add(lane(l));
                y += LANE;
            }
            List<Curve> curves = wish.full() ? curves(headings) : List.of();
            return new Timing(
                    wish.labelWidth() + wish.plotWidth() + END,
                    y + FOOT,
                    wish.labelWidth(),
                    headings,
                    laid,
                    curves,
                    wish.full() ? arrows() : List.of(),
                    wish.full() ? folds() : List.of(),
                    ticks(),
                    axis.instants(),
                    axis.instants().stream().map(this::x).toList());
        }

        private Lane lane(Lanes.Lane l) {
            middle.put(l.part(), y + 3 + BAR / 2);
            List<Bar> bars = l.spans().stream()
                    .filter(s -> s.from() <= end)
                    .map(s ->
                            new Bar(x(s.from()), x(s.to()) - x(s.from()), y + 3, BAR, s.value(), s.active(), s.from()))
                    .toList();
            return new Lane(l.part(), l.kind(), y + 3 + BAR, bars);
        }

        /** Only temperatures that move are worth a curve. */
        private List<Curve> curves(List<Heading> headings) {
            List<Curve> curves = new ArrayList<>();
            for (var m : run.frames().get(0).assembly().members()) {
                List<Sample> samples = samples(m.part().id());
                double low = samples.stream().mapToDouble(Sample::celsius).min().orElse(0);
                double high =
                        samples.stream().mapToDouble(Sample::celsius).max().orElse(0);
                if (high - low > 0.05) {
                    if (curves.isEmpty()) {
                        headings.add(new Heading("temperatures", y + HEADING - 3));
                        y += HEADING;
                    }
                    double base = y + CURVE - 4;
                    double scale = (CURVE - 8) / Math.max(1, high - low);
                    curves.add(new Curve(
                            m.part().id(),
                            base,
                            CURVE - 8,
                            low,
                            high,
                            samples.stream()
                                    .map(s -> new Point(x(s.micros()), base - (s.celsius() - low) * scale, s.celsius()))
                                    .toList()));
                    y += CURVE;
                }
            }
            return curves;
        }

        private record Sample(long micros, double celsius) {}

        private List<Sample> samples(String part) {
            List<Sample> samples = new ArrayList<>();
            List<Frame> frames = run.frames();
            for (int i = 0; i < frames.size() && frames.get(i).micros() <= end; i++) {
                Frame f = frames.get(i);
                long to =
                        i + 1 < frames.size() ? Math.min(end, frames.get(i + 1).micros()) : end;
                int parts = to - f.micros() < LEAST_FOLD ? 1 : samplesIn(x(to) - x(f.micros()));
                for (int k = 0; k <= parts; k++) {
                    long t = f.micros() + (to - f.micros()) * k / parts;
                    OptionalDouble celsius = f.celsius(part, t);
                    if (celsius.isEmpty()) {
                        return List.of();
                    }
                    samples.add(new Sample(t, celsius.getAsDouble()));
                }
            }
            return samples;
        }

        /** As many as the eye can tell apart. */
        private static int samplesIn(double width) {
            return (int) Math.max(2, Math.min(SAMPLES, width / LEAST_SAMPLE));
        }

        private List<Arrow> arrows() {
            List<Arrow> arrows = new ArrayList<>();
            for (Event e : run.events()) {
                for (int c : e.causes()) {
                    Event cause = run.events().get(c);
                    Double from = middle.get(cause.part());
                    Double to = middle.get(e.part());
                    if (from != null && to != null && !from.equals(to)) {
                        arrows.add(new Arrow(c, e.index(), x(cause.micros()), from, x(e.micros()), to));
                    }
                }
            }
            return arrows;
        }

        private List<Fold> folds() {
            List<Fold> folds = new ArrayList<>();
            List<Long> at = axis.instants();
            for (int i = 1; i < at.size(); i++) {
                long gap = at.get(i) - at.get(i - 1);
                double width = x(at.get(i)) - x(at.get(i - 1));
                if (gap >= LEAST_FOLD && width >= LEAST_FOLD_WIDTH) {
                    folds.add(new Fold(x(at.get(i - 1)), width, Time.words(gap)));
                }
            }
            return folds;
        }

        private List<Tick> ticks() {
            List<Tick> ticks = new ArrayList<>();
            double free = -1e9;
            for (long t : axis.instants()) {
                if (x(t) - free >= LEAST_TICK) {
                    ticks.add(new Tick(x(t), clock(t)));
                    free = x(t);
                }
            }
            return ticks;
        }

        private static String clock(long micros) {
            long ms = Math.round(micros / 1e3);
            boolean whole = ms % 1000 == 0 || ms >= 3_600_000;
            // hours and more are read in whole seconds, which have passed
            return whole ? Time.clock(ms / 1000 * Time.SECOND, 0, 0) : Time.clock(ms * Time.MILLISECOND, 3, 3);
        }
    }
}
