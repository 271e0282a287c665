package org.jagridge.core.run;

import java.util.List;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.network.Solution;
import org.jagridge.core.network.Solver;
import org.jagridge.core.network.Values;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Stamp;

/** The network of a machine: what its parts stamped into it, solved now and as it was before the last change. */
final class Electrics {
    private final Assembly assembly;
    private final Values acValues;
    private final Values dcValues;
    private Solver solver;
    private Stamp stamp;

    Solution ac;
    Solution dc;
    Solution acBefore;
    Solution dcBefore;

    Electrics(Assembly assembly) {
        this.assembly = assembly;
        acValues = new Values(assembly.network());
        dcValues = new Values(assembly.network());
    }

    /** From now on it works for the calling thread, whose solver nobody else uses. */
    void workHere() {
        solver = assembly.network().solver();
    }

    /** Nothing is solved yet. */
    void forget() {
        show(null, null, null, null);
    }

    void show(Solution ac, Solution dc, Solution acBefore, Solution dcBefore) {
        this.ac = ac;
        this.dc = dc;
        this.acBefore = acBefore;
        this.dcBefore = dcBefore;
    }

    void showBefore(Solution acBefore, Solution dcBefore) {
        show(ac, dc, acBefore, dcBefore);
    }

    /** Whether anything was written since it was made. */
    boolean isWritten() {
        return stamp != null;
    }

    /** Other faults are there than at the last writing: writes anew what they take hold of. */
    void change(List<Fault> faults, Object[] states) {
        stamp = Stamps.change(assembly, stamp, acValues, dcValues, faults, states);
    }

    /** Takes the present faults into account and writes all parts anew. */
    void writeAll(List<Fault> faults, Object[] states) {
        stamp = Stamps.begin(assembly, acValues, dcValues, faults);
        assembly.members().forEach(m -> write(m, states[m.index()]));
    }

    void write(Assembly.Member m, Object state) {
        Stamps.write(m, state, stamp);
    }

    void solve() {
        acBefore = ac;
        dcBefore = dc;
        ac = solver.solve(acValues);
        dc = dcValues.hasSource() ? solver.solve(dcValues) : null;
    }

    /** What is there to explain a change with. */
    Scene scene(CurrentPath paths) {
        return new Scene(paths, ac, dc, acBefore, dcBefore);
    }
}
