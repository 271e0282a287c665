package org.jagridge.web.svg;

import org.jagridge.core.part.Branch;

/** Ladder symbols after IEC 60617, drawn around (0, 0), 26 wide unless said otherwise. */
final class IecSymbols {
    private IecSymbols() {}

    /**
     * The inside of a symbol.
     *
     * @param joined whether a contact is joined now
     */
    static String of(Branch branch, double width, boolean joined, boolean works) {
        return switch (branch.shape()) {
            case CONTACT_OPEN, CONTACT_CLOSED -> contact(branch.restClosed(), joined);
            case THERMOSTAT ->
                contact(branch.restClosed(), joined) + link()
                        + "<text class=\"letter small\" x=\"-10\" y=\"-3\">ϑ</text>";
            case TEMPERATURE -> moved(branch, joined, "ϑ", "<circle class=\"sym\" cx=\"0\" cy=\"-10\" r=\"1.5\"/>");
            case LIMIT -> moved(branch, joined, "ϑ>", "");
            case ROLLOUT -> moved(branch, joined, "ϑ>", Glyphs.flame(5, -9));
            case LOW_PRESSURE -> moved(branch, joined, "p<", "");
            case HIGH_PRESSURE -> moved(branch, joined, "p>", "");
            case FREEZE -> moved(branch, joined, "ϑ<", "");
            case CURRENT -> moved(branch, joined, "I>", "");
            case FLOAT -> moved(branch, joined, "", "<circle class=\"sym body\" cx=\"0\" cy=\"-10\" r=\"2.5\"/>");
            case PROVING -> moved(branch, joined, "", "<path class=\"sym thin\" d=\"M0-6V-13H6L4-9.5H0\"/>");
            case SWITCH -> contact(branch.restClosed(), joined) + link() + "<path class=\"sym thin\" d=\"M-4-9.5H4\"/>";
            case PUSH_BUTTON ->
                contact(branch.restClosed(), joined) + link() + "<path class=\"sym thin\" d=\"M-4-7V-9.5H4V-7\"/>";
            case ON_DELAY, OFF_DELAY, BLOCKS_RESTART, INTERVAL, REPEAT ->
                box(22, 18, works && joined) + Glyphs.delay(branch.shape());
            case CAPACITOR -> "<path class=\"sym\" d=\"M-13 0H-3M3 0H13M-3-9V9M3-9V9\"/>";
            case FUSE ->
                box(20, 8, false)
                        + (joined
                                ? "<path class=\"sym thin\" d=\"M-10 0H10\"/>"
                                : "<path class=\"sym\" d=\"M-3-3L3 3M-3 3L3-3\"/>");
            case BREAKER -> contact(false, joined) + "<path class=\"sym thin\" d=\"M4-3L10 3M4 3L10-3\"/>";
            case COIL -> box(20, 16, works);
            case RESISTOR ->
                "<path class=\"sym\" d=\"M-20 0H-13M13 0H20\"/><rect class=\"sym body" + on(works)
                        + "\" x=\"-13\" y=\"-5\" width=\"26\" height=\"10\"/>";
            case SOLENOID -> box(20, 16, works) + "<path class=\"sym thin\" d=\"M-10 8L10-8\"/>";
            case WINDING ->
                "<path class=\"sym" + on(works)
                        + "\" d=\"M-28 0h4a6 6 0 0 1 12 0a6 6 0 0 1 12 0a6 6 0 0 1 12 0a6 6 0 0 1 12 0h4\"/>";
            // the same in both sets
            case LAMP,
                    BUZZER,
                    MOTOR,
                    UNIT_HEATER,
                    SUPPLY,
                    DC_SUPPLY,
                    BATTERY,
                    THERMOPILE,
                    FUSIBLE_LINK,
                    BAR,
                    BOX,
                    NONE -> Symbols.of(branch, width, joined, works);
        };
    }

    private static String on(boolean works) {
        return works ? " on" : "";
    }

    private static String box(int width, int height, boolean works) {
        int half = width / 2;
        return "<path class=\"sym\" d=\"M-13 0H-" + half + "M" + half + " 0H13\"/><rect class=\"sym body" + on(works)
                + "\" x=\"-" + half + "\" y=\"-" + height / 2 + "\" width=\"" + width + "\" height=\"" + height
                + "\"/>";
    }

    /** A blade that stands off or lies on; a breaking contact has a stop that it lies against. */
    private static String contact(boolean restClosed, boolean joined) {
        if (restClosed) {
            return "<path class=\"sym\" d=\"M-13 0H-8M8-8V0H13M-8 0L" + (joined ? "10-6" : "8 7") + "\"/>";
        }
        return "<path class=\"sym\" d=\"M-13 0H-8M8 0H13M-8 0L" + (joined ? "8 0" : "8-8") + "\"/>";
    }

    /** A contact with what moves it. */
    private static String moved(Branch branch, boolean joined, String letters, String sign) {
        return contact(branch.restClosed(), joined)
                + link()
                + (letters.isEmpty()
                        ? ""
                        : "<text class=\"letter small\" x=\"-2\" y=\"-3.5\" text-anchor=\"end\">"
                                + letters.replace("<", "&lt;").replace(">", "&gt;") + "</text>")
                + sign;
    }

    /** The dashed line from a blade to what moves it. */
    private static String link() {
        return "<path class=\"sym thin dashed\" d=\"M0-3V-9\"/>";
    }
}
