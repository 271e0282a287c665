package org.jagridge.core.part;

/** A behaviour that has a temperature others may read. */
public interface Temperature<S> {
    /** Degrees Celsius at {@code now}. */
    double celsius(S state, Instant now);

    /** When the temperature next reaches {@code target}, or {@link Instant#NEVER}. */
    Instant when(S state, double target, Instant now);
}
