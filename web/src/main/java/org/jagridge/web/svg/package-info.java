/**
 * The one place where SVG is written, from the geometry of {@code core.drawing}. Symbols are drawn once, in {@link
 * org.jagridge.web.svg.Symbols}. Colours are classes; the style sheet {@code css/drawing.css} gives them their look, in
 * the page and in stand-alone files alike.
 */
package org.jagridge.web.svg;
