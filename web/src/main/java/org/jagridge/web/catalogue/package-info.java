/** The catalogue: every part type with its symbols, terminals, ratings, inputs, faults and cautions. */
package org.jagridge.web.catalogue;
