package org.jagridge.core.drawing;

import java.util.Arrays;
import java.util.function.IntConsumer;

/**
 * The lattice that wires run on. Each point has a horizontal and a vertical slot; going straight takes one of them, a bend
 * takes both. So two strands may cross, but they never share a piece of line and never touch.
 */
final class Lattice {
    static final int HORIZONTAL = 0;
    static final int VERTICAL = 1;

    final int width;
    final int height;
    /** Where nothing may pass. */
    final boolean[] blocked;
    /** Net that alone may begin or end at a point, or 0. */
    final int[] reserved;
    /** One more than the point before the post that alone has the use of a point, or 0: wires may lie on each other there. */
    final int[] fan;
    /** Place that a point lies in, or 0. */
    final int[] place;
    /** Strand in each slot (point × 2 + orientation), how many of its wires, and whether they stay. */
    final int[] strand;

    final int[] uses;
    final boolean[] fixed;
    /** Number of the cable whose core lies in a slot, or 0. */
    final int[] cable;

    Lattice(int width, int height) {
        this.width = width;
        this.height = height;
        int n = width * height;
        blocked = new boolean[n];
        reserved = new int[n];
        fan = new int[n];
        place = new int[n];
        strand = new int[2 * n];
        uses = new int[2 * n];
        fixed = new boolean[2 * n];
        cable = new int[2 * n];
    }

    int at(int x, int y) {
        return y * width + x;
    }

    /** No wire gets onto these points. */
    void block(int x1, int y1, int x2, int y2) {
        for (int y = y1; y <= y2; y++) {
            Arrays.fill(blocked, y * width + x1, y * width + x2 + 1, true);
        }
    }

    void place(int number, int x1, int y1, int x2, int y2) {
        for (int y = y1; y <= y2; y++) {
            Arrays.fill(place, y * width + x1, y * width + x2 + 1, number);
        }
    }

    static int orientation(int a, int b) {
        return Math.abs(a - b) == 1 ? HORIZONTAL : VERTICAL;
    }

    /** Calls {@code each} with every slot that a path takes; its ends, and the fan at a post, are kept for it and take none. */
    void slots(int[] path, IntConsumer each) {
        for (int i = 1; i < path.length - 1; i++) {
            if (fan[path[i]] != 0) {
                continue;
            }
            int in = orientation(path[i - 1], path[i]);
            int out = orientation(path[i], path[i + 1]);
            if (in == out) {
                each.accept(2 * path[i] + in);
            } else {
                each.accept(2 * path[i] + HORIZONTAL);
                each.accept(2 * path[i] + VERTICAL);
            }
        }
    }

    /** Puts a strand's path onto the lattice ({@code by} 1) or takes it off (-1). */
    void take(int[] path, int ofStrand, int ofCable, int by) {
        slots(path, slot -> {
            uses[slot] += by;
            strand[slot] = uses[slot] == 0 ? 0 : ofStrand;
            cable[slot] = uses[slot] == 0 ? 0 : ofCable;
        });
    }

    /** Whether a core of a cable lies beside a slot, along it. */
    boolean isBeside(int slot, int ofCable) {
        int across = (slot & 1) == HORIZONTAL ? 2 * width : 2;
        return (slot >= across && cable[slot - across] == ofCable)
                || (slot + across < cable.length && cable[slot + across] == ofCable);
    }

    /** Puts a path onto the lattice for good. */
    void fix(int[] path, int ofStrand, int ofCable) {
        take(path, ofStrand, ofCable, 1);
        slots(path, slot -> fixed[slot] = true);
    }
}
