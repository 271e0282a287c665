package org.jagridge.core.plan;

/** What equipment can do, in the words of the interface. */
public enum Duty implements Worded {
    INDOOR_FAN("the indoor fan"),
    COMPRESSOR("the compressor"),
    OUTDOOR_FAN("the outdoor fan"),
    REVERSING_VALVE("the reversing valve"),
    STRIPS("the strip heater"),
    BURNER("the burner"),
    BOILER("the boiler"),
    PUMP("the pump"),
    HOT_WATER_VALVE("the hot water valve"),
    HEATING_VALVE("the heating valve"),
    SECOND_STAGE("the second stage"),
    HUMIDIFIER("the humidifier");

    private final String title;

    Duty(String title) {
        this.title = title;
    }

    /** With its article, for a sentence. */
    public String title() {
        return title;
    }
}
