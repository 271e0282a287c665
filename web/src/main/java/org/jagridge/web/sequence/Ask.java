package org.jagridge.web.sequence;

import java.util.List;
import java.util.function.Predicate;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.part.Time;
import org.jagridge.web.circuits.NotFoundException;
import org.jagridge.web.svg.Clock;

/**
 * What of a circuit's sequences is asked for; as in the page's address.
 *
 * @param key of the scenario
 * @param fault index in the circuit's list of faults, or null
 * @param at microseconds, or null for the first thing that happens
 * @param taught with reasons and current paths
 * @param only a part's id, or {@code at-} and a place's; empty for all
 * @param zoom of the chart, a power of two; 0 for what fits the run
 */
record Ask(String slug, String key, Integer fault, Long at, boolean taught, String only, int zoom) {
    private static final String PLACE = "at-";

    static Ask of(String slug, String key, Integer fault, Double t, boolean taught, String only, Integer zoom) {
        return new Ask(
                slug,
                key,
                fault,
                t == null ? null : Time.micros(t),
                taught,
                only == null ? "" : only,
                zoom == null ? 0 : Math.max(1, Math.min(64, Integer.highestOneBit(Math.max(1, zoom)))));
    }

    private String query() {
        return "?run=" + key + (fault == null ? "" : "&fault=" + fault) + (only.isEmpty() ? "" : "&only=" + only);
    }

    /** The page's address, without an instant. */
    public String address() {
        return page(zoom);
    }

    private String page(int scale) {
        return "/circuits/" + slug + "/sequence" + query() + (taught ? "&taught=true" : "")
                + (scale == 0 ? "" : "&zoom=" + scale);
    }

    /** The page at an instant. */
    String address(long micros) {
        return address() + "&t=" + Clock.seconds(micros);
    }

    /** The page at an instant with another zoom. */
    String zoomed(int scale, long micros) {
        return page(scale) + "&t=" + Clock.seconds(micros);
    }

    /** The chart as a file. */
    String file(int scale, long micros) {
        return "/circuits/" + slug + "/timing.svg" + query() + "&zoom=" + scale + "&t=" + Clock.seconds(micros);
    }

    boolean isFiltered() {
        return !only.isEmpty();
    }

    /**
     * The parts to tell of.
     *
     * @throws NotFoundException where the circuit has no such part or place
     */
    Predicate<String> parts(Circuit circuit) {
        if (only.isEmpty()) {
            return id -> true;
        }
        if (circuit.part(only).isPresent()) {
            return only::equals;
        }
        List<String> there = circuit.parts().stream()
                .filter(p -> only.equals(PLACE + p.place()))
                .map(Part::id)
                .toList();
        if (there.isEmpty()) {
            throw new NotFoundException("This circuit has no part or place \"" + only + "\" with a part in it.");
        }
        return there::contains;
    }

    /** The {@code only} of a place. */
    static String place(String id) {
        return PLACE + id;
    }
}
