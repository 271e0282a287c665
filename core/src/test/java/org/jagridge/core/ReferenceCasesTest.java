package org.jagridge.core;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.List;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.meter.Meter;
import org.jagridge.core.meter.Request;
import org.jagridge.core.part.Time;
import org.jagridge.core.run.Event;
import org.jagridge.core.run.Run;
import org.jagridge.core.run.Simulation;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** The engine against values that another program computed. */
public class ReferenceCasesTest {
    @DataProvider
    public Object[][] cases() {
        List<Object[]> rows = new ArrayList<>();
        for (String name : List.of(
                "fan-relay",
                "long-run",
                "r-to-c-short",
                "two-transformers-jumper",
                "airflow-proved",
                "lockout",
                "millivolt",
                "strip-heat")) {
            rows.add(new Object[] {ReferenceCase.load(name)});
        }
        return rows.toArray(Object[][]::new);
    }

    @Test(dataProvider = "cases")
    public void readingsAndSignalsAgree(ReferenceCase c) {
        Run run = Simulation.run(c.circuit(), c.scenario());
        for (JsonNode e : c.expected()) {
            long at = Time.micros(e.get("atSeconds").doubleValue());
            if (e.has("part")) {
                assertEquals(
                        run.at(at).signals().get(e.get("part").stringValue()),
                        e.get("value").stringValue(),
                        e.toString());
                continue;
            }
            double expected = e.get("value").doubleValue();
            double value = Meter.at(run, at).read(request(e)).value();
            assertEquals(value, expected, 0.005 * Math.abs(expected) + 0.02, e.toString());
        }
    }

    private static Request request(JsonNode e) {
        return new Request(
                Request.Mode.of(e.get("mode").stringValue()).orElseThrow(),
                e.has("plus") ? Terminal.parse(e.get("plus").stringValue()) : null,
                e.has("minus") ? Terminal.parse(e.get("minus").stringValue()) : null,
                e.has("wire") ? e.get("wire").stringValue() : null,
                e.has("turns") ? e.get("turns").doubleValue() : 1,
                e.has("lowImpedance") && e.get("lowImpedance").booleanValue());
    }

    @Test(dataProvider = "cases")
    public void eventsAgreeWithinAMillisecond(ReferenceCase c) {
        Run run = Simulation.run(c.circuit(), c.scenario());
        for (JsonNode e : c.events()) {
            boolean found = run.events().stream().anyMatch(event -> same(event, e));
            assertTrue(found, e + " is not among " + run.events());
        }
    }

    private static boolean same(Event event, JsonNode e) {
        return event.signal().equals(e.get("part").stringValue())
                && event.from().equals(e.get("from").stringValue())
                && event.to().equals(e.get("to").stringValue())
                && Math.abs(Time.seconds(event.micros()) - e.get("t").doubleValue()) <= 0.001;
    }
}
