package org.jagridge.core.plan;

import org.jagridge.core.plan.WiringRequest.Way;

/**
 * A way out of a shortage, or of boards that don't fit together: it changes what has to be joined. Whether anything comes
 * of it is found by running the circuit.
 */
public enum Move {
    BATTERIES(Way.BATTERIES, "Batteries in place of C", "no C: the thermostat's batteries must be changed in time"),
    AUX_AND_E("aux-and-e-together", "AUX and E on one conductor", null),
    G_LEFT_OFF("g-left-off", "G left off", "the fan alone"),
    Y_AND_G("y-g-joined", "Y and G joined at the unit", "the fan alone"),
    FAN_RELAY(Way.RELAY, "Relay at the unit makes G", "the fan alone"),
    VALVE_BRIDGED("valve-bridged", "Valve joined with Y at the outdoor unit", null),
    VALVE_RELAY(Way.RELAY, "Relay at the outdoor unit turns the valve call round", null),
    ISOLATING_RELAY(Way.RELAY, "Relay keeps the heating pair apart", null),
    RELAYS_OUTDOOR(Way.RELAY, "Relays at the outdoor unit keep its transformer apart", null),
    SHARING_PAIR(Way.SHARING_PAIR, "Conductor-sharing pair for Y and G", null),
    WIRELESS_OUTDOOR(Way.WIRELESS_MODULE, "Wireless module outdoors", null),
    WIRELESS_INDOOR(Way.WIRELESS_MODULE, "Wireless module indoors", null),
    LOCAL_OUTDOOR(Way.LOCAL_TRANSFORMER, "Transformer at the outdoor unit", null),
    LOCAL_INDOOR(Way.LOCAL_TRANSFORMER, "Transformer at the indoor unit", null),
    CABLE_INDOOR(Way.NEW_CABLE, "One more cable, thermostat to indoor unit", null),
    CABLE_OUTDOOR(Way.NEW_CABLE, "One more cable, indoor to outdoor unit", null),
    CABLE_DIRECT(Way.NEW_CABLE, "One more cable, thermostat to outdoor unit", null),
    N_LEFT_OFF("n-left-off", "N of the room thermostat left off", "the room thermostat's accelerator"),
    SECOND_STAGE_OFF("second-stage-left-off", "Second stage left off", "the second stage"),
    E_LEFT_OFF("e-left-off", "E left off", "emergency heat"),
    W2_LEFT_OFF("w2-left-off", "W2 left off", "heat while the outdoor unit defrosts: cold air from the grilles");

    private final String word;
    private final Way way;
    private final String title;
    private final String loses;

    Move(Way way, String title, String loses) {
        this(way.word(), way, title, loses);
    }

    Move(String word, String title, String loses) {
        this(word, null, title, loses);
    }

    Move(String word, Way way, String title, String loses) {
        this.word = word;
        this.way = way;
        this.title = title;
        this.loses = loses;
    }

    /** As the interface writes it. */
    public String word() {
        return word;
    }

    /** What must be allowed for it; null where nothing is bought. */
    Way way() {
        return way;
    }

    public String title() {
        return title;
    }

    /** What doesn't work any more with it; null for nothing. */
    String loses() {
        return loses;
    }
}
