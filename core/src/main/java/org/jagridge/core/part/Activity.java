package org.jagridge.core.part;

import java.util.Set;

/** Whether the value of a main signal means that a part works: conducts, is pulled in, runs, or lets something pass. */
public final class Activity {
    private static final Set<String> IDLE = Set.of(
            "off",
            "out",
            "open",
            "none",
            "blank",
            "dead",
            "idle",
            "free",
            "not fitted",
            "tripped",
            "blown",
            "burnt",
            "stalled",
            "overload",
            "lockout");
    /** For these, open is at work and shut is at rest. */
    private static final Set<String> LETS_PASS = Set.of("opening", "vent-damper", "zone-valve");

    private Activity() {}

    /** @param type of the part, as the catalogue names it */
    public static boolean isAtWork(String type, String signal) {
        return LETS_PASS.contains(type) ? !signal.equals("shut") : !IDLE.contains(signal);
    }
}
