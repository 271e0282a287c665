package org.jagridge.core.circuit;

import java.util.Collection;
import java.util.Optional;

/** The known part types. */
public interface Catalogue {
    Optional<? extends PartDeclaration> find(String type);

    /** All declarations in the order of the catalogue. */
    Collection<? extends PartDeclaration> all();

    /**
     * The declaration of a part in a circuit that has been checked.
     *
     * @throws IllegalArgumentException where the type is unknown
     */
    default PartDeclaration require(Part part) {
        return find(part.type())
                .orElseThrow(() ->
                        new IllegalArgumentException("part " + part.id() + " has the unknown type " + part.type()));
    }
}
