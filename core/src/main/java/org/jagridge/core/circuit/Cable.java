package org.jagridge.core.circuit;

import java.util.List;

/** A jacketed bundle of cores between two places. Cores that lie next to each other in the list couple. */
public record Cable(String id, String from, String to, Double lengthMetres, ConductorSize size, List<String> cores) {
    public Cable {
        cores = List.copyOf(cores);
    }
}
