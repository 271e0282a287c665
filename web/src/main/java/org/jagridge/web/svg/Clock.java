package org.jagridge.web.svg;

import java.util.Locale;

/** Times of a run as the pages, the charts and the addresses write them. */
public final class Clock {
    private Clock() {}

    /** {@code 0:43.000}; hours in front where there are any. */
    public static String of(long micros) {
        long ms = Math.round(micros / 1000.0);
        String tail = String.format(Locale.ROOT, "%02d.%03d", ms / 1000 % 60, ms % 1000);
        long minutes = ms / 60_000;
        return minutes < 60
                ? minutes + ":" + tail
                : minutes / 60 + ":" + String.format(Locale.ROOT, "%02d", minutes % 60) + ":" + tail;
    }

    /** Seconds for an address, with as many decimals as needed, at most six. */
    public static String seconds(long micros) {
        return java.math.BigDecimal.valueOf(micros, 6).stripTrailingZeros().toPlainString();
    }
}
