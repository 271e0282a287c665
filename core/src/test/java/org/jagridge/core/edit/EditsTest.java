package org.jagridge.core.edit;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.util.List;
import java.util.Map;
import org.jagridge.core.Circuits;
import org.jagridge.core.circuit.Cable;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Condition;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.FaultKind;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Place;
import org.jagridge.core.circuit.Rule;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.circuit.Wire;
import org.jagridge.core.format.CircuitWriter;
import org.jagridge.core.format.MalformedException;
import org.jagridge.core.part.PartTypes;
import org.jagridge.core.run.Simulation;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Changes of a circuit lead to a checked circuit or say why not. */
public class EditsTest {
    private static Wire wire(String id, String from, String to) {
        return Wire.between(id, Terminal.parse(from), Terminal.parse(to));
    }

    private static String problem(Edit edit, Circuit circuit) {
        return expectThrows(MalformedException.class, () -> edit.applyTo(circuit))
                .problems()
                .get(0)
                .message();
    }

    @Test
    public void aNewWireGetsTheNextFreeId() {
        Circuit circuit = Circuits.control().build();
        Circuit changed = Edits.wire(null, wire("", "T1.X2", "unit.PE")).applyTo(circuit);
        assertEquals(changed.wires().size(), 3);
        assertEquals(changed.wires().get(2).id(), "w3");
    }

    @Test
    public void aWireToATerminalThatIsNotThereIsRefusedAndSaysWhatIs() {
        Circuit circuit = Circuits.control().build();
        assertEquals(
                problem(Edits.wire(null, wire("", "T1.X3", "M.N")), circuit),
                "T1 has no terminal X3; it has P1, P2, X1, X2");
        assertEquals(
                problem(Edits.wire(null, wire("", "K7.A1", "M.N")), circuit),
                "there is no part K7, so no terminal K7.A1");
        assertTrue(
                problem(Edits.wire("w9", wire("w9", "T1.X1", "M.N")), circuit).contains("no w9 any more"));
    }

    @Test
    public void renamingAPartTakesItsWiresAndScenariosAlong() {
        Circuit bench = Circuits.demo("lab-bench");
        Part k4 = bench.part("K4").orElseThrow();
        Part renamed = new Part(
                "KSEAL", k4.type(), k4.place(), k4.name(), k4.params(), k4.fitted(), k4.whenNotFitted(), k4.labels());
        Circuit changed = Edits.part("K4", renamed).applyTo(bench);
        assertTrue(changed.part("K4").isEmpty());
        assertEquals(changed.wires().size(), bench.wires().size());
        assertEquals(
                changed.wires().stream()
                        .filter(w ->
                                w.from().part().equals("KSEAL") || w.to().part().equals("KSEAL"))
                        .count(),
                bench.wires().stream()
                        .filter(w ->
                                w.from().part().equals("K4") || w.to().part().equals("K4"))
                        .count());
    }

    @Test
    public void renamingAPlaceTakesItsPartsCablesAndEarthAlong() {
        Circuit store = Circuits.demo("cold-store");
        Circuit changed = Edits.place("unit", new Place("roof", "Roof unit", Place.Access.ROOF))
                .applyTo(store);
        assertEquals(changed.cables().get(0).from(), "roof");
        assertTrue(changed.parts().stream().noneMatch(p -> p.place().equals("unit")));
        assertTrue(changed.wires().stream().anyMatch(w -> w.to().toString().equals("roof.PE")));
    }

    @Test
    public void removingACableLeavesItsWiresWithTheirColours() {
        Circuit changed = Edits.removeCable("SC").applyTo(Circuits.demo("cold-store"));
        assertEquals(changed.wire("w15").orElseThrow().colour(), "red");
        assertTrue(changed.cables().isEmpty());
    }

    @Test
    public void aCableThatLosesACoreInUseIsRefused() {
        Circuit store = Circuits.demo("cold-store");
        Cable less = new Cable("SC", "unit", "store", 18.0, null, List.of("red"));
        assertEquals(problem(Edits.cable("SC", less), store), "cable SC has no core yellow; it has red");
        Cable renamed = new Cable("STAT", "unit", "store", 18.0, null, List.of("red", "yellow", "blue"));
        assertEquals(
                Edits.cable("SC", renamed)
                        .applyTo(store)
                        .wire("w16")
                        .orElseThrow()
                        .cable(),
                "STAT");
    }

    @Test
    public void aPlaceWithPartsInItStays() {
        assertTrue(
                problem(Edits.removePlace("unit"), Circuits.demo("cold-store")).contains("still parts in unit"));
    }

    @DataProvider
    public Object[][] demos() {
        return Circuits.DEMOS.stream().map(d -> new Object[] {d}).toArray(Object[][]::new);
    }

    @Test
    public void rulesAboutARemovedPartGoWithItAndTheOthersStay() {
        Circuit circuit = Circuits.demo("old-hall");
        Circuit without = Edits.removePart("LWC").applyTo(circuit);
        assertEquals(without.rules().size(), circuit.rules().size() - 1);
        assertTrue(without.rules().stream()
                .flatMap(r -> r.claim().conditions().stream())
                .noneMatch(c -> c.parts().contains("LWC")));
    }

    /** Whatever part is taken away, what is left can be run; or the removal says who still names the part. */
    @Test(dataProvider = "demos")
    public void aPartIsRemovedWithItsWiresUnlessAnotherNamesIt(String slug) {
        Circuit circuit = Circuits.demo(slug);
        int removed = 0;
        for (Part part : circuit.parts()) {
            Edit removal = Edits.removePart(part.id());
            Circuit changed;
            try {
                changed = removal.applyTo(circuit);
            } catch (MalformedException e) {
                e.problems()
                        .forEach(p -> assertTrue(
                                p.message().matches("there is no (part|wire) \\S+, but .* names it in .*"),
                                p.message()));
                continue;
            }
            removed++;
            assertTrue(changed.part(part.id()).isEmpty());
            assertFalse(changed.wires().stream().anyMatch(w -> w.from().part().equals(part.id())));
            Simulation.run(changed, Circuits.during(5).scenario());
        }
        assertTrue(removed > 0);
    }

    /** A part's id is only a name: under another one the circuit does the same at the same times. */
    @Test(dataProvider = "demos")
    public void aRenamedPartDoesWhatItDidBefore(String slug) {
        Circuit circuit = Circuits.demo(slug);
        Scenario scenario = circuit.scenarios().isEmpty()
                ? Circuits.during(60).scenario()
                : circuit.scenarios().get(0);
        List<String> before = events(circuit, scenario);
        for (Part part : circuit.parts()) {
            Part other = new Part(
                    "ZZ9",
                    part.type(),
                    part.place(),
                    part.name(),
                    part.params(),
                    part.fitted(),
                    part.whenNotFitted(),
                    part.labels());
            Circuit changed = Edits.part(part.id(), other).applyTo(circuit);
            Scenario same = circuit.scenarios().isEmpty()
                    ? scenario
                    : changed.scenarios().get(0);
            assertEquals(
                    events(changed, same).stream()
                            .map(e -> e.replace("ZZ9", part.id()))
                            .sorted()
                            .toList(),
                    before.stream().sorted().toList(),
                    part.id());
        }
    }

    private static List<String> events(Circuit circuit, Scenario scenario) {
        Scenario hour = new Scenario(
                scenario.name(),
                scenario.start(),
                scenario.steps(),
                scenario.faults(),
                Math.min(3600, scenario.untilSeconds()));
        return Simulation.run(circuit, hour).events().stream()
                .map(e -> e.micros() + " " + e.part() + "." + e.signal() + " " + e.to())
                .toList();
    }

    /** Nothing that was saved is lost over a new name: faults, safeties' conditions, the arrangement. */
    @Test
    public void whatNamesAPartAPlaceOrAWireTakesItsNewNameOver() {
        Circuit store = Circuits.demo("cold-store");
        Circuit.Builder b = store.toBuilder();
        b.scenarios()
                .add(new Scenario(
                        "Faults",
                        Map.of(),
                        List.of(new Scenario.Step(5, Map.of(), List.of(Fault.of(FaultKind.COIL_OPEN, "part", "CC")))),
                        List.of(
                                new Fault(FaultKind.LINK, Map.of("between", List.of("CC.A1", "unit.PE")), null, null),
                                Fault.of(FaultKind.WIRE_OPEN, "wire", "wEF")),
                        60));
        b.layout()
                .put(
                        "connection",
                        Map.of(
                                "parts",
                                Map.of("CC", Map.of("at", List.of(3, 4))),
                                "places",
                                Map.of("unit", List.of(0, 0, 50, 60))));
        Circuit made = b.build();
        Part cc = made.part("CC").orElseThrow();
        Circuit changed = Edits.part(
                        "CC",
                        new Part(
                                "M1",
                                cc.type(),
                                cc.place(),
                                cc.name(),
                                cc.params(),
                                cc.fitted(),
                                cc.whenNotFitted(),
                                cc.labels()))
                .applyTo(made);
        changed = Edits.place("unit", new Place("roof", "Roof unit", Place.Access.ROOF))
                .applyTo(changed);
        Wire sensed = changed.wire("wEF").orElseThrow();
        changed = Edits.wire("wEF", sensed.withId("w99")).applyTo(changed);
        Scenario kept = changed.scenarios().get(changed.scenarios().size() - 1);
        assertEquals(kept.faults().get(0).defect().details(), Map.of("between", List.of("M1.A1", "roof.PE")));
        assertEquals(kept.faults().get(1).defect().details(), Map.of("wire", "w99"));
        assertEquals(kept.steps().get(0).faults().get(0).part(), "M1");
        String file = CircuitWriter.write(changed);
        assertFalse(file.matches("(?s).*\"(CC|unit|wEF)[\".=].*"), file);
        assertTrue(file.contains("\"M1=in\""), "the safeties' condition");
        assertEquals(
                changed.layout().get("connection"),
                Map.of(
                        "parts", Map.of("M1", Map.of("at", List.of(3, 4))),
                        "places", Map.of("roof", List.of(0, 0, 50, 60))));
    }

    /** A place goes when it is empty, with the wires to its earth. */
    @Test
    public void anEmptyPlaceGoesWithItsEarth() {
        Circuit.Builder b = Circuits.control().place("shed", "Shed", Place.Access.PANEL);
        Circuit circuit = b.wire("M.PE", "shed.PE").build();
        Circuit changed = Edits.removePlace("shed").applyTo(circuit);
        assertTrue(changed.place("shed").isEmpty());
        assertFalse(changed.wires().stream().anyMatch(w -> w.to().part().equals("shed")));
        assertTrue(problem(Edits.removePlace("shed"), changed).contains("no place shed any more"));
        assertTrue(problem(Edits.removeScenario(3), changed).contains("no scenario number 4 any more"));
    }

    @Test
    public void aNameAndNotesAreNewAndAllElseStays() {
        Circuit store = Circuits.demo("cold-store");
        Circuit changed = Edits.name("Cold room", "Rewired in spring").applyTo(store);
        assertEquals(changed.name(), "Cold room");
        assertEquals(changed.notes(), "Rewired in spring");
        assertEquals(
                CircuitWriter.write(Edits.name(store.name(), store.notes()).applyTo(changed)),
                CircuitWriter.write(store));
    }

    @Test
    public void aPartThatOthersReadStaysUntilTheyDont() {
        assertEquals(
                problem(Edits.removePart("AIR"), Circuits.demo("cold-store")),
                "there is no part AIR, but TH names it in reads");
        assertEquals(
                problem(Edits.removeWire("wEF"), Circuits.demo("cold-store")),
                "there is no wire wEF, but CSW names it in senses");
    }

    @DataProvider
    public Object[][] ratings() {
        return new Object[][] {
            {"transformer", "primaryVolts=240 va=40", Map.of("primaryVolts", 240.0, "va", 40.0)},
            {"contactor", "poles=contact,bar", Map.of("poles", List.of("contact", "bar"))},
            {"capacitor", "form=dual microfarads=35,5", Map.of("form", "dual", "microfarads", List.of(35.0, 5.0))},
            {"transformer", "reversed=true", Map.of("reversed", true)},
            {
                "safety-switch",
                "trips=[{\"while\":\"CC=in\",\"afterSeconds\":25}]",
                Map.of("trips", List.of(Map.of("while", "CC=in", "afterSeconds", 25)))
            },
            {"resistive-load", "kind=\"crankcase heater\" watts=70", Map.of("kind", "crankcase heater", "watts", 70.0)}
        };
    }

    @Test(dataProvider = "ratings")
    public void ratingsAreReadAsTheyAreWritten(String type, String text, Map<String, Object> params) {
        var declaration = PartTypes.catalogue().find(type).orElseThrow();
        assertEquals(PartText.read(text, declaration), params);
        assertEquals(PartText.read(PartText.write(params), declaration), params);
    }

    @Test
    public void aWordWithoutAValueIsNoRating() {
        var relay = PartTypes.catalogue().find("relay").orElseThrow();
        String message = expectThrows(MalformedException.class, () -> PartText.read("sets", relay))
                .problems()
                .get(0)
                .message();
        assertTrue(message.startsWith("\"sets\" is no rating; write name=value, like "), message);
    }

    @Test
    public void theRatingsOfAllDemoPartsSurviveTheLine() {
        for (String slug : Circuits.DEMOS) {
            for (Part p : Circuits.demo(slug).parts()) {
                var type = PartTypes.catalogue().require(p);
                assertEquals(
                        PartText.write(PartText.read(PartText.write(p.params()), type)),
                        PartText.write(p.params()),
                        p.id());
            }
        }
    }

    @Test
    public void aDifferenceIsToldThingByThing() {
        Circuit store = Circuits.demo("cold-store");
        Circuit changed = Edits.removeWire("w34").applyTo(store);
        changed = Edits.wire("w9", wire("w9", "CC.T1", "OF.S")).applyTo(changed);
        changed = Edits.part(
                        null, new Part("L2", "lamp", "unit", null, Map.of(), true, Part.WhenNotFitted.OPEN, Map.of()))
                .applyTo(changed);
        List<String> words = CircuitDiff.between(store, changed).stream()
                .map(CircuitDiff.Line::words)
                .toList();
        assertTrue(words.contains("lamp L2"), words.toString());
        assertTrue(words.contains("w9: to was OF.R, now OF.S"), words.toString());
        assertTrue(words.contains("w9: colour was brown, now nothing"), words.toString());
        assertTrue(words.contains("wire w34, MO.PE to unit.PE, green"), words.toString());
        assertTrue(CircuitDiff.between(store, store).isEmpty());
    }

    @Test
    public void placesCablesScenariosAndTheArrangementAreComparedToo() {
        Circuit bench = Circuits.demo("lab-bench");
        Circuit.Builder b = bench.toBuilder("Bench");
        Place first = bench.places().get(0);
        b.places().set(0, new Place(first.id(), "Renamed", Place.Access.ROOF));
        Cable tc = bench.cable("TC").orElseThrow();
        b.cables()
                .replaceAll(k -> k.id().equals("TC") ? new Cable("TC", tc.to(), tc.from(), 31.0, null, tc.cores()) : k);
        Part lamp = bench.part("LP1").orElseThrow();
        b.parts().replaceAll(p -> p.id().equals("LP1") ? p.withParams(Map.of("watts", 9.0)) : p);
        b.scenarios().add(new Scenario("Night", Map.of("TH.fan", "on"), List.of(), List.of(), 30));
        b.rules().add(new Rule("r1", "Dark", new Rule.Claim.Never(Condition.parse("LP1=on")), 0.1, Map.of()));
        b.layout().put("connection", Map.of());
        List<String> words = CircuitDiff.between(bench, b.build()).stream()
                .map(l -> l.kind() + " " + l.words())
                .toList();
        for (String expected : List.of(
                "CHANGED name was " + bench.name() + ", now Bench",
                "CHANGED " + first.id() + ": name was " + first.name() + ", now Renamed",
                "CHANGED " + first.id() + ": access was " + first.access().word() + ", now roof",
                "CHANGED TC: from was " + tc.from() + ", now " + tc.to(),
                "CHANGED TC: length was " + tc.lengthMetres() + " m, now 31.0 m",
                "CHANGED LP1: watts was " + PartText.value(lamp.params().get("watts")) + ", now 9",
                "ADDED scenario Night",
                "CHANGED the rules",
                "CHANGED how the drawing is arranged")) {
            assertTrue(words.contains(expected), expected + " not in " + words);
        }
    }
}
