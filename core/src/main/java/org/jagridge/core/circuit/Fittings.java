package org.jagridge.core.circuit;

/** Makes the small parts that the wiring itself needs, of whatever types the catalogue has for them. */
public interface Fittings {
    /** A splice: its terminals {@code 1} to {@code posts} are joined. */
    Part splice(String id, String place, String name, int posts);

    /** A strip of terminals {@code 1} to {@code posts}, each on its own. */
    Part strip(String id, String place, int posts);
}
