package org.jagridge.core.run;

import java.util.List;
import java.util.function.Supplier;

/** What led to a change: worked out once, when somebody wants to know. */
final class Account {
    static final Account NONE = new Account(() -> new Told(List.of(), CurrentPath.Path.NONE));

    /** The events that led to it, and the current path that explains it. */
    record Told(List<Integer> causes, CurrentPath.Path path) {}

    private Supplier<Told> how;
    private Told told;

    Account(Supplier<Told> how) {
        this.how = how;
    }

    synchronized Told told() {
        if (told == null) {
            told = how.get();
            // lets go of the solutions that it was worked out from
            how = null;
        }
        return told;
    }
}
