package org.jagridge.web.bench;

import org.jagridge.core.part.Time;

/**
 * Something a hand did at a bench.
 *
 * @param parent the action before it in its state, or null for the first
 * @param undoTo the state that undo returns to, or null for the untouched bench
 * @param undoMicros the time that undo returns to
 * @param micros when on the bench's clock
 * @param body JSON: what was set, which fault, where the leads are
 */
public record Action(long id, Long parent, Long undoTo, long undoMicros, long micros, Kind kind, String body) {

    /** The bench's clock goes on by this much with every act, so that one sees what it did. */
    static final long TAKES = Time.SECOND;

    /** The instant that is shown after the act. */
    long shownAt() {
        return micros + (kind.moves() ? TAKES : 0);
    }

    /** What sort of act. */
    public enum Kind {
        SET,
        FAULT,
        CLEAR,
        METER,
        /** A technician's link between two terminals. */
        LINK,
        /** A wire taken off its terminal. */
        LIFT,
        /** A wire's end put on another terminal. */
        MOVE,
        /** Two wires' ends twisted together, off their terminals. */
        TWIST;

        /** Whether it puts something into the circuit that stays until it is cleared. */
        boolean stays() {
            return this == FAULT || isTemporary();
        }

        /** Whether it is a technician's own, which must be undone before hand-over. */
        boolean isTemporary() {
            return this == LINK || this == LIFT || this == MOVE || this == TWIST;
        }

        /** Whether the act changes the circuit, not only where one looks. */
        boolean moves() {
            return this != METER;
        }
    }
}
