package org.jagridge.core.edit;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jagridge.core.Circuits;
import org.jagridge.core.circuit.Cable;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Place;
import org.jagridge.core.circuit.Problem;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.circuit.Wire;
import org.jagridge.core.format.MalformedException;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** A rung typed as it is read makes its wires. */
public class ChainEntryTest {
    private static Circuit.Builder parts() {
        return Circuits.control()
                .part("F1", "fuse", "unit")
                .part("TH", "thermostat", "unit")
                .part("LIM", "safety-switch", "unit")
                .part("GV", "solenoid", "unit")
                .part("K1", "relay", "unit")
                .part("B", "battery", "unit");
    }

    private static List<String> wires(String line, Circuit circuit) {
        return ChainEntry.read(line, circuit, Wire.Run.FIELD).wires().stream()
                .map(w -> w.from() + " " + w.to() + (w.colour() == null ? "" : " " + w.colour()))
                .toList();
    }

    private static List<String> problems(String line) {
        return mistakes(line, parts().build());
    }

    @Test
    public void aRungMakesTheWiresBetweenItsPieces() {
        assertEquals(
                wires("T1.X1 > F1 > TH.R-W > LIM > GV > T1.X2", parts().build()),
                List.of("T1.X1 F1.1", "F1.2 TH.R", "TH.W LIM.1", "LIM.2 GV.1", "GV.2 T1.X2"));
    }

    @Test
    public void coloursStandInBracketsAfterTheSign() {
        assertEquals(
                wires("T1.X1 >(red) F1 >( white ) K1.A1", parts().build()),
                List.of("T1.X1 F1.1 red", "F1.2 K1.A1 white"));
    }

    @Test
    public void whatIsWiredAlreadyIsNotWiredAgain() {
        Circuit circuit = parts().wire("T1.X1", "F1.1").build();
        assertEquals(wires("T1.X1 > F1 > K1.A1-A2 > T1.X2", circuit), List.of("F1.2 K1.A1", "K1.A2 T1.X2"));
    }

    @Test
    public void aPartIsEnteredAtTheEndThatIsAlreadyWiredToItsNeighbour() {
        Circuit circuit = parts().wire("T1.X1", "F1.2").build();
        assertEquals(wires("T1.X1 > F1 > K1.A1", circuit), List.of("F1.1 K1.A1"));
        Circuit other = parts().wire("LIM.1", "K1.A1").build();
        assertEquals(wires("T1.X1 > LIM > K1.A1", other), List.of("T1.X1 LIM.2"));
    }

    @Test
    public void terminalsNamedPlusAndMinusAndThePlacesMetalworkCanBeReached() {
        assertEquals(wires("B.+ > K1.A1-A2 > B.-", parts().build()), List.of("B.+ K1.A1", "K1.A2 B.-"));
        assertEquals(wires("T1.X2 > unit", parts().build()), List.of("T1.X2 unit.PE"));
    }

    @Test
    public void everyPieceThatCannotBeReadIsNamedWithItsPlace() {
        assertEquals(
                problems("T1.X1 > F9 > TH.R-Q > K1 > "),
                List.of(
                        "piece 2: there is no part F9; did you mean F1? To make it, say what it is, like F9:fuse",
                        "piece 3: TH has no terminal R-Q; it has R, C, W, Y, G",
                        "piece 4: K1 has the terminals A1, A2, 11, 12, 14; say which, as K1.A1 or K1.A1-A2",
                        "piece 5: nothing stands here"));
        assertTrue(problems("T1.X1").get(0).contains("at least two pieces"));
        assertEquals(problems("T1.X1 > T1.X1"), List.of("the chain goes from T1.X1 to itself"));
        assertEquals(problems("M.L > T1.P1"), List.of("all of this is already wired"));
    }

    @Test
    public void aPartIsMadeByNamingWhatItIs() {
        Circuit circuit = parts().build();
        ChainEntry.Rung rung = ChainEntry.read("T1.X1 > F9:fuse > K9:Relay.A1-A2 > T1.X2", circuit, Wire.Run.FIELD);
        assertEquals(
                rung.parts().stream()
                        .map(p -> p.id() + " " + p.type() + " " + p.place())
                        .toList(),
                List.of("F9 fuse unit", "K9 relay unit"));
        Circuit now = Edits.rung(rung).applyTo(circuit);
        assertEquals(now.part("K9").orElseThrow().type(), "relay");
        assertEquals(wires("K9.A2 > K9.11", now), List.of("K9.A2 K9.11"));
        assertEquals(Edits.rung(rung).words(), "new F9, K9; 3 wires: T1.X1–F9.1, F9.2–K9.A1, K9.A2–T1.X2");
        // what is made in a line is there in the rest of it
        assertEquals(wires("T1.X1 > K9:relay.A1-A2 > K9.11", circuit), List.of("T1.X1 K9.A1", "K9.A2 K9.11"));
        assertEquals(
                problems("T1.X1 > K9:relais > F1:relay"),
                List.of(
                        "piece 2: there is no kind of part \"relais\"; did you mean relay? The catalogue lists them all",
                        "piece 3: F1 is there already, as a fuse"));
    }

    @Test
    public void aPartThatIsMadeStandsWhereThePieceBeforeItIsOrWhereItIsSaid() {
        Circuit two = parts().place("attic", "Attic", Place.Access.PANEL)
                .part("S1", "switch", "attic")
                .build();
        assertEquals(madeIn("S1.1 > F9:fuse > T1.X1", two), "attic");
        assertEquals(madeIn("T1.X1 > F9:fuse > S1.1", two), "unit");
        assertEquals(madeIn("T1.X1 > F9:fuse@Attic > S1.1", two), "attic");
        MalformedException e = expectThrows(MalformedException.class, () -> madeIn("F9:fuse > T1.X1", two));
        assertEquals(e.problems().get(0).message(), "piece 1: say where F9 is: F9:fuse@unit");
    }

    private static String madeIn(String line, Circuit circuit) {
        return ChainEntry.read(line, circuit, Wire.Run.FIELD).parts().get(0).place();
    }

    /** What a hand writes, and the line that would do instead. */
    @DataProvider
    public Object[][] slips() {
        return new Object[][] {
            {"T1.X1 -> F1", "T1.X1 > F1"},
            {"T1.X1 → F1 --> K1.A1", "T1.X1 > F1 > K1.A1"},
            {"T1.X1 >> F1", "T1.X1 > F1"},
            {"T1.X1 > F1 >", "T1.X1 > F1"},
            {"T1.X1 F1 K1.A1-A2", "T1.X1 > F1 > K1.A1-A2"},
            {"T1.X1, F1", "T1.X1 > F1"},
            {"T1.X1 to F1", "T1.X1 > F1"},
            {"t1 x1 > k1 a1", "t1.x1 > k1.a1"},
            {"T1/X1 > TH-R", "T1.X1 > TH.R"},
            {"T1.X1 > F1 (red)", "T1.X1 > (red) F1"},
            {"T1.X1 > (red F1", "T1.X1 > (red) F1"},
            {"T1.X1 -> k1 a1 (blue)", "T1.X1 > (blue) k1.a1"},
            {"T1.X1 > (gren) F1", "T1.X1 > (green) F1"},
            // nothing that could be offered
            {"T1.X1", null},
            {"T1.X1 > (red", null},
            {"NOPE.8 NOPE.9", null},
            {"> >", null},
            {"", null},
        };
    }

    @Test(dataProvider = "slips")
    public void whatIsOfferedInsteadOfASlipCanBeRead(String line, String instead) {
        Circuit circuit = parts().build();
        MalformedException e =
                expectThrows(MalformedException.class, () -> ChainEntry.read(line, circuit, Wire.Run.FIELD));
        assertEquals(e.problems().get(0).instead(), instead, line + ": " + e.problems());
        if (instead != null) {
            assertFalse(wires(instead, circuit).isEmpty());
        }
    }

    @Test
    public void whatIsAlreadyWiredIsOfferedAsTheHandMeantItToo() {
        MalformedException e = expectThrows(
                MalformedException.class, () -> ChainEntry.read("M L -> T1 P1", parts().build(), Wire.Run.FIELD));
        assertEquals(e.problems().get(0).instead(), "M.L > T1.P1");
    }

    @Test
    public void onlyWhatCanBeThePartsNameIsSaidToBeMadeByIt() {
        assertEquals(problems("T1.X1 > NEW 1"), List.of("piece 2: there is no part NEW 1."));
    }

    @Test
    public void aBracketThatIsNotClosedIsToldAsThat() {
        assertEquals(
                problems("T1.X1 > (red F1"),
                List.of(
                        "piece 2: its bracket isn't closed; what a wire is stands before where it goes, like (red) F1"));
    }

    @Test
    public void idsTerminalsAndNamesAreUnderstoodInAnyCase() {
        assertEquals(
                wires("t1.x1 > f1 > k1.a1-a2 > t1.x2", parts().build()),
                List.of("T1.X1 F1.1", "F1.2 K1.A1", "K1.A2 T1.X2"));
        Circuit two = parts().part("k1", "relay", "unit").build();
        assertEquals(wires("T1.X1 > k1.A1", two), List.of("T1.X1 k1.A1"));
    }

    @Test
    public void inBracketsStandCableCoreAndWhoPutsItIn() {
        Circuit.Builder builder =
                parts().place("room", "Class room", Place.Access.HAND).part("S1", "switch", "room");
        builder.cables().add(new Cable("TC", "unit", "room", 12.0, null, List.of("red", "white")));
        Circuit circuit = builder.build();
        List<Wire> wires = ChainEntry.read(
                        "T1.X1 > (tc Red) S1.1-2 > (TC white) F1 > (factory blue) K1.A1", circuit, Wire.Run.FIELD)
                .wires();
        assertEquals(
                wires.stream()
                        .map(w -> w.cable() + " " + w.core() + " " + w.colour() + " " + w.run())
                        .toList(),
                List.of("TC red null FIELD", "TC white null FIELD", "null null blue FACTORY"));
        assertEquals(
                mistakes("T1.X1 > (TC) S1 > (TC pink) F1 > (bleu) K1.A1", circuit),
                List.of(
                        "piece 2: say which core of TC; it has red, white",
                        "piece 3: TC has no core pink; it has red, white",
                        "piece 4: \"bleu\" is no colour; did you mean blue?"));
        assertEquals(
                mistakes("T1.X1 > (TC red) F1", circuit),
                List.of("piece 2: TC runs from unit to room, but T1.X1 is in unit and F1.1 in unit"));
        // a colour that no list has is one all the same
        assertEquals(wires("T1.X1 > (tan) F1", circuit), List.of("T1.X1 F1.1 tan"));
    }

    private static List<String> mistakes(String line, Circuit circuit) {
        return expectThrows(MalformedException.class, () -> wires(line, circuit)).problems().stream()
                .map(Problem::message)
                .toList();
    }

    /** The condensing unit of the seed cold store, read off its diagram. */
    @Test
    public void theOutdoorUnitOfTheColdStoreTakesFewerThan25Lines() {
        Circuit store = Circuits.demo("cold-store");
        Circuit.Builder bare = store.toBuilder();
        bare.wires().clear();
        bare.parts().replaceAll(p -> p.id().equals("CSW") ? p.withParams(Map.of()) : p);
        Circuit circuit = bare.build();
        List<String> lines = List.of(
                "MO.L1 > DS.L1-T1 > CC.L1-T1 > CMP.R > CAP.C",
                "MO.L2 > DS.L2-T2 > CC.L2-T2 > CMP.C",
                "CAP.HERM > CMP.S",
                "CC.T1 > OF.R",
                "CC.T2 > OF.C",
                "CAP.FAN > OF.S",
                "DS.T1 > T1.P1-P2 > DS.T2",
                "T1.X1 > F1 > TH > KF.A1-A2 > T1.X2",
                "KF.A1 > CSW > TD > LR.SUP-CHAIN > LPS > HPS > CC.A1-A2 > T1.X2",
                "CC.A1 > LR.LOAD",
                "LR.LAMP > LMP > T1.X2",
                "DS.T1 > KF.11-14 > EF.R-C > DS.T2",
                "EF.R > EFC > EF.S",
                "CC.L1 > CH > CC.T1",
                "MO.PE > unit");
        assertTrue(lines.size() < 25);
        for (String line : lines) {
            circuit =
                    Edits.rung(ChainEntry.read(line, circuit, Wire.Run.FACTORY)).applyTo(circuit);
        }
        assertEquals(nets(circuit), nets(store));
    }

    /** The terminals of each net, as sets. */
    private static Set<Set<Terminal>> nets(Circuit circuit) {
        Set<Set<Terminal>> nets = new HashSet<>();
        for (Wire w : circuit.wires()) {
            Set<Terminal> joined = new HashSet<>(Set.of(w.from(), w.to()));
            nets.removeIf(net -> {
                boolean meets = net.contains(w.from()) || net.contains(w.to());
                if (meets) {
                    joined.addAll(net);
                }
                return meets;
            });
            nets.add(joined);
        }
        return nets;
    }
}
