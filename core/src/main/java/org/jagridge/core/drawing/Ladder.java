package org.jagridge.core.drawing;

import java.util.List;
import org.jagridge.core.part.Branch;

/** The geometry of a ladder diagram. Pixels, origin top left. */
public record Ladder(
        double width,
        double height,
        List<Line> lines,
        List<Dot> dots,
        List<Symbol> symbols,
        List<Text> texts,
        List<Net> nets) {

    /**
     * A straight piece of a net.
     *
     * @param node the node whose volts it shows
     * @param rail whether it is a rail
     * @param branch the branch whose symbol it leads to, or null for a rail or a vertical piece
     * @param field whether the wires at the branch's terminal are all field wiring
     */
    public record Line(
            int net,
            int node,
            double x1,
            double y1,
            double x2,
            double y2,
            boolean rail,
            Branch branch,
            boolean field) {}

    /** A joint: three or more pieces meet. */
    public record Dot(int net, int node, double x, double y) {}

    /**
     * A branch's symbol, centred at (x, y), its first terminal at the left unless {@code flipped}.
     *
     * @param rung the number of its row
     */
    public record Symbol(Branch branch, double x, double y, double width, double height, boolean flipped, int rung) {}

    /** What a text is. */
    public enum TextKind {
        RUNG_NUMBER,
        RAIL,
        NAME,
        DETAIL,
        WIRE_NUMBER,
        FUNCTION,
        OPEN_END
    }

    /**
     * A text; {@code y} is its baseline.
     *
     * @param ref id of the part it belongs to, or of the net's first terminal, or empty
     */
    public record Text(TextKind kind, double x, double y, Anchor anchor, String text, String ref) {
        /** Where the text's x lies. */
        public enum Anchor {
            START,
            MIDDLE,
            END
        }

        /** Pixels the text takes at the sizes the style sheet gives it, a little over the truth. */
        public double width() {
            return text.length() * widthOfLetter(kind);
        }

        public double left() {
            return switch (anchor) {
                case START -> x;
                case MIDDLE -> x - width() / 2;
                case END -> x - width();
            };
        }

        public double height() {
            return kind == TextKind.NAME || kind == TextKind.FUNCTION || kind == TextKind.RAIL ? 11 : 10;
        }

        static double widthOfLetter(TextKind kind) {
            return switch (kind) {
                case NAME, RAIL -> 7.2;
                case FUNCTION -> 6.2;
                default -> 6.1;
            };
        }
    }
}
