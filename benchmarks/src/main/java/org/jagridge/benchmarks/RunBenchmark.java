package org.jagridge.benchmarks;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.Input;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.format.CircuitReader;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.run.Act;
import org.jagridge.core.run.Configuration;
import org.jagridge.core.run.Engine;
import org.jagridge.core.run.FaultList;
import org.jagridge.core.run.Run;
import org.jagridge.core.run.Simulation;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;

/** Whole runs of the heat pump demo. */
@State(Scope.Thread)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
public class RunBenchmark {
    private Assembly assembly;
    private Scenario day;
    private Scenario twoDays;
    private List<Scenario> table;
    private Scenario call;
    private Engine engine;
    private Configuration calling;
    private static final Act FAN_ON = new Act.Set(new Input("TH", "fan"), "on");

    @Setup
    public void setUp() throws IOException {
        try (InputStream in = RunBenchmark.class.getResourceAsStream("/demo/wardens-cottage.json")) {
            Circuit circuit = CircuitReader.read(new String(in.readAllBytes(), StandardCharsets.UTF_8));
            assembly = Assembly.of(circuit);
        }
        day = day(24);
        twoDays = day(48);
        table = table();
        Map<String, Object> cold = Map.of("TH.mode", "heat", "ROOM.celsius", 19);
        call = new Scenario(
                "Call", cold, List.of(new Scenario.Step(100, Map.of("TH.fan", "on"), List.of())), List.of(), 100);
        engine = Engine.of(assembly);
        calling = engine.advance(engine.start(cold, List.of()), new Act.Wait(100_000_000));
    }

    private static Scenario day(int hours) {
        Map<String, Object> cold = Map.of("TH.mode", "heat", "OUT.celsius", -3, "ROOM.celsius", 19);
        return new Scenario("A cold day", cold, List.of(), List.of(), hours * 3600);
    }

    /** Every single fault in each of six calls. */
    private List<Scenario> table() {
        List<Map<String, Object>> calls = List.of(
                Map.of("TH.fan", "on"),
                Map.of("TH.mode", "cool", "ROOM.celsius", 27),
                Map.of("TH.mode", "heat", "ROOM.celsius", 19),
                Map.of("TH.mode", "heat", "ROOM.celsius", 15),
                Map.of("TH.mode", "emergency", "ROOM.celsius", 15),
                Map.of("TH.mode", "off"));
        List<Scenario> scenarios = new ArrayList<>();
        for (Fault fault : FaultList.faultsOf(assembly.circuit())) {
            calls.forEach(c -> scenarios.add(new Scenario("Call", c, List.of(), List.of(fault), 120)));
        }
        return scenarios;
    }

    @Benchmark
    public Run oneDay() {
        return Simulation.run(assembly, day);
    }

    /** The fan set to on in the middle of a heating call, by going on from there. */
    @Benchmark
    public Configuration step() {
        return engine.advance(calling, FAN_ON);
    }

    /** The same by running the call from the start. */
    @Benchmark
    public Run replayedCall() {
        return Simulation.run(assembly, call);
    }

    @Benchmark
    public Run twoDays() {
        return Simulation.run(assembly, twoDays);
    }

    @Benchmark
    public long faultTable() {
        return table.stream()
                .mapToLong(s -> Simulation.run(assembly, s).events().size())
                .sum();
    }
}
