package org.jagridge.core.select;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertNotNull;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.util.Map;
import org.jagridge.core.format.MalformedException;
import org.jagridge.core.run.Simulation;
import org.jagridge.core.select.Selector.Result;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Choices of single components; the numbers are worked out by hand from the domain page. */
public class SelectorsTest {
    private static Result choose(String key, Map<String, String> typed) {
        return Selectors.choose(Selectors.find(key).orElseThrow(), typed);
    }

    @DataProvider
    public Object[][] all() {
        return Selectors.ALL.stream().map(s -> new Object[] {s}).toArray(Object[][]::new);
    }

    @Test(dataProvider = "all")
    public void eachFitsAsItOpensAndItsTrialRuns(Selector s) {
        Result r = Selectors.choose(s, Map.of());
        assertTrue(r.fits(), s.title() + ": " + r.answer());
        assertFalse(r.working().isEmpty());
        if (r.trial() != null) {
            assertNotNull(Simulation.run(r.trial().circuit(), r.trial().scenario()));
        }
    }

    @DataProvider
    public Object[][] cases() {
        return new Object[][] {
            {"relays", Map.of("supplyVolts", "28", "supplyKind", "DC"), true, "24 V DC"},
            {"relays", Map.of("supplyVolts", "18"), false, "No usual coil"},
            // a motor of 9 A takes 45 A at its start
            {"relays", Map.of("load", "electric motor", "loadAmps", "9"), true, "contacts for 60 A"},
            {"relays", Map.of("sets", "6"), true, "2 relays"},
            {"timers", Map.of("milliamps", "19"), false, "30 s"},
            {"timers", Map.of("milliamps", "21"), true, "30 s"},
            {"timers", Map.of("seconds", "300"), true, "6 to 480 s"},
            {"timers", Map.of("function", "off-delay"), false, "relay form"},
            {"timers", Map.of("function", "off-delay", "form", "supply of its own"), true, "supply of its own"},
            {"timers", Map.of("function", "delay-on-break"), true, "Delay on break"},
            {"timers", Map.of("function", "interval"), true, "Interval"},
            // 24²/0.03 = 19.2 kΩ in place of a contactor: nothing locks out
            {"lockout", Map.of("inrush", "0.03", "sealed", "0.03"), false, "stays in"},
            {"lockout", Map.of("coilOhms", "60"), false, "stays in"},
            {"lockout", Map.of("pullIn", "27"), false, "doesn't pull in"},
            {"lockout", Map.of("inrush", "120", "va", "20"), false, "doesn't come in"},
            {"current-switches", Map.of("amps", "0.79"), false, "doesn't close"},
            {"current-switches", Map.of("amps", "0.81"), true, "closes"},
            {"current-switches", Map.of("amps", "0.5", "turns", "2"), true, "closes"},
            {"current-switches", Map.of("other", "other way"), false, "doesn't close"},
            {"current-switches", Map.of("contactAmps", "1.6"), false, "more than it may"},
            {"contactors", Map.of("poles", "1"), false, "keeps the load live"},
            {"contactors", Map.of("amps", "26", "load", "heater"), true, "30 A"},
            {"sequencers", Map.of("elements", "2"), true, "1 thermal sequencer with 3 contacts"},
            // 19.5 / 0.8 = 24.4 VA
            {"transformers", Map.of(), true, "40 VA with a 2 A fuse"},
            {"transformers", Map.of("primaryVolts", "120", "tap", "240"), false, "too little"},
            {"conductor", Map.of("percent", "10"), true, "18 AWG: 22.1 V"},
            {"conductor", Map.of("amps", "49", "metres", "1000"), false, "None of these"},
            {"conductor", Map.of("sizes", "mm²", "percent", "10"), true, "0.75 mm²"},
            {"sensors", Map.of("celsius", "25", "measured", "10000"), true, "10,000 Ω at 25.0 °C; 10,000 Ω mean 25.0 °C"
            },
            {"heater", Map.of(), true, "30.1 A and 6.95 kW"}
        };
    }

    @Test(dataProvider = "cases")
    public void whatIsWorkedOutByHandComesOut(String key, Map<String, String> typed, boolean fits, String words) {
        Result r = choose(key, typed);
        assertTrue(r.answer().contains(words), r.answer());
        assertEquals(r.fits(), fits, r.answer());
    }

    /** The least turns by formula are the least with which the run closes. */
    @Test
    public void theTurnsNeededAreTheLeastThatClose() {
        for (String amps : new String[] {"0.1", "0.25", "0.39", "0.4", "0.7"}) {
            int needed = (int) Math.ceil(0.8 / Double.parseDouble(amps) - 1e-9);
            for (int turns = 1; turns <= needed; turns++) {
                Result r = choose("current-switches", Map.of("amps", amps, "turns", Integer.toString(turns)));
                assertEquals(r.fits(), turns == needed, amps + " A, " + turns + " turns");
            }
        }
    }

    @Test
    public void everyMistakeIsToldByItsLabel() {
        MalformedException e = expectThrows(
                MalformedException.class,
                () -> choose("relays", Map.of("supplyVolts", "lots", "where", "under water")));
        assertEquals(e.problems().size(), 2);
        assertEquals(e.problems().get(0).path(), "volts at its coil");
        assertTrue(e.problems().get(1).message().contains("dry, damp, outdoors"));
    }
}
