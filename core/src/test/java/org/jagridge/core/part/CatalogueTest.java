package org.jagridge.core.part;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Params;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What every entry of the catalogue must declare. */
public class CatalogueTest {
    @DataProvider
    public Object[][] types() {
        return PartTypes.catalogue().all().stream()
                .map(t -> new Object[] {t.type(), t})
                .toArray(Object[][]::new);
    }

    @Test
    public void theCatalogueHasEveryTypeOfTheFormat() {
        Set<String> types = new HashSet<>();
        PartTypes.catalogue().all().forEach(t -> types.add(t.type()));
        for (String expected : List.of(
                "supply",
                "dc-supply",
                "battery",
                "thermopile",
                "transformer",
                "plug-supply",
                "rectifier",
                "breaker",
                "fuse",
                "disconnect",
                "splice",
                "terminal-strip",
                "connector",
                "earth",
                "switch",
                "changeover-switch",
                "safety-switch",
                "powered-safety",
                "pressure-switch",
                "temperature-switch",
                "opening",
                "limit-switch",
                "opener",
                "current-switch",
                "relay",
                "contactor",
                "lockout-relay",
                "timer",
                "sequencer",
                "fan-centre",
                "thermostat",
                "line-thermostat",
                "millivolt-thermostat",
                "room-stat",
                "cylinder-stat",
                "programmer",
                "furnace-control",
                "air-handler-board",
                "defrost-control",
                "coil-sensor",
                "zone-panel",
                "sharing-module",
                "remote-module",
                "sensor",
                "diagnostic-module",
                "resistive-load",
                "lamp",
                "buzzer",
                "solenoid",
                "motor",
                "psc-motor",
                "compressor",
                "capacitor",
                "start-relay",
                "start-thermistor",
                "zone-valve",
                "mid-position-valve",
                "vent-damper",
                "boiler",
                "unit-heater",
                "room",
                "outdoors")) {
            assertTrue(types.remove(expected), expected + " is missing");
        }
        assertEquals(types, Set.of(), "types that the format doesn't name");
    }

    @Test(dataProvider = "types")
    public void theDefaultsFitTheirOwnDeclarations(String name, PartType type) {
        Params params = new Params(type.params(), Map.of());
        for (Field f : type.params()) {
            if (f.initial() != null) {
                assertEquals(f.mistakeIn(f.initial()), null, name + "." + f.name());
            }
        }
        for (Field f : type.inputs(params)) {
            assertEquals(f.mistakeIn(f.initial()), null, name + "." + f.name());
        }
        assertEquals(type.mistakesIn(params), List.of(), name);
    }

    @Test(dataProvider = "types")
    public void terminalsAreNamedOnceAndWithoutSpacesOrDots(String name, PartType type) {
        List<String> terminals = type.terminals(new Params(type.params(), Map.of()));
        assertEquals(new HashSet<>(terminals).size(), terminals.size(), terminals.toString());
        terminals.forEach(t -> assertTrue(t.matches("[^\\s.>]+"), t));
    }

    @Test(dataProvider = "types")
    public void itSaysInASentenceWhatItDoes(String name, PartType type) {
        assertTrue(type.summary().endsWith("."), type.summary());
        assertFalse(type.title().isBlank());
    }
}
