package org.jagridge.core.meter;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jagridge.core.network.Complex;
import org.jagridge.core.network.Solution;
import org.jagridge.core.network.Solver;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Numbers;
import org.jagridge.core.part.Role;
import org.jagridge.core.run.Frame;
import org.jagridge.core.run.Reach;
import org.jagridge.core.run.Reach.ThroughLoad;
import org.jagridge.core.run.Run;

/**
 * Ohms, continuity and capacitance: here the meter feeds the circuit, so the circuit must be dead, and the reading is
 * refused with the reason where it isn't. Ohms are the resistance R = v/i that the network shows to direct current
 * between the leads with its sources at rest: of a winding its copper or what its iron shows, and of all that lies
 * beside it.
 */
final class DeadTest {
    /** More than this between the leads at 3 kΩ is no ghost. */
    private static final double LIVE_VOLTS = 0.05;
    /** The display's range; beyond it, nothing joins the leads. */
    static final double MOST_OHMS = 60e6;
    /** Up to here the meter beeps. */
    static final double BEEP_OHMS = 30;
    /** A capacitor with no more than this beside it keeps its charge. */
    static final double DISCHARGES_OHMS = 1e6;

    private static final double CHARGED_VOLTS = 5;

    private final Run run;
    private final Frame frame;
    private final Assembly assembly;
    private final Request request;
    private final int plus;
    private final int minus;
    private final Reach reach;
    private final Leads leads;

    /** @param run where the frame is from, for what was before; or null */
    DeadTest(Run run, Frame frame, Reach reach, Request request, int plus, int minus) {
        this.run = run;
        this.frame = frame;
        this.request = request;
        this.plus = plus;
        this.minus = minus;
        assembly = frame.assembly();
        this.reach = reach;
        leads = new Leads(frame, reach, request, plus, minus);
    }

    /**
     * What can be claimed of a branch, here and in another world.
     *
     * @param branch null for the two leads
     */
    record Claim(Kind kind, Branch branch) {
        enum Kind {
            OPEN,
            MADE,
            WHOLE,
            SHORTED,
            JOINED,
            GOOD,
            WORN
        }
    }

    /**
     * What a meter shows in one frame and what it comes from there.
     *
     * @param value ohms, or µF; infinite where the range ends
     * @param words what it is, with {@link #SHOWN} in place of the number on the display
     * @param claims what the words claim besides the number
     * @param refused why there is no value, or null
     */
    record Seen(double value, String words, List<Claim> claims, String refused) {
        static final String SHOWN = "\0";

        Seen(double value, String words, Claim... claims) {
            this(value, words, List.of(claims), null);
        }

        static Seen refused(String why) {
            return new Seen(Double.NaN, "", List.of(), why);
        }
    }

    /** Why nothing may be measured, or null. */
    String refusal() {
        return whyRefused();
    }

    /** Ohms or µF alone; infinite where the range ends. */
    double value() {
        if (request.mode() == Request.Mode.CAPACITANCE) {
            return seen().value();
        }
        double ohms = plus == minus ? 0 : leads.ohms(frame);
        return ohms > MOST_OHMS ? Double.POSITIVE_INFINITY : ohms;
    }

    /** What is seen here, whether or not anything stands against it. */
    Seen seen() {
        return request.mode() == Request.Mode.CAPACITANCE
                ? new CapacitorLook(leads).look()
                : new OhmsLook(leads).look();
    }

    /** Whether a claim that was made in another frame of the circuit is true here. */
    boolean holds(Claim claim) {
        if (claim.kind() == Claim.Kind.JOINED) {
            return reach.joined(plus, minus);
        }
        Optional<Branch> here = assembly.branchesOf(claim.branch().owner()).stream()
                .filter(b -> b.label().equals(claim.branch().label()))
                .findFirst();
        if (here.isEmpty()) {
            return false;
        }
        Branch b = here.get();
        double own = frame.direct().values().admittance(b.index()).re();
        double sound = frame.sound().direct().values().admittance(b.index()).re();
        return switch (claim.kind()) {
            case OPEN -> b.role().joins() ? !reach.isMade(b) : own <= 0;
            case MADE -> reach.isMade(b);
            case WHOLE -> own > 0;
            case SHORTED -> sound > 0 && own > 2 * sound;
            case GOOD -> new CapacitorLook(leads).isGood(b);
            case WORN -> !new CapacitorLook(leads).isGood(b);
            case JOINED -> true;
        };
    }

    private String whyRefused() {
        double volts = Math.hypot(
                loaded(frame.ac()).abs(),
                frame.dc() == null ? 0 : loaded(frame.dc()).abs());
        if (volts >= LIVE_VOLTS) {
            return "Not on a live circuit: " + Numbers.threeFigures(volts) + " V stand between " + request.plus()
                    + " and " + request.minus() + ". " + switchOff();
        }
        for (int node : new int[] {plus, minus}) {
            Reach.Side side = reach.sideOf(node);
            if (side != null && (side != Reach.Side.RETURN || isOnLiveTransformer(node))) {
                return "Not on a live circuit: " + (node == plus ? request.plus() : request.minus()) + " is "
                        + (side == Reach.Side.RETURN ? "on the return of a live supply (" : "live (")
                        + reach.polesOf(node).iterator().next().terminal() + "). " + switchOff();
            }
        }
        return new CapacitorLook(leads)
                .between().stream()
                        .filter(this::isCharged)
                        .findFirst()
                        .map(c -> "Not on a charged capacitor: " + c.title()
                                + " was cut off with a charge on it. Discharge it "
                                + "through a resistor, prove it dead, then measure.")
                        .orElse(null);
    }

    /** The mains' own return is never switched off, a transformer's is dead with it. */
    private boolean isOnLiveTransformer(int node) {
        return reach.polesOf(node).stream()
                .anyMatch(p -> assembly.branchesOf(p.source()).stream().anyMatch(b -> b.role() == Role.SECONDARY));
    }

    private Complex loaded(Solution solution) {
        return new Solver(assembly.network()).loadedVolts(solution, plus, minus, Gauge.LOW_IMPEDANCE);
    }

    private String switchOff() {
        Set<String> sources = new LinkedHashSet<>();
        for (int node : new int[] {plus, minus}) {
            ThroughLoad way = reach.throughLoads(node);
            if (way != null) {
                sources.add(way.pole().source());
            }
        }
        return "Switch off what feeds it" + (sources.isEmpty() ? "" : " (" + String.join(", ", sources) + ")")
                + ", prove it dead, then measure.";
    }

    /** Whether a capacitor was left with volts and nothing beside it has taken them since. */
    private boolean isCharged(Branch capacitor) {
        if (run == null) {
            return false;
        }
        List<Frame> frames = run.frames();
        for (int i = frames.indexOf(frame); i >= 0; i--) {
            Frame then = frames.get(i);
            if (then.assembly() != assembly) {
                return false;
            }
            if (then.volts(capacitor) > CHARGED_VOLTS) {
                return true;
            }
            if (Leads.ohms(then, capacitor.nodeA(), capacitor.nodeB()) < DISCHARGES_OHMS) {
                return false;
            }
        }
        return false;
    }
}
