package org.jagridge.core.plan;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.Problem;
import org.jagridge.core.format.JsonText;
import org.jagridge.core.format.MalformedException;
import org.jagridge.core.plan.InterlockAnswer.Plan;
import org.jagridge.core.run.Run;
import org.jagridge.core.run.Simulation;
import org.testng.annotations.Test;

/** Interlocks that are planned from what openings offer. */
public class InterlockPlannerTest {
    private static InterlockAnswer planned(String json) {
        return InterlockPlanner.plan(InterlockRequestReader.read(JsonText.plainValue(json)));
    }

    private static final String HEATER = "\"heaters\":[{\"id\":\"H1\",\"control\":\"24V-pair\"}]";

    private static Set<String> words(List<Fault> faults) {
        return faults.stream().map(Fault::words).collect(Collectors.toSet());
    }

    @Test
    public void aSignalThatIsThereOnlyWhileMovingIsRejectedWithTheHalfOpenVent() {
        InterlockAnswer a = planned(
                "{\"openings\":[{\"id\":\"V1\",\"signal\":\"ac-while-moving\",\"limitSwitch\":false}]," + HEATER + "}");
        assertTrue(a.plans().isEmpty());
        InterlockAnswer.Rejected r = a.rejected().get(0);
        assertTrue(r.why().contains("Opening V1 half open"), r.why());
        Run run = Simulation.run(r.circuit(), r.how().scenario("again"));
        assertEquals(run.frames().get(run.frames().size() - 1).signals().get("H1"), "burning");
    }

    @Test
    public void alternativesAreRankedByTheFaultsThatBreakThem() {
        InterlockAnswer a = planned(
                "{\"openings\":[{\"id\":\"V1\",\"signal\":\"dc-always\",\"limitSwitch\":true}]," + HEATER + "}");
        List<Integer> hot = a.plans().stream().map(p -> p.failsHot().size()).toList();
        assertEquals(hot, hot.stream().sorted().toList());
        assertEquals(a.plans().get(0).techniques(), Map.of("V1", "monitored-pair"));
        assertEquals(hot.get(0), 0, "no single fault breaks a monitored pair");
        Plan shut = a.plans().stream()
                .filter(p -> p.techniques().containsValue("dc-relay-through-limit"))
                .findFirst()
                .orElseThrow();
        assertTrue(words(shut.failsHot()).containsAll(Set.of("contact welded V1-L C-NO", "link V1-K.11 to V1-K.14")));
        assertFalse(words(shut.failsHot()).contains("coil open V1-K"));
        assertTrue(words(shut.failsCold()).contains("coil open V1-K"));
        assertTrue(
                a.plans().get(0).why().startsWith("Recommended"),
                a.plans().get(0).why());
    }

    @Test
    public void aHeaterOnTheLineGetsALowVoltageLoopOfItsOwnAndItsCallIsBroken() {
        Circuit c = planned("{\"openings\":[{\"id\":\"V1\",\"signal\":\"dry-when-shut\"}],"
                        + "\"heaters\":[{\"id\":\"H1\",\"control\":\"line-thermostat\",\"amps\":12}]}")
                .plans()
                .get(0)
                .circuit();
        assertEquals(c.part("H1-R").orElseThrow().params().get("contactAmps"), 20.0);
        assertTrue(c.wires().stream()
                .anyMatch(w -> w.from().toString().equals("H1-T.2")
                        && w.to().toString().equals("H1-R.L1")));
        assertTrue(c.wires().stream().anyMatch(w -> w.from().toString().equals("LOW-F.2")));
    }

    @Test
    public void anOpeningThatOffersNothingIsToldWithWhatWouldDo() {
        InterlockAnswer a = planned("{\"openings\":[{\"id\":\"V1\",\"signal\":\"none\"}]," + HEATER + "}");
        assertTrue(a.plans().isEmpty());
        assertTrue(a.noWay().get(0).contains("Fit a limit switch"), a.noWay().get(0));
    }

    @Test
    public void whatTheMatrixLeavesOpenIsSaid() {
        InterlockAnswer a = planned("{\"openings\":[{\"id\":\"V1\",\"signal\":\"dry-when-shut\"},"
                + "{\"id\":\"V2\",\"signal\":\"dry-when-shut\"}]," + HEATER + ",\"matrix\":{\"H1\":[\"V1\"]}}");
        assertTrue(a.plans().get(0).stays().get(0).contains("H1 goes on while V2 is open"));
    }

    @Test
    public void whatIsInStockNeedNotBeBought() {
        String ask = "{\"openings\":[{\"id\":\"V1\",\"signal\":\"dc-always\",\"limitSwitch\":true}]," + HEATER
                + ",\"stock\":{\"limit switch\":9}}";
        assertTrue(planned(ask).plans().stream()
                .flatMap(p -> p.buy().stream())
                .noneMatch(b -> b.what().startsWith("limit switch")));
    }

    @Test
    public void allMistakesAreToldAtOnceWithTheirPaths() {
        MalformedException e = expectThrows(
                MalformedException.class,
                () -> planned(
                        "{\"openings\":[{\"id\":\"V1\",\"signal\":\"smoke\"},{\"id\":\"V1\",\"signal\":\"none\"}],"
                                + "\"heaters\":[],\"matrix\":{\"H7\":[\"V1\"]},\"colour\":1}"));
        Set<String> paths = e.problems().stream().map(Problem::path).collect(Collectors.toSet());
        assertEquals(paths, Set.of("/openings/0/signal", "/openings/1/id", "/heaters", "/matrix/H7", "/colour"));
    }
}
