package org.jagridge.core.part;

/** A behaviour that has a temperature others may read. */
public interface Temperature<S> {
    /** Degrees Celsius at {@code now}, microseconds. */
    double celsius(S state, long now);

    /** When the temperature next reaches {@code target}, or {@link Reaction#NEVER}. */
    long when(S state, double target, long now);
}
