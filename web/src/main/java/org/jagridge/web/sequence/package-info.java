/**
 * The sequence of operation: steps with both drawings and the timing chart, the mode table, and the comparison of two
 * runs. {@link org.jagridge.web.sequence.Told} finds the scenario that an address names and runs it.
 */
package org.jagridge.web.sequence;
