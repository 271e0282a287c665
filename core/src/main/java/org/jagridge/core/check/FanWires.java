package org.jagridge.core.check;

import static org.jagridge.core.check.FindingKind.HEAT_WITHOUT_FAN_WIRE;

import java.util.List;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Call;
import org.jagridge.core.part.PartTypes;
import org.jagridge.core.part.Trait;
import org.jagridge.core.run.Frame;
import org.jagridge.core.run.Run;
import org.jagridge.core.run.Simulation;
import org.jagridge.core.run.Tale;

/** Electric heat that is called without a fan. */
final class FanWires implements WiringCheck {
    private final Wiring wiring;
    private final Findings findings;

    FanWires(Wiring wiring, Findings findings) {
        this.wiring = wiring;
        this.findings = findings;
    }

    @Override
    public void look() {
        wiring.parts(Trait.THERMOSTAT).forEach(this::fan);
    }

    private void fan(Assembly.Member m) {
        boolean heats = wiring.isWired(m, "W") || wiring.isWired(m, "AUX") || wiring.isWired(m, "W2");
        boolean electric = m.params().is("heatSource", "electric") || m.params().is("kind", "heat-pump");
        if (heats && electric && !wiring.isWired(m, "G") && !wiring.isWired(m, "SH") && !airComesWithHeat(m)) {
            findings.add(
                    HEAT_WITHOUT_FAN_WIRE,
                    List.of(m.part().id()),
                    m.part().id() + " calls electric heat, but G isn't landed: strips without air overheat.");
        }
    }

    /** Whether a blower runs in every call for heat all the same: by a relay, by the board, by radio. */
    private boolean airComesWithHeat(Assembly.Member m) {
        Circuit circuit = wiring.assembly().circuit();
        return PartTypes.callsOf(m.part()).stream()
                .filter(call -> call.duty() == Call.Duty.HEATING
                        || call.duty() == Call.Duty.AUXILIARY_HEAT
                        || call.duty() == Call.Duty.EMERGENCY_HEAT)
                .allMatch(call -> airMoves(Simulation.run(
                        circuit,
                        Tale.around(circuit, m.part(), call).call(call, 5, 300).until(call.name(), 200))));
    }

    private boolean airMoves(Run run) {
        Frame last = run.frames().get(run.frames().size() - 1);
        return wiring.parts(Trait.AIR_MOVER).stream().anyMatch(a -> {
            String signal = last.signals().get(a.part().id());
            return signal != null && a.signal().isAtWork(signal);
        });
    }
}
