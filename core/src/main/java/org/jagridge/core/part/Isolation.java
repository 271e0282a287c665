package org.jagridge.core.part;

/**
 * How a part is made to feed nothing any more.
 *
 * @param input of the part, by name
 * @param off the value that does it
 * @param words what a hand does
 * @param source whether it is where the power comes from, and not on the way
 */
public record Isolation(String input, Object off, String words, boolean source) {}
