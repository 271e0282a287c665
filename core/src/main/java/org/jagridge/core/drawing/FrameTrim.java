package org.jagridge.core.drawing;

import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Place;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.drawing.Placement.Block;
import org.jagridge.core.drawing.Placement.Frame;

/**
 * Takes from the frames of places the room at their edges that no wire has needed: it was there for wires before they had
 * their ways. What runs straight across that room comes in, or goes out, a little later. Where the numbers of wires would
 * stand on a place's title, its frame begins a little higher, if nothing is there.
 */
final class FrameTrim {
    /** Steps that stay between an edge and what is in a frame. */
    private static final int ROOM = Placement.PADDING;
    /** Steps that a wire's number takes at its screw. */
    private static final int NUMBER = 5;

    private final Frame frame;
    private final int title;
    private final Placement placement;
    private final Collection<List<int[]>> routes;
    /** The screws with wires on the upper faces of what is in the frame. */
    private final List<Placement.Post> above = new ArrayList<>();

    private int left = Integer.MAX_VALUE;
    private int top = Integer.MAX_VALUE;
    private int right = Integer.MIN_VALUE;
    private int bottom = Integer.MIN_VALUE;

    private FrameTrim(Place place, Placement placement, Collection<List<int[]>> routes) {
        frame = placement.frames().get(place.id());
        title = Placement.titleWidth(place);
        this.placement = placement;
        this.routes = routes;
    }

    /** @param routes the steps of each wire, in order */
    static Map<String, Frame> of(Circuit circuit, Placement placement, Collection<List<int[]>> routes) {
        Set<Terminal> wired = ConnectionLayout.colours(circuit).keySet();
        Map<String, Frame> trimmed = new LinkedHashMap<>();
        for (Place place : circuit.places()) {
            FrameTrim trim = new FrameTrim(place, placement, routes);
            placement.blocks().values().stream()
                    .filter(b -> b.place().equals(place.id()))
                    .forEach(b -> {
                        trim.holds(b);
                        b.top().stream().filter(wired::contains).map(b::post).forEach(trim.above::add);
                    });
            routes.forEach(trim::holds);
            trimmed.put(place.id(), trim.trimmed());
        }
        return trimmed;
    }

    private void holds(Block b) {
        across(b.x());
        across(b.x() + b.width());
        down(b.top().isEmpty() ? b.y() : b.y() - NUMBER);
        down(b.y() + b.height() + (b.bottom().isEmpty() ? 0 : NUMBER));
    }

    /** Its bends and ends in the frame, and the rows and columns that it runs along. */
    private void holds(List<int[]> route) {
        for (int i = 0; i < route.size(); i++) {
            int[] p = route.get(i);
            if (isInside(p) && turnsAt(route, i)) {
                across(p[0]);
                down(p[1]);
            }
        }
        pieces(route).forEach(p -> {
            if (p.isLevel() && isWithin(p.y1, frame.y(), frame.height()) && p.meetsX(frame.x(), frame.width())) {
                down(p.y1);
            }
            if (!p.isLevel() && isWithin(p.x1, frame.x(), frame.width()) && p.meetsY(frame.y(), frame.height())) {
                across(p.x1);
            }
        });
    }

    /** A straight piece of a wire. */
    private record Piece(int x1, int y1, int x2, int y2) {
        boolean isLevel() {
            return y1 == y2;
        }

        boolean meetsX(int from, int length) {
            return Math.max(x1, x2) > from && Math.min(x1, x2) <= from + length;
        }

        boolean meetsY(int from, int length) {
            return Math.max(y1, y2) > from && Math.min(y1, y2) <= from + length;
        }
    }

    private static Stream<Piece> pieces(List<int[]> route) {
        return IntStream.range(1, route.size()).mapToObj(i -> {
            int[] a = route.get(i - 1);
            int[] b = route.get(i);
            return new Piece(a[0], a[1], b[0], b[1]);
        });
    }

    private static boolean turnsAt(List<int[]> route, int i) {
        if (i == 0 || i == route.size() - 1) {
            return true;
        }
        return (route.get(i - 1)[0] == route.get(i)[0]) != (route.get(i)[0] == route.get(i + 1)[0]);
    }

    private boolean isInside(int[] p) {
        return isWithin(p[0], frame.x(), frame.width()) && isWithin(p[1], frame.y(), frame.height());
    }

    /** A frame lies half a step behind its coordinates. */
    private static boolean isWithin(int at, int from, int length) {
        return at > from && at <= from + length;
    }

    private void across(int x) {
        left = Math.min(left, x);
        right = Math.max(right, x);
    }

    private void down(int y) {
        top = Math.min(top, y);
        bottom = Math.max(bottom, y);
    }

    private Frame trimmed() {
        if (left > right) {
            return frame;
        }
        int x = Math.max(frame.x(), left - ROOM);
        int y = Math.max(frame.y(), top - ROOM - Placement.TITLE);
        if (isCrossed(x, y)) {
            // the room for the title was kept free where it was
            x = frame.x();
            y = frame.y();
        }
        int toX = Math.min(frame.x() + frame.width(), Math.max(right + ROOM, x + title));
        y = aboveNumbers(x, y, toX);
        int toY = Math.min(frame.y() + frame.height(), bottom + ROOM);
        return new Frame(frame.id(), x, y, toX - x, toY - y);
    }

    /** The upper edge, higher than {@code y} where numbers would stand on the title and nothing is in the way. */
    private int aboveNumbers(int x, int y, int toX) {
        int numbers = above.stream()
                .filter(post -> post.x() >= x - 1 && post.x() <= x + title + 1)
                .mapToInt(post -> post.y() - NUMBER)
                .min()
                .orElse(Integer.MAX_VALUE);
        int higher = numbers - Placement.TITLE;
        if (higher >= y || isCrossed(x, higher)) {
            return y;
        }
        boolean taken = placement.frames().values().stream()
                .filter(f -> !f.id().equals(frame.id()))
                .anyMatch(f ->
                        f.x() < toX + 1 && f.x() + f.width() > x - 1 && f.y() < y && f.y() + f.height() > higher - 1);
        return taken || isAlong(x, toX, higher, y) ? y : higher;
    }

    /** Whether a wire runs along in a strip, or turns there. */
    private boolean isAlong(int x, int toX, int y, int toY) {
        return routes.stream()
                .flatMap(FrameTrim::pieces)
                .anyMatch(p -> p.isLevel() && p.y1 >= y && p.y1 <= toY && p.meetsX(x, toX - x));
    }

    /** Whether a wire runs through the title there. */
    private boolean isCrossed(int x, int y) {
        return routes.stream()
                .flatMap(FrameTrim::pieces)
                .anyMatch(p -> p.meetsX(x, title) && p.meetsY(y, Placement.TITLE));
    }
}
