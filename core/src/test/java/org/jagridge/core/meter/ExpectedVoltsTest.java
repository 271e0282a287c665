package org.jagridge.core.meter;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.List;
import org.jagridge.core.Circuits;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.run.Run;
import org.jagridge.core.run.Simulation;
import org.jagridge.core.trace.Presets;
import org.testng.annotations.Test;

/** The expected volts of a call, terminal by terminal and step by step. */
public class ExpectedVoltsTest {
    private static ExpectedVolts table(String slug, String preset, String part, String label) {
        Circuit circuit = Circuits.demo(slug);
        Assembly assembly = Assembly.of(circuit);
        Run run = Simulation.run(
                assembly, Presets.find(circuit, preset).orElseThrow().scenario());
        return ExpectedVolts.of(
                run,
                assembly.branchesOf(part).stream()
                        .filter(b -> b.label().equals(label))
                        .findFirst()
                        .orElseThrow());
    }

    private static double common(ExpectedVolts t, String terminal, int column) {
        return row(t, terminal).toCommon().get(column).value();
    }

    private static ExpectedVolts.Row row(ExpectedVolts t, String terminal) {
        return t.rows().stream()
                .filter(r -> r.terminal().toString().equals(terminal))
                .findFirst()
                .orElseThrow();
    }

    @Test
    public void theFanCircuitIsDeadBehindTheThermostatUntilItCalls() {
        ExpectedVolts t = table("lab-bench", "TH-fan", "K1", "A1-A2");
        assertEquals(t.rows().get(0).terminal().toString(), "T1.X1");
        assertEquals(t.rows().get(t.rows().size() - 1).terminal().toString(), "T1.X2");
        assertEquals(t.columns().get(1).after().part(), "TH");
        assertEquals(common(t, "TH.R", 0), 26.6, 0.5);
        assertEquals(common(t, "TH.G", 0), 0, 0.1);
        assertEquals(common(t, "TH.G", 1), 26.3, 0.5);
        assertEquals(common(t, "K1.A2", 1), 0, 0.1);
        assertEquals(row(t, "TH.G").across().get(1).value(), 0, 0.2);
        assertEquals(row(t, "K1.A2").across().get(1).value(), 26.3, 0.5);
    }

    @Test
    public void theContactorOfTheColdStoreComesAliveWhenTheDelayIsMade() {
        ExpectedVolts t = table("cold-store", "TH-cool", "CC", "A1-A2");
        List<String> parts =
                t.columns().stream().skip(1).map(c -> c.after().part()).toList();
        assertTrue(parts.contains("TD"), parts.toString());
        int made = parts.lastIndexOf("TD") + 1;
        for (int i = 0; i < t.columns().size(); i++) {
            if (t.columns().get(i).after() != null
                    && t.columns().get(i).after().to().equals("made")) {
                made = i;
            }
        }
        assertTrue(common(t, "CC.A1", 0) < 1);
        assertTrue(common(t, "CC.A1", made) > 18, "volts at the coil when the delay is made");
    }

    @Test
    public void aMillivoltCircuitIsReadInDirectVolts() {
        ExpectedVolts t = table("chapel", "TH-heat", "GV", "1-2");
        assertEquals(t.rows().get(0).toCommon().get(0).value(), 0.75, 0.01);
    }
}
