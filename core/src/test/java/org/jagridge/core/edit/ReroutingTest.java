package org.jagridge.core.edit;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.Optional;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.format.CircuitReader;
import org.testng.annotations.Test;

public class ReroutingTest {
    private static Circuit circuit(String parts, String wires) {
        return CircuitReader.read("""
                {"format": "jagridge-circuit", "version": 1, "name": "Lamps",
                 "places": [{"id": "u", "name": "Unit", "access": "panel"}],
                 "parts": [
                   {"id": "T1", "type": "transformer", "place": "u"},
                   {"id": "L1", "type": "lamp", "place": "u"},
                   {"id": "L2", "type": "lamp", "place": "u"}%s],
                 "wires": [%s, {"id": "c1", "ends": ["L1.2", "T1.X2"]}, {"id": "c2", "ends": ["L2.2", "T1.X2"]}]}
                """.formatted(parts, wires));
    }

    private static String wire(String id, String from, String to, String metres) {
        return "{\"id\": \"%s\", \"ends\": [\"%s\", \"%s\"], \"size\": \"18AWG\", \"lengthMetres\": %s}"
                .formatted(id, from, to, metres);
    }

    private static final Circuit STAR =
            circuit("", wire("a", "T1.X1", "L1.1", "10") + "," + wire("b", "T1.X1", "L2.1", "11"));

    @Test
    public void aChainInPlaceOfAStarIsTheSameNetWithLessCopper() {
        Circuit chain = circuit("", wire("a", "T1.X1", "L1.1", "10") + "," + wire("b", "L1.1", "L2.1", "1"));
        assertEquals(
                Rerouting.between(STAR, chain),
                Optional.of(
                        "Same nets, another route: each terminal is joined to the same ones as before. It takes 10.0 m"
                                + " less conductor of 18AWG. Of 2 wires before and 2 now nobody wrote down the length."));
    }

    @Test
    public void aSpliceOnTheWayChangesNoNet() {
        Circuit spliced = circuit(
                ", {\"id\": \"S\", \"type\": \"splice\", \"place\": \"u\"}",
                wire("a", "T1.X1", "S.1", "9") + "," + wire("b", "S.2", "L1.1", "1") + ","
                        + wire("d", "S.3", "L2.1", "21"));
        String words = Rerouting.between(STAR, spliced).orElseThrow();
        assertTrue(words.contains("It takes 10.0 m more conductor of 18AWG."), words);
    }

    @Test
    public void aWireElsewhereOrNoChangeIsNoRerouting() {
        Circuit elsewhere = circuit("", wire("a", "T1.X1", "L1.1", "10") + "," + wire("b", "T1.X2", "L2.1", "11"));
        assertEquals(Rerouting.between(STAR, elsewhere), Optional.empty());
        Circuit oneLess = circuit("", wire("a", "T1.X1", "L1.1", "10"));
        assertEquals(Rerouting.between(STAR, oneLess), Optional.empty());
        assertEquals(Rerouting.between(STAR, STAR), Optional.empty());
        Circuit other = circuit(
                ", {\"id\": \"K1\", \"type\": \"relay\", \"place\": \"u\"}",
                wire("a", "T1.X1", "L1.1", "10") + "," + wire("b", "L1.1", "L2.1", "1"));
        assertEquals(Rerouting.between(STAR, other), Optional.empty());
    }
}
