package org.jagridge.core.part;

/**
 * What a source gives by its rating.
 *
 * @param volts between a hot pole and its return
 * @param betweenHots volts between two hot poles; of no matter where there is one
 * @param direct whether it is direct current
 */
public record SourceRating(double volts, double betweenHots, boolean direct) {
    public static SourceRating ac(double volts) {
        return new SourceRating(volts, 2 * volts, false);
    }

    public static SourceRating dc(double volts) {
        return new SourceRating(volts, 2 * volts, true);
    }
}
