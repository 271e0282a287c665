package org.jagridge.core.run;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import org.jagridge.core.Circuits;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.network.Complex;
import org.jagridge.core.network.Network;
import org.jagridge.core.network.Solution;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Role;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * Kirchhoff's laws in every instant of every demo circuit, sound and with each single fault: what flows to a point flows
 * away from it, no part makes power out of nothing, and what the sources give is what the rest takes.
 */
public class PowerBalanceTest {
    private static final double AMPS = 1e-5;

    @DataProvider
    public Object[][] demos() {
        return Circuits.DEMOS.stream().map(d -> new Object[] {d}).toArray(Object[][]::new);
    }

    @Test(dataProvider = "demos")
    public void currentsAndPowerAreInBalance(String slug) {
        Circuit circuit = Circuits.demo(slug);
        for (Scenario s : circuit.scenarios()) {
            Scenario hour = new Scenario(s.name(), s.start(), s.steps(), s.faults(), Math.min(3600, s.untilSeconds()));
            balanced(Simulation.run(circuit, hour), s.name());
        }
    }

    @Test(dataProvider = "demos")
    public void theyAreWithEverySingleFault(String slug) {
        Circuit circuit = Circuits.demo(slug);
        Map<String, Object> call = circuit.scenarios().isEmpty()
                ? Map.of()
                : circuit.scenarios().get(0).start();
        List<Fault> faults = FaultList.faultsOf(circuit);
        int frames = 0;
        for (Fault fault : faults) {
            frames += balanced(
                    Simulation.run(circuit, new Scenario("Fault", call, List.of(), List.of(fault), 20)), fault.words());
        }
        assertTrue(frames >= faults.size(), frames + " instants");
    }

    private static int balanced(Run run, String what) {
        List<String> odd = new ArrayList<>();
        for (Frame f : run.frames()) {
            check(f.assembly(), f.ac(), odd);
            if (f.dc() != null) {
                check(f.assembly(), f.dc(), odd);
            }
        }
        assertEquals(odd, List.of(), what);
        return run.frames().size();
    }

    private static void check(Assembly assembly, Solution s, List<String> odd) {
        Complex[] into = new Complex[assembly.nodeCount()];
        Arrays.fill(into, Complex.ZERO);
        double most = 0;
        double balance = 0;
        for (Branch b : assembly.branches()) {
            Complex amps = s.amps(b.index());
            add(into, b.nodeA(), amps.times(-1));
            add(into, b.nodeB(), amps);
            most = Math.max(most, amps.abs());
            Complex volts = s.branchVolts(b.index());
            double watts = volts.re() * amps.re() + volts.im() * amps.im();
            balance += watts;
            if (watts < -1e-6 && !b.role().gives() && !isWinding(b)) {
                odd.add(b.title() + " makes " + -watts + " W");
            }
        }
        for (int node = 0; node < into.length; node++) {
            if (into[node].abs() > AMPS * Math.max(1, most)) {
                odd.add("node " + node + " is off by " + into[node].abs() + " A of " + most);
            }
        }
        if (Math.abs(balance) > 1e-3 * Math.max(1, most)) {
            odd.add("power is off by " + balance + " W");
        }
    }

    private static void add(Complex[] into, int node, Complex amps) {
        if (node != Network.EARTH) {
            into[node] = into[node].plus(amps);
        }
    }

    /** A transformer's windings give and take by turns; both together are in the balance. */
    private static boolean isWinding(Branch b) {
        return b.role() == Role.PRIMARY;
    }
}
