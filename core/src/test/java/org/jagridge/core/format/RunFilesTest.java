package org.jagridge.core.format;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jagridge.core.Circuits;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.run.Run;
import org.jagridge.core.run.Simulation;
import org.jagridge.core.trace.Presets;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** A value change dump read back by its own rules gives the signals of the run. */
public class RunFilesTest {
    private static final Pattern COMMENT = Pattern.compile("\\$comment (\\S+): (.*) \\$end");
    private static final Pattern VAR = Pattern.compile("\\$var (wire|reg) (\\d+) (\\S+) (\\S+)( \\[\\d+:0])? \\$end");

    @DataProvider
    public Object[][] demos() {
        return Circuits.DEMOS.stream().map(d -> new Object[] {d}).toArray(Object[][]::new);
    }

    private static Run run(String slug) {
        Circuit circuit = Circuits.demo(slug);
        return Simulation.run(circuit, Presets.of(circuit).get(0).scenario());
    }

    @Test(dataProvider = "demos")
    public void theDumpReadBackIsTheRun(String slug) {
        Run run = run(slug);
        List<String> parts = new ArrayList<>();
        List<Map<Integer, String>> words = new ArrayList<>();
        Map<String, Integer> codes = new LinkedHashMap<>();
        List<Integer> bits = new ArrayList<>();
        Map<String, List<Run.Step>> read = new LinkedHashMap<>();
        long now = -1;
        for (String line : RunFiles.vcd(run).lines().toList()) {
            Matcher comment = COMMENT.matcher(line);
            Matcher var = VAR.matcher(line);
            if (comment.matches()) {
                parts.add(comment.group(1));
                Map<Integer, String> named = new LinkedHashMap<>();
                for (String pair : comment.group(2).split(" ", -1)) {
                    named.put(Integer.valueOf(pair.split("=", 2)[0]), pair.split("=", 2)[1]);
                }
                words.add(named);
            } else if (var.matches()) {
                assertTrue(!codes.containsKey(var.group(3)), "a code twice");
                codes.put(var.group(3), codes.size());
                bits.add(Integer.valueOf(var.group(2)));
            } else if (line.startsWith("#")) {
                long next = Long.parseLong(line.substring(1));
                assertTrue(next > now, "time goes on");
                now = next;
            } else if (!line.startsWith("$")) {
                boolean vector = line.startsWith("b");
                String value = vector ? line.substring(1, line.indexOf(' ')) : line.substring(0, 1);
                int i = codes.get(vector ? line.substring(line.indexOf(' ') + 1) : line.substring(1));
                assertTrue(value.length() <= bits.get(i), "more bits than declared");
                String word = words.get(i).get(Integer.parseInt(value, 2));
                read.computeIfAbsent(parts.get(i), p -> new ArrayList<>()).add(new Run.Step(now, word));
            }
        }
        assertEquals(now, run.until());
        Map<String, List<Run.Step>> expected = new LinkedHashMap<>();
        run.signals()
                .forEach((part, steps) -> expected.put(
                        part,
                        steps.stream()
                                .map(s -> new Run.Step(s.micros(), s.value().replace(' ', '_')))
                                .toList()));
        assertEquals(read, expected);
    }

    @Test
    public void theListOfEventsHasALineForEach() {
        Run run = run("cold-store");
        List<String> lines = RunFiles.csv(run).lines().toList();
        assertEquals(lines.size(), run.events().size() + 1);
        assertEquals(lines.get(0), "t_s,part,signal,from,to,because,path");
        assertTrue(lines.get(1).startsWith("5,TH,TH.setCelsius,"), lines.get(1));
    }
}
