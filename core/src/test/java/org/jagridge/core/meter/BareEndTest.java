package org.jagridge.core.meter;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jagridge.core.Circuits;
import org.jagridge.core.circuit.BareEnd;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.FaultKind;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.circuit.Wire;
import org.jagridge.core.circuit.WiringDefect;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.PartTypes;
import org.jagridge.core.part.Time;
import org.jagridge.core.run.Frame;
import org.jagridge.core.run.Run;
import org.jagridge.core.run.Simulation;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** A meter on the end of a wire that was taken off its terminal. Lab bench: w14 goes from XT.3 (G) to K1.A1. */
public class BareEndTest {
    private static final String BARE = "~w14.2";
    private static final Map<String, Object> FAN = Map.of("TH.fan", "on");
    private static final Map<String, Object> OFF = Map.of("M.on", false);

    private static Fault lifted(String wire, String at) {
        return Fault.of(FaultKind.LIFTED, "wire", wire, "at", at);
    }

    private static Reading read(Map<String, Object> set, List<Fault> faults, Request.Mode mode, String... leads) {
        return read(set, faults, mode, false, leads);
    }

    private static Reading read(
            Map<String, Object> set, List<Fault> faults, Request.Mode mode, boolean lowImpedance, String... leads) {
        List<Scenario.Step> steps = List.of(new Scenario.Step(5, set, List.of()));
        Run run = Simulation.run(Circuits.demo("lab-bench"), new Scenario("Lifted", Map.of(), steps, faults, 30));
        return Meter.at(run, Time.micros(20))
                .read(new Request(mode, Terminal.parse(leads[0]), Terminal.parse(leads[1]), null, 1, lowImpedance));
    }

    @Test
    public void theFeedIsOnTheBareEndAndNoMoreOnTheCoil() {
        List<Fault> off = List.of(lifted("w14", "K1.A1"));
        Reading bare = read(FAN, off, Request.Mode.AC_VOLTS, BARE, "T1.X2");
        assertEquals(bare.value(), 26.6, 0.2, bare.says());
        assertTrue(bare.says().contains("reaches the bare end of w14 through F1 1–2, TH R–G"), bare.says());
        Reading coil = read(FAN, off, Request.Mode.AC_VOLTS, "K1.A1", "T1.X2");
        assertEquals(coil.value(), 0, 0.1, coil.says());
    }

    /** What a technician lifts a wire for: to test it alone. */
    @Test
    public void aWireIsTestedAloneWithOneEndOff() {
        List<Fault> off = List.of(lifted("w14", "K1.A1"));
        Reading whole = read(OFF, off, Request.Mode.CONTINUITY, BARE, "XT.3");
        assertTrue(whole.value() < 1 && whole.says().startsWith("It beeps."), whole.says());
        Fault broken = Fault.of(FaultKind.WIRE_OPEN, "wire", "w14");
        Reading open = read(OFF, List.of(broken, off.get(0)), Request.Mode.CONTINUITY, BARE, "XT.3");
        assertEquals(open.display(), "OL");
        assertTrue(open.says().contains("the wire w14 is broken"), open.says());
        assertFalse(open.says().contains("~"), open.says());
    }

    /** Leads that were kept under the older name still lie on the bare end, and a user's part of that name is left alone. */
    @Test
    public void olderNamesAreReadAndNobodysPartIsTaken() {
        Circuit bench = Circuits.demo("lab-bench");
        Circuit.Builder b = bench.toBuilder();
        new WiringDefect.Lifted("w14", Terminal.parse("K1.A1")).rewire(bench, b, PartTypes.fittings());
        Circuit lifted = b.build();
        Terminal bare = Terminal.parse(BARE);
        assertEquals(BareEnd.landed(bare, lifted), bare);
        assertEquals(BareEnd.landed(Terminal.parse("bare-w14.2"), lifted), bare);
        assertEquals(
                BareEnd.landed(Terminal.parse("bare-w14.2"), bench),
                bench.wire("w14").orElseThrow().end(1));
        b.parts()
                .add(PartTypes.fittings()
                        .strip("bare-w14", bench.places().get(0).id(), 2));
        Circuit named = b.build();
        assertEquals(BareEnd.landed(Terminal.parse("bare-w14.2"), named), Terminal.parse("bare-w14.2"));
        assertEquals(BareEnd.landed(bare, named), bare);
    }

    /** A core with both ends off hangs on nothing: its neighbours' volts come over, and a load takes them away. */
    @Test
    public void aCoreWithBothEndsOffShowsGhostVolts() {
        Wire core = Circuits.demo("lab-bench").wire("w11").orElseThrow();
        List<Fault> off = List.of(
                lifted("w11", core.from().toString()), lifted("w11", core.to().toString()));
        Reading ghost = read(Map.of(), off, Request.Mode.AC_VOLTS, "~w11.1", "T1.X1");
        assertTrue(ghost.value() > 20, ghost.display() + " " + ghost.says());
        assertTrue(ghost.says().contains("in TC"), ghost.says());
        Reading loaded = read(Map.of(), off, Request.Mode.AC_VOLTS, true, "~w11.1", "T1.X1");
        assertEquals(loaded.value(), 0, 0.2, loaded.says());
        Reading ends = read(OFF, off, Request.Mode.CONTINUITY, "~w11.1", "~w11.2");
        assertTrue(ends.says().startsWith("It beeps."), ends.says());
    }

    @Test
    public void aLeadOnAnEndGoesWithItWhenItIsLanded() {
        Fault timed = new Fault(FaultKind.LIFTED, Map.of("wire", "w14", "at", "K1.A1"), 2.0, 10.0);
        Scenario landed = new Scenario("Landed", FAN, List.of(), List.of(timed), 30);
        Run run = Simulation.run(Circuits.demo("lab-bench"), landed);
        Request onTheEnd = Request.volts(BARE, "T1.X2");
        Reading before = Meter.at(run, Time.micros(9)).read(onTheEnd);
        Reading after = Meter.at(run, Time.micros(20)).read(onTheEnd);
        assertTrue(before.value() > after.value(), "the coil draws again");
        assertEquals(
                after.value(),
                Meter.at(run, Time.micros(20))
                        .read(Request.volts("K1.A1", "T1.X2"))
                        .value());
    }

    @DataProvider
    public Object[][] demos() {
        return Circuits.DEMOS.stream().map(d -> new Object[] {d}).toArray(Object[][]::new);
    }

    /** No current goes into the air, whichever end of whichever wire is off, and the bare end is at the other end's volts. */
    @Test(dataProvider = "demos")
    public void anyEndOfAnyWireCanBeLifted(String slug) {
        Circuit circuit = Circuits.demo(slug);
        Assembly assembly = Assembly.of(circuit);
        List<String> odd = new ArrayList<>();
        for (Wire w : circuit.wires()) {
            for (int end = 0; end < 2; end++) {
                Fault off = new Fault(
                        FaultKind.LIFTED,
                        Map.of("wire", w.id(), "at", w.end(end).toString()),
                        2.0,
                        4.0);
                Run run = Simulation.run(assembly, new Scenario("Lifted", Map.of(), List.of(), List.of(off), 6));
                Frame lifted = run.at(Time.micros(3.9));
                int wire = lifted.assembly().branchesOf(w.id()).get(0).index();
                Terminal bare = new BareEnd(w.id(), end).terminal();
                double apart = lifted.acVolts(
                        lifted.assembly().node(bare).orElseThrow(),
                        lifted.assembly().node(w.end(1 - end)).orElseThrow());
                if (lifted.ac().amps(wire).abs() > 1e-9 || apart > 1e-6) {
                    odd.add(w.id() + " off " + w.end(end));
                }
                Frame landed = run.at(Time.micros(5.9));
                assertEquals(landed.assembly().nodeCount(), assembly.nodeCount(), w.id() + " is landed again");
            }
        }
        assertEquals(odd, List.of());
    }
}
