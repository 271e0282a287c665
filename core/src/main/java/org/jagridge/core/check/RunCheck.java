package org.jagridge.core.check;

import org.jagridge.core.run.Frame;
import org.jagridge.core.run.Run;

/** One look at what happens in a run of a circuit without faults. */
interface RunCheck {
    /** @param during says in which scenario, as the end of a sentence */
    default void look(Run run, During during) {}

    /**
     * A state that lasts long enough to be judged.
     *
     * @param lasts microseconds
     */
    default void settled(Frame frame, long lasts, During during) {}
}
