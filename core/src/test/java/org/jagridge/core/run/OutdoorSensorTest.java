package org.jagridge.core.run;

import static org.jagridge.core.Circuits.during;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.List;
import org.jagridge.core.Circuits;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.FaultKind;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.format.CircuitReader;
import org.jagridge.core.format.CircuitWriter;
import org.jagridge.core.format.MalformedException;
import org.jagridge.core.meter.Meter;
import org.jagridge.core.meter.Reading;
import org.jagridge.core.meter.Request;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** The outdoor temperature comes to a dual-fuel thermostat by the sensor's conductors, and by radio from the module. */
public class OutdoorSensorTest {
    private static Circuit.Builder dual() {
        return Circuits.control()
                .part("OUT", "outdoors", "unit")
                .part("OS", "sensor", "unit", "reads", "OUT")
                .part("RM", "remote-module", "unit", "thermostat", "TH", "outputs", List.of("Y", "G"))
                .part(
                        "TH",
                        "thermostat",
                        "unit",
                        "kind",
                        "dual-fuel",
                        "terminals",
                        List.of("R", "C", "W", "Y", "G", "O"),
                        "outdoors",
                        "OUT",
                        "changeoverCelsius",
                        2.0)
                .part("KW", "relay", "unit")
                .wire("T1.X1", "TH.R")
                .wire("T1.X2", "TH.C")
                .wire("TH.W", "KW.A1")
                .wire("KW.A2", "T1.X2")
                .wire("T1.X1", "RM.R")
                .wire("T1.X2", "RM.C")
                .wire("OS.1", "RM.T1")
                .wire("OS.2", "RM.T2");
    }

    private static Run heatAt(double outdoors, Circuit circuit, Fault... faults) {
        Circuits.Setting setting = during(2000)
                .start("TH.roomCelsius", 17.0)
                .start("OUT.celsius", outdoors)
                .at(5, "TH.mode", "heat");
        for (Fault f : faults) {
            setting.fault(900, f);
        }
        return Simulation.run(circuit, setting.scenario());
    }

    private static boolean burns(Run run, double seconds) {
        String calls = run.at((long) (seconds * 1e6)).signals().get("TH");
        return calls.contains("R-W") && !calls.contains("R-Y");
    }

    /** 10 kΩ NTC: the changeover stands at 2.0 °C, to a tenth. */
    @DataProvider
    public Object[][] temperatures() {
        return new Object[][] {{-20.0, true}, {1.9, true}, {2.0, false}, {8.0, false}, {35.0, false}};
    }

    @Test(dataProvider = "temperatures")
    public void theSensorDecides(double outdoors, boolean burns) {
        assertEquals(burns(heatAt(outdoors, dual().build()), 600), burns);
    }

    @DataProvider
    public Object[][] breaks() {
        return new Object[][] {{"w9", null}, {"w10", null}, {null, "RM.T1"}};
    }

    /** An open way reads as no temperature, and so does a shorted one; the furnace heats then, and the event says why. */
    @Test(dataProvider = "breaks")
    public void aSensorThatIsNotReadLeavesTheHeatToTheFurnace(String open, String shorted) {
        Fault fault = open != null
                ? Fault.of(FaultKind.WIRE_OPEN, "wire", open)
                : Fault.of(FaultKind.LINK, "between", List.of(shorted, "RM.T2"));
        Run run = heatAt(8, dual().build(), fault);
        assertFalse(burns(run, 800));
        assertTrue(burns(run, 1000));
        Event change = run.events().stream()
                .filter(e -> e.part().equals("TH") && e.micros() >= 900_000_000L && !e.isInput())
                .findFirst()
                .orElseThrow();
        assertEquals(change.because().text(), "no outdoor temperature is read: the furnace");
    }

    /** By radio: out of range, or with the module dead, nothing is read, whatever the weather. */
    @Test
    public void noRadioNoReading() {
        for (String input : List.of("RM.inRange", "T1")) {
            Circuits.Setting setting = during(2000)
                    .start("TH.roomCelsius", 17.0)
                    .start("OUT.celsius", 8.0)
                    .at(5, "TH.mode", "heat");
            boolean radio = input.equals("RM.inRange");
            if (radio) {
                setting.at(900, input, false);
            } else {
                setting.fault(900, Fault.of(FaultKind.WIRE_OPEN, "wire", "w7"));
            }
            Run run = Simulation.run(dual().build(), setting.scenario());
            assertFalse(burns(run, 800), input);
            assertTrue(burns(run, 1000), input);
        }
    }

    /** A module without a sensor leaves it to what the thermostat is told otherwise. */
    @Test
    public void withoutASensorTheWeatherIsTakenStraight() {
        Circuit.Builder b = dual();
        b.wires().removeIf(w -> w.from().part().equals("OS"));
        assertFalse(burns(heatAt(8, b.build()), 600));
        assertTrue(burns(heatAt(-8, b.build()), 600));
    }

    /** 3.3 V behind 10 kΩ: at 25 °C the sensor has 10.0 kΩ and keeps half of them. */
    @Test
    public void aMeterSeesWhatTheModuleReads() {
        Run run = heatAt(25, dual().build());
        Reading reading = Meter.at(run, 100_000_000)
                .read(new Request(
                        Request.Mode.DC_VOLTS, Terminal.parse("RM.T1"), Terminal.parse("RM.T2"), null, 1, false));
        assertEquals(reading.value(), 1.65, 0.01);
    }

    /** A day's drift past the changeover is followed in tenths. */
    @Test
    public void aDriftIsFollowed() {
        Circuit circuit = dual().part("AIR", "room", "unit", "timeConstantHours", 2.0, "outdoors", "OUT")
                .build();
        Circuit.Builder b = circuit.toBuilder();
        b.parts()
                .replaceAll(p -> p.id().equals("OS") || p.id().equals("TH")
                        ? p.with(p.id().equals("OS") ? "reads" : "outdoors", "AIR")
                        : p);
        Run run = Simulation.run(
                b.build(),
                during(20_000)
                        .start("TH.roomCelsius", 17.0)
                        .start("AIR.celsius", 10.0)
                        .start("OUT.celsius", -10.0)
                        .at(5, "TH.mode", "heat")
                        .scenario());
        // 10 °C falls to 2 °C after τ·ln(20/12) = 3678 s
        assertFalse(burns(run, 3600));
        assertTrue(burns(run, 3760), run.at(3_760_000_000L).signals().toString());
    }

    private static List<String> mistakes(Circuit.Builder b) {
        try {
            CircuitReader.read(CircuitWriter.write(b.build()));
            return List.of();
        } catch (MalformedException e) {
            return e.problems().stream().map(p -> p.message()).toList();
        }
    }

    private static Circuit.Builder reading(String part, String param, String read) {
        Circuit.Builder b = dual();
        b.parts().replaceAll(p -> p.id().equals(part) ? p.with(param, read) : p);
        return b;
    }

    /** What has no temperature can't be read, and nothing reads itself. */
    @Test
    public void aTemperatureIsReadOnlyWhereThereIsOne() {
        assertEquals(mistakes(dual()), List.of());
        String named = "; name a room, the outdoors, or a sensor that reads no other part";
        assertEquals(
                mistakes(reading("TH", "outdoors", "KW")), List.of("KW has no temperature that TH could read" + named));
        assertEquals(
                mistakes(reading("TH", "outdoors", "OS")), List.of("OS has no temperature that TH could read" + named));
        assertEquals(
                mistakes(reading("OS", "reads", "OS")), List.of("OS has no temperature that OS could read" + named));
        Circuit.Builder circle = dual().part("CS1", "coil-sensor", "unit", "outdoors", "CS2")
                .part("CS2", "coil-sensor", "unit", "outdoors", "CS1");
        assertEquals(
                mistakes(circle),
                List.of(
                        "CS1 would read its own temperature by way of CS2; name another part",
                        "CS2 would read its own temperature by way of CS1; name another part"));
        // what is stored opens all the same, and a run of it tells of a temperature that isn't read
        Circuit stored = CircuitReader.readStored(
                CircuitWriter.write(reading("TH", "outdoors", "KW").build()));
        assertFalse(heatAt(8, stored).events().isEmpty());
        Circuit.Builder direct = dual();
        direct.parts().replaceAll(p -> p.id().equals("OS") ? p.without("reads") : p);
        direct.parts().replaceAll(p -> p.id().equals("TH") ? p.with("outdoors", "OS") : p);
        assertEquals(mistakes(direct), List.of());
    }
}
