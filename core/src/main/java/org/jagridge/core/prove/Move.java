package org.jagridge.core.prove;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.Input;
import org.jagridge.core.run.Act;

/**
 * One change that a hand or the world makes, or a fault that begins.
 *
 * @param sets by input, in the order in which they are set
 * @param begins faults that begin
 * @param ends faults that go away
 * @param backAfter microseconds after which the inputs go back to what they were, as with a dip; 0 for a change that stays
 */
record Move(Map<Input, Object> sets, List<Fault> begins, List<Fault> ends, long backAfter) {
    static Move of(Map<Input, Object> sets) {
        return new Move(sets, List.of(), List.of(), 0);
    }

    static Move begin(Fault fault) {
        return new Move(Map.of(), List.of(fault), List.of(), 0);
    }

    Act act() {
        List<Act> acts = new ArrayList<>();
        sets.forEach((i, v) -> acts.add(new Act.Set(i, v)));
        ends.forEach(f -> acts.add(new Act.End(f)));
        begins.forEach(f -> acts.add(new Act.Begin(f)));
        return new Act.Together(acts);
    }
}
