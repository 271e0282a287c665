package org.jagridge.core.check;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.part.Assembly;

/** All findings of a circuit. */
public final class Check {
    private Check() {}

    /** The findings, worst first; those of one severity in the order of their codes and parts. */
    public static List<Finding> findings(Circuit circuit) {
        Wiring wiring = new Wiring(Assembly.of(circuit));
        List<Finding> findings = new ArrayList<>();
        findings.addAll(WiringChecks.of(wiring));
        findings.addAll(SupplyChecks.of(wiring));
        findings.addAll(ThermostatChecks.of(wiring));
        findings.addAll(RunChecks.of(wiring.assembly()));
        findings.sort(Comparator.comparing(Finding::severity)
                .thenComparing(Finding::code)
                .thenComparing(f -> String.join(" ", f.parts())));
        return findings;
    }
}
