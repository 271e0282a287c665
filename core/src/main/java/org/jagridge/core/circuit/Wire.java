package org.jagridge.core.circuit;

import java.util.List;

/**
 * One conductor between two terminals.
 *
 * @param size conductor size, or null where nobody measured it
 * @param lengthMetres length, or null where unknown
 * @param cable id of the cable this wire is a core of, or null
 * @param core the core's colour within that cable, or null
 * @param colourAtEnds the two colours of a wire that changes colour at a splice, or an empty list
 */
public record Wire(
        String id,
        Terminal from,
        Terminal to,
        String colour,
        ConductorSize size,
        Double lengthMetres,
        Run run,
        String cable,
        String core,
        List<String> colourAtEnds) {

    /** Who put the wire in. */
    public enum Run {
        FIELD,
        FACTORY
    }

    public Wire {
        colourAtEnds = List.copyOf(colourAtEnds);
    }

    /** A field wire about which only its ends are known. */
    public static Wire between(String id, Terminal from, Terminal to) {
        return new Wire(id, from, to, null, null, null, Run.FIELD, null, null, List.of());
    }

    /** The end 0 or 1. */
    public Terminal end(int index) {
        return index == 0 ? from : to;
    }

    public Wire withEnd(int index, Terminal at) {
        return new Wire(
                id,
                index == 0 ? at : from,
                index == 0 ? to : at,
                colour,
                size,
                lengthMetres,
                run,
                cable,
                core,
                colourAtEnds);
    }

    public Wire withId(String newId) {
        return new Wire(newId, from, to, colour, size, lengthMetres, run, cable, core, colourAtEnds);
    }

    /** This wire as a core of another cable, or with nulls as a wire of its own. */
    public Wire withCable(String newCable, String newCore) {
        return new Wire(id, from, to, colour, size, lengthMetres, run, newCable, newCore, colourAtEnds);
    }

    public Wire withColour(String newColour) {
        return new Wire(id, from, to, newColour, size, lengthMetres, run, cable, core, colourAtEnds);
    }
}
