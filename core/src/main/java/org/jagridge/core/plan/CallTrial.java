package org.jagridge.core.plan;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.jagridge.core.check.Check;
import org.jagridge.core.check.Finding;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Input;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.circuit.Wire;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Role;
import org.jagridge.core.part.Time;
import org.jagridge.core.run.Act;
import org.jagridge.core.run.BackFed;
import org.jagridge.core.run.Configuration;
import org.jagridge.core.run.Engine;
import org.jagridge.core.run.Frame;
import org.jagridge.core.run.RunLimitException;

/**
 * Runs a composition: every call from rest and back to rest, in defrost, and with each source of mains gone and back
 * during a call. What must run must run when it has settled; what must not may not even pass by.
 */
final class CallTrial {
    private static final long END = 400 * Time.SECOND;
    private static final long GONE = 20 * Time.SECOND;
    /** Long enough for a compressor's pressures to level out, so that it starts again. */
    private static final long OUTAGE = 240 * Time.SECOND;

    private static final long BACK = 700 * Time.SECOND;
    private static final long LOST = 150 * Time.SECOND;
    private static final int MOST_STEPS = 20_000;
    private static final double COLD = -5;
    private static final double THAWED = 20;

    private final Composition c;
    private final Engine engine;
    private final Assembly assembly;
    private final List<WiringPlan.Mode> modes = new ArrayList<>();
    private final BudgetMeter meter;
    private final Duties duties;
    private final List<String> said = new ArrayList<>();
    private List<Finding> findings = List.of();

    CallTrial(Composition c) {
        this(c, c.circuit());
    }

    /** @param circuit of the composition, or another that is called alike */
    CallTrial(Composition c, Circuit circuit) {
        this.c = c;
        assembly = Assembly.of(circuit);
        engine = Engine.of(assembly);
        meter = new BudgetMeter(assembly);
        duties = new Duties(c.kit, assembly);
    }

    List<WiringPlan.Mode> modes() {
        return modes;
    }

    List<WiringPlan.Budget> budget() {
        return meter.rows();
    }

    /** What was seen with a source gone, for people. */
    List<String> said() {
        return said;
    }

    /** What was found in the circuit as it is; empty before {@link #runAll}. */
    List<Finding> findings() {
        return findings;
    }

    /** As {@link #run}; what holds is looked over for dangers besides. */
    WiringPlan.Mode runAll() {
        WiringPlan.Mode wrong = run();
        if (wrong != null) {
            return wrong;
        }
        findings = Check.findings(c.circuit());
        return findings.stream()
                .filter(f -> f.severity() == Finding.Severity.DANGER)
                .findFirst()
                .map(f -> new WiringPlan.Mode("off", Set.of(), false, "danger: " + f.message()))
                .orElse(null);
    }

    /** The first call that doesn't hold, with why; null where all hold. */
    WiringPlan.Mode run() {
        try {
            WiringPlan.Mode wrong = calls(null);
            if (wrong != null) {
                return wrong;
            }
            WiringPlan.Mode fed = backFed();
            WiringPlan.Mode power = fed != null ? fed : power();
            if (power != null) {
                return power;
            }
        } catch (RunLimitException e) {
            return new WiringPlan.Mode("off", Set.of(), false, "parts never come to rest: " + e.getMessage());
        }
        modes.add(new WiringPlan.Mode("off", Set.of(), true, null));
        return null;
    }

    /**
     * The first call that doesn't hold; null where all hold.
     *
     * @param only the one call that matters, or null for all
     */
    WiringPlan.Mode calls(String only) {
        for (Expected.Call call : Expected.of(c)) {
            if (only == null || only.equals(call.name())) {
                WiringPlan.Mode mode = call.defrosts() ? defrost(call) : call(call);
                modes.add(mode);
                if (!mode.holds()) {
                    return mode;
                }
            }
        }
        return null;
    }

    private DutyWatch watch(Set<Duty> wanted) {
        return new DutyWatch(duties, wanted);
    }

    private Configuration rest() {
        Map<String, Object> inputs = new LinkedHashMap<>();
        if (c.kit.has("CS")) {
            inputs.put("CS.coilCelsius", THAWED);
        }
        return engine.start(inputs, List.of());
    }

    private Configuration set(Configuration from, Map<String, Object> inputs) {
        List<Act> acts = new ArrayList<>();
        inputs.forEach((k, v) -> acts.add(new Act.Set(Input.parse(k), v)));
        return engine.advance(from, new Act.Together(acts));
    }

    private void heaterDraws(Set<Duty> runs, Frame frame) {
        if (runs.contains(Duty.STRIPS)) {
            Branch load = assembly.branchesOf(c.kit.duties().get(Duty.STRIPS).get(0)).stream()
                    .filter(b -> b.role() == Role.LOAD)
                    .findFirst()
                    .orElseThrow();
            double amps = frame.amps(load);
            double volts = frame.volts(load);
            said.add(String.format(
                    Locale.ROOT,
                    "With the supply at its rated volts and the element at its rated ohms, the heater draws %.1f A at %.0f V: %.2f kW. The code tables decide its conductors and breaker.",
                    amps,
                    volts,
                    amps * volts / 1000));
        }
    }

    private static Map<String, Object> ended(Expected.Call call) {
        Map<String, Object> end = new LinkedHashMap<>();
        call.set().forEach((k, v) -> {
            if (v instanceof String) {
                end.put(k, k.endsWith("fan") ? "auto" : "off");
            } else if (k.endsWith("roomCelsius")) {
                end.put(k, 22.0);
            }
        });
        return end;
    }

    private WiringPlan.Mode call(Expected.Call call) {
        DutyWatch watch = watch(call.runs());
        Configuration at = set(rest(), call.set());
        meter.begins(call.name(), at.frame());
        at = pass(at, Time.micros(call.seconds()), watch);
        Set<Duty> runs = duties.done(at.frame());
        meter.settles(call.name(), at.frame());
        heaterDraws(runs, at.frame());
        String wrong = watch.wrong() != null ? watch.wrong() : Duties.difference(call.runs(), runs);
        if (wrong == null) {
            DutyWatch after = watch(call.runs());
            at = pass(set(at, ended(call)), END, after);
            Set<Duty> left = duties.done(at.frame());
            wrong = after.wrong() != null
                    ? after.wrong()
                    : left.isEmpty()
                            ? null
                            : Duties.titles(left) + (left.size() == 1 ? " doesn't" : " don't") + " stop after the call";
        }
        return new WiringPlan.Mode(call.name(), runs, wrong == null, wrong);
    }

    /** Running time is gathered in calls so short that nothing else comes with them. */
    private WiringPlan.Mode defrost(Expected.Call call) {
        Configuration at = rest();
        at = set(at, Map.of("CS.coilCelsius", COLD));
        DutyWatch quiet = watch(EnumSet.allOf(Duty.class));
        for (int i = 0; i < 2; i++) {
            at = pass(set(at, call.set()), 1500 * Time.SECOND, quiet);
            at = pass(set(at, ended(call)), END, quiet);
        }
        at = pass(set(at, call.set()), 300 * Time.SECOND, quiet);
        for (int i = 0; i < 60 && !"defrost".equals(at.frame().signals().get("DF")); i++) {
            at = pass(at, 10 * Time.SECOND, quiet);
        }
        if (!"defrost".equals(at.frame().signals().get("DF"))) {
            return new WiringPlan.Mode(call.name(), duties.done(at.frame()), false, "no defrost ever begins");
        }
        at = pass(at, Time.micros(call.seconds() + (c.kit.has("FC") ? 80 : 0)), quiet);
        Set<Duty> runs = duties.done(at.frame());
        meter.settles(call.name(), at.frame());
        String wrong = quiet.wrong() != null ? quiet.wrong() : Duties.difference(call.runs(), runs);
        if (wrong == null) {
            at = pass(set(at, Map.of("CS.coilCelsius", THAWED)), 200 * Time.SECOND, quiet);
            Set<Duty> heating = modes.stream()
                    .filter(m -> m.call().equals("heating"))
                    .map(WiringPlan.Mode::runs)
                    .findFirst()
                    .orElse(Set.of());
            String after = heating.isEmpty() ? null : Duties.difference(heating, duties.done(at.frame()));
            wrong = after == null ? null : "after the defrost: " + after;
        }
        return new WiringPlan.Mode(call.name(), runs, wrong == null, wrong);
    }

    /**
     * Whether a transformer whose mains are off is fed backwards where the returns of all meet at the chassis, as they
     * often do by earths that no drawing shows.
     */
    private WiringPlan.Mode backFed() {
        List<Branch> secondaries = assembly.branches().stream()
                .filter(b -> b.role() == Role.SECONDARY && b.b() != null)
                .toList();
        if (secondaries.size() < 2) {
            return null;
        }
        Circuit.Builder earthed = c.circuit().toBuilder();
        for (Branch s : secondaries) {
            Terminal chassis = c.circuit()
                    .place(c.circuit().part(s.owner()).orElseThrow().place())
                    .orElseThrow()
                    .metalwork();
            earthed.wires().add(Wire.between("earth" + s.index(), s.b(), chassis));
        }
        Engine bonded = Engine.of(earthed.build());
        for (String source : c.kit.sources()) {
            Frame frame = bonded.start(Map.of(source + ".on", false), List.of()).frame();
            for (Branch b : frame.assembly().branches()) {
                if (b.role() == Role.PRIMARY && BackFed.is(b, frame)) {
                    return new WiringPlan.Mode(
                            "off",
                            Set.of(),
                            false,
                            "danger: with "
                                    + c.circuit().part(source).orElseThrow().title() + " off and the returns "
                                    + "meeting at the chassis, the primary of " + b.owner()
                                    + " is live all the same, fed backwards");
                }
            }
        }
        return null;
    }

    /** Each source gone during a call, and back; a radio link lost. */
    private WiringPlan.Mode power() {
        for (Expected.Call call : Expected.of(c)) {
            if (!call.name().equals("cooling") && !call.name().equals("heating")) {
                continue;
            }
            meter.during(call.name());
            Configuration settled = pass(set(rest(), call.set()), Time.micros(call.seconds()), watch(call.runs()));
            for (String source : c.kit.sources()) {
                String wrong = without(source, settled, call);
                if (wrong != null) {
                    return new WiringPlan.Mode(call.name(), duties.done(settled.frame()), false, wrong);
                }
            }
            for (String module : List.of("RM", "RMO")) {
                String wrong = c.kit.has(module) ? outOfRange(module, settled) : null;
                if (wrong != null) {
                    return new WiringPlan.Mode(call.name(), duties.done(settled.frame()), false, wrong);
                }
            }
        }
        return null;
    }

    private String without(String source, Configuration settled, Expected.Call call) {
        String name = c.circuit().part(source).orElseThrow().title();
        DutyWatch watch = watch(call.runs());
        Configuration gone = pass(set(settled, Map.of(source + ".on", false)), GONE, watch);
        Frame frame = gone.frame();
        if (watch.wrong() != null) {
            return "with " + name + " off: " + watch.wrong();
        }
        for (Branch b : assembly.branches()) {
            if (b.role() == Role.PRIMARY && BackFed.is(b, frame)) {
                return "danger: with " + name + " off, the primary of " + b.owner()
                        + " is live all the same, fed backwards";
            }
        }
        if ("blank".equals(frame.signals().get("TH"))) {
            said.add("With " + name + " off, the thermostat goes blank.");
        }
        gone = pass(gone, OUTAGE - GONE, watch);
        Configuration on = set(gone, Map.of(source + ".on", true));
        meter.begins(call.name(), on.frame());
        Configuration back = pass(on, BACK, watch(call.runs()));
        String wrong = Duties.difference(call.runs(), duties.done(back.frame()));
        return wrong == null ? null : "after " + name + " was off and on again: " + wrong;
    }

    private String outOfRange(String module, Configuration settled) {
        Configuration lost =
                pass(set(settled, Map.of(module + ".inRange", false)), LOST, watch(EnumSet.allOf(Duty.class)));
        Set<Duty> runs = EnumSet.noneOf(Duty.class);
        runs.addAll(module.equals("RM") ? EnumSet.allOf(Duty.class) : EnumSet.of(Duty.COMPRESSOR));
        runs.retainAll(duties.done(lost.frame()));
        if (c.kit.has("RM") && c.kit.has("RMO") && module.equals("RM")) {
            // the outdoor unit hears by itself
            runs.removeAll(EnumSet.of(Duty.COMPRESSOR, Duty.OUTDOOR_FAN, Duty.REVERSING_VALVE, Duty.SECOND_STAGE));
        }
        runs.removeAll(EnumSet.of(Duty.INDOOR_FAN, Duty.PUMP));
        return runs.isEmpty() ? null : "with the radio link lost: " + Duties.titles(runs) + " stays on";
    }

    private Configuration pass(Configuration from, long micros, DutyWatch watch) {
        Configuration at = from;
        long left = micros;
        watch.sees(at.frame());
        for (int i = 0; i < MOST_STEPS; i++) {
            long wake = at.untilNextWake();
            if (wake > left) {
                break;
            }
            Configuration next = engine.next(at).orElseThrow();
            watch.lasts(Math.max(0, wake));
            left -= Math.max(0, wake);
            at = next;
            watch.sees(at.frame());
            meter.passes(at.frame());
        }
        watch.lasts(left);
        return left > 0 ? engine.advance(at, new Act.Wait(left)) : at;
    }
}
