package org.jagridge.core.run;

import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.Input;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Reaction;

/** Looks on while a {@link Machine} moves. A search does without. */
interface Observer {
    /** Hands have set an input to another value, or pushed a momentary one. */
    void set(Input input, Object before, Object now, boolean momentary);

    void fault(Fault fault, boolean begins);

    /** A round of reactions begins: the parts see what was told since the last one began. */
    void roundBegins();

    /**
     * A part changed its state or armed a delay.
     *
     * @param changed whether its state is another one
     * @param woken whether its clock had run out
     * @param from its signal until now, or null
     * @param to its signal from now on, or null
     */
    void reacted(
            Assembly.Member part, boolean changed, Reaction<Object> reaction, boolean woken, String from, String to);

    /**
     * A part changes too often.
     *
     * @param freezes whether it stops for good, told by {@link #froze} afterwards
     */
    void chatters(Assembly.Member part, boolean freezes);

    void froze(Assembly.Member part, String from, String to);
}
