package org.jagridge.core.plan;

/** What a conductor between boards is there for. */
enum Line implements Worded {
    FEED("the feed of the 24 V circuit"),
    COMMON("the return of the 24 V circuit"),
    HEAT_FEED("the feed of the heating pair"),
    HEAT_COMMON("the return of the heating equipment's own transformer"),
    OUT_FEED("the feed of the outdoor unit's own transformer"),
    LINE_FEED("line voltage for the heater"),
    LINE_HEAT("line voltage to the heater"),
    HEAT("the call for heat"),
    EMERGENCY("the call for emergency heat"),
    COOL("the call for the compressor"),
    COOL_2("the call for the second stage"),
    FAN("the call for the indoor fan"),
    VALVE("the reversing valve"),
    SHARED("the calls for compressor and fan, shared"),
    DEFROST("auxiliary heat while the outdoor unit defrosts"),
    LIVE("the permanent live"),
    NEUTRAL("the neutral"),
    HEATING_ON("the programmer's heating output"),
    HOT_WATER_ON("the programmer's hot water output"),
    VALVE_HEATING("the room thermostat's call"),
    VALVE_WATER("the cylinder thermostat's call"),
    SATISFIED("hot water satisfied or off"),
    BOILER("the switched live of the boiler");

    private final String carries;

    Line(String carries) {
        this.carries = carries;
    }

    String carries() {
        return carries;
    }
}
