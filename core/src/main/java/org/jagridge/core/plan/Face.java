package org.jagridge.core.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/**
 * A thermostat as it is set up.
 *
 * @param terminals as the part has them
 * @param labels what is printed at a terminal where that is another letter
 * @param heatSource {@code gas} (the furnace runs its own fan) or {@code electric} (G comes with heat)
 * @param said how it is to be set, for people; empty where it is as asked for
 */
record Face(String kind, List<String> terminals, Map<String, String> labels, String heatSource, String said) {
    boolean has(String terminal) {
        return terminals.contains(terminal);
    }

    boolean isConventional() {
        return kind.equals("conventional");
    }

    /** The terminal that feeds everything but heat. */
    String feed() {
        return has("R") ? "R" : has("RC") ? "RC" : "RH";
    }

    /** The terminal that feeds heat. */
    String heatFeed() {
        return has("R") ? "R" : has("RH") ? "RH" : "RC";
    }

    /** The outputs that call for heat of the kind that is there besides a heat pump; the first is landed. */
    List<String> heatOutputs() {
        List<String> order = isConventional() || kind.equals("dual-fuel") ? List.of("W") : List.of("AUX", "W2", "W");
        return order.stream().filter(this::has).limit(1).toList();
    }

    /** What the sharing pair makes of it: Y and G go over SH. */
    Face sharing() {
        List<String> changed = new ArrayList<>(terminals);
        changed.removeAll(List.of("Y", "G"));
        changed.add("SH");
        return new Face(kind, List.copyOf(changed), labels, heatSource, said);
    }
}
