package org.jagridge.core.drawing;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jagridge.core.Families;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Place;
import org.jagridge.core.circuit.Wire;
import org.jagridge.core.part.Assembly;
import org.testng.annotations.Test;

/** Where nothing fits, or names are long, a drawing comes all the same, and soon. */
public class CrammedLayoutTest {
    private final Circuit circuit = Families.of(Families.Kind.RELAYS, 20, 3);

    @Test
    public void wiresThatDoNotFitAreDrawnOnOthers() {
        Placement roomy = RowPlacement.of(Assembly.of(circuit));
        Map<String, Placement.Block> crammed = new LinkedHashMap<>();
        roomy.blocks().forEach((id, b) -> crammed.put(id, b.at(b.x() / 4, b.y() / 4)));
        Placement placement = new Placement(Placement.framesAround(circuit, roomy.frames(), crammed), crammed);
        assertTrue(WireLayout.of(circuit, placement).isEmpty(), "boxes lie on each other's posts");
        Map<String, List<int[]>> ways = WireLayout.onOthers(circuit, placement);
        assertEquals(
                ways.keySet(),
                new HashSet<>(circuit.wires().stream().map(Wire::id).toList()));
        ways.forEach((wire, way) -> {
            for (int i = 1; i < way.size(); i++) {
                int[] a = way.get(i - 1);
                int[] b = way.get(i);
                assertTrue(a[0] == b[0] || a[1] == b[1], wire + " runs askew");
            }
        });
    }

    /** A title that is wider than its frame was takes the frame along, and leaves a passage for the cables. */
    @Test
    public void aLongNameOfAPlaceIsLaidOutLikeAShortOne() {
        for (String name : List.of("Wall, east door", "x", "A cupboard behind the third door on the left, upstairs")) {
            Circuit.Builder b = circuit.toBuilder();
            b.places().replaceAll(p -> new Place(p.id(), name, p.access()));
            Circuit named = b.build();
            Connection drawn = ConnectionLayout.of(Assembly.of(named));
            assertEquals(drawn.wires().size(), named.wires().size(), name);
            assertEquals(GeometryCheck.connection(drawn, named), List.of(), name);
        }
    }
}
