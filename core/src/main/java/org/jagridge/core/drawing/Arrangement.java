package org.jagridge.core.drawing;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Wire;
import org.jagridge.core.drawing.Placement.Block;
import org.jagridge.core.drawing.Placement.Frame;
import org.jagridge.core.part.Assembly;

/** Moves boxes of the connection diagram by hand; the result is kept in the circuit's {@code layout}. */
public final class Arrangement {
    /** Pixels that one step moves. */
    public static final int STEP = Placement.STEP;

    private Arrangement() {}

    /**
     * The layout with a part moved, or a place with all that is in it.
     *
     * @throws IllegalArgumentException in words, where there is no such box or where it would crowd another
     */
    public static Map<String, Object> moved(Circuit circuit, String id, int dx, int dy) {
        Placement now = ConnectionLayout.placement(Assembly.of(circuit));
        boolean wholePlace = now.frames().containsKey(id);
        if (!wholePlace && !now.blocks().containsKey(id)) {
            throw new IllegalArgumentException("there is no box " + id + " to move");
        }
        Map<String, Block> blocks = new LinkedHashMap<>(now.blocks());
        Map<String, Frame> frames = new LinkedHashMap<>(now.frames());
        if (wholePlace) {
            frames.put(id, frames.get(id).moved(dx, dy));
            blocks.replaceAll(
                    (b, block) -> block.place().equals(id) ? block.at(block.x() + dx, block.y() + dy) : block);
        } else {
            Block block = blocks.get(id);
            blocks.put(id, block.at(block.x() + dx, block.y() + dy));
        }
        Placement then = new Placement(Placement.framesAround(circuit, frames, blocks), blocks);
        Optional<String> crowded = KeptPlacement.crowded(then);
        if (crowded.isPresent()) {
            throw new IllegalArgumentException(
                    crowded.get() + "; leave " + Placement.APART * STEP + " pixels for wires");
        }
        return KeptPlacement.layout(circuit, then);
    }

    /**
     * The layout of a circuit after an edit, so that nothing moves that wasn't touched: while wires come and go, and parts
     * go, each box stays where it was drawn, also where no hand has put it. With new parts, or mostly new wires, it is
     * arranged anew, unless a hand has arranged it.
     *
     * @param before with its drawing as it was
     */
    public static Map<String, Object> steady(Assembly before, Circuit after) {
        Circuit was = before.circuit();
        if (KeptPlacement.isByHand(after)) {
            return after.layout();
        }
        Set<String> old = was.wires().stream().map(Wire::id).collect(Collectors.toSet());
        long stay = after.wires().stream().map(Wire::id).filter(old::contains).count();
        boolean steady = stay > 0 && 2 * stay >= after.wires().size();
        if (KeptPlacement.isKept(after)) {
            return steady && KeptPlacement.parts(after).equals(drawn(after)) ? after.layout() : without(after);
        }
        boolean noneNew = drawn(was).containsAll(drawn(after)) && !was.wires().equals(after.wires());
        return steady && noneNew && !KeptPlacement.isKept(was)
                ? KeptPlacement.ofItself(after, ConnectionLayout.placement(before))
                : after.layout();
    }

    private static Set<String> drawn(Circuit circuit) {
        return Placement.items(circuit).keySet().stream()
                .filter(id -> circuit.part(id).isPresent())
                .collect(Collectors.toSet());
    }

    /** The layout without what hands have moved. */
    public static Map<String, Object> without(Circuit circuit) {
        return KeptPlacement.layoutWithout(circuit);
    }
}
