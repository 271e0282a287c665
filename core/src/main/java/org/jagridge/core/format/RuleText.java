package org.jagridge.core.format;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jagridge.core.circuit.Condition;
import org.jagridge.core.circuit.Rule;
import org.jagridge.core.circuit.Rule.Claim;

/** Rules as the file has them. */
public final class RuleText {
    /** The keys under which a rule says what it claims, each with the conditions and numbers that it takes. */
    static final Map<String, List<String>> CLAIMS = Map.of(
            "never",
            List.of(),
            "always",
            List.of(),
            "possible",
            List.of(),
            "within",
            List.of("when", "then", "seconds"),
            "before",
            List.of("first", "then"));

    private RuleText() {}

    /** The rule of a tree that has been checked. */
    static Rule read(Map<String, Object> tree) {
        double grace = tree.get("graceSeconds") instanceof Number n ? n.doubleValue() : Rule.GRACE_SECONDS;
        Map<String, List<Object>> inputs = new LinkedHashMap<>();
        if (tree.get("inputs") instanceof Map<?, ?> map) {
            map.forEach((k, v) -> inputs.put(k.toString(), List.copyOf((List<?>) v)));
        }
        return new Rule((String) tree.get("id"), (String) tree.get("text"), claim(tree), grace, inputs);
    }

    private static Claim claim(Map<String, Object> tree) {
        if (tree.containsKey("never")) {
            return new Claim.Never(Condition.parse(tree.get("never")));
        }
        if (tree.containsKey("always")) {
            return new Claim.Always(Condition.parse(tree.get("always")));
        }
        if (tree.containsKey("possible")) {
            return new Claim.Possible(Condition.parse(tree.get("possible")));
        }
        if (tree.get("within") instanceof Map<?, ?> w) {
            return new Claim.Within(
                    Condition.parse(w.get("when")),
                    Condition.parse(w.get("then")),
                    ((Number) w.get("seconds")).doubleValue());
        }
        Map<?, ?> b = (Map<?, ?>) tree.get("before");
        return new Claim.Before(Condition.parse(b.get("first")), Condition.parse(b.get("then")));
    }

    public static Map<String, Object> write(Rule rule) {
        Map<String, Object> tree = new LinkedHashMap<>();
        tree.put("id", rule.id());
        tree.put("text", rule.text());
        if (rule.claim() instanceof Claim.Never c) {
            tree.put("never", c.of().tree());
        } else if (rule.claim() instanceof Claim.Always c) {
            tree.put("always", c.of().tree());
        } else if (rule.claim() instanceof Claim.Possible c) {
            tree.put("possible", c.of().tree());
        } else if (rule.claim() instanceof Claim.Within c) {
            Map<String, Object> within = new LinkedHashMap<>();
            within.put("when", c.when().tree());
            within.put("then", c.then().tree());
            within.put("seconds", c.seconds());
            tree.put("within", within);
        } else if (rule.claim() instanceof Claim.Before c) {
            Map<String, Object> before = new LinkedHashMap<>();
            before.put("first", c.first().tree());
            before.put("then", c.then().tree());
            tree.put("before", before);
        }
        if (rule.graceSeconds() != Rule.GRACE_SECONDS) {
            tree.put("graceSeconds", rule.graceSeconds());
        }
        if (!rule.inputs().isEmpty()) {
            tree.put("inputs", rule.inputs());
        }
        return tree;
    }
}
