package org.jagridge.core.run;

import static org.testng.Assert.assertEquals;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jagridge.core.Circuits;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.FaultKind;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.part.Branch;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** A meter says what a sound part would show: that must be what the part is in the same circuit without the fault. */
public class SoundFrameTest {
    /** What breaks, welds or wears without the part doing anything else for it. */
    private static final Set<FaultKind> ELECTRICAL = EnumSet.of(
            FaultKind.WIRE_OPEN,
            FaultKind.WIRE_RESISTIVE,
            FaultKind.CONTACT_OPEN,
            FaultKind.CONTACT_WELDED,
            FaultKind.CONTACT_RESISTIVE,
            FaultKind.COIL_OPEN,
            FaultKind.COIL_SHORTED,
            FaultKind.LOAD_OPEN,
            FaultKind.LOAD_SHORTED,
            FaultKind.WINDING_OPEN,
            FaultKind.CAPACITOR_OPEN,
            FaultKind.CAPACITOR_WEAK);

    @DataProvider
    public Object[][] demos() {
        return Circuits.DEMOS.stream().map(d -> new Object[] {d}).toArray(Object[][]::new);
    }

    private static Frame first(Circuit circuit, List<Fault> faults) {
        Map<String, Object> off = new HashMap<>();
        circuit.parts().stream().filter(p -> p.type().equals("supply")).forEach(p -> off.put(p.id() + ".on", false));
        return Simulation.run(circuit, new Scenario("Off", off, List.of(), faults, 1))
                .frames()
                .get(0);
    }

    @Test(dataProvider = "demos")
    public void withoutItsFaultAPartIsWhatItWasBuiltAs(String slug) {
        Circuit circuit = Circuits.demo(slug);
        Frame healthy = first(circuit, List.of());
        List<String> off = new ArrayList<>();
        for (Fault fault : FaultList.faultsOf(circuit)) {
            if (!ELECTRICAL.contains(fault.kind())) {
                continue;
            }
            String owner = fault.part() == null ? fault.wire() : fault.part();
            Frame sound = first(circuit, List.of(fault)).sound();
            for (Branch b : healthy.assembly().branchesOf(owner)) {
                double was = healthy.ac().values().admittance(b.index()).abs();
                double is = sound.ac().values().admittance(b.index()).abs();
                if (Math.abs(was - is) > 1e-9 * (was + is)) {
                    off.add(fault.words() + ": " + b.title() + " " + was + " " + is);
                }
            }
        }
        assertEquals(String.join("\n", off), "");
    }
}
