package org.jagridge.core.format;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jagridge.core.circuit.Condition;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Input;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.PartDeclaration;
import org.jagridge.core.circuit.Problem;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.part.PartTypes;
import tools.jackson.databind.JsonNode;

/**
 * What the schema can't say: ids are unique, places, cables, cores and terminals exist, parameters and inputs fit the
 * catalogue. Works on trees that may have any other mistake, so that all are found at once.
 */
final class CircuitCheck {
    private static final int MOST_PARTS = 2000;
    private static final int MOST_WIRES = 5000;

    /** A part as far as it could be understood; all but {@link #UNKNOWN} has everything. */
    record Known(
            PartDeclaration type,
            Params values,
            Set<String> terminals,
            Map<String, Field> inputs,
            Map<String, Field> params,
            Part alone) {
        /** A part of a type that isn't there, or with parameters that don't fit. */
        static final Known UNKNOWN = new Known(null, null, null, null, null, null);

        boolean isUnderstood() {
            return type != null;
        }
    }

    /** A part or wire that a parameter of {@code by} names. */
    private record Reference(String id, boolean wire, boolean temperature, String by, String path) {}

    /** A condition that a parameter holds. */
    private record Held(Condition condition, String path) {}

    private final boolean stored;
    private final JsonNode tree;
    private final String root;
    private final Mistakes say = new Mistakes();
    private final Map<String, String> ids = new HashMap<>();
    private final Set<String> places = new HashSet<>();
    private final Map<String, Set<String>> wires = new HashMap<>();
    private final Map<String, Set<String>> cores = new HashMap<>();
    private final Map<String, Known> parts = new HashMap<>();

    private final List<Reference> references = new ArrayList<>();
    private final List<Held> held = new ArrayList<>();

    /** @param stored whether it was let in before temperatures were checked: it opens all the same, and can be mended */
    CircuitCheck(JsonNode tree, String root, boolean stored) {
        this.stored = stored;
        this.tree = tree;
        this.root = root;
    }

    List<Problem> problems() {
        tooMany("parts", MOST_PARTS);
        tooMany("wires", MOST_WIRES);
        forEach("places", this::place);
        forEach("parts", this::part);
        forEach("cables", this::cable);
        forEach("wires", this::wire);
        references.forEach(this::reference);
        if (!stored) {
            references.stream().filter(Reference::temperature).forEach(this::temperature);
        }
        RuleCheck rules = new RuleCheck(parts, this::input, say);
        held.forEach(h -> rules.condition(h.condition(), h.path()));
        forEach("scenarios", this::scenario);
        forEach("rules", rules::rule);
        return say.all();
    }

    private interface Each {
        void check(JsonNode node, String path);
    }

    private void forEach(String key, Each each) {
        forEach(tree, key, root, each);
    }

    private static void forEach(JsonNode node, String key, String path, Each each) {
        JsonNode list = node.get(key);
        if (list != null && list.isArray()) {
            for (int i = 0; i < list.size(); i++) {
                if (list.get(i).isObject()) {
                    each.check(list.get(i), path + "/" + key + "/" + i);
                }
            }
        }
    }

    private void tooMany(String key, int most) {
        JsonNode list = tree.get(key);
        if (list != null && list.size() > most) {
            say.at(root + "/" + key, list.size() + " " + key + " are too many; at most " + most + " fit one circuit");
        }
    }

    private void id(JsonNode node, String path) {
        String id = JsonText.text(node, "id");
        if (id == null) {
            return;
        }
        String first = ids.putIfAbsent(id, path);
        if (first != null) {
            say.at(path + "/id", "the id " + id + " is already used at " + first + "; give each its own");
        }
    }

    private void place(JsonNode node, String path) {
        id(node, path);
        String id = JsonText.text(node, "id");
        if (id != null) {
            places.add(id);
        }
    }

    private void placeExists(JsonNode node, String key, String path) {
        String place = JsonText.text(node, key);
        if (place != null && !places.contains(place)) {
            say.at(path + "/" + key, "there is no place " + place + "; known are " + list(places));
        }
    }

    private void part(JsonNode node, String path) {
        id(node, path);
        placeExists(node, "place", path);
        String id = JsonText.text(node, "id");
        String type = JsonText.text(node, "type");
        if (id == null || type == null) {
            return;
        }
        Optional<? extends PartDeclaration> declared = PartTypes.catalogue().find(type);
        if (declared.isEmpty()) {
            say.at(path + "/type", "there is no part type \"" + type + "\"; see the catalogue for the known ones");
            parts.putIfAbsent(id, Known.UNKNOWN);
            return;
        }
        PartDeclaration d = declared.get();
        Map<String, Object> given =
                node.has("params") && node.get("params").isObject() ? JsonText.map(node.get("params")) : Map.of();
        boolean good = params(d, given, path + "/params");
        if (good) {
            Params params = new Params(d.params(), given);
            Set<String> terminals = new HashSet<>(d.terminals(params));
            Part alone = new Part(id, type, "place", null, given, true, Part.WhenNotFitted.OPEN, Map.of());
            parts.putIfAbsent(id, new Known(d, params, terminals, byName(d.inputs(params)), byName(d.params()), alone));
            d.conditions(params).forEach(h -> held.add(new Held(h.condition(), path + "/params/" + h.path())));
            labels(node, path, id, terminals);
            d.references(params)
                    .forEach(r -> references.add(new Reference(
                            r.id(), r.wire(), isTemperature(d, r.path()), id, path + "/params/" + r.path())));
        } else {
            parts.putIfAbsent(id, Known.UNKNOWN);
        }
    }

    private void reference(Reference r) {
        if (r.wire() ? !wires.containsKey(r.id()) : !parts.containsKey(r.id())) {
            String parameter = r.path().substring(r.path().lastIndexOf('/') + 1);
            say.at(
                    r.path(),
                    "there is no " + (r.wire() ? "wire " : "part ") + r.id() + ", but " + r.by() + " names it in "
                            + parameter);
        }
    }

    private void temperature(Reference r) {
        Known named = parts.get(r.id());
        if (named != null
                && named.isUnderstood()
                && !named.type().numbers(named.values()).contains("celsius")) {
            say.at(
                    r.path(),
                    r.id() + " has no temperature that " + r.by()
                            + " could read; name a room, the outdoors, or a sensor that reads no other part");
        } else {
            circle(r);
        }
    }

    private static boolean isTemperature(PartDeclaration d, String param) {
        return d.params().stream().anyMatch(f -> f.isTemperature() && f.name().equals(param));
    }

    /** A temperature that is read from one that is read from it, directly or by others. */
    private void circle(Reference r) {
        Set<String> reads = new LinkedHashSet<>(Set.of(r.id()));
        boolean more = true;
        while (more && !reads.contains(r.by())) {
            more = reads.addAll(references.stream()
                    .filter(o -> o.temperature() && reads.contains(o.by()))
                    .map(Reference::id)
                    .toList());
        }
        if (reads.contains(r.by())) {
            say.at(r.path(), r.by() + " would read its own temperature by way of " + r.id() + "; name another part");
        }
    }

    private static Map<String, Field> byName(List<Field> fields) {
        Map<String, Field> map = new HashMap<>();
        fields.forEach(f -> map.put(f.name(), f));
        return map;
    }

    private boolean params(PartDeclaration d, Map<String, Object> given, String path) {
        Map<String, Field> declared = byName(d.params());
        boolean good = true;
        for (Map.Entry<String, Object> e : given.entrySet()) {
            Field field = declared.get(e.getKey());
            String mistake = field == null
                    ? "a " + d.type() + " has no parameter " + e.getKey() + "; it has " + list(declared.keySet())
                    : field.mistakeIn(e.getValue());
            if (mistake != null) {
                say.at(path + "/" + e.getKey(), mistake);
                good = false;
            }
        }
        if (good) {
            for (Problem p : d.mistakesIn(new Params(d.params(), given))) {
                say.at(path + "/" + p.path(), p.message());
                good = false;
            }
        }
        return good;
    }

    private void labels(JsonNode node, String path, String id, Set<String> terminals) {
        if (node.has("labels") && node.get("labels").isObject()) {
            node.get("labels").properties().forEach(e -> {
                if (!terminals.contains(e.getKey())) {
                    say.at(
                            path + "/labels/" + e.getKey(),
                            id + " has no terminal " + e.getKey() + "; it has " + list(terminals));
                }
            });
        }
    }

    private void cable(JsonNode node, String path) {
        id(node, path);
        placeExists(node, "from", path);
        placeExists(node, "to", path);
        String id = JsonText.text(node, "id");
        JsonNode list = node.get("cores");
        if (id == null || list == null || !list.isArray()) {
            return;
        }
        Set<String> names = new HashSet<>();
        for (int i = 0; i < list.size(); i++) {
            if (list.get(i).isString() && !names.add(list.get(i).stringValue())) {
                say.at(
                        path + "/cores/" + i,
                        "the core " + list.get(i).stringValue() + " is there twice; give each its "
                                + "own name, like red and red-2");
            }
        }
        cores.put(id, names);
    }

    private void wire(JsonNode node, String path) {
        id(node, path);
        String id = JsonText.text(node, "id");
        if (id != null) {
            wires.put(id, new HashSet<>());
        }
        JsonNode ends = node.get("ends");
        if (ends != null && ends.isArray()) {
            for (int i = 0; i < ends.size(); i++) {
                terminal(ends.get(i), path + "/ends/" + i);
                wires.getOrDefault(id, new HashSet<>()).add(ends.get(i).asString());
            }
            if (ends.size() == 2 && ends.get(0).equals(ends.get(1))) {
                say.at(path + "/ends", "both ends are at " + ends.get(0).asString() + "; a wire joins two terminals");
            }
        }
        String cable = JsonText.text(node, "cable");
        String core = JsonText.text(node, "core");
        if (cable != null && !cores.containsKey(cable)) {
            say.at(path + "/cable", "there is no cable " + cable + "; known are " + list(cores.keySet()));
        } else if (cable != null && core == null) {
            say.at(path, "a wire in a cable must say which core it is; " + cable + " has " + list(cores.get(cable)));
        } else if (cable != null && !cores.get(cable).contains(core)) {
            say.at(path + "/core", "cable " + cable + " has no core " + core + "; it has " + list(cores.get(cable)));
        } else if (core != null && cable == null) {
            say.at(path + "/core", "a core was named without its cable");
        }
    }

    private void terminal(JsonNode value, String path) {
        if (!value.isString() || !Terminal.isWellFormed(value.stringValue())) {
            return;
        }
        String text = value.stringValue();
        Terminal terminal = Terminal.parse(text);
        String part = terminal.part();
        String name = terminal.name();
        if (places.contains(part)) {
            if (!name.equals("PE")) {
                say.at(path, "the place " + part + " has only the terminal " + part + ".PE");
            }
        } else if (!parts.containsKey(part)) {
            say.at(path, "there is no part " + part + ", so no terminal " + text);
        } else if (parts.get(part).terminals() != null
                && !parts.get(part).terminals().contains(name)) {
            say.at(
                    path,
                    part + " has no terminal " + name + "; it has "
                            + list(parts.get(part).terminals()));
        }
    }

    private void scenario(JsonNode node, String path) {
        values(node, "start", path);
        faults(node, path);
        forEach(node, "steps", path, (step, at) -> {
            values(step, "set", at);
            faults(step, at);
        });
    }

    private void faults(JsonNode node, String path) {
        FaultCheck check = new FaultCheck(parts, wires, this::terminal, say);
        forEach(node, "faults", path, check::fault);
    }

    private void values(JsonNode node, String key, String path) {
        JsonNode values = node.get(key);
        if (values == null || !values.isObject()) {
            return;
        }
        values.properties()
                .forEach(e -> input(e.getKey(), JsonText.plain(e.getValue()), path + "/" + key + "/" + e.getKey()));
    }

    private void input(String name, Object value, String path) {
        if (!Input.isWellFormed(name) || !parts.containsKey(Input.parse(name).part())) {
            say.at(path, "there is no input " + name + "; write PART.input with a part of this circuit");
            return;
        }
        Input input = Input.parse(name);
        String part = input.part();
        Map<String, Field> inputs = parts.get(part).inputs();
        if (inputs == null) {
            return;
        }
        Field field = inputs.get(input.name());
        String mistake = field == null
                ? part + " has no input " + input.name() + "; it has " + list(inputs.keySet())
                : field.mistakeIn(value);
        if (mistake != null) {
            say.at(path, mistake);
        }
    }

    static String list(Set<String> names) {
        return names.isEmpty()
                ? "none"
                : String.join(", ", names.stream().sorted().toList());
    }
}
