package org.jagridge.web.svg;

import com.fasterxml.jackson.annotation.JsonFormat;
import com.fasterxml.jackson.annotation.JsonPropertyOrder;

/**
 * What an element of a drawing shows of an instant; all else about it stays while the circuit does.
 *
 * @param css its classes
 * @param signal the state of the part, or null
 * @param side classes of a symbol's inside, or null for what is no symbol
 * @param glyph what is inside, or null
 */
@JsonFormat(shape = JsonFormat.Shape.ARRAY)
@JsonPropertyOrder({"css", "signal", "side", "glyph"})
public record Mark(String css, String signal, String side, String glyph) {
    static Mark of(String css) {
        return new Mark(css, null, null, null);
    }
}
