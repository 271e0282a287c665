package org.jagridge.core.meter;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jagridge.core.network.Complex;
import org.jagridge.core.network.Solution;
import org.jagridge.core.network.Solver;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Groups;
import org.jagridge.core.part.Numbers;
import org.jagridge.core.part.Role;
import org.jagridge.core.part.Shape;
import org.jagridge.core.part.Ways;
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
    private static final double MOST_OHMS = 60e6;
    /** Up to here the meter beeps. */
    static final double BEEP_OHMS = 30;
    /** A capacitor with no more than this beside it keeps its charge. */
    private static final double DISCHARGES_OHMS = 1e6;

    private static final double CHARGED_VOLTS = 5;
    /** Share of the whole conductance from which a path beside the part under test is told. */
    private static final double WORTH_TELLING = 0.02;
    /** A run capacitor is good within this share of what is printed on it. */
    private static final double GOOD_CAPACITOR = 0.06;

    private final Run run;
    private final Frame frame;
    private final Assembly assembly;
    private final Request request;
    private final int plus;
    private final int minus;
    private final Reach reach;

    /** @param run where the frame is from, for what was before; or null */
    DeadTest(Run run, Frame frame, Request request, int plus, int minus) {
        this.run = run;
        this.frame = frame;
        this.request = request;
        this.plus = plus;
        this.minus = minus;
        assembly = frame.assembly();
        reach = new Reach(frame);
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
        double ohms = plus == minus ? 0 : ohmsBetween(frame, plus, minus);
        return ohms > MOST_OHMS ? Double.POSITIVE_INFINITY : ohms;
    }

    /** What is seen here, whether or not anything stands against it. */
    Seen seen() {
        return request.mode() == Request.Mode.CAPACITANCE ? capacitance() : ohms();
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
            case GOOD -> Math.abs(shareOf(b) - 1) <= GOOD_CAPACITOR;
            case WORN -> Math.abs(shareOf(b) - 1) > GOOD_CAPACITOR;
            case JOINED -> true;
        };
    }

    /** What a capacitor has of what is printed on it. */
    private double shareOf(Branch capacitor) {
        return microfarads(frame, List.of(capacitor)) / microfarads(frame.sound(), List.of(capacitor));
    }

    // ---- what stands against it

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
        return capacitorsBetween().stream()
                .filter(this::isCharged)
                .findFirst()
                .map(c -> "Not on a charged capacitor: " + c.title() + " was cut off with a charge on it. Discharge it "
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
            if (ohmsBetween(then, capacitor.nodeA(), capacitor.nodeB()) < DISCHARGES_OHMS) {
                return false;
            }
        }
        return false;
    }

    private static double ohmsBetween(Frame f, int a, int b) {
        return Math.abs(
                new Solver(f.assembly().network()).impedance(f.direct(), a, b).re());
    }

    // ---- capacitance

    private List<Branch> capacitorsBetween() {
        return assembly.branches().stream()
                .filter(b -> b.shape() == Shape.CAPACITOR && isBetween(b))
                .toList();
    }

    private boolean isBetween(Branch b) {
        return (reach.joined(b.nodeA(), plus) && reach.joined(b.nodeB(), minus))
                || (reach.joined(b.nodeA(), minus) && reach.joined(b.nodeB(), plus));
    }

    private Seen capacitance() {
        List<Branch> found = capacitorsBetween();
        if (found.isEmpty() && !inSeries().isEmpty()) {
            return series(inSeries());
        }
        if (found.isEmpty()) {
            return new Seen(0, "There is no capacitor between " + leads() + ".");
        }
        double beside = ohmsBetween(frame, plus, minus);
        if (beside < DISCHARGES_OHMS) {
            return Seen.refused("Something lies beside " + found.get(0).title() + " (" + ohmsWords(beside)
                    + "): the reading would be of both. Take the wires off one of its posts first.");
        }
        double is = microfarads(frame, found);
        double printed = microfarads(frame.sound(), found);
        String what = String.join(" and ", found.stream().map(Branch::title).toList());
        if (is < 0.01 * printed) {
            return new Seen(
                    is,
                    "Next to nothing at " + what + ": it is open. " + Numbers.threeFigures(printed)
                            + " µF are printed on it.",
                    new Claim(Claim.Kind.WORN, found.get(0)));
        }
        return Math.abs(is - printed) > GOOD_CAPACITOR * printed
                ? new Seen(
                        is,
                        what + " has " + percent(1 - is / printed) + " less than the " + Numbers.threeFigures(printed)
                                + " µF printed on it; more than 6 % off is worn out. Replace it.",
                        new Claim(Claim.Kind.WORN, found.get(0)))
                : new Seen(
                        is,
                        what + " is good: " + Numbers.threeFigures(printed)
                                + " µF are printed on it, and 6 % off is allowed.",
                        new Claim(Claim.Kind.GOOD, found.get(0)));
    }

    /** Two sections of one capacitor that meet at their common post, with the leads on the other two. */
    private List<Branch> inSeries() {
        List<Branch> sections = assembly.branches().stream()
                .filter(b -> b.shape() == Shape.CAPACITOR)
                .toList();
        for (Branch one : sections) {
            for (Branch other : sections) {
                boolean meet = one.owner().equals(other.owner()) && one.nodeA() == other.nodeA() && !one.equals(other);
                if (meet && reach.joined(one.nodeB(), plus) && reach.joined(other.nodeB(), minus)) {
                    return List.of(one, other);
                }
            }
        }
        return List.of();
    }

    private Seen series(List<Branch> two) {
        double one = microfarads(frame, two.subList(0, 1));
        double other = microfarads(frame, two.subList(1, 2));
        double is = one + other == 0 ? 0 : one * other / (one + other);
        return new Seen(
                is,
                Seen.SHOWN + " of two sections in series: " + two.get(0).title() + " and "
                        + two.get(1).title() + ". Measure each from the common post.");
    }

    private double microfarads(Frame f, List<Branch> capacitors) {
        double radians = 2 * Math.PI * assembly.hertz();
        return capacitors.stream()
                        .mapToDouble(c -> f.ac().values().admittance(c.index()).im() / radians)
                        .sum()
                * 1e6;
    }

    private static String percent(double share) {
        return Math.round(100 * share) + " %";
    }

    // ---- ohms

    private Seen ohms() {
        if (plus == minus) {
            return new Seen(0, "Both leads are on the same terminal: this is the meter's own lead resistance.");
        }
        double ohms = ohmsBetween(frame, plus, minus);
        return ohms > MOST_OHMS ? saysOpen() : saysOhms(ohms);
    }

    static String display(double ohms) {
        return ohms >= 1e6
                ? Meter.digits(ohms / 1e6) + " M"
                : ohms >= 1e3 ? Meter.digits(ohms / 1e3) + " k" : Meter.digits(ohms);
    }

    static String ohmsWords(double ohms) {
        return ohms >= 1e6
                ? Numbers.threeFigures(ohms / 1e6) + " MΩ"
                : ohms >= 1e3 ? Numbers.threeFigures(ohms / 1e3) + " kΩ" : Numbers.threeFigures(ohms) + " Ω";
    }

    private String leads() {
        return request.plus() + " and " + request.minus();
    }

    private Seen saysOpen() {
        Optional<Branch> load = underTest();
        if (load.isPresent()) {
            Branch b = load.get();
            return b.shape() == Shape.CAPACITOR
                    ? open("OL across the capacitor " + b.title()
                            + ": ohms say only that it isn't shorted. Measure its µF.")
                    : open(
                            "OL across " + b.title() + ": it is open inside"
                                    + expected(b).orElse("") + ".",
                            new Claim(Claim.Kind.OPEN, b));
        }
        List<Branch> opens = reach.opensBetween(plus, minus);
        return opens.isEmpty()
                ? open("OL: nothing joins " + leads() + ".")
                : open("OL: " + opened(opens.get(0)), new Claim(Claim.Kind.OPEN, opens.get(0)));
    }

    private static Seen open(String words, Claim... claims) {
        return new Seen(Double.POSITIVE_INFINITY, words, claims);
    }

    private static String opened(Branch open) {
        if (open.isWire()) {
            return "the wire " + open.owner() + " is broken.";
        }
        return open.role() == Role.PROTECTION
                ? open.title() + " is open: blown or tripped. Find out why before it is replaced."
                : "the contact " + open.title() + " is open as it stands now.";
    }

    /** The load, coil or winding that lies right between the leads: what one means to measure. */
    private Optional<Branch> underTest() {
        return assembly.branches().stream()
                .filter(b -> isConsumerOrWinding(b) && isBetween(b))
                .min(Comparator.comparing((Branch b) -> !isAtTerminals(b))
                        .thenComparing(b ->
                                -frame.direct().values().admittance(b.index()).re()));
    }

    private static boolean isConsumerOrWinding(Branch b) {
        return b.isDrawn() && (b.role().consumes() || b.role() == Role.SECONDARY);
    }

    private boolean isAtTerminals(Branch b) {
        return (b.nodeA() == plus && b.nodeB() == minus) || (b.nodeA() == minus && b.nodeB() == plus);
    }

    /** "; a sound one has 98.7 Ω". */
    private Optional<String> expected(Branch b) {
        double mhos = frame.sound().direct().values().admittance(b.index()).re();
        return mhos <= 0 ? Optional.empty() : Optional.of("; a sound one has " + ohmsWords(1 / mhos));
    }

    private Seen saysOhms(double ohms) {
        if (reach.joined(plus, minus)) {
            return saysJoined(ohms);
        }
        Optional<Branch> tested = underTest();
        return tested.isPresent() ? across(tested.get(), ohms) : between(ohms);
    }

    /** Nothing that one means to measure lies right between the leads. */
    private Seen between(double ohms) {
        List<Branch> loads = loadsOnTheWay(frame.direct(), null);
        List<String> owners = owners(loads);
        String way = String.join(" and ", owners);
        List<Branch> opens = reach.opensBetween(plus, minus);
        List<Claim> claims = new ArrayList<>();
        loads.stream().filter(b -> b.role().consumes()).forEach(b -> claims.add(new Claim(Claim.Kind.WHOLE, b)));
        if (!opens.isEmpty() && !way.isEmpty()) {
            claims.add(new Claim(Claim.Kind.OPEN, opens.get(0)));
            return new Seen(
                    ohms,
                    Seen.SHOWN + " is what " + way + (owners.size() == 1 ? " shows" : " show") + " beside it: "
                            + opened(opens.get(0)) + " Take a wire off one side to test it alone.",
                    claims,
                    null);
        }
        return new Seen(
                ohms,
                Seen.SHOWN + " between " + leads() + (way.isEmpty() ? "." : ", through " + way + "."),
                claims,
                null);
    }

    private Seen across(Branch b, double ohms) {
        Solution direct = frame.direct();
        double own = direct.values().admittance(b.index()).re();
        double beside = 1 / ohms - own;
        List<String> others = beside * ohms > WORTH_TELLING ? owners(loadsOnTheWay(direct, b)) : List.of();
        String also = others.isEmpty()
                ? ""
                : " " + String.join(" and ", others)
                        + (others.size() == 1 ? " lies beside it and takes part" : " lie beside it and take part")
                        + " in the reading; take a wire off to measure " + b.owner()
                        + " alone.";
        if (own <= 0) {
            return new Seen(
                    ohms,
                    Seen.SHOWN + ", but not of " + b.title() + ", which is open"
                            + expected(b).orElse("") + "." + also,
                    new Claim(Claim.Kind.OPEN, b));
        }
        double sound = frame.sound().direct().values().admittance(b.index()).re();
        return sound > 0 && own > 2 * sound
                ? new Seen(
                        ohms,
                        Seen.SHOWN + " across " + b.title() + ": far less than the " + ohmsWords(1 / sound)
                                + " of a sound one. Turns are shorted." + also,
                        new Claim(Claim.Kind.SHORTED, b))
                : new Seen(
                        ohms,
                        Seen.SHOWN + " across " + b.title() + ": the way through it is whole." + also,
                        new Claim(Claim.Kind.WHOLE, b));
    }

    /** Whether it takes a contact or fuse to join the leads: what a circuit may do on purpose. */
    private boolean isBridgedByContacts() {
        Groups<Integer> byWires =
                Groups.ofNodes(assembly, b -> (b.isWire() || b.role() == Role.CONDUCTOR) && reach.isMade(b));
        return !byWires.root(plus).equals(byWires.root(minus));
    }

    private Seen saysJoined(double ohms) {
        double sound = ohmsBetween(frame.sound(), plus, minus);
        Optional<Branch> shorted = underTest();
        Claim joined = new Claim(Claim.Kind.JOINED, null);
        if (shorted.isPresent() && !isBridgedByContacts()) {
            return new Seen(
                    ohms,
                    Seen.SHOWN + ": a dead short across " + shorted.get().title() + "."
                            + expected(shorted.get())
                                    .map(e -> e.replace("; a", " A") + ".")
                                    .orElse(""),
                    joined);
        }
        if (ohms > 2 * sound + 0.5) {
            return new Seen(
                    ohms,
                    Seen.SHOWN + " between " + leads() + ", where a sound joint shows " + ohmsWords(sound)
                            + ": a worn contact or a loose joint.",
                    joined);
        }
        List<Branch> contacts = assembly.branches().stream()
                .filter(b -> isAtTerminals(b) && (b.role() == Role.CONTACT || b.role() == Role.PROTECTION))
                .toList();
        return contacts.isEmpty()
                ? new Seen(
                        ohms,
                        Seen.SHOWN + ": " + request.plus() + " and " + request.minus()
                                + " are joined; the way between them is whole.",
                        joined)
                : new Seen(
                        ohms,
                        Seen.SHOWN + ": " + contacts.get(0).title() + " is closed.",
                        new Claim(Claim.Kind.MADE, contacts.get(0)));
    }

    /** The loads on the way with the fewest of them from lead to lead, without one branch. */
    private List<Branch> loadsOnTheWay(Solution direct, Branch without) {
        int goal = reach.groupOf(minus);
        return Ways.of(
                        assembly,
                        b -> !b.equals(without)
                                && (b.role().consumes() || b.role().gives() || b.role() == Role.CONTACT)
                                && direct.values().admittance(b.index()).re() > 1e-9,
                        reach::groupOf)
                .way(reach.groupOf(plus), g -> g == goal, b -> true)
                .orElse(List.of());
    }

    private static List<String> owners(List<Branch> loads) {
        return loads.stream().map(Branch::owner).distinct().toList();
    }
}
