package org.jagridge.core.drawing;

import java.util.List;
import org.jagridge.core.circuit.Terminal;

/**
 * The geometry of a connection diagram. Pixels, origin top left.
 *
 * @param tray parts without terminals, in rows under the drawing
 */
public record Connection(
        double width,
        double height,
        List<Box> places,
        List<Box> parts,
        List<Post> posts,
        List<Route> wires,
        List<Sleeve> sleeves,
        List<Box> tray) {

    /**
     * A place or a part.
     *
     * @param titleAt where its title's baseline begins (a place) or has its middle (a part)
     */
    public record Box(
            String id, String title, String note, double x, double y, double width, double height, Point titleAt) {}

    /** Where a terminal lies on its part's edge. */
    public enum Edge {
        TOP,
        BOTTOM
    }

    /** A terminal: centre of its screw. */
    public record Post(Terminal terminal, String label, int node, double x, double y, Edge edge) {}

    /** A wire as a chain of points. */
    public record Route(String wire, int node, List<Point> points) {}

    /** A piece of a cable's jacket: a straight piece of one core's way between the cable's two places. */
    public record Sleeve(String cable, Point from, Point to) {}

    public record Point(double x, double y) {}
}
