package org.jagridge.core.part.block;

import java.util.function.Function;
import org.jagridge.core.part.Because;
import org.jagridge.core.part.Behaviour;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Moment;
import org.jagridge.core.part.Reaction;
import org.jagridge.core.part.Stamp;

/**
 * A DC source behind its resistance, in a condition that an input says.
 *
 * @param conditionOf the condition from the inputs; it is also the main signal
 * @param voltsIn open-circuit volts in a condition
 * @param ohmsIn resistance in a condition
 */
public record DirectSource(
        Branch branch,
        Function<Moment, String> conditionOf,
        Function<String, Double> voltsIn,
        Function<String, Double> ohmsIn)
        implements Behaviour<String> {
    @Override
    public String start(Moment moment) {
        return conditionOf.apply(moment);
    }

    @Override
    public void stamp(String condition, Stamp stamp) {
        stamp.dcSource(branch, voltsIn.apply(condition), ohmsIn.apply(condition));
    }

    @Override
    public Reaction<String> react(String condition, Moment m) {
        String now = conditionOf.apply(m);
        return Reaction.change(now, Because.input("now " + now));
    }

    @Override
    public String signal(String condition) {
        return condition;
    }
}
