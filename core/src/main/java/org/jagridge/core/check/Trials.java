package org.jagridge.core.check;

import static org.jagridge.core.check.FindingKind.CALL_CROSSED;
import static org.jagridge.core.check.FindingKind.CALL_WITHOUT_EFFECT;
import static org.jagridge.core.check.FindingKind.HEAT_WITH_OPENING;
import static org.jagridge.core.check.FindingKind.RUNS_UNCALLED;
import static org.jagridge.core.check.FindingKind.SAFETY_BYPASSED;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Input;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Call;
import org.jagridge.core.part.PartTypes;
import org.jagridge.core.part.Role;
import org.jagridge.core.part.Time;
import org.jagridge.core.part.Trait;
import org.jagridge.core.run.Act;
import org.jagridge.core.run.Configuration;
import org.jagridge.core.run.Engine;
import org.jagridge.core.run.Frame;
import org.jagridge.core.run.RunLimitException;
import org.jagridge.core.run.Tale;

/**
 * What is found by trying instead of by its pattern: each call of each control, nothing called at all, each safety and
 * each opening opened in the middle of a call.
 */
final class Trials {
    private static final double BEGINS = 5;
    /** When a call is looked at, seconds after it begins: machines wait, purge and run up at their own pace. */
    private static final List<Integer> LOOKS = List.of(10, 60, 120, 240, 400, 600);
    /** When an opening is looked at while it moves. */
    private static final long ON_ITS_WAY = 5 * Time.SECOND;
    /** How long what was opened is watched. */
    private static final long WATCHED = 30 * Time.SECOND;

    private final Wiring wiring;
    private final Assembly assembly;
    private final Circuit circuit;
    private final Findings findings;
    private final Engine engine;
    private final Work work;
    private final List<Running> running = new ArrayList<>();

    /** A call under way: the last look at which most was at work. */
    private record Running(String name, Configuration state, Set<String> heats, Set<String> works) {}

    Trials(Wiring wiring, Findings findings) {
        this.wiring = wiring;
        this.findings = findings;
        assembly = wiring.assembly();
        circuit = assembly.circuit();
        engine = Engine.of(assembly);
        work = new Work(assembly);
    }

    void look() {
        try {
            List<Part> controls = circuit.parts().stream()
                    .filter(p -> p.fitted() && !PartTypes.callsOf(p).isEmpty())
                    .toList();
            if (controls.isEmpty()) {
                return;
            }
            quiet(controls);
            controls.forEach(p -> PartTypes.callsOf(p).forEach(c -> call(p, c)));
            wiring.parts(Trait.SAFETY).forEach(this::safety);
            wiring.parts(Trait.OPENING).forEach(this::opening);
        } catch (RunLimitException e) {
            // a circuit that never comes to rest is told by its runs
            findings.once(FindingKind.CHATTER, String.join(" ", e.parts()), e.getMessage());
        }
    }

    /** Nothing calls: nothing may run. */
    private void quiet(List<Part> controls) {
        Tale tale = new Tale();
        controls.forEach(p -> tale.start(PartTypes.quietOf(p)));
        Frame f = engine.follow(tale.until("Nothing called", 900), List.of(), 600 * Time.SECOND)
                .frame();
        Set<String> runs = work.burns(f);
        runs.addAll(work.compressors(f));
        runs.forEach(id -> findings.once(RUNS_UNCALLED, id, id + " runs with nothing calling."));
    }

    private void call(Part control, Call call) {
        Scenario s = Tale.around(circuit, control, call)
                .start(call.before())
                .begin(call, BEGINS)
                .until(call.name(), 2000);
        Configuration before = engine.follow(s, List.of(), Time.micros(BEGINS) - 1);
        Configuration state = before;
        Set<String> begun = new TreeSet<>();
        Set<String> heats = new TreeSet<>();
        Set<String> burns = new TreeSet<>();
        Set<String> cools = new TreeSet<>();
        Set<String> compressors = new TreeSet<>();
        Set<String> air = new TreeSet<>();
        Running most = null;
        for (int look : LOOKS) {
            state = engine.follow(state, s, Time.micros(BEGINS + look));
            Frame f = state.frame();
            begun.addAll(work.begun(before.frame(), f, control.id()));
            heats.addAll(work.heats(f));
            burns.addAll(work.burns(f));
            cools.addAll(work.cools(f));
            compressors.addAll(work.compressors(f));
            air.addAll(work.movesAir(f));
            Set<String> works = work.all(f);
            if (most == null || works.size() >= most.works().size()) {
                most = new Running(words(control, call), state, work.heats(f), works);
            }
        }
        if (!isLanded(control, before.frame(), most.state().frame())) {
            return;
        }
        running.add(most);
        String name = words(control, call);
        if (begun.isEmpty()) {
            findings.once(CALL_WITHOUT_EFFECT, control.id() + " " + call.key(), name + " brings nothing on.");
            return;
        }
        switch (call.duty()) {
            case FAN -> {
                wrong(control, name, "heats", burns);
                comes(control, call, work.has(Trait.AIR_MOVER), air, "moves air");
            }
            case COOLING -> {
                wrong(control, name, "heats", heats);
                comes(control, call, work.has(Trait.COMPRESSOR), compressors, "cools");
            }
            case HEATING, AUXILIARY_HEAT -> {
                wrong(control, name, "cools", cools);
                // a bare room switch may run a pump that carries what another one heats
                boolean thermostat = PartTypes.is(control, Trait.THERMOSTAT);
                comes(
                        control,
                        call,
                        thermostat && (work.has(Trait.HEAT_SOURCE) || work.has(Trait.COMPRESSOR)),
                        heats,
                        "heats");
            }
            case EMERGENCY_HEAT -> {
                wrong(control, name, "runs", compressors);
                comes(control, call, work.has(Trait.HEAT_SOURCE), burns, "heats");
            }
            default -> {}
        }
    }

    /** What the call is for has to come of it, where the circuit has anything that could do it. */
    private void comes(Part control, Call call, boolean possible, Set<String> parts, String does) {
        if (possible && parts.isEmpty()) {
            findings.once(
                    CALL_WITHOUT_EFFECT,
                    control.id() + " " + call.key(),
                    "In the call \"" + words(control, call) + "\" nothing " + does + ".");
        }
    }

    /** What was tried, a line each; empty where there is no control. */
    List<String> tried() {
        if (running.isEmpty()) {
            return List.of();
        }
        List<String> tried = new ArrayList<>();
        tried.add("nothing called, and each call that is landed: "
                + String.join(", ", running.stream().map(Running::name).toList()));
        add(tried, "each safety opened in each of these calls", Trait.SAFETY);
        add(tried, "each opening half and fully open in each of these calls", Trait.OPENING);
        return tried;
    }

    private void add(List<String> tried, String what, Trait which) {
        List<String> ids = wiring.parts(which).stream().map(m -> m.part().id()).toList();
        if (!ids.isEmpty()) {
            tried.add(what + ": " + String.join(", ", ids));
        }
    }

    private void wrong(Part control, String call, String does, Set<String> parts) {
        parts.forEach(id -> findings.once(
                CALL_CROSSED, id + " " + control.id(), "In the call \"" + call + "\" " + id + " " + does + "."));
    }

    private String words(Part control, Call call) {
        return call.name() + " by " + control.id();
    }

    /** Whether a wire is on any of the terminals that the call joins to their feed. */
    private boolean isLanded(Part control, Frame before, Frame now) {
        return assembly.branchesOf(control.id()).stream()
                .filter(b -> b.role() == Role.CONTACT && now.conducts(b) && !before.conducts(b))
                .anyMatch(b -> b.b() != null && wiring.isWired(control.id(), b.b().name()));
    }

    /** Opened while something runs in a call, a safety must stop something, in one of the calls at least. */
    private void safety(Assembly.Member m) {
        String id = m.part().id();
        boolean wired = assembly.branchesOf(id).stream()
                .filter(b -> b.role() == Role.CONTACT && b.isDrawn())
                .allMatch(b -> isWired(b));
        if (!wired || running.stream().allMatch(r -> r.works().isEmpty())) {
            return;
        }
        Map<String, Set<String>> goesOn = new LinkedHashMap<>();
        for (Running r : running) {
            Configuration tripped = engine.advance(r.state(), new Act.Set(new Input(id, "tripped"), true));
            Set<String> still =
                    work.all(engine.advance(tripped, new Act.Wait(WATCHED)).frame());
            if (!still.containsAll(r.works())) {
                return;
            }
            if (!r.heats().isEmpty() || !r.works().isEmpty()) {
                goesOn.put(r.name(), r.works());
            }
        }
        goesOn.entrySet().stream()
                .findFirst()
                .ifPresent(e -> findings.once(
                        SAFETY_BYPASSED,
                        id,
                        id + " (" + m.part().title() + ") stops nothing: opened in the call \"" + e.getKey() + "\", "
                                + Work.listed(e.getValue()) + " goes on; so it is in every other call."));
    }

    private boolean isWired(Branch b) {
        return wiring.isWired(b.a().part(), b.a().name()) && wiring.isWired(b.b().part(), b.b().name());
    }

    /** Where an opening stops heat at all, it must do so wherever it stands: on its way, open, and half open. */
    private void opening(Assembly.Member m) {
        String id = m.part().id();
        for (Running r : running) {
            if (r.heats().isEmpty()) {
                continue;
            }
            Map<String, Set<String>> heats = new LinkedHashMap<>();
            Configuration at = moved(r.state(), id, "open", "on its way", heats, r);
            moved(at, id, "half", "on its way back", heats, r);
            boolean stopsSome = heats.values().stream().anyMatch(h -> !h.containsAll(r.heats()));
            if (stopsSome) {
                heats.forEach((where, parts) -> {
                    if (parts.containsAll(r.heats())) {
                        findings.once(
                                HEAT_WITH_OPENING,
                                id,
                                id + " " + where + " in the call \"" + r.name() + "\": " + Work.listed(parts)
                                        + " heats.");
                    }
                });
            }
        }
    }

    private Configuration moved(
            Configuration from,
            String opening,
            String target,
            String meanwhile,
            Map<String, Set<String>> heats,
            Running r) {
        Configuration on = engine.advance(from, new Act.Set(new Input(opening, "target"), target));
        Configuration moving = engine.advance(on, new Act.Wait(ON_ITS_WAY));
        heats.put(meanwhile, heatsOf(moving, r));
        Configuration there = engine.advance(moving, new Act.Wait(4 * WATCHED));
        heats.put(target.equals("half") ? "half open" : "open", heatsOf(there, r));
        return there;
    }

    private Set<String> heatsOf(Configuration c, Running r) {
        Set<String> heats = new TreeSet<>(work.heats(c.frame()));
        heats.retainAll(r.heats());
        return heats;
    }
}
