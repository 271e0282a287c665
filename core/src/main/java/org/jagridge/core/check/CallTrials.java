package org.jagridge.core.check;

import static org.jagridge.core.check.FindingKind.CALL_CROSSED;
import static org.jagridge.core.check.FindingKind.CALL_WITHOUT_EFFECT;
import static org.jagridge.core.check.FindingKind.RUNS_UNCALLED;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.part.Call;
import org.jagridge.core.part.PartTypes;
import org.jagridge.core.part.Trait;
import org.jagridge.core.run.Engine;
import org.jagridge.core.run.Frame;
import org.jagridge.core.run.Landing;
import org.jagridge.core.run.Tale;

/** Each call of each control: what must come of it, what mustn't, and what runs with no call at all. */
final class CallTrials {
    private static final double BEGINS = 5;
    /** When a call is looked at, seconds after it begins: machines wait, purge and run up at their own pace. */
    private static final List<Integer> LOOKS = List.of(10, 60, 120, 240, 400, 600);

    private final Circuit circuit;
    private final Findings findings;
    private final Engine engine;
    private final Work work;

    CallTrials(Wiring wiring, Findings findings, Engine engine, Work work) {
        this.findings = findings;
        this.engine = engine;
        this.work = work;
        circuit = wiring.assembly().circuit();
    }

    /** Nothing calls: nothing may run. The state that it comes to. */
    Course quiet(List<Part> controls) {
        Tale tale = new Tale();
        controls.forEach(p -> tale.start(PartTypes.quietOf(p)));
        Course quiet = Course.of(engine, tale.until("Nothing called", 900), 600);
        if (!controls.isEmpty()) {
            Set<String> runs = work.burns(quiet.frame());
            runs.addAll(work.compressors(quiet.frame()));
            runs.forEach(id -> findings.tried(RUNS_UNCALLED, id, id + " runs with nothing calling.", quiet.trial()));
        }
        return quiet;
    }

    /** The calls that are landed, each in its middle. */
    List<Running> all(List<Part> controls) {
        List<Running> running = new ArrayList<>();
        controls.forEach(p -> PartTypes.callsOf(p).forEach(c -> new Called(p, c).look(running)));
        return running;
    }

    /** One call of one control, and what was seen in it at any look. */
    private final class Called {
        private final Part control;
        private final Call call;
        private final String name;
        private final Set<String> begun = new TreeSet<>();
        private final Set<String> heats = new TreeSet<>();
        private final Set<String> burns = new TreeSet<>();
        private final Set<String> cools = new TreeSet<>();
        private final Set<String> compressors = new TreeSet<>();
        private final Set<String> air = new TreeSet<>();
        private Running most;

        Called(Part control, Call call) {
            this.control = control;
            this.call = call;
            name = call.name() + " by " + control.id();
        }

        void look(List<Running> running) {
            Scenario hands = Tale.around(circuit, control, call)
                    .start(call.before())
                    .begin(call, BEGINS)
                    .until(name, 2000);
            Frame before = Course.of(engine, hands, BEGINS - 1e-6).frame();
            Course course = Course.of(engine, hands, BEGINS);
            for (int look : LOOKS) {
                course = course.until(BEGINS + look);
                see(before, course);
            }
            if (Landing.of(control, before, most.course().frame()) == Landing.LANDED) {
                running.add(most);
                judge();
            }
        }

        private void see(Frame before, Course course) {
            Frame f = course.frame();
            begun.addAll(work.begun(before, f, control.id()));
            heats.addAll(work.heats(f));
            burns.addAll(work.burns(f));
            cools.addAll(work.cools(f));
            compressors.addAll(work.compressors(f));
            air.addAll(work.movesAir(f));
            Set<String> works = work.all(f);
            if (most == null || works.size() >= most.works().size()) {
                most = new Running(name, course, work.heats(f), works);
            }
        }

        private void judge() {
            if (begun.isEmpty()) {
                without(name + " brings nothing on.");
                return;
            }
            switch (call.duty()) {
                case FAN -> {
                    wrong("heats", burns);
                    comes(work.has(Trait.AIR_MOVER), air, "moves air");
                }
                case COOLING -> {
                    wrong("heats", heats);
                    comes(work.has(Trait.COMPRESSOR), compressors, "cools");
                }
                case HEATING, AUXILIARY_HEAT -> {
                    wrong("cools", cools);
                    // a bare room switch may run a pump that carries what another one heats
                    boolean thermostat = PartTypes.is(control, Trait.THERMOSTAT);
                    comes(thermostat && (work.has(Trait.HEAT_SOURCE) || work.has(Trait.COMPRESSOR)), heats, "heats");
                }
                case EMERGENCY_HEAT -> {
                    wrong("runs", compressors);
                    comes(work.has(Trait.HEAT_SOURCE), burns, "heats");
                }
                default -> {}
            }
        }

        /** What the call is for has to come of it, where the circuit has anything that could do it. */
        private void comes(boolean possible, Set<String> parts, String does) {
            if (possible && parts.isEmpty()) {
                without("In the call \"" + name + "\" nothing " + does + ".");
            }
        }

        private void without(String message) {
            String subject = control.id() + " " + call.key();
            findings.tried(CALL_WITHOUT_EFFECT, subject, message, most.course().trial());
        }

        private void wrong(String does, Set<String> parts) {
            parts.forEach(id -> findings.tried(
                    CALL_CROSSED,
                    id + " " + control.id(),
                    "In the call \"" + name + "\" " + id + " " + does + ".",
                    most.course().trial()));
        }
    }
}
