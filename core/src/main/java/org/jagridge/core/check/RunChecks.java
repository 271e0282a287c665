package org.jagridge.core.check;

import static org.jagridge.core.check.Finding.Severity.DANGER;
import static org.jagridge.core.check.Finding.Severity.ERROR;
import static org.jagridge.core.check.Finding.Severity.WARNING;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Numbers;
import org.jagridge.core.part.Time;
import org.jagridge.core.run.Event;
import org.jagridge.core.run.Frame;
import org.jagridge.core.run.Run;
import org.jagridge.core.run.RunProblem;
import org.jagridge.core.run.Simulation;

/** Findings that only show when the circuit's own scenarios are run: those without faults, for what is normal. */
final class RunChecks {
    private static final double HEALTHY_COIL = 0.85;
    private static final double OVERLOAD = 1.2;
    /** What passes in less than this is inrush or a contact on its way, not a state to judge. */
    private static final long SETTLED = Time.SECOND;

    private static final long LONG_WITHOUT_AIR = 60 * Time.SECOND;
    private static final double FLOWS = 0.1;
    /** Volts. A sound contact loses millivolts. */
    private static final double CONTACT_DROP = 0.5;
    /** Volts. The series element of an electronic timer loses about one with a small coil behind it. */
    private static final double ELEMENT_DROP = 2;

    private final Assembly assembly;
    /** By code and part, so that each is said once, by the scenario that shows it first. */
    private final Map<String, Finding> findings = new LinkedHashMap<>();

    private RunChecks(Assembly assembly) {
        this.assembly = assembly;
    }

    static List<Finding> of(Assembly assembly) {
        RunChecks c = new RunChecks(assembly);
        List<Scenario> normal = assembly.circuit().scenarios().stream()
                .filter(s -> s.faults().isEmpty()
                        && s.steps().stream().allMatch(t -> t.faults().isEmpty()))
                .toList();
        for (Scenario s : normal.isEmpty() ? List.of(Scenario.quiet(10)) : normal) {
            c.look(s, Simulation.run(assembly, s));
        }
        return new ArrayList<>(c.findings.values());
    }

    private void say(Finding.Severity severity, String code, String part, String message, String advice) {
        findings.putIfAbsent(code + " " + part, Finding.of(severity, code, List.of(part), message, advice));
    }

    private void look(Scenario scenario, Run run) {
        String during = " in \"" + scenario.name() + "\"";
        for (RunProblem p : run.problems()) {
            String part = p.parts().get(0);
            boolean danger = p.code().equals("backfed-transformer");
            say(
                    danger ? DANGER : ERROR,
                    p.code(),
                    part,
                    p.message() + during + ".",
                    danger
                            ? "Take the tie out, and treat both units as live until it is."
                            : "Break the loop: no relay may cut its own coil.");
        }
        for (Event e : run.events()) {
            if (!e.isInput() && (e.to().equals("burnt") || e.to().equals("blown") || e.to().equals("tripped"))) {
                say(
                        DANGER,
                        "burns-out",
                        e.part(),
                        e.part() + " is " + e.to() + during + ": " + e.because().text() + ".",
                        "Something has the wrong volts or too much current.");
            }
        }
        for (int i = 0; i < run.frames().size(); i++) {
            Frame f = run.frames().get(i);
            long until = i + 1 < run.frames().size() ? run.frames().get(i + 1).micros() : run.until();
            if (until - f.micros() < SETTLED) {
                continue;
            }
            for (Branch b : f.assembly().branches()) {
                look(b, f, during);
            }
            currentSwitches(f, during);
            if (until - f.micros() > LONG_WITHOUT_AIR) {
                heatWithoutAir(f, during);
            }
        }
    }

    private void look(Branch b, Frame f, String during) {
        switch (b.role()) {
            case CONTACT -> contact(b, f, during);
            case COIL -> coil(b, f, during);
            case SECONDARY -> transformer(b, f, during);
            default -> {}
        }
    }

    /** A current switch that stays open though its conductor carries current: it wants more turns. */
    private void currentSwitches(Frame f, String during) {
        for (Assembly.Member m : assembly.members()) {
            if (!m.part().type().equals("current-switch")
                    || !"open".equals(f.signals().get(m.part().id()))) {
                continue;
            }
            for (Map<String, Object> sense : m.params().structures("senses")) {
                List<Branch> wire = assembly.branchesOf((String) sense.get("wire"));
                double amps = wire.isEmpty() ? 0 : f.acAmps(wire.get(0)).abs();
                if (!wire.isEmpty() && amps < FLOWS && f.amps(wire.get(0)) > FLOWS) {
                    say(
                            ERROR,
                            "current-switch-on-dc",
                            m.part().id(),
                            m.part().id() + " senses " + sense.get("wire") + ", which carries direct current" + during
                                    + ".",
                            "A current switch works on AC only.");
                }
                if (amps > FLOWS) {
                    int turns = (int) Math.ceil(m.params().number("closeAmps") / amps);
                    say(
                            ERROR,
                            "current-switch-too-few-turns",
                            m.part().id(),
                            "%s stays open at %s A through %s%s."
                                    .formatted(m.part().id(), Numbers.threeFigures(amps), sense.get("wire"), during),
                            "Pass the conductor through it " + turns + " times.");
                }
            }
        }
    }

    private void heatWithoutAir(Frame f, String during) {
        boolean air = assembly.members().stream()
                .filter(m -> m.part().type().equals("motor") && m.params().is("kind", "blower"))
                .map(m -> f.signals().get(m.part().id()))
                .anyMatch(s -> s != null && !s.equals("off") && !s.equals("burnt"));
        for (Assembly.Member m : assembly.members()) {
            boolean strip = m.part().type().equals("resistive-load")
                    && m.params().text("kind").contains("strip")
                    && "on".equals(f.signals().get(m.part().id()));
            if (strip && !air) {
                say(
                        DANGER,
                        "heat-without-air",
                        m.part().id(),
                        m.part().id() + " heats for over a minute without a blower" + during + ".",
                        "Start the blower with the heat: land G, or use a contact of the heat relay.");
            }
        }
    }

    private Params params(Branch b) {
        return assembly.member(b.owner()).orElseThrow().params();
    }

    /** While a series timer waits, nearly all the volts stand across it at a trickle; that is no loss. */
    private boolean losesTooMuch(Branch b, Frame f) {
        boolean element = assembly.member(b.owner()).orElseThrow().part().type().equals("timer")
                && params(b).is("form", "series");
        return element ? f.amps(b) > FLOWS && f.volts(b) > ELEMENT_DROP : f.conducts(b) && f.volts(b) > CONTACT_DROP;
    }

    private void contact(Branch b, Frame f, String during) {
        Params p = params(b);
        if (losesTooMuch(b, f)) {
            say(
                    WARNING,
                    "contact-drop",
                    b.owner(),
                    "%s loses %s V while it is closed%s."
                            .formatted(b.title(), Numbers.threeFigures(f.volts(b)), during),
                    "A burnt contact, or a series timer with too large a load. Replace it, do not file it.");
        }
        double most = p.has("maxContactAmps")
                ? p.number("maxContactAmps")
                : p.has("contactAmps") ? p.number("contactAmps") : 0;
        if (most > 0 && f.amps(b) > most) {
            say(
                    ERROR,
                    "contact-overloaded",
                    b.owner(),
                    "%s carries %s A, rated %s A,%s."
                            .formatted(b.title(), Numbers.threeFigures(f.amps(b)), Numbers.plain(most), during),
                    "Put a contactor of enough rating between.");
        }
    }

    private void coil(Branch b, Frame f, String during) {
        Params p = params(b);
        if (!p.has("coilVolts") || !"in".equals(f.signals().get(b.owner()))) {
            return;
        }
        double share = f.volts(b) / p.number("coilVolts");
        if (share < HEALTHY_COIL) {
            say(
                    WARNING,
                    "coil-undervolted",
                    b.owner(),
                    String.format(
                            Locale.ROOT,
                            "%s holds with %.1f V, %.0f %% of its rating,%s.",
                            b.owner(),
                            f.volts(b),
                            100 * share,
                            during),
                    "Shorten the run, take a larger size, or a larger transformer.");
        }
    }

    private void transformer(Branch b, Frame f, String during) {
        Params p = params(b);
        if (!p.has("va")) {
            return;
        }
        double va = f.amps(b) * p.number("secondaryVolts", 24);
        if (va > OVERLOAD * p.number("va")) {
            say(
                    ERROR,
                    "transformer-overloaded",
                    b.owner(),
                    "%s gives %s VA, rated %s VA,%s."
                            .formatted(b.owner(), Numbers.threeFigures(va), Numbers.plain(p.number("va")), during),
                    "Take a larger transformer, or move loads to another.");
        }
    }
}
