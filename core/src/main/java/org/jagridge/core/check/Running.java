package org.jagridge.core.check;

import java.util.Set;

/**
 * A call under way: of the looks at it the last at which most was at work.
 *
 * @param name "Cooling by TH"
 * @param heats the parts that make heat
 * @param works all parts that do the work people want: heat, cold and air
 */
record Running(String name, Course course, Set<String> heats, Set<String> works) {
    /** Which of its parts are at work in another state. */
    Set<String> stillAtWork(Work work, Course other) {
        Set<String> still = work.all(other.frame());
        still.retainAll(works);
        return still;
    }
}
