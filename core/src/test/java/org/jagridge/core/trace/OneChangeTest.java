package org.jagridge.core.trace;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jagridge.core.Circuits;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.part.Assembly;
import org.testng.annotations.Test;

/** What one hand could do about a call that brings nothing on. */
public class OneChangeTest {
    private static List<String> help(Circuit circuit, Map<String, Object> start) {
        Scenario call = Presets.find(circuit, "TH-heat").orElseThrow().scenario();
        Map<String, Object> more = new LinkedHashMap<>(call.start());
        more.putAll(start);
        Scenario changed = new Scenario(call.name(), more, call.steps(), List.of(), call.untilSeconds());
        return OneChange.thatHelp(Assembly.of(circuit), changed).stream()
                .map(OneChange::toString)
                .toList();
    }

    @Test
    public void theSwitchThatIsOffIsFound() {
        Circuit furnace = Circuits.demo("seminar-room");
        List<String> off = help(furnace, Map.of("SW.closed", false));
        assertTrue(off.get(0).startsWith("with SW.closed set to true "), off.toString());
        assertTrue(off.get(0).contains("BLW") && off.get(0).endsWith("come on"), off.toString());
    }

    @Test
    public void aTrippedSafetyIsNamedAndNothingIsPressedIn() {
        Circuit furnace = Circuits.demo("seminar-room");
        List<String> tripped = help(furnace, Map.of("RO.tripped", true));
        assertTrue(tripped.stream().anyMatch(w -> w.startsWith("with RO.tripped set to false ")), tripped.toString());
        assertTrue(tripped.stream().noneMatch(w -> w.contains("pressed")), tripped.toString());
    }

    @Test
    public void nothingHelpsWhereTheWireIsMissing() {
        Circuit.Builder b = Circuits.demo("chapel").toBuilder();
        b.wires().removeIf(w -> w.from().part().equals("HL") || w.to().part().equals("HL"));
        assertEquals(help(b.build(), Map.of()), List.of());
    }
}
