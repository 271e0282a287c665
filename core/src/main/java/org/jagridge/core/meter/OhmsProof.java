package org.jagridge.core.meter;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;
import org.jagridge.core.budget.Parallel;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.WiringDefect;
import org.jagridge.core.meter.DeadTest.Claim;
import org.jagridge.core.meter.DeadTest.Seen;
import org.jagridge.core.part.Numbers;
import org.jagridge.core.world.World;
import org.jagridge.core.world.Worlds;

/**
 * What ohms, a beep or microfarads prove: what holds in every world that would show the same, within ±(5 % + 0.5 Ω) or
 * ±(5 % + 0.05 µF).
 */
final class OhmsProof {
    private static final double SHARE = 0.05;
    private static final double OHMS = 0.5;
    private static final double MICROFARADS = 0.05;
    /** Poor joints are looked for between these many ohms. */
    private static final double LEAST_POOR = 0.3;

    private static final double MOST_POOR = 1e5;
    private static final int HALVINGS = 16;
    /** Ohms under which two points count as shorted, and how many times that a sound circuit has at least. */
    private static final double SHORT = 1;

    private static final double MUCH = 10;

    private final Request request;
    private final double shown;
    private final Worlds worlds;
    private final List<Fits> fitting = new ArrayList<>();

    /** A world that fits, and the test in it. */
    private record Fits(World world, DeadTest test, Seen seen) {}

    private OhmsProof(Worlds worlds, Request request, double shown) {
        this.worlds = worlds;
        this.request = request;
        this.shown = shown;
        fitting.addAll(Parallel.map(worlds.all(), this::fits).stream()
                .flatMap(Optional::stream)
                .toList());
        boolean sound = !fitting.isEmpty() && fitting.get(0).world().isSound();
        if (!sound && !isCapacitance() && shown < MOST_POOR) {
            Parallel.map(joints(), this::poor).stream()
                    .flatMap(Optional::stream)
                    .forEach(fitting::add);
        }
    }

    /**
     * The reading of a part of the circuit that is dead.
     *
     * @param test of the circuit as it is
     */
    static Reading read(DeadTest test, Request request, Supplier<Worlds> worlds) {
        boolean farads = request.mode() == Request.Mode.CAPACITANCE;
        String unit = farads ? "µF" : "Ω";
        String refusal = test.refusal();
        Seen seen = refusal == null ? test.seen() : Seen.refused(refusal);
        if (seen.refused() != null) {
            return Reading.refused(unit, seen.refused());
        }
        boolean over = Double.isInfinite(seen.value());
        String beeps = request.mode() != Request.Mode.CONTINUITY
                ? ""
                : seen.value() <= DeadTest.BEEP_OHMS ? "It beeps. " : "No beep. ";
        String says = beeps + new OhmsProof(worlds.get(), request, seen.value()).says();
        return over
                ? Reading.overRange(unit, says)
                : new Reading(
                        seen.value(), unit, farads ? Meter.digits(seen.value()) : OhmsLook.display(seen.value()), says);
    }

    private boolean isCapacitance() {
        return request.mode() == Request.Mode.CAPACITANCE;
    }

    /** The same test in another world; empty where it has no such place. */
    private Optional<DeadTest> test(World w) {
        Gauge gauge = new Gauge(w.frame(), w.reach());
        return gauge.node(request.plus())
                .flatMap(plus -> gauge.node(request.minus())
                        .map(minus -> new DeadTest(null, w.frame(), w.reach(), request, plus, minus)));
    }

    private Optional<Fits> fits(World w) {
        return test(w).filter(t -> isLike(t.value()))
                .map(t -> new Fits(w, t, t.seen()))
                .filter(f -> f.seen().refused() == null);
    }

    private boolean isLike(double value) {
        if (Double.isInfinite(shown) || Double.isInfinite(value)) {
            return Double.isInfinite(shown) == Double.isInfinite(value);
        }
        return Math.abs(value - shown) <= SHARE * shown + (isCapacitance() ? MICROFARADS : OHMS);
    }

    /** Each wire and each contact that may be poor. */
    private Set<Fault> joints() {
        Set<Fault> joints = new LinkedHashSet<>(Fit.mayBePoor(worlds).toList());
        worlds.assembly()
                .circuit()
                .wires()
                .forEach(w -> joints.add(new Fault(new WiringDefect.WireResistive(w.id(), 1))));
        return joints;
    }

    /** A joint may have any number of ohms: those that fit are looked for. */
    private Optional<Fits> poor(Fault joint) {
        Optional<Double> most = value(worlds.keptSince(Fit.with(joint, MOST_POOR)));
        if (most.isEmpty() || most.get() < shown * (1 - SHARE) - OHMS) {
            return Optional.empty();
        }
        return reckoned(joint, most.get()).or(() -> halved(joint));
    }

    /**
     * By what a resistance makes of a network where nothing moves by it: R(r) = (α r + S γ) / (r + γ), with the S of the
     * sound circuit; α and γ are of two joints that were tried.
     */
    private Optional<Fits> reckoned(Fault joint, double most) {
        double sound = value(Optional.of(worlds.sound())).orElse(Double.POSITIVE_INFINITY);
        // as in a row with all else
        double first = shown - sound;
        if (Double.isInfinite(most) || !(first >= LEAST_POOR && first < MOST_POOR)) {
            return Optional.empty();
        }
        Optional<World> tried = worlds.since(Fit.with(joint, first));
        Optional<Fits> fits = tried.flatMap(this::fits);
        Optional<Double> there = value(tried);
        if (fits.isPresent() || there.isEmpty() || Double.isInfinite(there.get())) {
            return fits;
        }
        double gamma = first * (most - there.get()) / (there.get() - sound - (most - sound) * first / MOST_POOR);
        double alpha = most + gamma * (most - sound) / MOST_POOR;
        double second = gamma * (shown - sound) / (alpha - shown);
        return second >= LEAST_POOR && second <= MOST_POOR
                ? worlds.since(Fit.with(joint, second)).flatMap(this::fits)
                : Optional.empty();
    }

    private Optional<Fits> halved(Fault joint) {
        double low = LEAST_POOR;
        double high = MOST_POOR;
        for (int i = 0; i < HALVINGS; i++) {
            double middle = Math.sqrt(low * high);
            Optional<World> there = worlds.since(Fit.with(joint, middle));
            Optional<Fits> fits = there.flatMap(this::fits);
            if (fits.isPresent()) {
                return fits;
            }
            boolean less = value(there).orElse(Double.POSITIVE_INFINITY) < shown;
            low = less ? middle : low;
            high = less ? high : middle;
        }
        return Optional.empty();
    }

    private Optional<Double> value(Optional<World> world) {
        return world.flatMap(this::test).map(DeadTest::value);
    }

    private String says() {
        if (fitting.isEmpty()) {
            return plain() + " No single fault that was tried explains it.";
        }
        Seen first = fitting.get(0).seen();
        boolean sound = fitting.get(0).world().isSound();
        List<World> such = fitting.stream().map(Fits::world).toList();
        boolean proved = fitting.stream()
                .allMatch(f -> first.claims().stream().allMatch(c -> f.test().holds(c)));
        boolean soundsWell =
                !first.claims().isEmpty() && first.claims().stream().allMatch(c -> c.kind() == Claim.Kind.WHOLE);
        String words = first.words().replace(Seen.SHOWN, number());
        if (proved && (sound || !soundsWell)) {
            return words + (sound ? "" : naming(such));
        }
        if (proved && shorted().isEmpty()) {
            // what is named is whole, and yet it isn't what a sound circuit shows
            return words + soundShows() + Naming.faults(such);
        }
        return plain() + (sound ? " A sound circuit shows it, too." : shorted() + soundShows() + Naming.faults(such));
    }

    /** A part that is open or shorted inside is named by the words themselves. */
    private static String naming(List<World> such) {
        boolean one = such.stream().flatMap(w -> w.faults().stream()).distinct().count() == 1;
        return one ? "" : Naming.faults(such);
    }

    private String plain() {
        String leads = request.plus() + " and " + request.minus();
        return Double.isInfinite(shown) ? "OL between " + leads + "." : number() + " between " + leads + ".";
    }

    private String number() {
        if (Double.isInfinite(shown)) {
            return "OL";
        }
        return isCapacitance() ? Numbers.threeFigures(shown) + " µF" : OhmsLook.words(shown);
    }

    /** Next to nothing where a sound circuit has much. */
    private String shorted() {
        boolean is = !isCapacitance()
                && shown < SHORT
                && test(worlds.sound()).filter(t -> t.value() > MUCH * SHORT).isPresent();
        return is ? " It is a dead short, inside or beside it." : "";
    }

    private String soundShows() {
        Optional<Seen> sound = test(worlds.sound()).map(DeadTest::seen);
        if (sound.isEmpty() || sound.get().refused() != null) {
            return "";
        }
        double value = sound.get().value();
        return " A sound circuit shows "
                + (Double.isInfinite(value)
                        ? "OL"
                        : isCapacitance() ? Numbers.threeFigures(value) + " µF" : OhmsLook.words(value))
                + " here.";
    }
}
