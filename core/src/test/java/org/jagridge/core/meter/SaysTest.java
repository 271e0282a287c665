package org.jagridge.core.meter;

import static org.jagridge.core.Circuits.during;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import org.jagridge.core.Circuits;
import org.jagridge.core.ReferenceCase;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.FaultKind;
import org.jagridge.core.part.Time;
import org.jagridge.core.run.Run;
import org.jagridge.core.run.Simulation;
import org.jagridge.core.trace.Presets;
import org.testng.annotations.Test;

/** What readings prove, in words. */
public class SaysTest {
    private final Circuit circuit = ReferenceCase.load("fan-relay").circuit();

    private Reading read(Circuits.Setting setting, double at, String plus, String minus) {
        Run run = Simulation.run(circuit, setting.scenario());
        return Meter.at(run, Time.micros(at)).read(Request.volts(plus, minus));
    }

    private Circuits.Setting fanOn() {
        return during(20).at(5, "TH.fan", "on");
    }

    private static void contains(Reading r, String words) {
        assertTrue(r.says().contains(words), r.display() + ": " + r.says());
    }

    @Test
    public void acrossAnOpenSwitchStandsFullVoltageAndTheFarSideIsNotPowered() {
        Reading r = read(during(10), 5, "TH.R", "TH.G");
        assertEquals(r.value(), 26.43, 0.15);
        contains(r, "Full voltage across an open switch");
        contains(r, "TH.G is not powered");
        contains(r, "through K1");
    }

    @Test
    public void zeroAtAnOpenOutputProvesOnlyWithALiveSupply() {
        Reading r = read(during(10), 5, "TH.G", "T1.X2");
        assertEquals(r.value(), 0, 0.02);
        contains(r, "TH.G rests at the voltage of T1.X2");
        contains(r, "A dead supply reads 0 V as well: check the source first");
    }

    @Test
    public void zeroAcrossAClosedContactMayAlsoBeADeadSupply() {
        Reading r = read(fanOn(), 10, "TH.R", "TH.G");
        assertEquals(r.value(), 0, 0.02);
        contains(r, "closed contact, TH R-G");
        contains(r, "A dead supply reads 0 V as well");
    }

    @Test
    public void zeroWithTheMainsOffSaysThatBothMayBeDead() {
        Reading r = read(during(10).start("M.on", false), 5, "TH.R", "TH.G");
        contains(r, "Both are dead now");
        Reading bothHot = read(during(10), 5, "F1.1", "F1.2");
        contains(bothHot, "closed contact, F1");
    }

    @Test
    public void voltsAcrossAnEnergisedCoilProveFeedAndReturn() {
        Reading r = read(fanOn(), 10, "K1.A1", "K1.A2");
        assertEquals(r.value(), 26.28, 0.15);
        contains(r, "it is fed and its return is sound");
        contains(r, "that takes amps");
    }

    @Test
    public void voltsAtAnOpenCoilAreToldAsThoseAtASoundOne() {
        Reading r = read(fanOn().fault(Fault.of(FaultKind.COIL_OPEN, "part", "K1")), 10, "K1.A1", "K1.A2");
        assertEquals(
                r.says().replaceAll("[0-9.]+ V", ""),
                read(fanOn(), 10, "K1.A1", "K1.A2").says().replaceAll("[0-9.]+ V", ""));
    }

    @Test
    public void theSupplyIsCalledTheSupply() {
        contains(read(during(10), 5, "T1.X1", "T1.X2"), "This is the supply itself: T1");
        contains(read(during(10), 5, "M.L1", "M.N"), "This is the supply itself: M");
    }

    @Test
    public void twoPointsOnTheSameHotSideAreNotTakenForDead() {
        Reading r = read(during(10), 5, "M.L1", "K1.11");
        assertEquals(r.value(), 0, 0.05);
        contains(r, "live");
    }

    @Test
    public void aBrokenWireIsNamedWhereTheMeterLiesAcrossIt() {
        Reading r = read(fanOn().fault(Fault.of(FaultKind.WIRE_OPEN, "wire", "w5")), 10, "TH.G", "K1.A1");
        contains(r, "the broken wire w5");
        contains(r, "K1.A1 is not powered");
    }

    @Test
    public void theSameTerminalTwiceIsSaid() {
        contains(read(during(10), 5, "TH.R", "TH.R"), "same terminal");
    }

    @Test
    public void bothLegsOfTheSupplyAreTheSupply() {
        Reading r = read(fanOn(), 10, "M.L1", "M.L2");
        assertEquals(r.value(), 236, 0.5);
        contains(r, "This is the supply itself: M");
    }

    /** Two elements of 14.4 Ω on one feed: 16.7 A each; with one open, half is left. */
    @Test
    public void halfOfABanksCurrentIsAsIfOneElementWereOpen() {
        Circuit bank = Circuits.control()
                .part("H1", "resistive-load", "unit", "volts", 120.0, "watts", 1000.0)
                .part("H2", "resistive-load", "unit", "volts", 120.0, "watts", 1000.0)
                .wire("M.L", "H1.1")
                .wire("H1.1", "H2.1")
                .wire("H1.2", "H2.2")
                .wire("H2.2", "M.N")
                .build();
        String feed = bank.wires().stream()
                .filter(w ->
                        w.from().toString().equals("M.L") && w.to().toString().equals("H1.1"))
                .findFirst()
                .orElseThrow()
                .id();
        Reading whole = Meter.at(Simulation.run(bank, during(10).scenario()), 0).read(Request.amps(feed));
        assertEquals(whole.value(), 16.6, 0.15);
        contains(whole, "It is what to expect: H1 8.26 A, H2 8.26 A");
        Reading half = Meter.at(
                        Simulation.run(
                                bank,
                                during(10)
                                        .fault(Fault.of(FaultKind.LOAD_OPEN, "part", "H2"))
                                        .scenario()),
                        Time.micros(5))
                .read(Request.amps(feed));
        assertEquals(half.value(), 8.3, 0.05);
        contains(half, "50 % of the 16.5 A to expect");
        contains(half, "as if one of H1, H2 drew nothing");
    }

    /** Stopped for less than three minutes, the compressor can't start against its pressures. */
    @Test
    public void fiveTimesTheRunningAmpsMeanALockedRotor() {
        Circuit cottage = Circuits.demo("wardens-cottage");
        Run run = Simulation.run(
                cottage, Presets.find(cottage, "power-failure").orElseThrow().scenario());
        Reading r = Meter.at(run, Time.micros(552)).read(Request.amps("w40"));
        contains(r, "CMP draws 4.");
        contains(r, "times its running amps (12.0 A): it is locked, or just starting");
    }

    @Test
    public void clampSaysWhatNoCurrentMeans() {
        Run run = Simulation.run(circuit, during(10).scenario());
        Reading r = Meter.at(run, Time.micros(5)).read(Request.amps("w8"));
        contains(r, "No current in w8");
        Run on = Simulation.run(circuit, fanOn().scenario());
        Reading flowing = Meter.at(on, Time.micros(10)).read(Request.amps("w8"));
        assertEquals(flowing.value(), 0.885, 0.01);
        contains(flowing, "its circuit is complete");
    }
}
