package org.jagridge.core.run;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Pattern;
import java.util.zip.GZIPInputStream;
import java.util.zip.GZIPOutputStream;
import org.jagridge.core.Circuits;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Role;
import org.jagridge.core.trace.Presets;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * Every scenario of every demo, without a fault and with each single fault, against a table that was stored before the
 * engine was rebuilt: a digest of all its events and two sums over all readings of all its frames. The table is written
 * anew by {@link #main}; that is right only where a change of behaviour is meant.
 */
public class StoredRunsTest {
    private static final String TABLE = "/stored-runs.txt.gz";
    private static final double RELATIVE = 1e-6;
    private static final Pattern NUMBER = Pattern.compile("[0-9.]+");
    private static final Pattern LANDED = Pattern.compile("^(\\S+) landed on (\\S+) by its (first|second) end$");
    private static final Pattern SWAPPED =
            Pattern.compile("^(\\S+) and (\\S+) changed over at their (first|second) ends$");
    private static final Pattern ADDED = Pattern.compile("^(link|short|earthed) .*$");
    private static final Pattern DEGREES = Pattern.compile("(set|at|[<≥]) # °C");
    private static final Pattern FIRST = Pattern.compile("^(landed|swapped)(.*) first");
    private static final Pattern SECOND = Pattern.compile("^(landed|swapped)(.*) second");

    /** The same words come thousands of times. */
    private final Map<String, String> causes = new HashMap<>();

    private final Map<String, String> faults = new HashMap<>();
    private final Map<String, String> owners = new HashMap<>();

    @DataProvider(parallel = false)
    public Object[] demos() {
        return Circuits.DEMOS.toArray();
    }

    @Test(dataProvider = "demos")
    public void everyScenarioWithEverySingleFaultGivesWhatItGave(String slug) throws IOException {
        Map<String, String> stored = stored();
        Map<String, String> now = rows(slug);
        List<String> off = new ArrayList<>();
        now.forEach((key, row) -> {
            // parts have learnt some more faults since
            if (stored.containsKey(key) && !agrees(stored.get(key), row)) {
                off.add(key + ": stored " + stored.get(key) + ", now " + row);
            }
        });
        assertTrue(now.size() > 50, slug + " has only " + now.size() + " rows");
        assertEquals(
                off.size(),
                0,
                off.size() + " of " + now.size() + " differ, first: "
                        + off.stream().limit(5).toList());
        List<String> missing = stored.keySet().stream()
                .filter(k -> k.startsWith(slug + "|") && !now.containsKey(k))
                .toList();
        assertEquals(missing, List.of(), "stored, but no longer there");
    }

    private static boolean agrees(String stored, String now) {
        if (stored == null || stored.equals(now)) {
            return stored != null;
        }
        String[] a = stored.split(" ", -1);
        String[] b = now.split(" ", -1);
        return a.length == 3
                && b.length == 3
                && a[0].equals(b[0])
                && close(Double.parseDouble(a[1]), Double.parseDouble(b[1]))
                && close(Double.parseDouble(a[2]), Double.parseDouble(b[2]));
    }

    private static boolean close(double a, double b) {
        return Math.abs(a - b) <= RELATIVE * Math.max(1, Math.abs(a));
    }

    private static Map<String, String> stored() throws IOException {
        Map<String, String> rows = new LinkedHashMap<>();
        try (BufferedReader in = new BufferedReader(new InputStreamReader(
                new GZIPInputStream(StoredRunsTest.class.getResourceAsStream(TABLE)), StandardCharsets.UTF_8))) {
            in.lines().forEach(l -> rows.put(l.substring(0, l.indexOf('=')), l.substring(l.indexOf('=') + 1)));
        }
        return rows;
    }

    Map<String, String> rows(String slug) {
        Circuit circuit = Circuits.demo(slug);
        Assembly assembly = Assembly.of(circuit);
        List<Scenario> scenarios = new ArrayList<>();
        Presets.of(circuit).forEach(p -> scenarios.add(p.scenario()));
        scenarios.addAll(circuit.scenarios());
        Map<String, String> rows = new LinkedHashMap<>();
        for (int s = 0; s < scenarios.size(); s++) {
            Scenario scenario = scenarios.get(s);
            String key = slug + "|" + s + "|";
            rows.put(key, row(assembly, scenario));
            for (Fault fault : FaultList.faultsOf(circuit)) {
                List<Fault> faults = new ArrayList<>(scenario.faults());
                faults.add(fault);
                rows.put(
                        key + faultAsStored(fault.words()),
                        row(
                                assembly,
                                new Scenario(
                                        scenario.name(),
                                        scenario.start(),
                                        scenario.steps(),
                                        faults,
                                        scenario.untilSeconds())));
            }
        }
        return rows;
    }

    private String row(Assembly assembly, Scenario scenario) {
        Run run;
        try {
            run = Simulation.run(assembly, scenario);
        } catch (RunLimitException e) {
            return "limit";
        }
        double volts = 0;
        double amps = 0;
        for (Frame f : run.frames()) {
            double[] weights = f.assembly().kept(Weights.class, Weights::of).byBranch();
            for (Branch b : f.assembly().branches()) {
                double weight = weights[b.index()];
                if (weight > 0) {
                    volts += weight * f.volts(b);
                    amps += weight * f.amps(b);
                }
            }
        }
        return String.format(Locale.ROOT, "%s %.9e %.9e", digest(run), volts, amps);
    }

    /** By where a branch lies, not by its number; 0 for one that doesn't count. */
    @SuppressWarnings("ArrayRecordComponent")
    private record Weights(double[] byBranch) {
        static Weights of(Assembly assembly) {
            return new Weights(assembly.branches().stream()
                    .mapToDouble(b -> b.role() == Role.EARTHING ? 0 : weight(b))
                    .toArray());
        }

        private static double weight(Branch b) {
            int hash = (b.a() + "–" + b.b()).hashCode();
            return 0.5 + Integer.toUnsignedLong(hash * 0x9E3779B9) / 4294967296.0;
        }
    }

    /** Without its numbers, and with the units that the second number of a cause had not yet when the table was stored. */
    private static String asStored(String cause) {
        return DEGREES.matcher(NUMBER.matcher(cause).replaceAll("#"))
                .replaceAll("$1 #")
                .replace("# K", "#");
    }

    /** By the words of the file, as wrong landings were told when the table was stored. */
    private static String faultAsStored(String words) {
        String landed = LANDED.matcher(words).replaceAll("landed $1 $3 $2");
        String swapped = SWAPPED.matcher(landed).replaceAll("swapped $1 to $2 $3");
        String first = FIRST.matcher(swapped).replaceAll("$1$2 0");
        return SECOND.matcher(first).replaceAll("$1$2 1");
    }

    private String digest(Run run) {
        StringBuilder told = new StringBuilder();
        for (Event e : run.events()) {
            told.append(e.micros())
                    .append(e.part())
                    .append(e.signal())
                    .append(faults.computeIfAbsent(e.from(), StoredRunsTest::faultAsStored))
                    .append(faults.computeIfAbsent(e.to(), StoredRunsTest::faultAsStored))
                    .append(e.because().kind())
                    .append(causes.computeIfAbsent(e.because().text(), StoredRunsTest::asStored))
                    .append(e.causes())
                    .append(e.path().stream()
                            .map(o -> owners.computeIfAbsent(
                                    o, w -> ADDED.matcher(w).replaceAll("link")))
                            .toList())
                    .append(e.backFeed())
                    .append('\n');
        }
        run.problems()
                .forEach(p -> told.append(p.code())
                        .append(p.micros())
                        .append(p.parts())
                        .append(p.loop()));
        told.append(run.restAt()).append(run.frames().size());
        try {
            byte[] sha =
                    MessageDigest.getInstance("SHA-256").digest(told.toString().getBytes(StandardCharsets.UTF_8));
            return HexFormat.of().formatHex(sha, 0, 8);
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }

    /** Writes the table; see the class. */
    @Test(enabled = false)
    public static void main(String[] args) throws IOException {
        try (PrintStream out = new PrintStream(
                new GZIPOutputStream(Files.newOutputStream(Path.of(args[0]))), false, StandardCharsets.UTF_8)) {
            StoredRunsTest table = new StoredRunsTest();
            for (String slug : Circuits.DEMOS) {
                table.rows(slug).forEach((k, v) -> out.println(k + "=" + v));
            }
        }
    }
}
