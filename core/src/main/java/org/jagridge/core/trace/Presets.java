package org.jagridge.core.trace;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Call;
import org.jagridge.core.part.PartTypes;
import org.jagridge.core.part.Trait;
import org.jagridge.core.run.Landing;
import org.jagridge.core.run.Tale;

/**
 * The calls and mishaps that a circuit's own parts make possible, each as a scenario: fan on, cooling, heating,
 * auxiliary, emergency, defrost, changeover, hot water, a limit that trips, a door or vent that opens, power lost and
 * back.
 */
public final class Presets {
    private static final double BEGINS = 5;
    private static final double ENDS = 605;
    /** Long enough after a call for blowers and overruns to stop. */
    private static final double UNTIL = 1000;

    /**
     * One of them.
     *
     * @param key for addresses, unique in its circuit
     * @param call whether it is a plain call, a row of the mode table
     */
    public record Preset(String key, String name, boolean call, Scenario scenario) {}

    private final Circuit circuit;
    private final Assembly assembly;
    private final List<Preset> presets = new ArrayList<>();

    private Presets(Circuit circuit) {
        this.circuit = circuit;
        assembly = Assembly.of(circuit);
    }

    /** The presets of a circuit, calls first. */
    public static List<Preset> of(Circuit circuit) {
        return new Presets(circuit).make();
    }

    public static Optional<Preset> find(Circuit circuit, String key) {
        return of(circuit).stream().filter(p -> p.key().equals(key)).findFirst();
    }

    private List<Preset> make() {
        circuit.parts().forEach(p -> {
            List<Call> calls = landed(p);
            calls.forEach(c -> call(p, c));
            calls.stream().filter(c -> c.duty() == Call.Duty.EMERGENCY_HEAT).forEach(c -> defrost(p));
            changeover(p, calls);
        });
        presets.addAll(new Mishaps(circuit, presets).make());
        return presets;
    }

    /** Its calls without those of which no contact has a wire. */
    private List<Call> landed(Part control) {
        return !control.fitted()
                ? List.of()
                : PartTypes.callsOf(control).stream()
                        .filter(c -> Landing.of(assembly, control, c) != Landing.BARE)
                        .toList();
    }

    private void add(Part part, String key, String name, boolean call, Tale tale, double until) {
        boolean several = circuit.parts().stream()
                        .filter(o -> o.type().equals(part.type()))
                        .count()
                > 1;
        String title = several ? name + ", " + part.title() : name;
        presets.add(new Preset(part.id() + "-" + key, title, call, tale.until(title, until)));
    }

    private void call(Part p, Call call) {
        Tale tale = Tale.around(circuit, p, call);
        add(p, call.key(), call.name(), true, tale.call(call, BEGINS, ENDS), UNTIL);
    }

    /** Cold and damp outside and a call that goes on: after the interval the coil is defrosted. */
    private void defrost(Part p) {
        if (circuit.parts().stream().noneMatch(o -> PartTypes.is(o, Trait.DEFROSTS))) {
            return;
        }
        Optional<Call> called = call(PartTypes.callsOf(p), Call.Duty.HEATING);
        if (called.isEmpty()) {
            return;
        }
        Call heat = called.get();
        Tale tale = new Tale().start(heat.before());
        heat.before().keySet().forEach(room -> tale.start(room.toString(), 18.0));
        circuit.parts().forEach(o -> tale.start(PartTypes.frost(o)));
        add(p, "defrost", "Defrost", false, tale.begin(heat, BEGINS), 6000);
    }

    /** From cooling to heating, with a rest between. */
    private void changeover(Part p, List<Call> calls) {
        Optional<Call> cool = call(calls, Call.Duty.COOLING);
        Optional<Call> heat = call(calls, Call.Duty.HEATING);
        if (cool.isEmpty() || heat.isEmpty()) {
            return;
        }
        Tale tale = new Tale().call(cool.get(), BEGINS, ENDS);
        Map<String, Object> then = new LinkedHashMap<>();
        heat.get().begin().forEach((input, value) -> then.put(input.toString(), value));
        heat.get().before().keySet().forEach(room -> then.put(room.toString(), 18.0));
        add(p, "changeover", "Changeover", false, tale.at(1205, then).end(heat.get(), 1805), 2200);
    }

    private static Optional<Call> call(List<Call> calls, Call.Duty duty) {
        return calls.stream().filter(c -> c.duty() == duty).findFirst();
    }
}
