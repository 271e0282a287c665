/**
 * Entering and changing a circuit. {@link org.jagridge.web.edit.EditController} takes forms, {@link
 * org.jagridge.web.edit.FormEdits} turns them into edits of {@code core.edit}, {@link org.jagridge.web.edit.EditService}
 * stores every change as a revision and notices when two tabs change the same circuit.
 */
package org.jagridge.web.edit;
