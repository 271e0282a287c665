package org.jagridge.core.drawing;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Place;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.part.PartType;
import org.jagridge.core.part.PartTypes;
import org.jagridge.core.part.Trait;

/**
 * Where the boxes of a connection diagram lie and on which edge each terminal sits, before any wire is drawn. All
 * measures are in steps of the {@linkplain #STEP lattice} that the wires run on; a place's frame lies half a step to the
 * right of and below its coordinates, so that no wire ever runs along it.
 */
record Placement(Map<String, Frame> frames, Map<String, Block> blocks) {
    /** Pixels between two tracks of the lattice. */
    static final int STEP = 8;
    /** Steps that boxes stand apart at the least, so that wires get between them. */
    static final int APART = 3;
    /** Height of a part: labels of both edges and the title between them. */
    static final int PART_HEIGHT = 6;

    static final int PADDING = 3;
    /** Steps at the top of a frame that its title takes. */
    static final int TITLE = 2;

    /** Room beside a title for a small mark, in pixels. */
    private static final double MARK = 30;

    private static final double LETTER = 6.2;
    private static final double TITLE_LETTER = 7.2;

    /** A rectangle on the lattice. */
    interface Area {
        String id();

        int x();

        int y();

        int width();

        int height();

        /** Whether less than {@code gap} steps lie between the two. */
        default boolean crowds(Area o, int gap) {
            return x() < o.x() + o.width() + gap
                    && o.x() < x() + width() + gap
                    && y() < o.y() + o.height() + gap
                    && o.y() < y() + height() + gap;
        }
    }

    /** The frame of a place. */
    record Frame(String id, int x, int y, int width, int height) implements Area {
        Frame moved(int dx, int dy) {
            return new Frame(id, x + dx, y + dy, width, height);
        }
    }

    /** The box of a part, or of a place's metalwork under the place's id. */
    record Block(String id, String place, int x, int y, List<Terminal> top, List<Terminal> bottom, int pitch, int width)
            implements Area {
        @Override
        public int height() {
            return PART_HEIGHT;
        }

        Block at(int newX, int newY) {
            return new Block(id, place, newX, newY, top, bottom, pitch, width);
        }

        /** The column of the i-th of n terminals of an edge. */
        int column(int i, int n) {
            return x + (width - (n - 1) * pitch) / 2 + i * pitch;
        }

        /** Track of a terminal on this block: column and row on the box's edge, and -1 (up) or 1 (down). */
        Post post(Terminal t) {
            int i = top.indexOf(t);
            return i >= 0
                    ? new Post(t, column(i, top.size()), y, -1)
                    : new Post(t, column(bottom.indexOf(t), bottom.size()), y + PART_HEIGHT, 1);
        }
    }

    /** A terminal on the edge of its box; a wire leaves it upwards ({@code out} -1) or downwards (1). */
    record Post(Terminal terminal, int x, int y, int out) {}

    Post post(Terminal t) {
        return blocks.get(t.part()).post(t);
    }

    /** What must be placed: each part with terminals, and the metalwork of places whose metalwork is wired. */
    static Map<String, Item> items(Circuit circuit) {
        Map<String, Item> items = new LinkedHashMap<>();
        for (Place place : circuit.places()) {
            boolean used = circuit.wires().stream()
                    .anyMatch(w -> w.from().equals(place.metalwork()) || w.to().equals(place.metalwork()));
            if (used) {
                items.put(place.id(), new Item(place.id(), place.id(), List.of(place.metalwork()), List.of(), 2, true));
            }
        }
        for (Part part : circuit.parts()) {
            PartType type = PartTypes.catalogue().require(part);
            Params params = new Params(type.params(), part.params());
            List<Terminal> terminals = type.terminals(params).stream()
                    .map(n -> new Terminal(part.id(), n))
                    .toList();
            if (terminals.isEmpty()) {
                continue;
            }
            int longest = terminals.stream()
                    .mapToInt(t -> label(circuit, t).length())
                    .max()
                    .orElse(1);
            int pitch = Math.max(2, (int) Math.ceil((longest * LETTER + 3) / STEP));
            Set<String> above = type.above(params);
            items.put(
                    part.id(),
                    new Item(
                            part.id(),
                            part.place(),
                            terminals.stream()
                                    .filter(t -> above.contains(t.name()))
                                    .toList(),
                            terminals.stream()
                                    .filter(t -> !above.contains(t.name()))
                                    .toList(),
                            pitch,
                            isMarked(circuit, part.id())));
        }
        return items;
    }

    /** Whether a box has a small mark beside its title: a joint, an earth, a place's metalwork. */
    static boolean isMarked(Circuit circuit, String id) {
        return circuit.part(id)
                .map(p -> PartTypes.is(p, Trait.JOINT) || PartTypes.is(p, Trait.EARTH))
                .orElse(true);
    }

    /** A box without a position, its terminals on its two faces in the order in which they are on the device. */
    record Item(String id, String place, List<Terminal> above, List<Terminal> below, int pitch, boolean marked) {
        int width() {
            int posts = Math.max(1, Math.max(above.size(), below.size())) * pitch;
            int title = (int) Math.ceil((id.length() * TITLE_LETTER + (marked ? MARK : 12)) / STEP);
            return Math.max(posts, title);
        }

        Block block(int x, int y) {
            return new Block(id, place, x, y, above, below, pitch, width());
        }
    }

    static String label(Circuit circuit, Terminal t) {
        return circuit.markOf(t);
    }

    /** Steps that a place's title takes. */
    static int titleWidth(Place place) {
        return (int) Math.ceil((place.name().length() * TITLE_LETTER + 12) / STEP);
    }

    /** Frames widened to hold their title and their blocks; places without parts get a small frame of their own. */
    static Map<String, Frame> framesAround(Circuit circuit, Map<String, Frame> wished, Map<String, Block> blocks) {
        Map<String, Frame> frames = new LinkedHashMap<>();
        int floor = 0;
        for (Place place : circuit.places()) {
            Frame frame = wished.get(place.id());
            List<Block> inside = blocks.values().stream()
                    .filter(b -> b.place().equals(place.id()))
                    .toList();
            if (frame == null && inside.isEmpty()) {
                frame = new Frame(place.id(), 0, floor, titleWidth(place), TITLE + 2);
            }
            int left = frame == null ? Integer.MAX_VALUE : frame.x();
            int top = frame == null ? Integer.MAX_VALUE : frame.y();
            int right = frame == null ? Integer.MIN_VALUE : frame.x() + frame.width();
            int bottom = frame == null ? Integer.MIN_VALUE : frame.y() + frame.height();
            for (Block b : inside) {
                left = Math.min(left, b.x() - PADDING);
                top = Math.min(top, b.y() - PADDING - TITLE);
                right = Math.max(right, b.x() + b.width() + PADDING);
                bottom = Math.max(bottom, b.y() + b.height() + PADDING);
            }
            right = Math.max(right, left + titleWidth(place));
            frames.put(place.id(), new Frame(place.id(), left, top, right - left, bottom - top));
            floor = Math.max(floor, bottom + APART);
        }
        return frames;
    }

    /** Pushes frames that crowd each other apart, downwards, each with what is in it. */
    Placement apart() {
        List<Frame> order = new ArrayList<>(frames.values());
        order.sort(Comparator.comparingInt(Frame::y).thenComparingInt(Frame::x).thenComparing(Frame::id));
        Map<String, Frame> settled = new LinkedHashMap<>();
        for (Frame frame : order) {
            Frame f = frame;
            boolean moved = true;
            while (moved) {
                moved = false;
                for (Frame o : settled.values()) {
                    if (f.crowds(o, APART)) {
                        f = f.moved(0, o.y() + o.height() + APART - f.y());
                        moved = true;
                    }
                }
            }
            settled.put(f.id(), f);
        }
        Map<String, Block> shifted = new LinkedHashMap<>();
        blocks.forEach((id, b) -> shifted.put(
                id,
                b.at(
                        b.x(),
                        b.y()
                                + settled.get(b.place()).y()
                                - frames.get(b.place()).y())));
        Map<String, Frame> inOrder = new LinkedHashMap<>();
        frames.keySet().forEach(id -> inOrder.put(id, settled.get(id)));
        return new Placement(inOrder, shifted);
    }

    /** The same arrangement, stretched: every box keeps its size, the room between boxes grows. */
    Placement stretched(double factor) {
        Map<String, Block> spread = new LinkedHashMap<>();
        blocks.forEach((id, b) ->
                spread.put(id, b.at((int) Math.round(b.x() * factor), (int) Math.round(b.y() * factor))));
        Map<String, Frame> wider = new LinkedHashMap<>();
        frames.forEach((id, f) -> wider.put(
                id,
                new Frame(
                        id,
                        (int) Math.round(f.x() * factor),
                        (int) Math.round(f.y() * factor),
                        (int) Math.round(f.width() * factor),
                        (int) Math.round(f.height() * factor))));
        return new Placement(wider, spread);
    }
}
