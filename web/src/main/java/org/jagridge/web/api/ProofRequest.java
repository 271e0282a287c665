package org.jagridge.web.api;

import java.util.ArrayList;
import java.util.List;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Problem;
import org.jagridge.core.circuit.Rule;
import org.jagridge.core.format.CircuitReader;
import org.jagridge.core.format.MalformedException;
import org.jagridge.core.prove.Limits;
import org.jagridge.core.prove.Prover;
import org.jagridge.core.prove.RuleSentence;
import org.jagridge.core.prove.Standing;
import org.jagridge.core.prove.Verdict;
import tools.jackson.databind.JsonNode;

/**
 * What is to be proved. Rules are those that are sent, each as the file has it or as a sentence in its text alone; without
 * any, those of the circuit; besides them the standing ones, unless {@code standing} is false. With {@code secondFaults}
 * every other single fault is tried again on top of each that shows nowhere; that takes long.
 */
record ProofRequest(Circuit circuit, List<Rule> rules, boolean singleFaults, boolean secondFaults, Limits limits) {
    private static final int MOST_CHANGES = 4;

    static ProofRequest read(JsonNode tree, Circuit circuit) {
        List<Problem> problems = new ArrayList<>();
        List<Rule> rules = tree.has("rules") ? rules(tree.get("rules"), circuit, problems) : circuit.rules();
        boolean faults = flag(tree, "singleFaults", true, problems);
        boolean second = flag(tree, "secondFaults", false, problems);
        boolean standing = flag(tree, "standing", true, problems);
        int changes = Limits.CHANGES_IN_FLIGHT;
        JsonNode asked = tree.get("changesInFlight");
        if (asked != null) {
            if (asked.isIntegralNumber() && asked.intValue() >= 1 && asked.intValue() <= MOST_CHANGES) {
                changes = asked.intValue();
            } else {
                problems.add(new Problem("/changesInFlight", "a number from 1 to " + MOST_CHANGES + " was expected"));
            }
        }
        if (second && !faults) {
            problems.add(new Problem(
                    "/secondFaults", "a second fault is looked for on top of single ones: ask for these, too"));
        }
        if (!problems.isEmpty()) {
            throw new MalformedException(problems);
        }
        List<Rule> all = new ArrayList<>(rules);
        if (standing) {
            all.addAll(Standing.of(circuit));
        }
        return new ProofRequest(circuit, all, faults, second, Limits.usual().withChanges(changes));
    }

    private static boolean flag(JsonNode tree, String key, boolean otherwise, List<Problem> problems) {
        JsonNode value = tree.get(key);
        if (value != null && !value.isBoolean()) {
            problems.add(new Problem("/" + key, "true or false was expected"));
        }
        return value == null ? otherwise : value.asBoolean(otherwise);
    }

    private static List<Rule> rules(JsonNode list, Circuit circuit, List<Problem> problems) {
        List<Rule> rules = new ArrayList<>();
        if (!list.isArray()) {
            problems.add(new Problem("/rules", "a list of rules was expected"));
            return rules;
        }
        for (int i = 0; i < list.size(); i++) {
            String path = "/rules/" + i;
            JsonNode node = list.get(i);
            try {
                JsonNode text = node.isString() ? node : node.get("text");
                if (text != null && text.isString() && (node.isString() || isOnlyText(node))) {
                    String id = node.has("id") && node.get("id").isString()
                            ? node.get("id").stringValue()
                            : "rule-" + (i + 1);
                    RuleSentence.Reading reading = RuleSentence.read(circuit, id, text.stringValue());
                    if (reading.mistake() != null) {
                        problems.add(new Problem(
                                node.isString() ? path : path + "/text",
                                "\"" + reading.mistake().word() + "\" isn't understood: "
                                        + reading.mistake().why()));
                    } else {
                        rules.add(reading.rule());
                    }
                } else {
                    rules.add(CircuitReader.readRule(node, path, circuit));
                }
            } catch (MalformedException e) {
                problems.addAll(e.problems());
            }
        }
        return rules;
    }

    private static boolean isOnlyText(JsonNode node) {
        return node.properties().stream()
                .allMatch(e -> e.getKey().equals("id") || e.getKey().equals("text"));
    }

    /** Proves what is asked for. */
    List<Verdict> verdicts() {
        List<Verdict> verdicts = Prover.prove(circuit, rules, singleFaults, limits);
        return secondFaults ? Prover.secondFaults(circuit, verdicts, limits) : verdicts;
    }
}
