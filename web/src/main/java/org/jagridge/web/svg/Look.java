package org.jagridge.web.svg;

/**
 * How a ladder is drawn.
 *
 * @param atRest contacts as they are without power, even where a live state is at hand
 */
public record Look(SymbolSet symbols, boolean atRest) {
    /** North American symbols, live where there is a live state. */
    public static final Look USUAL = new Look(SymbolSet.NORTH_AMERICAN, false);
}
