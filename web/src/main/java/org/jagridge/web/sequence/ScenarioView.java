package org.jagridge.web.sequence;

import java.util.ArrayList;
import java.util.List;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.PartDeclaration;
import org.jagridge.core.edit.Sentences;
import org.jagridge.core.part.Numbers;
import org.jagridge.core.part.PartTypes;
import org.jagridge.core.trace.Narrator;
import org.jagridge.web.edit.SentenceForm;

/** The form of the scenario editor: its sentences, and what can be said in them. */
record ScenarioView(
        String name,
        List<Sentences.Act> acts,
        List<Sentences.Defect> defects,
        String until,
        List<Group> inputs,
        List<String> faults) {

    /** The unit of what is set; null for a word. */
    public String unitOf(String input) {
        return inputs.stream()
                .flatMap(g -> g.inputs().stream())
                .filter(i -> i.key().equals(input))
                .map(Input::unit)
                .findFirst()
                .orElse(null);
    }

    /** The inputs of one part. */
    record Group(String title, List<Input> inputs) {}

    /**
     * Something that can be set.
     *
     * @param choices the words it takes; empty for a number
     * @param unit of a number; empty for a word
     * @param hint what it is without being set, with its unit
     */
    record Input(String key, String title, List<String> choices, String unit, String hint) {}

    static ScenarioView of(Circuit circuit, Sentences s) {
        List<Group> groups = new ArrayList<>();
        for (Part p : circuit.parts()) {
            PartDeclaration type = PartTypes.catalogue().require(p);
            List<Input> inputs = type.inputs(new Params(type.params(), p.params())).stream()
                    .map(f -> input(p, f))
                    .toList();
            if (p.fitted() && !inputs.isEmpty()) {
                groups.add(new Group(p.title(), inputs));
            }
        }
        return new ScenarioView(
                s.name(),
                s.acts(),
                s.defects(),
                s.until(),
                groups,
                SentenceForm.known(circuit).stream().map(Fault::words).toList());
    }

    private static Input input(Part p, Field f) {
        List<String> choices = switch (f.kind()) {
            case FLAG -> List.of("yes", "no");
            case MOMENTARY -> List.of("yes");
            default -> f.choices();
        };
        String usual = f.initial() instanceof Number n ? Numbers.plain(n.doubleValue()) : "";
        return new Input(
                p.id() + "." + f.name(),
                p.id() + " " + Narrator.spaced(f.name()),
                choices,
                f.unit(),
                (usual + " " + f.unit()).strip());
    }
}
