package org.jagridge.web.svg;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.FaultKind;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.format.CircuitReader;
import org.jagridge.core.part.Branch;
import org.jagridge.core.run.Frame;
import org.jagridge.core.run.Simulation;
import org.testng.annotations.Test;

/** What a drawing shows as working is what works. */
public class LiveStateTest {
    private static Frame heating(List<Fault> faults) throws IOException {
        try (var in = LiveStateTest.class.getResourceAsStream("/demo/wardens-cottage.json")) {
            Circuit circuit = CircuitReader.read(new String(in.readAllBytes(), StandardCharsets.UTF_8));
            Map<String, Object> cold = Map.of("TH.mode", "heat", "ROOM.celsius", 19.0);
            return Simulation.run(circuit, new Scenario("Cold", cold, List.of(), faults, 4))
                    .at(3_000_000);
        }
    }

    private static Branch running(Frame f, String part) {
        return f.assembly().branchesOf(part).stream()
                .filter(b -> b.label().equals("R-C"))
                .findFirst()
                .orElseThrow();
    }

    @Test
    public void aRunningCompressorIsDrawnAsWorkingAndAStalledOneIsNotThoughItDrawsMore() throws IOException {
        Frame runs = heating(List.of());
        Frame stalls = heating(List.of(Fault.of(FaultKind.MOTOR_SEIZED, "part", "CMP")));
        assertEquals(runs.signals().get("CMP"), "running");
        assertEquals(stalls.signals().get("CMP"), "stalled");
        assertTrue(stalls.amps(running(stalls, "CMP")) > 3 * runs.amps(running(runs, "CMP")));
        assertTrue(new LiveState(runs).works(running(runs, "CMP")));
        assertFalse(new LiveState(stalls).works(running(stalls, "CMP")));
    }
}
