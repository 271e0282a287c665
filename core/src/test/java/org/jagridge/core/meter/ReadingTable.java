package org.jagridge.core.meter;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import org.jagridge.core.Circuits;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.circuit.Wire;
import org.jagridge.core.format.CircuitReader;
import org.jagridge.core.format.CircuitWriter;
import org.jagridge.core.format.JsonText;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Time;
import org.jagridge.core.run.FaultList;
import org.jagridge.core.run.Run;
import org.jagridge.core.run.Simulation;
import org.jagridge.core.world.Worlds;
import tools.jackson.databind.JsonNode;

/**
 * Readings in small circuits with what the meter says of each, kept in a file that is read and judged by eye: one for each
 * kind of sentence that thousands of leads thrown by dice came by. A test holds the meter against it.
 */
final class ReadingTable {
    static final String FILE = "/readings/readings.txt";
    static final List<String> CIRCUITS = List.of(
            "fan-relay",
            "airflow-proved",
            "lockout",
            "strip-heat",
            "millivolt",
            "two-transformers-jumper",
            "condenser",
            "parallel",
            "direct");

    private static final double SECONDS = 400;

    private ReadingTable() {}

    /**
     * A circuit with hands and a fault, and a meter in it.
     *
     * @param faults none or one
     */
    record Row(
            String circuit, Map<String, Object> set, List<Fault> faults, Request request, String shows, String says) {
        /** The line that names it in the file. */
        String key() {
            return circuit + " | " + JsonText.write(new TreeMap<>(set)) + " | "
                    + JsonText.write(faults.stream().map(CircuitWriter::fault).toList()) + " | " + put(request);
        }

        private static String put(Request r) {
            return r.mode().word() + " "
                    + (r.mode().clamps()
                            ? r.wire() + " " + r.turns()
                            : r.plus() + " " + r.minus() + (r.lowImpedance() ? " low" : ""));
        }
    }

    /** Takes readings; keeps what is the same for many of them. */
    static final class Bench {
        private final Map<String, Assembly> assemblies = new HashMap<>();
        private final Map<String, Run> runs = new HashMap<>();
        private final Map<String, Worlds> worlds = new HashMap<>();

        Assembly assembly(String circuit) {
            return assemblies.computeIfAbsent(circuit, c -> Assembly.of(circuit(c)));
        }

        Reading read(String circuit, Map<String, Object> set, List<Fault> faults, Request request) {
            Assembly assembly = assembly(circuit);
            Scenario known = new Scenario("Table", set, List.of(), List.of(), SECONDS);
            Run run = runs.computeIfAbsent(
                    circuit + set + faults,
                    k -> Simulation.run(assembly, new Scenario("Table", set, List.of(), faults, SECONDS)));
            long at = Time.micros(SECONDS);
            return Meter.at(run, at, () -> worlds.computeIfAbsent(circuit + set, k -> Worlds.at(assembly, known, at)))
                    .read(request);
        }
    }

    static Circuit circuit(String name) {
        JsonNode own = null;
        for (String folder : List.of("/cases/", "/readings/")) {
            String file = folder + name + ".json";
            if (ReadingTable.class.getResource(file) != null) {
                own = JsonText.parse(Circuits.text(file));
            }
        }
        return CircuitReader.read(own.has("circuit") ? own.get("circuit") : own, "");
    }

    static List<Row> stored() {
        List<Row> rows = new ArrayList<>();
        for (String block : Circuits.text(FILE).split("\n\n", -1)) {
            String[] lines = block.strip().split("\n", -1);
            String[] key = lines[0].split(" \\| ", -1);
            List<Fault> faults = new ArrayList<>();
            JsonText.parse(key[2]).forEach(f -> faults.add(CircuitReader.readFault(f)));
            rows.add(new Row(key[0], set(key[1]), faults, request(key[3]), lines[1], lines[2]));
        }
        return rows;
    }

    private static Map<String, Object> set(String json) {
        Map<String, Object> set = new LinkedHashMap<>();
        JsonText.parse(json).properties().forEach(e -> {
            JsonNode v = e.getValue();
            set.put(e.getKey(), v.isBoolean() ? v.asBoolean() : v.isNumber() ? v.asDouble() : v.asString());
        });
        return set;
    }

    private static Request request(String words) {
        String[] w = words.split(" ", -1);
        Request.Mode mode = Request.Mode.of(w[0]).orElseThrow();
        return mode.clamps()
                ? new Request(mode, null, null, w[1], Double.parseDouble(w[2]), false)
                : new Request(mode, Terminal.parse(w[1]), Terminal.parse(w[2]), null, 1, w.length > 3);
    }

    /** Writes the file anew; what has changed in it has to be read. */
    public static void main(String[] args) throws IOException {
        Bench bench = new Bench();
        Set<String> shapes = new LinkedHashSet<>();
        List<String> blocks = new ArrayList<>();
        int tries = Integer.parseInt(args[1]);
        for (String name : CIRCUITS) {
            Random dice = new Random(name.hashCode());
            Circuit circuit = circuit(name);
            List<Fault> faults = FaultList.faultsOf(circuit);
            for (int i = 0; i < tries; i++) {
                Map<String, Object> set = hands(bench.assembly(name), dice);
                List<Fault> one = dice.nextInt(3) == 0 ? List.of() : List.of(faults.get(dice.nextInt(faults.size())));
                for (int k = 0; k < 12; k++) {
                    Request request = leads(bench.assembly(name), dice);
                    Reading r = bench.read(name, set, one, request);
                    if (shapes.add(request.mode().isVolts() + shape(circuit, r.says()))) {
                        Row row = new Row(name, set, one, request, r.display() + " " + r.unit(), r.says());
                        blocks.add(row.key() + "\n" + row.shows() + "\n" + row.says() + "\n");
                    }
                }
                bench.runs.clear();
            }
            System.out.println(name + " " + blocks.size());
        }
        Files.writeString(Path.of(args[0]), String.join("\n", blocks));
    }

    private static Map<String, Object> hands(Assembly assembly, Random dice) {
        Map<String, Object> set = new TreeMap<>();
        boolean dead = dice.nextInt(3) == 0;
        for (Assembly.Member m : assembly.members()) {
            for (Field f : m.inputs()) {
                String input = m.part().id() + "." + f.name();
                boolean source = assembly.branchesOf(m.part().id()).stream()
                        .anyMatch(b -> b.role().gives());
                if (f.kind() == Field.Kind.FLAG && source) {
                    if (dead) {
                        set.put(input, false);
                    }
                } else if (f.kind() == Field.Kind.FLAG && dice.nextInt(4) == 0) {
                    set.put(input, !Boolean.TRUE.equals(f.initial()));
                } else if (f.kind() == Field.Kind.CHOICE && dice.nextInt(3) == 0) {
                    set.put(input, f.choices().get(dice.nextInt(f.choices().size())));
                }
            }
        }
        return set;
    }

    private static Request leads(Assembly assembly, Random dice) {
        int kind = dice.nextInt(10);
        List<Wire> wires = assembly.circuit().wires();
        if (kind < 2) {
            Request.Mode mode = dice.nextInt(4) == 0 ? Request.Mode.DC_AMPS : Request.Mode.AMPS;
            Wire one = wires.get(dice.nextInt(wires.size()));
            Wire other = wires.get(dice.nextInt(wires.size()));
            boolean two = dice.nextInt(3) == 0 && !one.equals(other);
            String wire = two ? one.id() + "," + (dice.nextBoolean() ? "-" : "") + other.id() : one.id();
            return new Request(mode, null, null, wire, dice.nextInt(5) == 0 ? 10 : 1, false);
        }
        Request.Mode mode = kind < 6
                ? Request.Mode.AC_VOLTS
                : kind == 6
                        ? Request.Mode.DC_VOLTS
                        : kind < 9
                                ? Request.Mode.OHMS
                                : dice.nextBoolean() ? Request.Mode.CONTINUITY : Request.Mode.CAPACITANCE;
        List<Terminal> all = assembly.nodes().keySet().stream()
                .filter(t -> assembly.circuit().part(t.part()).isPresent())
                .sorted((a, b) -> a.toString().compareTo(b.toString()))
                .toList();
        Terminal plus = all.get(dice.nextInt(all.size()));
        List<Terminal> near = dice.nextBoolean()
                ? all.stream().filter(t -> t.part().equals(plus.part())).toList()
                : all;
        return new Request(
                mode,
                plus,
                near.get(dice.nextInt(near.size())),
                null,
                1,
                mode == Request.Mode.AC_VOLTS && dice.nextInt(8) == 0);
    }

    /** A sentence without its numbers and names. */
    private static String shape(Circuit circuit, String says) {
        Set<String> names = new LinkedHashSet<>();
        circuit.parts().forEach(p -> names.add(p.id()));
        circuit.wires().forEach(w -> names.add(w.id()));
        String plain = says;
        for (String n : names) {
            plain = plain.replaceAll("\\b" + n + "\\b([. ][A-Z0-9+-]+([–-][A-Z0-9]+)?\\b)?", "@");
        }
        return plain.replaceAll("single faults tried would explain it, in .*", "several")
                .replaceAll("It is one of: .*", "few")
                .replaceAll("only one explains it: .*", "one")
                .replaceAll("(It is the same|It shows the same) if .*", "or")
                .replaceAll("[0-9.]+", "#")
                .replaceAll("@((, | and )@)+", "@");
    }
}
