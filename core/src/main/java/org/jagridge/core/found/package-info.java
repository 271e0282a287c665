/**
 * Wiring as it was found in the field: written down and compared with a drawing ({@link
 * org.jagridge.core.found.AsFound}), or traced with a meter where there is no drawing ({@link
 * org.jagridge.core.found.Tracing}).
 */
package org.jagridge.core.found;
