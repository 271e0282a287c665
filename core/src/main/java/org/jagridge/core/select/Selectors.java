package org.jagridge.core.select;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.Problem;
import org.jagridge.core.circuit.Quantity;
import org.jagridge.core.format.MalformedException;

/** All selectors. */
public final class Selectors {
    /** In the order in which they are listed. */
    public static final List<Selector> ALL = List.of(
            new RelaySelector(),
            new TimerSelector(),
            new LockoutSelector(),
            new CurrentSwitchSelector(),
            new SequencerSelector(),
            new ContactorSelector(),
            new TransformerSelector(),
            new ConductorSelector(),
            new SensorSelector(),
            new HeaterSelector());

    private Selectors() {}

    public static Optional<Selector> find(String key) {
        return ALL.stream().filter(s -> s.key().equals(key)).findFirst();
    }

    /**
     * What comes of values as people type them; what is left out is as usual.
     *
     * @throws MalformedException with every value that can't be taken, by its label
     */
    public static Selector.Result choose(Selector s, Map<String, String> typed) {
        Map<String, Object> given = new LinkedHashMap<>();
        List<Problem> problems = new ArrayList<>();
        for (Selector.Ask a : s.asks()) {
            String text = typed.getOrDefault(a.field().name(), "").strip();
            if (!text.isEmpty()) {
                Object value = value(a.field(), text);
                String mistake = a.field().mistakeIn(value);
                if (mistake == null) {
                    given.put(a.field().name(), value);
                } else {
                    problems.add(new Problem(a.label(), mistake));
                }
            }
        }
        if (!problems.isEmpty()) {
            throw new MalformedException(problems);
        }
        return s.choose(new Params(s.asks().stream().map(Selector.Ask::field).toList(), given));
    }

    private static Object value(Field field, String text) {
        if (field.kind() == Field.Kind.FLAG) {
            return text.equals("true") || text.equals("on");
        }
        if (field.kind() != Field.Kind.NUMBER) {
            return text;
        }
        OptionalDouble number = Quantity.read(text, field.unit());
        return number.isPresent() ? (Object) number.getAsDouble() : text;
    }
}
