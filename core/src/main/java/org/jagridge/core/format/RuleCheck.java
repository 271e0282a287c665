package org.jagridge.core.format;

import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jagridge.core.circuit.Condition;
import org.jagridge.core.circuit.PartDeclaration;
import tools.jackson.databind.JsonNode;

/** Whether rules and conditions say something about things that are there and values that these can take. */
final class RuleCheck {
    private static final Set<String> KEYS = Set.of("id", "text", "graceSeconds", "inputs");

    /** Checks a value for an input. */
    interface InputCheck {
        void check(String input, Object value, String path);
    }

    private final Map<String, CircuitCheck.Known> parts;
    private final InputCheck inputs;
    private final Mistakes say;
    /** Of the rule that is being looked at. */
    private String id;

    RuleCheck(Map<String, CircuitCheck.Known> parts, InputCheck inputs, Mistakes say) {
        this.parts = parts;
        this.inputs = inputs;
        this.say = say;
    }

    void rule(JsonNode node, String path) {
        List<String> claims =
                RuleText.CLAIMS.keySet().stream().filter(node::has).sorted().toList();
        if (claims.size() != 1) {
            say.at(
                    path,
                    "a rule says one of always, before, never, within, possible"
                            + (claims.isEmpty() ? "" : ", not " + String.join(" and ", claims)));
        }
        node.properties().forEach(e -> {
            if (!KEYS.contains(e.getKey()) && !RuleText.CLAIMS.containsKey(e.getKey())) {
                say.at(path + "/" + e.getKey(), "a rule has no \"" + e.getKey() + "\"");
            }
        });
        seconds(node, "graceSeconds", path);
        this.id = JsonText.text(node, "id");
        claims.forEach(c -> claim(node.get(c), RuleText.CLAIMS.get(c), path + "/" + c));
        varied(node, path);
    }

    private void seconds(JsonNode node, String key, String path) {
        if (node.has(key) && (!node.get(key).isNumber() || node.get(key).doubleValue() < 0)) {
            say.at(path + "/" + key, "a number of seconds was expected");
        }
    }

    private void claim(JsonNode claim, List<String> takes, String path) {
        if (takes.isEmpty()) {
            condition(claim, path);
            return;
        }
        if (!claim.isObject()) {
            say.at(path, "an object with " + String.join(", ", takes) + " was expected");
            return;
        }
        Set<String> known = new HashSet<>(takes);
        claim.properties().forEach(e -> {
            if (!known.contains(e.getKey())) {
                say.at(path + "/" + e.getKey(), "this takes " + String.join(", ", takes));
            }
        });
        for (String key : takes) {
            if (!claim.has(key)) {
                say.at(path, "\"" + key + "\" is missing");
            } else if (key.equals("seconds")) {
                seconds(claim, key, path);
            } else {
                condition(claim.get(key), path + "/" + key);
            }
        }
    }

    private void condition(JsonNode tree, String path) {
        try {
            Condition condition = Condition.parse(JsonText.plain(tree));
            condition.parts().stream()
                    .filter(p -> !parts.containsKey(p))
                    .distinct()
                    .forEach(p -> say.at(path, "there is no part " + p + ", but the rule " + id + " names it"));
            condition(condition, path);
        } catch (IllegalArgumentException e) {
            say.at(path, e.getMessage());
        }
    }

    /** Whether a condition looks for what parts can show. Parts that aren't there are told of elsewhere. */
    void condition(Condition condition, String path) {
        for (Condition.Atom atom : condition.atoms()) {
            CircuitCheck.Known part = parts.get(atom.part());
            if (part != null && part.isUnderstood()) {
                mistakeIn(atom, part.type(), part).ifPresent(m -> say.at(path, "\"" + atom.tree() + "\": " + m));
            }
        }
    }

    private static Optional<String> mistakeIn(Condition.Atom atom, PartDeclaration type, CircuitCheck.Known part) {
        if (atom instanceof Condition.Word word) {
            return type.signal(part.values()).mistakeIn(word.value());
        }
        String name = ((Condition.Compare) atom).name();
        List<String> numbers = type.numbers(part.values());
        return numbers.contains(name)
                ? Optional.empty()
                : Optional.of(atom.part() + " has no number " + name + "; it has "
                        + (numbers.isEmpty() ? "none" : String.join(", ", numbers)));
    }

    /** The inputs that a proof of the rule is to vary, with the values for each. */
    private void varied(JsonNode node, String path) {
        JsonNode varied = node.get("inputs");
        if (varied == null) {
            return;
        }
        if (!varied.isObject()) {
            say.at(path + "/inputs", "an object of lists by PART.input was expected");
            return;
        }
        varied.properties().forEach(e -> {
            String at = path + "/inputs/" + e.getKey();
            if (!e.getValue().isArray() || e.getValue().isEmpty()) {
                say.at(at, "a list of values was expected");
                return;
            }
            for (int i = 0; i < e.getValue().size(); i++) {
                inputs.check(e.getKey(), JsonText.plain(e.getValue().get(i)), at + "/" + i);
            }
        });
    }
}
