package org.jagridge.benchmarks;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import org.jagridge.core.circuit.Cable;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Place;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.circuit.Wire;
import org.jagridge.core.drawing.Connection;
import org.jagridge.core.drawing.ConnectionLayout;
import org.jagridge.core.drawing.Ladder;
import org.jagridge.core.drawing.LadderLayout;
import org.jagridge.core.format.CircuitReader;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.PartTypes;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;

/** Both layouts of a circuit of about 60 parts: three of the demos side by side. */
@State(Scope.Thread)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
public class DrawingBenchmark {
    private Assembly assembly;

    @Setup
    public void setUp() throws IOException {
        Circuit.Builder all = Circuit.builder("Three units");
        for (String slug : List.of("cold-store", "wardens-cottage", "seminar-room")) {
            try (InputStream in = DrawingBenchmark.class.getResourceAsStream("/demo/" + slug + ".json")) {
                add(
                        CircuitReader.read(new String(in.readAllBytes(), StandardCharsets.UTF_8)),
                        slug.charAt(0) + "-",
                        all);
            }
        }
        assembly = Assembly.of(all.build());
    }

    /** Adds a circuit with every id prefixed. What parts name of each other is left out: it isn't drawn. */
    private static void add(Circuit c, String prefix, Circuit.Builder to) {
        c.places().forEach(p -> to.places().add(new Place(prefix + p.id(), p.name(), p.access())));
        for (Part p : c.parts()) {
            Map<String, Object> params = new HashMap<>(p.params());
            PartTypes.catalogue().require(p).params().stream()
                    .filter(f -> f.kind() == Field.Kind.PART
                            || f.kind() == Field.Kind.WIRE
                            || f.kind() == Field.Kind.STRUCTURE)
                    .forEach(f -> params.remove(f.name()));
            to.parts()
                    .add(new Part(
                            prefix + p.id(),
                            p.type(),
                            prefix + p.place(),
                            p.name(),
                            params,
                            p.fitted(),
                            p.whenNotFitted(),
                            p.labels()));
        }
        c.cables()
                .forEach(k -> to.cables()
                        .add(new Cable(
                                prefix + k.id(),
                                prefix + k.from(),
                                prefix + k.to(),
                                k.lengthMetres(),
                                k.size(),
                                k.cores())));
        for (Wire w : c.wires()) {
            Wire moved = w.withEnd(
                            0, new Terminal(prefix + w.from().part(), w.from().name()))
                    .withEnd(1, new Terminal(prefix + w.to().part(), w.to().name()))
                    .withId(prefix + w.id());
            to.wires().add(w.cable() == null ? moved : moved.withCable(prefix + w.cable(), w.core()));
        }
    }

    @Benchmark
    public Ladder ladder() {
        return LadderLayout.of(assembly);
    }

    @Benchmark
    public Connection connection() {
        return ConnectionLayout.of(assembly);
    }
}
