/**
 * The part types, one file each, with the boards that are too large for one. A new type is added to {@link
 * org.jagridge.core.part.type.Register}.
 */
package org.jagridge.core.part.type;
