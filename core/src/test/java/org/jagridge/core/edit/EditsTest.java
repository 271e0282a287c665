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
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Place;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.circuit.Wire;
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
}
