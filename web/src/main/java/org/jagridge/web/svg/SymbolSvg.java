package org.jagridge.web.svg;

import java.util.ArrayList;
import java.util.List;
import org.jagridge.core.part.Branch;

/** Single symbols for tables and legends. */
public final class SymbolSvg {
    private static final int MOST = 8;

    /** A symbol with the terminals it lies between. */
    public record Named(String label, String svg) {}

    private SymbolSvg() {}

    /** The symbols of a part's branches, at most {@value #MOST} of them, at rest. */
    public static List<Named> of(List<Branch> branches, SymbolSet set) {
        List<Named> symbols = new ArrayList<>();
        for (Branch b : branches.subList(0, Math.min(MOST, branches.size()))) {
            Svg svg = new Svg();
            svg.open(
                    "svg",
                    "class",
                    "drawing",
                    "viewBox",
                    "-32 -15 64 30",
                    "width",
                    64,
                    "height",
                    30,
                    "role",
                    "img",
                    "aria-label",
                    b.label());
            svg.raw(set.atRest(b, 44)).close("svg");
            symbols.add(new Named(b.label().replace('-', '–'), svg.toString()));
        }
        return symbols;
    }
}
