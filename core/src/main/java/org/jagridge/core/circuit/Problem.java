package org.jagridge.core.circuit;

/**
 * A mistake in something that was handed in.
 *
 * @param path where: a JSON pointer like {@code /parts/3/params/amps}
 * @param message what is wrong and what was expected
 * @param instead what would do in place of what stands there, or null where that can't be told
 */
public record Problem(String path, String message, String instead) {
    public Problem(String path, String message) {
        this(path, message, null);
    }
}
