package org.jagridge.core.select;

import java.util.List;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.Scenario;

/** Chooses one kind of component from what is known of the place that it is for. */
public interface Selector {
    /** What is asked, with a default for everything. */
    record Ask(String label, Field field) {}

    /** One step: what it is, the formula with the numbers in it, and what comes of it. */
    record Working(String what, String formula, String value) {}

    /** A circuit in which the choice was tried. */
    record Trial(Circuit circuit, Scenario scenario, double atSeconds) {}

    /**
     * What comes of it.
     *
     * @param answer the choice, in a sentence
     * @param fits whether it does what it is asked for
     * @param notes what to mind
     * @param trial where it was run, or null
     */
    record Result(String answer, boolean fits, List<Working> working, List<String> notes, Trial trial) {
        public Result {
            working = List.copyOf(working);
            notes = List.copyOf(notes);
        }
    }

    /** Its word in an address. */
    String key();

    String title();

    /** What it is for, in a sentence. */
    String about();

    List<Ask> asks();

    /** @param p values for all that is asked */
    Result choose(Params p);
}
