package org.jagridge.core.drawing;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import org.jagridge.core.circuit.Circuit;
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

    /** The layout without what hands have moved. */
    public static Map<String, Object> without(Circuit circuit) {
        return KeptPlacement.layoutWithout(circuit);
    }
}
