package org.jagridge.core.circuit;

/** New ids for things of a circuit; an id that stays is given back as it is. */
public interface Rename {
    /** The new id of a part or a place. */
    String part(String id);

    String wire(String id);

    default Terminal terminal(Terminal t) {
        return new Terminal(part(t.part()), t.name());
    }
}
