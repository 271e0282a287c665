package org.jagridge.core.circuit;

import java.util.Locale;

/** An enclosure or spot that holds parts. Its metalwork is the terminal {@code id.PE}. */
public record Place(String id, String name, Access access) {

    /** How hard it is to get a meter lead there for the first time. */
    public enum Access {
        HAND(0.2),
        WALL(1),
        PANEL(3),
        OUTDOOR(5),
        LADDER(8),
        ROOF(12);

        private final double minutes;

        Access(double minutes) {
            this.minutes = minutes;
        }

        /** Effort in minutes. */
        public double minutes() {
            return minutes;
        }

        /** The word of the file format. */
        public String word() {
            return name().toLowerCase(Locale.ROOT);
        }

        public static Access of(String word) {
            return valueOf(word.toUpperCase(Locale.ROOT));
        }
    }

    /** The terminal of the place's metalwork. */
    public Terminal metalwork() {
        return new Terminal(id, "PE");
    }
}
