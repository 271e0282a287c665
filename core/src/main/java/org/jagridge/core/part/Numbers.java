package org.jagridge.core.part;

import java.math.BigDecimal;
import java.math.RoundingMode;

/** Numbers as people write them on a nameplate. */
public final class Numbers {
    private Numbers() {}

    /** {@code 3}, {@code 0.5}, {@code 1.25}: no trailing zeros, no exponent. */
    public static String plain(double d) {
        return d == Math.rint(d) && Math.abs(d) < 1e12
                ? Long.toString((long) d)
                : BigDecimal.valueOf(d).stripTrailingZeros().toPlainString();
    }

    /** Three significant figures: {@code 26.9}, {@code 0.885}, {@code 240}, {@code 0}. */
    public static String threeFigures(double d) {
        double a = Math.abs(d);
        if (a < 0.0005) {
            return "0";
        }
        int decimals = a >= 100 ? 0 : a >= 10 ? 1 : a >= 1 ? 2 : 3;
        return fixed(d, decimals);
    }

    /** With so many decimals, as a format's {@code %.1f} gives it, in a tenth of the time. */
    static String fixed(double d, int decimals) {
        return Double.isFinite(d)
                ? BigDecimal.valueOf(d).setScale(decimals, RoundingMode.HALF_UP).toPlainString()
                : Double.toString(d);
    }
}
