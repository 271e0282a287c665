package org.jagridge.core.meter;

import java.util.List;

/**
 * What a reading stands across in one world. The same thing is the same look, whatever it is called in the sentence.
 *
 * @param kind what it is
 * @param about the terminals, parts and poles that belong to it
 * @param says what is said where it can be nothing else
 * @param clause the same in a few words: "K1 has full volts"
 * @param detail what is added where it is the same in all worlds of this look; may be empty
 */
record Look(Kind kind, List<Object> about, String says, String clause, String detail) {
    Look(Kind kind, List<Object> about, String says, String clause) {
        this(kind, about, says, clause, "");
    }

    enum Kind {
        /** Two sources that nothing joins. */
        APART,
        /** One conductor, or closed contacts. */
        JOINED,
        /** Volts of the kind that the range doesn't show stand between the leads. */
        OTHER_KIND,
        /** Neither lead is on anything live. */
        UNFED,
        /** Both are live and at the same volts. */
        BOTH_LIVE,
        /** One lead is on nothing. */
        FLOATING,
        /** One lead rests at the other through loads without current. */
        RESTS,
        GHOST,
        LOAD,
        SUPPLY,
        POOR_JOINT,
        OPEN,
        STRAY,
        BETWEEN
    }

    /** Whether it is a reading of next to no volts. */
    boolean isNothing() {
        return kind == Kind.JOINED
                || kind == Kind.UNFED
                || kind == Kind.OTHER_KIND
                || kind == Kind.BOTH_LIVE
                || kind == Kind.FLOATING
                || kind == Kind.RESTS;
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Look l && kind == l.kind && about.equals(l.about);
    }

    @Override
    public int hashCode() {
        return 31 * kind.hashCode() + about.hashCode();
    }
}
