package org.jagridge.core;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.Place;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.format.CircuitReader;

/** Small circuits and scenarios for tests. */
public final class Circuits {
    /** The circuits of the demo college. */
    public static final List<String> DEMOS = List.of(
            "lab-bench",
            "seminar-room",
            "wardens-cottage",
            "propagation-house",
            "old-hall",
            "student-flat",
            "cold-store",
            "chapel");

    private Circuits() {}

    public static Circuit demo(String slug) {
        return CircuitReader.read(text("/demo/" + slug + ".json"));
    }

    public static String text(String resource) {
        try (InputStream in = Circuits.class.getResourceAsStream(resource)) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** A 120 V supply M and a 24 V transformer T1 in the place "unit", its common and hot free to be wired. */
    public static Circuit.Builder control() {
        return Circuit.builder("Test")
                .place("unit", "Unit", Place.Access.PANEL)
                .part("M", "supply", "unit", "system", "single-120")
                .part("T1", "transformer", "unit")
                .wire("M.L", "T1.P1")
                .wire("T1.P2", "M.N");
    }

    public static Setting during(double untilSeconds) {
        return new Setting(untilSeconds);
    }

    /** A scenario in the order in which one tells it. */
    public static final class Setting {
        private final double until;
        private final Map<String, Object> start = new LinkedHashMap<>();
        private final List<Scenario.Step> steps = new ArrayList<>();
        private final List<Fault> faults = new ArrayList<>();

        private Setting(double until) {
            this.until = until;
        }

        public Setting start(String input, Object value) {
            start.put(input, value);
            return this;
        }

        public Setting at(double seconds, String input, Object value) {
            steps.add(new Scenario.Step(seconds, Map.of(input, value), List.of()));
            return this;
        }

        public Setting fault(Fault fault) {
            faults.add(fault);
            return this;
        }

        public Setting fault(double seconds, Fault fault) {
            steps.add(new Scenario.Step(seconds, Map.of(), List.of(fault)));
            return this;
        }

        public Scenario scenario() {
            return new Scenario("Test", start, steps, faults, until);
        }
    }
}
