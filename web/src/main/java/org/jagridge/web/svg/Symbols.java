package org.jagridge.web.svg;

import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Shape;

/** Ladder symbols after North American practice, drawn around (0, 0), 26 wide unless said otherwise. */
final class Symbols {
    private static final String RAYS =
            "<path class=\"rays\" d=\"M0-13V-17M0 13V17M9.2-9.2L12-12M9.2 9.2L12 12M-9.2 9.2L-12 12M-9.2-9.2L-12-12\"/>";

    /** What bends with the temperature, and what a pressure lifts. */
    private static final String HOOK = "<path class=\"sym\" d=\"M0-3v2.5l3 1.5-6 2 3 1.5v1.5\"/>";

    private static final String DOME = "<path class=\"sym\" d=\"M0-3V2M-5 7.5A5 5.5 0 0 1 5 7.5Z\"/>";

    private Symbols() {}

    /**
     * The inside of a symbol.
     *
     * @param joined whether a contact is joined now
     */
    static String of(Branch branch, double width, boolean joined, boolean works) {
        return switch (branch.shape()) {
            case CONTACT_OPEN -> contact(false, joined);
            case CONTACT_CLOSED -> contact(true, joined);
            case THERMOSTAT -> blade(joined) + HOOK;
            case SWITCH -> blade(joined);
            case TEMPERATURE -> blade(joined) + HOOK + "<circle class=\"sym body\" cx=\"0\" cy=\"7.5\" r=\"2\"/>";
            case LIMIT -> blade(joined) + HOOK + "<path class=\"sym\" d=\"M-4 6.5H4\"/>";
            case ROLLOUT -> blade(joined) + path("M0-3V0") + Glyphs.flame(0, 4.5);
            case FUSIBLE_LINK -> fusibleLink(joined);
            case LOW_PRESSURE -> blade(joined) + DOME + Glyphs.arrow(9.5, 6.5, false);
            case HIGH_PRESSURE -> blade(joined) + DOME + Glyphs.arrow(9.5, 6.5, true);
            case FLOAT -> blade(joined) + path("M0-3V2") + "<circle class=\"sym body\" cx=\"0\" cy=\"5\" r=\"3\"/>";
            case FREEZE -> blade(joined) + path("M0-3V1") + Glyphs.snow(0, 4.5);
            case PROVING -> blade(joined) + "<path class=\"sym thin\" d=\"M0-3V8M0 2H6.5L4.5 4.5L6.5 7H0\"/>";
            case CURRENT -> blade(joined) + path("M0-3V2M-7 5H7") + "<circle class=\"sym\" cx=\"0\" cy=\"5\" r=\"3\"/>";
            case ON_DELAY, OFF_DELAY, BLOCKS_RESTART, INTERVAL, REPEAT ->
                path("M-13 0H-11M11 0H13") + "<rect class=\"sym body" + on(joined && works)
                        + "\" x=\"-11\" y=\"-9\" width=\"22\" height=\"18\" rx=\"2\"/>" + Glyphs.delay(branch.shape());
            case CAPACITOR -> "<path class=\"sym\" d=\"M-13 0H-3M3 0H13M-3-9V9M7-9Q0 0 7 9\"/>";
            case PUSH_BUTTON -> push(branch.restClosed(), joined);
            case FUSE ->
                "<path class=\"sym\" d=\"M-13 0H-10M10 0H13\"/>"
                        + "<rect class=\"sym body\" x=\"-10\" y=\"-5\" width=\"20\" height=\"10\" rx=\"2\"/>"
                        + (joined
                                ? "<path class=\"sym\" d=\"M-10 0H10\"/>"
                                : "<path class=\"sym\" d=\"M-10 0H-4M4 0H10M-3-3L3 3M-3 3L3-3\"/>");
            case BREAKER ->
                "<path class=\"sym\" d=\"M-13 0H-10M10 0H13\"/>"
                        + (joined
                                ? "<path class=\"sym\" d=\"M-10 0Q0-11 10 0\"/>"
                                : "<path class=\"sym\" d=\"M-10 0Q-4-12 7-11\"/>")
                        + "<circle class=\"sym body\" cx=\"-10\" r=\"2\"/><circle class=\"sym body\" cx=\"10\" r=\"2\"/>";
            case COIL -> round("", works);
            case LAMP -> round("<path class=\"sym\" d=\"M-7-7L7 7M-7 7L7-7\"/>", works);
            case BUZZER ->
                (works ? RAYS : "") + path("M-13 0H-10M10 0H13M-10 0V6H10V0") + "<path class=\"sym body" + on(works)
                        + "\" d=\"M-10 6V0A10 10 0 0 1 10 0V6Z\"/>";
            case MOTOR -> round("<text class=\"letter\" y=\"4\" text-anchor=\"middle\">M</text>", works);
            case UNIT_HEATER ->
                (works ? RAYS : "") + path("M-13 0H-11M11 0H13") + "<rect class=\"sym body" + on(works)
                        + "\" x=\"-11\" y=\"-9\" width=\"22\" height=\"18\" rx=\"2\"/>" + Glyphs.flame(-5, 0)
                        + "<path class=\"sym thin\" d=\"M5-6V6M1-3Q5 0 9-3M1 3Q5 0 9 3\"/>";
            case SUPPLY -> round("<path class=\"sym\" d=\"M-6 0q3-6 6 0t6 0\"/>", false);
            case DC_SUPPLY -> round(path("M-6-2.5H6M-6 2.5H-3M-1.5 2.5H1.5M3 2.5H6"), false);
            case BATTERY -> path("M-13 0H-6M-6-9V9M-2-4.5V4.5M2-9V9M6-4.5V4.5M6 0H13");
            case THERMOPILE -> round(path("M-6 5L0-6L6 5"), false);
            case RESISTOR ->
                "<path class=\"sym body" + on(works) + "\" d=\"M-20 0h5l2.5-6 5 12 5-12 5 12 5-12 5 12 2.5-6h5\"/>";
            case SOLENOID ->
                "<path class=\"sym\" d=\"M-13 0H-11M11 0H13\"/><rect class=\"sym body" + on(works)
                        + "\" x=\"-11\" y=\"-7\" width=\"22\" height=\"14\"/><path class=\"sym\" d=\"M-11 7L11-7\"/>";
            case WINDING -> winding(works);
            case BAR -> "<path class=\"sym thick\" d=\"M-13 0H13\"/>";
            case BOX, NONE ->
                "<rect class=\"sym body" + on(works) + "\" x=\"" + Svg.number(-width / 2) + "\" y=\"-9\" width=\""
                        + Svg.number(width) + "\" height=\"18\" rx=\"2\"/>";
        };
    }

    private static String path(String d) {
        return "<path class=\"sym\" d=\"" + d + "\"/>";
    }

    /** A link that melts: a wave between its ends, with a gap once it has. */
    private static String fusibleLink(boolean joined) {
        return path(
                        joined
                                ? "M-13 0H-10M10 0H13M-10 0Q-5-9 0 0T10 0"
                                : "M-13 0H-10M10 0H13M-10 0Q-7-5.4-4-4.2M4 4.2Q7 5.4 10 0")
                + Glyphs.flame(0, 4.5)
                + "<circle class=\"sym body\" cx=\"-10\" r=\"2\"/><circle class=\"sym body\" cx=\"10\" r=\"2\"/>";
    }

    private static String on(boolean works) {
        return works ? " on" : "";
    }

    private static String contact(boolean restClosed, boolean joined) {
        return (joined ? "<rect class=\"bridge\" x=\"-5\" y=\"-4\" width=\"10\" height=\"8\"/>" : "")
                + "<path class=\"sym\" d=\"M-13 0H-5M5 0H13M-5-9V9M5-9V9"
                + (restClosed ? "M-8 9L8-9" : "") + "\"/>";
    }

    private static String blade(boolean joined) {
        return "<path class=\"sym\" d=\"M-13 0H-10M10 0H13M-8 0L" + (joined ? "8-1" : "7-9") + "\"/>"
                + "<circle class=\"sym body\" cx=\"-10\" r=\"2\"/><circle class=\"sym body\" cx=\"10\" r=\"2\"/>";
    }

    private static String push(boolean restClosed, boolean joined) {
        double y = joined ? (restClosed ? 3 : -2.5) : restClosed ? 6 : -7;
        return "<path class=\"sym\" d=\"M-13 0H-10M10 0H13M-10 " + Svg.number(y) + "H10M0 " + Svg.number(y)
                + "V-11M-4-11H4\"/>"
                + "<circle class=\"sym body\" cx=\"-10\" r=\"2\"/><circle class=\"sym body\" cx=\"10\" r=\"2\"/>";
    }

    private static String round(String inner, boolean works) {
        return (works ? RAYS : "") + "<path class=\"sym\" d=\"M-13 0H-10M10 0H13\"/><circle class=\"sym body"
                + on(works) + "\" r=\"10\"/>" + inner;
    }

    private static String winding(boolean works) {
        return "<path class=\"sym" + on(works)
                + "\" d=\"M-28 0h4a6 6 0 0 1 12 0a6 6 0 0 1 12 0a6 6 0 0 1 12 0a6 6 0 0 1 12 0h4\"/>"
                + "<path class=\"sym thin\" d=\"M-24 5H24M-24 8H24\"/>";
    }

    /** Whether the symbol of a shape shows by itself that it works. */
    static boolean shows(Shape shape) {
        return switch (shape) {
            case COIL, LAMP, BUZZER, MOTOR, UNIT_HEATER -> true;
            default -> false;
        };
    }
}
