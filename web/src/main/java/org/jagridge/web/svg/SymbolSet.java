package org.jagridge.web.svg;

import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Shape;

/** The two sets of drawing symbols. */
public enum SymbolSet {
    NORTH_AMERICAN("North American symbols"),
    IEC("IEC symbols");

    private final String title;

    SymbolSet(String title) {
        this.title = title;
    }

    public String title() {
        return title;
    }

    /**
     * The inside of a symbol.
     *
     * @param joined whether a contact is joined now
     */
    String of(Branch branch, double width, boolean joined, boolean works) {
        return this == IEC ? IecSymbols.of(branch, width, joined, works) : Symbols.of(branch, width, joined, works);
    }

    /** The symbol of a branch as it is drawn without power. */
    String atRest(Branch branch, double width) {
        // the North American pair of bars is only marked where power joins it
        boolean pair = branch.shape() == Shape.CONTACT_OPEN || branch.shape() == Shape.CONTACT_CLOSED;
        return of(branch, width, branch.restClosed() && !(pair && this == NORTH_AMERICAN), false);
    }
}
