package org.jagridge.core.select;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.format.CircuitReader;
import org.jagridge.core.format.JsonText;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Role;
import org.jagridge.core.part.Time;
import org.jagridge.core.run.Frame;
import org.jagridge.core.run.Run;
import org.jagridge.core.run.Simulation;

/** The circuits in which choices are tried, as data; words in capitals stand for numbers. */
final class Trials {
    private static final Map<String, Object> DATA = data();

    private Trials() {}

    @SuppressWarnings("unchecked")
    private static Map<String, Object> data() {
        try (InputStream in = Trials.class.getResourceAsStream("/select/trials.json")) {
            return (Map<String, Object>) JsonText.plainValue(new String(in.readAllBytes(), StandardCharsets.UTF_8));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    static Circuit circuit(String key, Map<String, Object> values) {
        return CircuitReader.read(JsonText.tree(filled(DATA.get(key), values)), "");
    }

    private static Object filled(Object value, Map<String, Object> values) {
        if (value instanceof Map<?, ?> m) {
            Map<String, Object> filled = new LinkedHashMap<>();
            m.forEach((k, v) -> filled.put((String) k, filled(v, values)));
            return filled;
        }
        if (value instanceof List<?> l) {
            return l.stream().map(v -> filled(v, values)).toList();
        }
        return value instanceof String s ? values.getOrDefault(s, s) : value;
    }

    /** A run of a trial. */
    static final class Tried {
        private final Run run;

        Tried(Circuit circuit, Scenario scenario) {
            run = Simulation.run(circuit, scenario);
        }

        String signal(String part, double seconds) {
            return at(seconds).signals().get(part);
        }

        private Frame at(double seconds) {
            return run.at(Time.micros(seconds));
        }

        /** Volts across a part's coil. */
        double volts(String part, double seconds) {
            return at(seconds).volts(branch(part));
        }

        /** The least volts across a part's coil from an instant on. */
        double leastVolts(String part, double fromSeconds) {
            return run.frames().stream()
                    .filter(f -> f.micros() >= Time.micros(fromSeconds))
                    .mapToDouble(f -> f.volts(branch(part)))
                    .min()
                    .orElse(0);
        }

        /** Its coil, or what it has in place of one. */
        private Branch branch(String part) {
            List<Branch> all = run.assembly().branchesOf(part);
            return all.stream().filter(b -> b.role() == Role.COIL).findFirst().orElse(all.get(0));
        }
    }
}
