package org.jagridge.core.meter;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.jagridge.core.meter.DeadTest.Claim;
import org.jagridge.core.meter.DeadTest.Seen;
import org.jagridge.core.network.Solution;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.NodeGroups;
import org.jagridge.core.part.Numbers;
import org.jagridge.core.part.Role;
import org.jagridge.core.part.Shape;
import org.jagridge.core.part.Ways;
import org.jagridge.core.run.Frame;
import org.jagridge.core.run.Reach;

/** What the ohms range shows in one frame, and of what. */
final class OhmsLook {
    /** Share of the whole conductance from which a path beside the part under test is told. */
    private static final double WORTH_TELLING = 0.02;

    private final Leads leads;
    private final Frame frame;
    private final Reach reach;
    private final Assembly assembly;

    OhmsLook(Leads leads) {
        this.leads = leads;
        frame = leads.frame();
        reach = leads.reach();
        assembly = leads.assembly();
    }

    Seen look() {
        if (leads.plus() == leads.minus()) {
            return new Seen(0, "Both leads are on the same terminal: this is the meter's own lead resistance.");
        }
        double ohms = leads.ohms(frame);
        return ohms > DeadTest.MOST_OHMS ? saysOpen() : saysOhms(ohms);
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
        List<Branch> opens = reach.opensBetween(leads.plus(), leads.minus());
        return opens.isEmpty()
                ? open("OL: nothing joins " + leads.words() + ".")
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
                .filter(b -> isConsumerOrWinding(b) && leads.isBetween(b))
                .min(Comparator.comparing((Branch b) -> !leads.isAtTerminals(b))
                        .thenComparing(b ->
                                -frame.direct().values().admittance(b.index()).re()));
    }

    private static boolean isConsumerOrWinding(Branch b) {
        return b.isDrawn() && (b.role().consumes() || b.role() == Role.SECONDARY);
    }

    /** "; a sound one has 98.7 Ω". */
    private Optional<String> expected(Branch b) {
        double mhos = frame.sound().direct().values().admittance(b.index()).re();
        return mhos <= 0 ? Optional.empty() : Optional.of("; a sound one has " + words(1 / mhos));
    }

    private Seen saysOhms(double ohms) {
        if (leads.areJoined()) {
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
        List<Branch> opens = reach.opensBetween(leads.plus(), leads.minus());
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
                Seen.SHOWN + " between " + leads.words() + (way.isEmpty() ? "." : ", through " + way + "."),
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
        if (b.shape() == Shape.CAPACITOR && own <= 0) {
            return new Seen(
                    ohms,
                    Seen.SHOWN + " is of what lies beside the capacitor " + b.title()
                            + ": ohms say only that it isn't shorted. Take the wires off one of its posts and measure its µF.");
        }
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
                        Seen.SHOWN + " across " + b.title() + ": far less than the " + words(1 / sound)
                                + " of a sound one. Turns are shorted." + also,
                        new Claim(Claim.Kind.SHORTED, b))
                : new Seen(
                        ohms,
                        Seen.SHOWN + " across " + b.title() + ": the way through it is whole." + also,
                        new Claim(Claim.Kind.WHOLE, b));
    }

    /** Whether it takes a contact or fuse to join the leads: what a circuit may do on purpose. */
    private boolean isBridgedByContacts() {
        NodeGroups byWires =
                NodeGroups.of(assembly, b -> (b.isWire() || b.role() == Role.CONDUCTOR) && reach.isMade(b));
        return !byWires.together(leads.plus(), leads.minus());
    }

    private Seen saysJoined(double ohms) {
        double sound = leads.ohms(frame.sound());
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
                    Seen.SHOWN + " between " + leads.words() + ", where a sound joint shows " + words(sound)
                            + ": a worn contact or a loose joint.",
                    joined);
        }
        List<Branch> contacts = assembly.branches().stream()
                .filter(b -> leads.isAtTerminals(b) && (b.role() == Role.CONTACT || b.role() == Role.PROTECTION))
                .toList();
        return contacts.isEmpty()
                ? new Seen(
                        ohms,
                        Seen.SHOWN + ": " + leads.request().plus() + " and "
                                + leads.request().minus() + " are joined; the way between them is whole.",
                        joined)
                : new Seen(
                        ohms,
                        Seen.SHOWN + ": " + contacts.get(0).title() + " is closed.",
                        new Claim(Claim.Kind.MADE, contacts.get(0)));
    }

    /** The loads on the way with the fewest of them from lead to lead, without one branch. */
    private List<Branch> loadsOnTheWay(Solution direct, Branch without) {
        int goal = reach.groupOf(leads.minus());
        return Ways.of(
                        assembly,
                        b -> !b.equals(without)
                                && (b.role().consumes() || b.role().gives() || b.role() == Role.CONTACT)
                                && direct.values().admittance(b.index()).re() > 1e-9,
                        reach::groupOf)
                .way(reach.groupOf(leads.plus()), g -> g == goal, b -> true)
                .orElse(List.of());
    }

    private static List<String> owners(List<Branch> loads) {
        return loads.stream().map(Branch::owner).distinct().toList();
    }

    /** The number on the display. */
    static String display(double ohms) {
        return ohms >= 1e6
                ? Meter.digits(ohms / 1e6) + " M"
                : ohms >= 1e3 ? Meter.digits(ohms / 1e3) + " k" : Meter.digits(ohms);
    }

    /** "98.7 Ω", "1.20 kΩ". */
    static String words(double ohms) {
        return ohms >= 1e6
                ? Numbers.threeFigures(ohms / 1e6) + " MΩ"
                : ohms >= 1e3 ? Numbers.threeFigures(ohms / 1e3) + " kΩ" : Numbers.threeFigures(ohms) + " Ω";
    }
}
