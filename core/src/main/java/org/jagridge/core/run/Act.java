package org.jagridge.core.run;

import java.util.List;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.Input;

/** What can happen to a circuit in a {@link Configuration}. */
public sealed interface Act {
    /**
     * A hand or the world sets an input.
     *
     * @param value as the part's input is declared; of no matter for a momentary one, which is pushed
     */
    record Set(Input input, Object value) implements Act {}

    /** A fault begins. What it says of times doesn't count. */
    record Begin(Fault fault) implements Act {}

    /** A fault that is there goes away. */
    record End(Fault fault) implements Act {}

    /** Several at one instant, in this order, or none; none of them may be a {@link Wait}. */
    record Together(List<Act> acts) implements Act {
        public Together {
            acts = List.copyOf(acts);
        }
    }

    /**
     * Time passes without a hand on anything; {@code micros} microseconds, more than 0. What is due just at the end of it
     * comes with the next act, for a hand may be there at the same instant.
     */
    record Wait(long micros) implements Act {
        public Wait {
            if (micros <= 0) {
                throw new IllegalArgumentException("time goes forward: " + micros + " µs");
            }
        }
    }
}
