package org.jagridge.core.circuit;

import java.util.List;

/** What the catalogue says of a part type, as far as it can be known without volts. */
public interface PartDeclaration {
    /** The word of the file format, like {@code relay}. */
    String type();

    /** What people call it, like "Relay". */
    String title();

    /** One or two plain sentences: what it does. */
    String summary();

    List<Field> params();

    /** Terminal names in the order in which a hand finds them. */
    List<String> terminals(Params params);

    /** Inputs that a hand or the world sets, with the values they start from. */
    List<Field> inputs(Params params);

    /** The values that its main signal can take. */
    Signal signal(Params params);

    /** Names of the numbers that it shows: its inputs that are numbers, and what it measures or models. */
    default List<String> numbers(Params params) {
        return inputs(params).stream()
                .filter(f -> f.kind() == Field.Kind.NUMBER)
                .map(Field::name)
                .toList();
    }

    /**
     * A condition over the circuit that a parameter holds.
     *
     * @param path of it, relative to the parameters
     */
    record Held(String path, Condition condition) {}

    /** The conditions in the parameters; asked only when these fit their declarations. */
    default List<Held> conditions(Params params) {
        return List.of();
    }

    /**
     * Mistakes that only show in several parameters together; each path is relative to the parameters. Asked only
     * when every single one fits its declaration.
     */
    default List<Problem> mistakesIn(Params params) {
        return List.of();
    }

    /**
     * Something else in the circuit that a parameter names.
     *
     * @param path of the parameter, relative to the parameters
     */
    record Reference(String path, String id, boolean wire) {}

    /** What the parameters name; asked only when they fit their declarations. */
    default List<Reference> references(Params params) {
        return params().stream()
                .filter(f -> f.kind() == Field.Kind.PART || f.kind() == Field.Kind.WIRE)
                .filter(f -> params.has(f.name()))
                .map(f -> new Reference(f.name(), params.text(f.name()), f.kind() == Field.Kind.WIRE))
                .toList();
    }

    /** Cautions that stand wherever the part is shown. */
    default List<String> cautions() {
        return List.of();
    }
}
