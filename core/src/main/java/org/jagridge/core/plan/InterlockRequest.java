package org.jagridge.core.plan;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * What an interlock is planned for: openings, heaters, and which heater answers to which opening.
 *
 * @param matrix the openings that stop a heater, by heater
 * @param stock counts of what is at hand, by kind; empty where anything can be bought
 * @param place what the place is called; may be empty
 * @param frost whether cold is a danger, so that a heater that stays off must be heard
 */
public record InterlockRequest(
        List<Opening> openings,
        List<Heater> heaters,
        Map<String, List<String>> matrix,
        Map<String, Double> stock,
        boolean frost,
        String place) {

    /**
     * A vent, door, damper or hood.
     *
     * @param volts of its signal
     * @param limitSwitch whether a limit switch can be fitted
     * @param byHand whether it can be moved without its drive
     * @param metres from the panel
     */
    public record Opening(String id, Signal signal, double volts, boolean limitSwitch, boolean byHand, double metres) {}

    /** @param amps what its call on the line draws */
    public record Heater(String id, Control control, double amps) {}

    /** What an opening offers. */
    public enum Signal implements Worded {
        DRY_WHEN_SHUT("a dry contact, made while shut"),
        DRY_WHEN_OPEN("a dry contact, made while fully open"),
        AC_WHILE_MOVING("AC while its drive moves it"),
        AC_WHILE_OPEN("AC while it isn't shut"),
        DC_ALWAYS("DC at all times"),
        NONE("nothing");

        private final String title;

        Signal(String title) {
            this.title = title;
        }

        public String title() {
            return title;
        }
    }

    /** How a heater is called. */
    public enum Control implements Worded {
        PAIR_24V("a 24 V pair of its own") {
            @Override
            public String word() {
                return "24V-pair";
            }
        },
        LINE_THERMOSTAT("a thermostat in its line"),
        LINE_CALL("its line is the call");

        private final String title;

        Control(String title) {
            this.title = title;
        }

        public String title() {
            return title;
        }
    }

    /** The same with no heater answering to any opening. */
    InterlockRequest unprotected() {
        Map<String, List<String>> none = new LinkedHashMap<>();
        heaters.forEach(h -> none.put(h.id(), List.of()));
        return new InterlockRequest(openings, heaters, none, stock, frost, place);
    }

    /** How many heaters answer to an opening. */
    int loopsOf(String opening) {
        return (int) matrix.values().stream().filter(v -> v.contains(opening)).count();
    }
}
