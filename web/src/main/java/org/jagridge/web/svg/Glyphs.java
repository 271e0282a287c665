package org.jagridge.web.svg;

import org.jagridge.core.part.Shape;

/** Small signs within symbols, the same in both sets. */
final class Glyphs {
    private Glyphs() {}

    static String flame(double x, double y) {
        return at(x, y, "M0-4C4-1 3.5 3.5 0 3.5S-3.5 0-1.8-1Q-1 0-.8.8Q.8-1 0-4Z");
    }

    static String snow(double x, double y) {
        return at(x, y, "M0-3.5V3.5M-3-1.8L3 1.8M-3 1.8L3-1.8");
    }

    /** Whether what is measured opens it by rising or by falling. */
    static String arrow(double x, double y, boolean up) {
        return at(x, y, up ? "M0 3V-3M-2-1L0-3L2-1" : "M0-3V3M-2 1L0 3L2 1");
    }

    /** The course of a timer's output over time, under its input: late on, late off, late on again, on for a while, on and off. */
    static String delay(Shape shape) {
        return "<path class=\"sym thin\" d=\""
                + switch (shape) {
                    case ON_DELAY -> "M-8-1H-7V-6H8M-8 6H0V1H8";
                    case OFF_DELAY -> "M-8-6H-2V-1H8M-8 1H4V6H8";
                    case BLOCKS_RESTART -> "M-8-1H-7V-6H-3V-1H0V-6H8M-8 6H-7V1H-3V6H4V1H8";
                    case INTERVAL -> "M-8-1H-7V-6H8M-8 6H-7V1H0V6H8";
                    default -> "M-8-1H-7V-6H8M-8 6H-7V1H-3V6H0V1H4V6H8";
                }
                + "\"/>";
    }

    private static String at(double x, double y, String d) {
        return "<path class=\"sym thin\" transform=\"translate(" + Svg.number(x) + " " + Svg.number(y) + ")\" d=\"" + d
                + "\"/>";
    }
}
