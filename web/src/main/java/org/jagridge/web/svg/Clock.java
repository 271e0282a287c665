package org.jagridge.web.svg;

import java.math.BigDecimal;
import org.jagridge.core.part.Time;

/** Times of a run as the pages, the charts and the addresses write them. */
public final class Clock {
    private Clock() {}

    /** {@code 0:43.000}; hours in front where there are any. */
    public static String of(long micros) {
        return Time.clock(micros, 3, 3);
    }

    /** Seconds for an address, with as many decimals as needed, at most six. */
    public static String seconds(long micros) {
        return BigDecimal.valueOf(micros, 6).stripTrailingZeros().toPlainString();
    }
}
