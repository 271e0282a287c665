package org.jagridge.core.plan;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.jagridge.core.format.CircuitReader;
import org.jagridge.core.format.CircuitWriter;
import org.jagridge.core.format.JsonText;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/**
 * Set-ups with the schedule that a practitioner would accept. What is expected was written down from the domain page, not
 * from what the planner says.
 */
@SuppressWarnings("unchecked")
public class SetupsTest {
    @DataProvider(parallel = true)
    public static Object[][] setups() throws IOException {
        try (InputStream in = SetupsTest.class.getResourceAsStream("/plan/setups.json")) {
            List<Map<String, Object>> all = (List<Map<String, Object>>)
                    JsonText.plainValue(new String(in.readAllBytes(), StandardCharsets.UTF_8));
            return all.stream()
                    .map(m -> new Object[] {m.get("name"), m.get("request"), m.get("expect")})
                    .toArray(Object[][]::new);
        }
    }

    static Map<String, Object> request(String name) throws IOException {
        for (Object[] row : setups()) {
            if (row[0].equals(name)) {
                return (Map<String, Object>) row[1];
            }
        }
        throw new IllegalArgumentException(name);
    }

    @Test(dataProvider = "setups")
    public void isPlannedAsAPractitionerWould(String name, Map<String, Object> request, Map<String, Object> expect) {
        WiringAnswer answer = WiringPlanner.plan(WiringRequestReader.read(request));
        expect.forEach((what, value) -> {
            switch (what) {
                case "noWay" ->
                    assertTrue(
                            answer.plans().isEmpty()
                                    && answer.noWay().stream()
                                            .map(WiringAnswer.NoWay::call)
                                            .toList()
                                            .containsAll((List<String>) value),
                            answer.noWay().toString());
                case "rejects" ->
                    assertTrue(answer.rejected().stream().anyMatch(r -> r.why().contains((String) value)));
                case "atLeast" -> assertTrue(answer.plans().size() >= (Integer) value, titles(answer));
                case "some" ->
                    ((List<List<String>>) value)
                            .forEach(moves -> assertTrue(
                                    answer.plans().stream().anyMatch(p -> words(p).equals(new TreeSet<>(moves))),
                                    moves + " isn't among " + titles(answer)));
                case "TCof" ->
                    ((Map<String, String>) value).forEach((move, letters) -> {
                        WiringPlan plan = answer.plans().stream()
                                .filter(p -> words(p).equals(Set.of(move)))
                                .findFirst()
                                .orElseThrow();
                        assertEquals(letters(plan, "TC"), set(letters));
                    });
                case "buysAtMost" ->
                    ((Map<String, Integer>) value)
                            .forEach((article, most) -> answer.plans()
                                    .forEach(p -> assertTrue(p.buy().stream()
                                                    .filter(b -> b.article().equals(article))
                                                    .mapToInt(WiringPlan.Purchase::count)
                                                    .sum()
                                            <= most)));
                default -> best(answer, what, value);
            }
        });
        answer.plans().forEach(SetupsTest::isWhole);
    }

    private static void best(WiringAnswer answer, String what, Object value) {
        assertFalse(answer.plans().isEmpty(), answer.rejected() + " " + answer.noWay());
        WiringPlan plan = answer.plans().get(0);
        switch (what) {
            case "TC", "OC" -> assertEquals(letters(plan, what), set((String) value));
            case "moves" -> assertEquals(words(plan), new TreeSet<>((List<String>) value), titles(answer));
            case "lost" ->
                assertTrue(
                        String.join(" ", plan.lost()).contains((String) value),
                        plan.lost().toString());
            case "calls" ->
                assertEquals(plan.modes().stream().map(WiringPlan.Mode::call).collect(Collectors.toSet()), set((String)
                        value));
            case "fit" ->
                assertTrue(joins(plan.fit(), (List<String>) value), plan.fit().toString());
            case "noFit" ->
                assertFalse(joins(plan.fit(), (List<String>) value), plan.fit().toString());
            case "takeOut" ->
                assertTrue(
                        joins(plan.takeOut(), (List<String>) value),
                        plan.takeOut().toString());
            case "says" ->
                assertTrue(
                        String.join(" ", plan.said()).contains((String) value),
                        plan.said().toString());
            case "unused" ->
                assertTrue(
                        plan.unused().stream().anyMatch(u -> u.what().equals(value)),
                        plan.unused().toString());
            case "at", "lands" ->
                ((Map<String, String>) value)
                        .forEach((letter, terminal) -> assertTrue(
                                plan.schedule().stream()
                                        .filter(k -> k.carries().equals(letter))
                                        .anyMatch(k -> k.from().equals(terminal) || k.to().equals(terminal)),
                                plan.schedule().toString()));
            case "splices" ->
                assertEquals(
                        plan.circuit().parts().stream()
                                .filter(p -> p.type().equals("splice"))
                                .count(),
                        ((Integer) value).longValue());
            case "buys" ->
                assertTrue(
                        plan.buy().stream().anyMatch(b -> b.what().contains((String) value)),
                        plan.buy().toString());
            default -> throw new IllegalArgumentException(what);
        }
    }

    /** A plan's circuit can be read again, all its calls hold, and no conductor is used twice. */
    private static void isWhole(WiringPlan plan) {
        CircuitReader.read(CircuitWriter.write(plan.circuit()));
        assertTrue(plan.modes().stream().allMatch(WiringPlan.Mode::holds));
        List<String> cores =
                plan.schedule().stream().map(k -> k.cable() + "." + k.core()).toList();
        assertEquals(Set.copyOf(cores).size(), cores.size(), cores.toString());
    }

    private static boolean joins(List<WiringPlan.Joint> joints, List<String> two) {
        return joints.stream().anyMatch(j -> two.containsAll(List.of(j.from(), j.to())));
    }

    private static Set<String> letters(WiringPlan plan, String cable) {
        return plan.schedule().stream()
                .filter(k -> k.cable().equals(cable))
                .map(WiringPlan.Conductor::carries)
                .collect(Collectors.toCollection(TreeSet::new));
    }

    private static Set<String> set(String words) {
        return new TreeSet<>(Arrays.asList(words.split(" ", -1)));
    }

    private static Set<String> words(WiringPlan plan) {
        return plan.moves().stream().map(Move::word).collect(Collectors.toCollection(TreeSet::new));
    }

    private static String titles(WiringAnswer answer) {
        return answer.plans().stream().map(WiringPlan::title).collect(Collectors.joining(" | ")) + " – "
                + answer.rejected();
    }
}
