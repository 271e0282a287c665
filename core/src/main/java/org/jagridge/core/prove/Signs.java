package org.jagridge.core.prove;

import org.jagridge.core.circuit.Condition;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.run.Configuration;

/** What conditions ask of one configuration. */
record Signs(Assembly assembly, Configuration at) implements Condition.Signals {
    private static final String CELSIUS = "celsius";

    @Override
    public String word(String part) {
        return assembly.member(part).map(at::signal).orElse(null);
    }

    @Override
    public double number(String part, String name) {
        if (name.equals(CELSIUS)) {
            double celsius = at.frame().celsius(part, at.micros()).orElse(Double.NaN);
            if (!Double.isNaN(celsius)) {
                return celsius;
            }
        }
        return assembly.member(part).map(m -> at.input(m, name)).orElse(null) instanceof Number n
                ? n.doubleValue()
                : Double.NaN;
    }
}
