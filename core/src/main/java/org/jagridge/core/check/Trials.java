package org.jagridge.core.check;

import java.util.ArrayList;
import java.util.List;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.PartTypes;
import org.jagridge.core.part.Trait;
import org.jagridge.core.run.Engine;
import org.jagridge.core.run.RunLimitException;

/**
 * What is found by trying instead of by its pattern: each call of each control and nothing called at all, and then, in
 * the middle of each of these, each safety and each opening opened and each supply and disconnect off.
 */
final class Trials {
    private final Wiring wiring;
    private final Findings findings;
    private List<Running> running = List.of();

    Trials(Wiring wiring, Findings findings) {
        this.wiring = wiring;
        this.findings = findings;
    }

    void look() {
        Assembly assembly = wiring.assembly();
        Circuit circuit = assembly.circuit();
        List<Part> controls = circuit.parts().stream()
                .filter(p -> p.fitted() && !PartTypes.callsOf(p).isEmpty())
                .toList();
        try {
            Engine engine = Engine.of(assembly);
            Work work = new Work(assembly);
            CallTrials calls = new CallTrials(wiring, findings, engine, work);
            Course quiet = calls.quiet(controls);
            running = calls.all(controls);
            List<Course> states = new ArrayList<>(List.of(quiet));
            running.forEach(r -> states.add(r.course()));
            new SupplyTrials(wiring, findings).look(states);
            new SafetyTrials(wiring, findings, work).look(running);
            new OpeningTrials(wiring, findings, work).look(running);
        } catch (RunLimitException e) {
            // a circuit that never comes to rest is told by its runs
            findings.once(FindingKind.CHATTER, String.join(" ", e.parts()), e.getMessage());
        }
    }

    /** What was tried, a line each. */
    List<String> tried() {
        List<String> tried = new ArrayList<>();
        if (!running.isEmpty()) {
            tried.add("nothing called, and each call that is landed: "
                    + String.join(", ", running.stream().map(Running::name).toList()));
            add(
                    tried,
                    "each safety opened and shut again in each of these calls, then the power away for 1 s, 10 s and"
                            + " 10 min: ",
                    wiring.parts(Trait.SAFETY));
            add(
                    tried,
                    "each opening on its way, half and fully open in each of these calls, by its opener and by hand: ",
                    wiring.parts(Trait.OPENING));
        }
        add(tried, "each supply and disconnect off with the others on: ", SupplyTrials.isolators(wiring));
        return tried;
    }

    private static void add(List<String> tried, String what, List<Assembly.Member> members) {
        if (!members.isEmpty()) {
            tried.add(what
                    + String.join(", ", members.stream().map(m -> m.part().id()).toList()));
        }
    }
}
