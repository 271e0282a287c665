package org.jagridge.core.edit;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jagridge.core.Circuits;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.FaultKind;
import org.jagridge.core.circuit.Problem;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.format.MalformedException;
import org.jagridge.core.run.FaultList;
import org.jagridge.core.run.Run;
import org.jagridge.core.run.Simulation;
import org.jagridge.core.trace.Presets;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class SentencesTest {
    private static final Circuit LAB = Circuits.demo("lab-bench");

    private static Sentences.Act act(String at, String what, String value) {
        return new Sentences.Act(at, what, value);
    }

    private static Scenario read(List<Sentences.Act> acts, List<Sentences.Defect> defects, String until) {
        return new Sentences("Test", acts, defects, until).read(LAB, FaultList.faultsOf(LAB));
    }

    @DataProvider
    public Object[][] demos() {
        return Circuits.DEMOS.stream().map(d -> new Object[] {d}).toArray(Object[][]::new);
    }

    /** What is told in sentences and read back runs as it did, for all that the demos' parts suggest and hold. */
    @Test(dataProvider = "demos")
    public void sentencesReadBackTellTheSameStory(String slug) {
        Circuit circuit = Circuits.demo(slug);
        List<Scenario> scenarios = new ArrayList<>(circuit.scenarios());
        Presets.of(circuit).forEach(p -> scenarios.add(p.scenario()));
        for (Scenario s : scenarios) {
            Scenario back = Sentences.of(s).read(circuit, Sentences.known(s, List.of()));
            assertEquals(back.name(), s.name());
            assertEquals(back.start().keySet(), s.start().keySet());
            assertEquals(story(circuit, back), story(circuit, s), s.name());
        }
    }

    private static List<String> story(Circuit circuit, Scenario scenario) {
        Run run = Simulation.run(circuit, scenario);
        return run.events().stream()
                .map(e -> e.micros() + " " + e.signal() + " " + e.to())
                .toList();
    }

    @Test
    public void timesAreReadAsPeopleWriteThem() {
        Scenario s = read(
                List.of(
                        act("start", "TH.mode", "off"),
                        act("0:05", "TH.fan", "on"),
                        act("90", "TH.fan", "auto"),
                        act("2 min", "TH.fan", "On"),
                        act("0:02:30.25", "TH.fan", "auto"),
                        act("", "TH.roomCelsius", "19,5"),
                        act(" ", " ", "")),
                List.of(),
                "1 h");
        assertEquals(s.start(), Map.of("TH.mode", "off", "TH.roomCelsius", 19.5));
        assertEquals(s.steps().stream().map(Scenario.Step::atSeconds).toList(), List.of(5.0, 90.0, 120.0, 150.25));
        assertEquals(s.steps().get(2).set(), Map.of("TH.fan", "on"));
        assertEquals(s.untilSeconds(), 3600.0);
        assertEquals(
                Sentences.of(s).acts().stream().map(Sentences.Act::at).toList(),
                List.of("start", "start", "0:05", "1:30", "2:00", "2:30.25"));
        assertEquals(Sentences.of(s).until(), "1:00:00");
    }

    @Test
    public void aFaultIsThereForItsTime() {
        Scenario s = read(
                List.of(act("0:05", "TH.fan", "on")),
                List.of(
                        new Sentences.Defect("coil open K1", "0:20", "0:40"),
                        new Sentences.Defect("contact open K2 11-14", "start", "end"),
                        new Sentences.Defect("", "start", "end")),
                "1:00");
        Fault coil = s.faults().get(0);
        assertEquals(coil.kind(), FaultKind.COIL_OPEN);
        assertEquals(coil.atSeconds(), 20.0);
        assertEquals(coil.untilSeconds(), 40.0);
        assertEquals(s.faults().get(1).atSeconds(), null);
        List<String> story = story(LAB, s);
        assertTrue(story.contains("5015000 K1 in") && story.contains("20010000 K1 out"), story.toString());
        assertTrue(story.contains("40015000 K1 in"), story.toString());
        assertEquals(Sentences.of(s).defects().get(0), new Sentences.Defect("coil open K1", "0:20", "0:40"));
    }

    @DataProvider
    public Object[][] mistakes() {
        return new Object[][] {
            {act("noon", "TH.fan", "on"), "/acts/0/at", "\"noon\" is no time"},
            {act("0:05", "", "on"), "/acts/0/what", "say what is set"},
            {act("0:05", "K1", "in"), "/acts/0/what", "no part for \"K1\""},
            {act("0:05", "K1.fan", "on"), "/acts/0/what", "K1 has nothing called \"fan\""},
            {act("0:05", "TH.fan", "fast"), "/acts/0/value", "is not one of auto, on, circulate"},
            {act("0:05", "TH.fan", ""), "/acts/0/value", "say what TH.fan is"},
            {act("0:05", "TH.roomCelsius", "warm"), "/acts/0/value", "number"},
            {act("3:00", "TH.fan", "on"), "/until", "something is set at 3:00"}
        };
    }

    @Test(dataProvider = "mistakes")
    public void aMistakeIsToldWithItsSentence(Sentences.Act act, String path, String words) {
        MalformedException e = expectThrows(MalformedException.class, () -> read(List.of(act), List.of(), "1:00"));
        Problem p = e.problems().get(0);
        assertEquals(p.path(), path);
        assertTrue(p.message().contains(words), p.message());
    }

    @Test
    public void allMistakesAreToldAtOnce() {
        List<String> paths = expectThrows(
                        MalformedException.class,
                        () -> new Sentences(
                                        " ",
                                        List.of(act("0:05", "TH.fan", "on"), act("5", "TH.fan", "auto")),
                                        List.of(
                                                new Sentences.Defect("coil open K99", "start", "end"),
                                                new Sentences.Defect("coil open K1", "0:30", "0:10")),
                                        "0")
                                .read(LAB, FaultList.faultsOf(LAB)))
                .problems()
                .stream()
                .map(Problem::path)
                .toList();
        assertEquals(paths, List.of("/name", "/until", "/acts/1/what", "/defects/0/fault", "/defects/1/to", "/until"));
    }

    @Test
    public void aScenarioIsAddedChangedAndRemovedAndEveryChangeIsTold() {
        Scenario fan = read(List.of(act("0:05", "TH.fan", "on")), List.of(), "1:00");
        Circuit with = Edits.scenario(null, fan).applyTo(LAB);
        int index = with.scenarios().size() - 1;
        assertEquals(with.scenarios().get(index), fan);
        assertEquals(CircuitDiff.between(LAB, with).get(0).words(), "scenario Test");

        Scenario longer = new Scenario("Test", fan.start(), fan.steps(), fan.faults(), 120);
        Circuit changed = Edits.scenario(index, longer).applyTo(with);
        assertEquals(CircuitDiff.between(with, changed).get(0).words(), "Test: watched until was 1:00, now 2:00");
        assertEquals(Edits.removeScenario(index).applyTo(changed).scenarios(), LAB.scenarios());

        MalformedException twice = expectThrows(
                MalformedException.class, () -> Edits.scenario(null, fan).applyTo(with));
        assertEquals(twice.problems().get(0).path(), "/name");
        expectThrows(MalformedException.class, () -> Edits.scenario(99, longer).applyTo(with));
        expectThrows(MalformedException.class, () -> Edits.removeScenario(99).applyTo(with));
    }
}
