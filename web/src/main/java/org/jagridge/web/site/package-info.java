/**
 * The site: its circuits, the equipment with its nameplates, what has been recorded of each, and what is still to be
 * undone before the hand-over.
 */
package org.jagridge.web.site;
