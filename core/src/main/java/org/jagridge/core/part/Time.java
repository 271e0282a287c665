package org.jagridge.core.part;

import java.math.BigDecimal;
import java.math.RoundingMode;

/** Microseconds, the unit of a run's clock, and the seconds of people and files. */
public final class Time {
    public static final long SECOND = 1_000_000;
    public static final long MILLISECOND = 1_000;

    private Time() {}

    /** Microseconds in {@code seconds}, rounded up so that a threshold has surely been reached. */
    public static long micros(double seconds) {
        return (long) Math.ceil(seconds * SECOND - 1e-6);
    }

    public static double seconds(long micros) {
        return micros / (double) SECOND;
    }

    /**
     * An instant as a clock shows it: {@code 0:43.000}, with hours in front where there are any.
     *
     * @param least decimals at least
     * @param most decimals at most, 6 or fewer
     */
    public static String clock(long micros, int least, int most) {
        BigDecimal exact = BigDecimal.valueOf(micros, 6).setScale(most, RoundingMode.HALF_UP);
        long whole = exact.longValue();
        BigDecimal rest = exact.subtract(BigDecimal.valueOf(whole / 60 * 60)).stripTrailingZeros();
        String seconds = rest.setScale(Math.max(least, rest.scale()), RoundingMode.UNNECESSARY)
                .toPlainString();
        String tail = (rest.longValue() < 10 ? "0" : "") + seconds;
        long minutes = whole / 60;
        return minutes < 60
                ? minutes + ":" + tail
                : minutes / 60 + (minutes % 60 < 10 ? ":0" : ":") + minutes % 60 + ":" + tail;
    }

    /** A span as people say it: {@code 15 ms}, {@code 3.5 s}, {@code 5 min}, {@code 1 h 30 min}. */
    public static String words(long micros) {
        if (micros < SECOND) {
            return trim(micros / 1000.0) + " ms";
        }
        if (micros < 120 * SECOND) {
            return trim(seconds(micros)) + " s";
        }
        long minutes = micros / (60 * SECOND);
        double rest = seconds(micros) - 60.0 * minutes;
        if (minutes < 60) {
            return minutes + " min" + (rest >= 0.5 ? " " + Math.round(rest) + " s" : "");
        }
        return minutes / 60 + " h" + (minutes % 60 == 0 ? "" : " " + minutes % 60 + " min");
    }

    private static String trim(double value) {
        String s = Numbers.fixed(value, 1);
        return s.endsWith(".0") ? s.substring(0, s.length() - 2) : s;
    }
}
