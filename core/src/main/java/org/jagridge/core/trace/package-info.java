/**
 * A run told to people: each event in plain words, and the lanes of a timing chart.
 *
 * <p>Start at {@link org.jagridge.core.trace.Narrator} for words and {@link org.jagridge.core.trace.Lanes} for the chart.
 */
package org.jagridge.core.trace;
