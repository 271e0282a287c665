package org.jagridge.core.check;

import static org.jagridge.core.check.Finding.Severity.DANGER;
import static org.jagridge.core.check.Finding.Severity.ERROR;
import static org.jagridge.core.check.Finding.Severity.NOTE;
import static org.jagridge.core.check.Finding.Severity.WARNING;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import org.jagridge.core.circuit.Cable;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.circuit.Wire;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Numbers;
import org.jagridge.core.part.Role;
import org.jagridge.core.part.Shape;

/** Findings that follow from parts and wires alone. */
final class WiringChecks {
    /** A fuse of more than this times the transformer's rated amps doesn't protect it. */
    private static final double FUSE_TIMES = 3.2;

    private final Wiring wiring;
    private final List<Finding> findings = new ArrayList<>();

    private WiringChecks(Wiring wiring) {
        this.wiring = wiring;
    }

    static List<Finding> of(Wiring wiring) {
        WiringChecks c = new WiringChecks(wiring);
        c.openTerminals();
        c.safeties();
        c.switchedNeutrals();
        c.earths();
        c.fuses();
        c.fuseWires();
        c.timerSettings();
        c.solidPoles();
        c.timers();
        c.heaterPairs();
        c.rectifiers();
        c.mixedCables();
        c.notFitted();
        c.colours();
        return c.findings;
    }

    private void say(Finding.Severity severity, String code, List<String> parts, String message, String advice) {
        findings.add(Finding.of(severity, code, parts, message, advice));
    }

    /** A coil, machine or winding with one end in the air. */
    private void openTerminals() {
        for (Branch b : wiring.assembly().branches()) {
            boolean matters = b.role() == Role.COIL
                    || b.role() == Role.PRIMARY
                    || (b.role() == Role.LOAD && b.shape() != Shape.BOX && b.shape() != Shape.CAPACITOR);
            if (!matters || !b.isDrawn() || isTapOf(b)) {
                continue;
            }
            for (Terminal t : List.of(b.a(), b.b())) {
                Terminal other = t.equals(b.a()) ? b.b() : b.a();
                if (isOpen(t) && !isOpen(other)) {
                    say(
                            WARNING,
                            "open-terminal",
                            List.of(b.owner()),
                            t + " has no wire, so " + b.owner() + " can never work.",
                            "Land its wire, or take the part out of the circuit.");
                }
            }
        }
    }

    private boolean isOpen(Terminal t) {
        int net = wiring.net(wiring.assembly().node(t).orElseThrow());
        return !wiring.isWired(t.part(), t.name()) && wiring.at(net).size() < 2;
    }

    /** A speed tap that nobody uses is no mistake. */
    private boolean isTapOf(Branch b) {
        return b.shape() == Shape.MOTOR && b.b() != null && b.b().name().equals("COM");
    }

    private void safeties() {
        for (Assembly.Member m : wiring.parts("safety-switch", "powered-safety", "pressure-switch")) {
            String id = m.part().id();
            if (wiring.joined(id, "1", id, "2")) {
                say(
                        DANGER,
                        "safety-bypassed",
                        List.of(id),
                        id + " (" + m.part().title() + ") is bypassed: a wire joins its two terminals.",
                        "Take the link out. Never leave a safety bypassed.");
                continue;
            }
            for (Branch b : wiring.assembly().branchesOf(id)) {
                if (b.role() == Role.CONTACT && isOnReturnSide(b)) {
                    say(
                            WARNING,
                            "safety-in-return",
                            List.of(id),
                            id + " sits between a load and the return, so an earth fault goes around it.",
                            "Move it to the feed side of what it protects.");
                }
            }
        }
    }

    /** Whether one side of a contact reaches only a return pole and the other side only loads. */
    private boolean isOnReturnSide(Branch contact) {
        for (boolean first : new boolean[] {true, false}) {
            int near = wiring.net(first ? contact.nodeA() : contact.nodeB());
            int far = wiring.net(first ? contact.nodeB() : contact.nodeA());
            boolean nearReturn = !poles(near, contact.owner(), false).isEmpty()
                    && poles(near, contact.owner(), true).isEmpty();
            boolean farFed = !poles(far, contact.owner(), true).isEmpty();
            boolean farLoads = wiring.at(far).stream().anyMatch(b -> b.role().consumes());
            if (nearReturn && !farFed && farLoads) {
                return true;
            }
        }
        return false;
    }

    /** A contact between a line load and its neutral: the load stays live when it is off. */
    private void switchedNeutrals() {
        for (Branch b : wiring.branches(Role.CONTACT)) {
            String type = wiring.part(b.owner()).type();
            boolean safety = type.endsWith("safety") || type.equals("safety-switch") || type.equals("pressure-switch");
            if (!safety && isOnReturnSide(b) && reachesNeutral(b)) {
                say(
                        WARNING,
                        "switched-neutral",
                        List.of(b.owner()),
                        b.title() + " switches the neutral: what hangs on it stays live when it is off.",
                        "Switch the live side.");
            }
        }
    }

    private boolean reachesNeutral(Branch contact) {
        for (int node : new int[] {contact.nodeA(), contact.nodeB()}) {
            for (Branch b : wiring.at(wiring.net(node))) {
                boolean neutral =
                        b.role() == Role.SOURCE && b.b() != null && b.b().name().equals("N");
                if (neutral && wiring.net(b.nodeB()) == wiring.net(node)) {
                    return true;
                }
            }
        }
        return false;
    }

    private void earths() {
        for (Assembly.Member m : wiring.parts("supply")) {
            if (!wiring.isWired(m.part().id(), "PE")) {
                say(
                        NOTE,
                        "earth-missing",
                        List.of(m.part().id()),
                        "Nothing is landed on " + m.part().id() + ".PE: no metalwork is earthed in this drawing.",
                        "Draw the earth as it is; flame sensing and fuses depend on it.");
            }
        }
    }

    /** A control fuse so large that the winding goes first. */
    private void fuses() {
        for (Branch fuse : wiring.branches(Role.PROTECTION)) {
            if (fuse.shape() != Shape.FUSE || !wiring.part(fuse.owner()).type().equals("fuse")) {
                continue;
            }
            double amps = wiring.assembly()
                    .member(fuse.owner())
                    .orElseThrow()
                    .params()
                    .number("amps");
            for (int node : new int[] {fuse.nodeA(), fuse.nodeB()}) {
                for (Branch s : wiring.at(wiring.net(node))) {
                    Params p = wiring.assembly().member(s.owner()).orElseThrow().params();
                    if (s.role() == Role.SECONDARY
                            && p.has("va")
                            && amps > FUSE_TIMES * p.number("va") / p.number("secondaryVolts", 24)) {
                        say(
                                ERROR,
                                "fuse-too-large",
                                List.of(fuse.owner(), s.owner()),
                                fuse.owner() + " (" + Numbers.plain(amps) + " A) lets " + s.owner() + " ("
                                        + Numbers.plain(p.number("va")) + " VA) burn out first.",
                                "Use a smaller fuse.");
                    }
                }
            }
        }
    }

    private Set<String> poles(int net, String without, boolean hot) {
        Set<String> sources = new HashSet<>();
        for (int n : wiring.withinReach(net, Set.of(without))) {
            for (Branch b : wiring.at(n)) {
                if (b.role().gives() && b.b() != null && wiring.net(hot ? b.nodeA() : b.nodeB()) == n) {
                    sources.add(b.owner());
                }
            }
        }
        return sources;
    }

    private void solidPoles() {
        for (Assembly.Member m : wiring.parts("contactor")) {
            List<String> poles = m.params().texts("poles");
            for (int i = 0; i < poles.size(); i++) {
                if (poles.get(i).equals("bar") && wiring.isWired(m.part().id(), "L" + (i + 1))) {
                    say(
                            WARNING,
                            "solid-pole",
                            List.of(m.part().id()),
                            m.part().id() + ".T" + (i + 1)
                                    + " is live with the contactor out: that pole is a solid bar.",
                            "Open the disconnect and prove dead before you touch the load.");
                }
            }
        }
    }

    private void timers() {
        for (Assembly.Member m : wiring.parts("timer")) {
            Params p = m.params();
            double s = p.number("seconds");
            if (s < p.number("minSeconds") || s > p.number("maxSeconds")) {
                say(
                        ERROR,
                        "timer-out-of-range",
                        List.of(m.part().id()),
                        "%s is set to %s s, but its dial goes from %s to %s s."
                                .formatted(
                                        m.part().id(),
                                        Numbers.plain(s),
                                        Numbers.plain(p.number("minSeconds")),
                                        Numbers.plain(p.number("maxSeconds"))),
                        "Choose another timer or another time.");
            }
        }
    }

    /** A fuse that lets more through than a conductor on it may carry. */
    private void fuseWires() {
        for (Assembly.Member m : wiring.parts("fuse")) {
            double amps = m.params().number("amps");
            for (Wire w : wiring.assembly().circuit().wires()) {
                boolean onIt = w.from().part().equals(m.part().id())
                        || w.to().part().equals(m.part().id());
                if (onIt && w.size() != null && amps > ampacity(w.size().ohmsPerKilometre())) {
                    findings.add(new Finding(
                            ERROR,
                            "fuse-over-wire",
                            List.of(m.part().id()),
                            List.of(w.id()),
                            m.part().id() + " (" + Numbers.plain(amps) + " A) lets more through than " + w.id() + " ("
                                    + w.size().word() + ") may carry.",
                            "A smaller fuse, or a larger conductor, as the local code says."));
                }
            }
        }
    }

    /** Usual limits of small copper conductors by their resistance: 3 A at 22 AWG up to 40 A at 8 AWG. */
    private static double ampacity(double ohmsPerKilometre) {
        double[][] limits = {{50, 3}, {30, 5}, {20, 7}, {12, 10}, {8, 15}, {5, 20}, {3, 30}};
        for (double[] l : limits) {
            if (ohmsPerKilometre >= l[0]) {
                return l[1];
            }
        }
        return 40;
    }

    private void timerSettings() {
        for (Assembly.Member m : wiring.parts("timer")) {
            String id = m.part().id();
            String feed = m.params().is("form", "series") ? "IN" : "A1";
            Set<Boolean> line = new HashSet<>();
            wiring.polesWithinReach(wiring.net(id, feed).orElseThrow()).forEach(r -> {
                if (r.hot()) {
                    line.add(isLine(r.source()));
                }
            });
            boolean low = m.params().is("setting", "24V");
            if (line.contains(true) && low) {
                say(
                        DANGER,
                        "timer-setting",
                        List.of(id),
                        id + " is set to 24 V and line voltage can reach it.",
                        "Set it to line, or wire it to the control voltage.");
            } else if (line.equals(Set.of(false)) && !low) {
                say(
                        ERROR,
                        "timer-setting",
                        List.of(id),
                        id + " is set to line voltage and gets 24 V: it never times.",
                        "Set it to 24 V.");
            }
        }
    }

    private void heaterPairs() {
        List<Assembly.Member> heaters = wiring.parts("unit-heater").stream()
                .filter(m -> m.params().is("call", "24V-pair"))
                .toList();
        for (int i = 0; i < heaters.size(); i++) {
            for (int j = i + 1; j < heaters.size(); j++) {
                String a = heaters.get(i).part().id();
                String b = heaters.get(j).part().id();
                if (wiring.joined(a, "R", b, "R") || wiring.joined(a, "W", b, "W")) {
                    say(
                            ERROR,
                            "paralleled-pairs",
                            List.of(a, b),
                            "The 24 V pairs of " + a + " and " + b + " are joined; each has a transformer of its own.",
                            "Give each heater its own relay contact.");
                }
            }
        }
    }

    private void rectifiers() {
        for (Assembly.Member m : wiring.parts("rectifier")) {
            String id = m.part().id();
            if (wiring.joined(id, "-", id, "~1") || wiring.joined(id, "-", id, "~2")) {
                say(
                        DANGER,
                        "rectifier-minus-tied",
                        List.of(id),
                        "The minus of " + id + " is tied to its AC side: that shorts a diode.",
                        "Keep the DC loop apart from C.");
            }
        }
    }

    private void mixedCables() {
        for (Cable cable : wiring.assembly().circuit().cables()) {
            Set<String> classes = new TreeSet<>();
            List<String> wires = new ArrayList<>();
            for (Wire w : wiring.assembly().circuit().wires()) {
                if (cable.id().equals(w.cable())) {
                    wires.add(w.id());
                    int net = wiring.net(wiring.assembly().node(w.from()).orElseThrow());
                    wiring.polesWithinReach(net).forEach(r -> classes.add(isLine(r.source()) ? "line" : "low"));
                }
            }
            if (classes.size() > 1) {
                findings.add(new Finding(
                        ERROR,
                        "mixed-voltage-cable",
                        List.of(),
                        wires,
                        "Cable " + cable.id() + " carries line and low voltage.",
                        "Run them apart, as the local code says."));
            }
        }
    }

    static boolean isLine(Branch source) {
        return source.role() == Role.SOURCE
                && source.a() != null
                && source.a().name().startsWith("L");
    }

    private void notFitted() {
        for (Part p : wiring.assembly().circuit().parts()) {
            if (!p.fitted()) {
                say(
                        NOTE,
                        "option-not-fitted",
                        List.of(p.id()),
                        p.id() + " (" + p.title() + ") is drawn as an option and is not fitted.",
                        "Look for it at the unit before you trust the drawing.");
            }
        }
    }

    private void colours() {
        for (Cable cable : wiring.assembly().circuit().cables()) {
            Set<String> seen = new HashSet<>();
            for (String core : cable.cores()) {
                String colour = core.replaceAll("-\\d+$", "");
                if (!seen.add(colour)) {
                    say(
                            NOTE,
                            "colour-twice",
                            List.of(),
                            "Cable " + cable.id() + " has more than one " + colour + " core.",
                            "Mark both ends of each; the colour doesn't tell them apart.");
                }
            }
        }
        for (Assembly.Member m : wiring.parts("splice")) {
            Set<String> at = new TreeSet<>();
            for (Wire w : wiring.assembly().circuit().wires()) {
                String colour = wiring.assembly().circuit().colourOf(w);
                if (colour != null
                        && (w.from().part().equals(m.part().id())
                                || w.to().part().equals(m.part().id()))) {
                    at.add(colour);
                }
            }
            if (at.size() > 1) {
                say(
                        NOTE,
                        "colour-changes",
                        List.of(m.part().id()),
                        "The colour changes at " + m.part().id() + ": " + String.join(", ", at) + ".",
                        "Colours help, they never prove. Mark both ends.");
            }
        }
        for (Wire w : wiring.assembly().circuit().wires()) {
            if (w.colourAtEnds().size() == 2
                    && !w.colourAtEnds().get(0).equals(w.colourAtEnds().get(1))) {
                findings.add(new Finding(
                        NOTE,
                        "colour-changes",
                        List.of(),
                        List.of(w.id()),
                        w.id() + " is " + w.colourAtEnds().get(0) + " at one end and "
                                + w.colourAtEnds().get(1) + " at the other: there is a splice between.",
                        "Colours help, they never prove. Mark both ends."));
            }
        }
    }
}
