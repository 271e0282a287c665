package org.jagridge.core.drawing;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.drawing.Placement.Block;
import org.jagridge.core.drawing.Placement.Frame;
import org.jagridge.core.drawing.Placement.Item;

/**
 * The arrangement of a connection diagram as it is kept in a circuit's {@code layout}, once a hand has moved something:
 * {@code {"connection": {"places": {"unit": [x, y, width, height]}, "parts": {"K1": {"at": [x, y]}}}}}, in steps of the lattice. What in it doesn't fit the circuit is passed over; parts that it
 * doesn't know stand in a row under the others of their place.
 */
final class KeptPlacement {
    private static final String KEY = "connection";
    private static final String KEY_ITSELF = KEY + Circuit.ITSELF;
    private static final int FAR = 2000;

    private KeptPlacement() {}

    /** The kept arrangement, or empty where none is kept. */
    static Optional<Placement> of(Circuit circuit) {
        Map<?, ?> kept = kept(circuit);
        Map<?, ?> parts = map(kept.get("parts"));
        if (parts.isEmpty()) {
            return Optional.empty();
        }
        Map<String, Block> blocks = new LinkedHashMap<>();
        List<Item> strangers = new ArrayList<>();
        for (Item item : Placement.items(circuit).values()) {
            Map<?, ?> entry = map(parts.get(item.id()));
            List<Integer> at = numbers(entry.get("at"), 2);
            if (at.isEmpty()) {
                strangers.add(item);
            } else {
                blocks.put(item.id(), item.block(at.get(0), at.get(1)));
            }
        }
        Map<String, Frame> frames = new LinkedHashMap<>();
        map(kept.get("places")).forEach((id, value) -> {
            List<Integer> n = numbers(value, 4);
            if (!n.isEmpty() && circuit.place(String.valueOf(id)).isPresent()) {
                frames.put(
                        String.valueOf(id),
                        new Frame(
                                String.valueOf(id), n.get(0), n.get(1), Math.max(1, n.get(2)), Math.max(1, n.get(3))));
            }
        });
        strangers.forEach(item -> add(item, blocks, frames));
        Placement placement = new Placement(Placement.framesAround(circuit, frames, blocks), blocks);
        return crowded(placement).isPresent()
                ? Optional.of(loosened(circuit, placement))
                : Optional.of(placement.apart());
    }

    /** Puts a part that has no place of its own yet into the lowest row of its place. */
    private static void add(Item item, Map<String, Block> blocks, Map<String, Frame> frames) {
        Block block = item.block(0, 0);
        List<Block> inside = blocks.values().stream()
                .filter(b -> b.place().equals(item.place()))
                .toList();
        Frame frame = frames.get(item.place());
        int x = frame == null ? 0 : frame.x() + Placement.PADDING;
        int y = inside.stream()
                .mapToInt(b -> b.y() + b.height() + Placement.APART)
                .max()
                .orElse(frame == null ? lowest(blocks) : frame.y() + Placement.TITLE + Placement.PADDING);
        // beside the last stranger where the row still has room within the frame
        for (Block b : inside) {
            if (b.y() + b.height() + Placement.APART == y) {
                int beside = b.x() + b.width() + Placement.APART;
                Block there = block.at(beside, b.y());
                boolean fits = frame != null
                        && beside + block.width() + Placement.PADDING <= frame.x() + frame.width()
                        && blocks.values().stream().noneMatch(o -> o.crowds(there, Placement.APART));
                if (fits) {
                    blocks.put(item.id(), there);
                    return;
                }
            }
        }
        blocks.put(item.id(), block.at(x, y));
    }

    private static int lowest(Map<String, Block> blocks) {
        return blocks.values().stream().mapToInt(b -> b.y() + b.height()).max().orElse(0)
                + 2 * Placement.APART
                + Placement.PADDING
                + Placement.TITLE;
    }

    /** Two boxes that stand too close for a wire between them, in words. */
    static Optional<String> crowded(Placement p) {
        return crowded(List.copyOf(p.frames().values()))
                .or(() -> crowded(List.copyOf(p.blocks().values())));
    }

    private static Optional<String> crowded(List<? extends Placement.Area> boxes) {
        for (int i = 0; i < boxes.size(); i++) {
            for (int j = i + 1; j < boxes.size(); j++) {
                if (boxes.get(i).crowds(boxes.get(j), Placement.APART)) {
                    return Optional.of(boxes.get(i).id() + " would stand too close to "
                            + boxes.get(j).id());
                }
            }
        }
        return Optional.empty();
    }

    /** A part that has grown (more terminals, a longer id) may crowd its neighbours: those further down make room. */
    private static Placement loosened(Circuit circuit, Placement tight) {
        List<Block> order = new ArrayList<>(tight.blocks().values());
        order.sort(Comparator.comparingInt(Block::y).thenComparingInt(Block::x).thenComparing(Block::id));
        Map<String, Block> settled = new LinkedHashMap<>();
        for (Block block : order) {
            Block b = block;
            boolean moved = true;
            while (moved) {
                moved = false;
                for (Block o : settled.values()) {
                    if (b.crowds(o, Placement.APART)) {
                        b = b.at(b.x(), o.y() + o.height() + Placement.APART);
                        moved = true;
                    }
                }
            }
            settled.put(b.id(), b);
        }
        Map<String, Block> inOrder = new LinkedHashMap<>();
        tight.blocks().keySet().forEach(id -> inOrder.put(id, settled.get(id)));
        return new Placement(Placement.framesAround(circuit, tight.frames(), inOrder), inOrder).apart();
    }

    /** The layout with an arrangement in it, everything else as it was. */
    static Map<String, Object> layout(Circuit circuit, Placement placement) {
        Map<String, Object> places = new LinkedHashMap<>();
        placement.frames().forEach((id, f) -> places.put(id, List.of(f.x(), f.y(), f.width(), f.height())));
        Map<String, Object> parts = new LinkedHashMap<>();
        placement.blocks().forEach((id, b) -> parts.put(id, Map.of("at", List.of(b.x(), b.y()))));
        Map<String, Object> layout = new LinkedHashMap<>(circuit.layout());
        layout.remove(KEY_ITSELF);
        layout.put(KEY, Map.of("places", places, "parts", parts));
        return layout;
    }

    /** The same, kept by the drawing itself and not by a hand. */
    static Map<String, Object> ofItself(Circuit circuit, Placement placement) {
        Map<String, Object> layout = layout(circuit, placement);
        layout.put(KEY_ITSELF, layout.remove(KEY));
        return layout;
    }

    static boolean isKept(Circuit circuit) {
        return isByHand(circuit) || circuit.layout().containsKey(KEY_ITSELF);
    }

    private static Map<?, ?> kept(Circuit circuit) {
        return map(circuit.layout().get(isByHand(circuit) ? KEY : KEY_ITSELF));
    }

    /** The ids of the parts whose places are kept. */
    static Set<String> parts(Circuit circuit) {
        return map(kept(circuit).get("parts")).keySet().stream()
                .map(Object::toString)
                .filter(id -> circuit.part(id).isPresent())
                .collect(Collectors.toSet());
    }

    /** Whether a hand has moved something, so that the arrangement stays whatever becomes of the circuit. */
    static boolean isByHand(Circuit circuit) {
        return circuit.layout().containsKey(KEY);
    }

    /** The layout without an arrangement. */
    static Map<String, Object> layoutWithout(Circuit circuit) {
        Map<String, Object> layout = new LinkedHashMap<>(circuit.layout());
        layout.remove(KEY);
        layout.remove(KEY_ITSELF);
        return layout;
    }

    private static Map<?, ?> map(Object value) {
        return value instanceof Map<?, ?> m ? m : Map.of();
    }

    /** A list of exactly {@code size} numbers on a drawing of sane size, else empty. */
    private static List<Integer> numbers(Object value, int size) {
        if (!(value instanceof List<?> list)
                || list.size() != size
                || !list.stream().allMatch(n -> n instanceof Number m && Math.abs(m.doubleValue()) <= FAR)) {
            return List.of();
        }
        return list.stream().map(n -> ((Number) n).intValue()).toList();
    }
}
