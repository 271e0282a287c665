/**
 * Changes of a circuit: what a hand enters in the editor, line by line. Start with {@link
 * org.jagridge.core.edit.Edits}: each of its methods makes an {@link org.jagridge.core.edit.Edit}, which turns one checked
 * circuit into another or says, with all mistakes at once, why it can't. {@link org.jagridge.core.edit.ChainEntry} reads
 * a rung as one reads it off a diagram; {@link org.jagridge.core.edit.CircuitDiff} tells two circuits apart in words.
 */
package org.jagridge.core.edit;
