/**
 * A run told to people: each event in plain words, and the lanes of a timing chart.
 *
 * <p>Start at {@link org.jagridge.core.trace.Narrator} for words and {@link org.jagridge.core.trace.Lanes} for the chart.
 * {@link org.jagridge.core.trace.Sequence} makes numbered steps of it, {@link org.jagridge.core.trace.Presets} the
 * scenarios that a circuit's own parts suggest, {@link org.jagridge.core.trace.ModeTable} the table of calls and loads,
 * {@link org.jagridge.core.trace.Comparison} two runs side by side.
 */
package org.jagridge.core.trace;
