package org.jagridge.core.circuit;

/**
 * A mistake in something that was handed in.
 *
 * @param path where: a JSON pointer like {@code /parts/3/params/amps}
 * @param message what is wrong and what was expected
 */
public record Problem(String path, String message) {}
