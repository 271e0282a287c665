package org.jagridge.core.run;

import static org.jagridge.core.Circuits.control;
import static org.jagridge.core.Circuits.during;
import static org.testng.Assert.assertEquals;

import java.util.List;
import java.util.Map;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.FaultKind;
import org.testng.annotations.Test;

/** What thermostats join, and when. */
public class ThermostatTest {
    private static Circuit with(Object... params) {
        return control()
                .part("TH", "thermostat", "unit", params)
                .wire("T1.X1", "TH.R")
                .wire("T1.X2", "TH.C")
                .build();
    }

    private static Circuit conventional() {
        return with("terminals", List.of("R", "C", "W", "Y", "G"));
    }

    @Test
    public void heatComesOnADifferentialBelowTheSetPointAndGoesOffAtIt() {
        Runs r = Runs.of(
                conventional(),
                during(60)
                        .start("TH.mode", "heat")
                        .at(10, "TH.roomCelsius", 19.5)
                        .at(20, "TH.roomCelsius", 19.4)
                        .at(30, "TH.roomCelsius", 19.9)
                        .at(40, "TH.roomCelsius", 20.0));
        assertEquals(r.at(15, "TH"), "none");
        assertEquals(r.at(25, "TH"), "R-W");
        assertEquals(r.at(35, "TH"), "R-W");
        assertEquals(r.at(45, "TH"), "none");
    }

    @Test
    public void electricHeatRunsTheFanWithTheHeatAndGasDoesNot() {
        Circuit electric = with("terminals", List.of("R", "C", "W", "Y", "G"), "heatSource", "electric");
        Runs r = Runs.of(electric, during(20).start("TH.roomCelsius", 17).at(5, "TH.mode", "heat"));
        assertEquals(r.at(10, "TH"), "R-W R-G");
        Runs gas =
                Runs.of(conventional(), during(20).start("TH.roomCelsius", 17).at(5, "TH.mode", "heat"));
        assertEquals(gas.at(10, "TH"), "R-W");
    }

    @Test
    public void theCompressorRestsFiveMinutesButNotAtFirstPower() {
        Runs r = Runs.of(
                conventional(),
                during(900)
                        .start("TH.mode", "cool")
                        .at(10, "TH.roomCelsius", 26)
                        .at(100, "TH.roomCelsius", 23)
                        .at(120, "TH.roomCelsius", 26));
        assertEquals(r.when("TH", "R-Y R-G"), 10, 1e-6);
        assertEquals(r.at(200, "TH"), "none");
        assertEquals(r.at(399.9, "TH"), "none");
        assertEquals(r.at(400.1, "TH"), "R-Y R-G");
    }

    @Test
    public void aThermostatThatLivesOnCGoesBlankWithoutSupply() {
        Circuit common = with("terminals", List.of("R", "C", "G"), "power", "common");
        Runs r = Runs.of(
                common, during(30).start("TH.fan", "on").at(10, "M.on", false).at(20, "M.on", true));
        assertEquals(r.at(5, "TH"), "R-G");
        assertEquals(r.at(15, "TH"), "blank");
        assertEquals(r.at(25, "TH"), "R-G");
    }

    @Test
    public void aDeadDisplayCallsForNothingThoughItIsFed() {
        Fault blank = new Fault(FaultKind.CONDITION, Map.of("part", "TH", "condition", "blank"), 10.0, 20.0);
        Runs r = Runs.of(conventional(), during(30).start("TH.fan", "on").fault(blank));
        assertEquals(r.at(5, "TH"), "R-G");
        assertEquals(r.at(15, "TH"), "blank");
        assertEquals(r.at(25, "TH"), "R-G");
    }

    @Test
    public void weakBatteriesLightTheDisplayAndSwitchNothing() {
        Runs r = Runs.of(
                conventional(),
                during(30).start("TH.fan", "on").at(10, "TH.batteries", "weak").at(20, "TH.batteries", "flat"));
        assertEquals(r.at(5, "TH"), "R-G");
        assertEquals(r.at(15, "TH"), "none");
        assertEquals(r.at(25, "TH"), "blank");
    }

    @Test
    public void heatPumpRunsYInBothModesAndTheValveInOne() {
        List<String> terminals = List.of("R", "C", "Y", "O", "G", "AUX", "E");
        Circuit pump = with("kind", "heat-pump", "terminals", terminals);
        Runs cool = Runs.of(pump, during(20).start("TH.roomCelsius", 27).at(5, "TH.mode", "cool"));
        assertEquals(cool.at(10, "TH"), "R-Y R-O R-G");
        Runs heat = Runs.of(pump, during(20).start("TH.roomCelsius", 19).at(5, "TH.mode", "heat"));
        assertEquals(heat.at(10, "TH"), "R-Y R-G");
        Runs cold = Runs.of(pump, during(20).start("TH.roomCelsius", 16).at(5, "TH.mode", "heat"));
        assertEquals(cold.at(10, "TH"), "R-Y R-G R-AUX");
        Runs emergency = Runs.of(pump, during(20).start("TH.roomCelsius", 16).at(5, "TH.mode", "emergency"));
        assertEquals(emergency.at(10, "TH"), "R-G R-E");
    }

    @Test
    public void valveHeldWithTheModeStaysOnBetweenCalls() {
        List<String> terminals = List.of("R", "C", "Y", "O", "G");
        Circuit pump = with("kind", "heat-pump", "terminals", terminals, "valveHold", "with-mode");
        Runs r = Runs.of(pump, during(20).start("TH.roomCelsius", 22).at(5, "TH.mode", "cool"));
        assertEquals(r.at(10, "TH"), "R-O");
    }

    @Test
    public void autoChangeoverKeepsTheDeadBandBetweenHeatAndCool() {
        Runs r = Runs.of(
                conventional(),
                during(100)
                        .start("TH.mode", "auto")
                        .start("TH.heatSetCelsius", 21)
                        .start("TH.coolSetCelsius", 21)
                        .at(10, "TH.roomCelsius", 20.4)
                        .at(20, "TH.roomCelsius", 22.6)
                        .at(30, "TH.roomCelsius", 23.3));
        assertEquals(r.at(15, "TH"), "R-W");
        assertEquals(r.at(25, "TH"), "none");
        assertEquals(r.at(35, "TH"), "R-Y R-G");
    }
}
