package org.jagridge.web.plan;

import java.util.List;

/** What the form offers, in people's words. */
public record Choices(
        List<Choice> indoor,
        List<Choice> outdoor,
        List<Choice> water,
        List<Choice> accessories,
        List<Choice> ways,
        List<Example> examples) {
    /** @param value as the interface writes it */
    public record Choice(String value, String title) {}

    /** A shortage to look at, with its address. */
    public record Example(String title, String address) {}

    private static final String ALL_WAYS =
            "&allow=batteries&allow=sharing-pair&allow=wireless-module&allow=local-transformer&allow=new-cable&allow=relay&asked=1";

    static final Choices ALL = new Choices(
            List.of(
                    new Choice("gas-furnace", "gas furnace"),
                    new Choice("oil-furnace", "oil furnace"),
                    new Choice("air-handler", "air handler"),
                    new Choice("fan-centre-boiler", "boiler, fan centre"),
                    new Choice("dry-contact-boiler", "boiler, dry contact"),
                    new Choice("zone-panel", "zone panel"),
                    new Choice("hydronic-coil", "hot water coil"),
                    new Choice("millivolt", "millivolt heater"),
                    new Choice("line-voltage", "line-voltage heater")),
            List.of(new Choice("none", "none"), new Choice("cooling", "cooling"), new Choice("heat-pump", "heat pump")),
            List.of(
                    new Choice("one-valve", "one two-port valve"),
                    new Choice("two-valves", "two two-port valves"),
                    new Choice("mid-position", "mid-position valve")),
            List.of(
                    new Choice("float-switch", "float switch"),
                    new Choice("freeze-switch", "freeze switch"),
                    new Choice("current-switch", "current switch"),
                    new Choice("lockout-relay", "lockout relay"),
                    new Choice("start-delay", "start delay"),
                    new Choice("humidifier", "humidifier"),
                    new Choice("outdoor-sensor", "outdoor sensor")),
            List.of(
                    new Choice("batteries", "batteries"),
                    new Choice("relay", "relays"),
                    new Choice("sharing-pair", "sharing pair"),
                    new Choice("wireless-module", "wireless module"),
                    new Choice("local-transformer", "local transformer"),
                    new Choice("new-cable", "new cable")),
            List.of(
                    new Example("Warden's cottage: two shortages", "/plan?" + PlanForm.START),
                    new Example(
                            "The cottage, nothing allowed: unsolved",
                            "/plan?" + PlanForm.START.replaceAll("&allow=[a-z-]+", "")),
                    new Example(
                            "Seminar room: a new thermostat",
                            "/plan?indoor=gas-furnace&posts=R+C+W+Y+G&va=40&outdoor=cooling&stages=1&terminals=R+C+W+Y+G&kind=conventional&power=common"
                                    + "&tc=red+blue+white+yellow+green&tcm=12&oc=yellow+blue&ocm=15&old=red%3DRC+blue%3DC%3EFC.C+white%3DW%3EFC.W+yellow%3DY%3EFC.Y+green%3DG%3EFC.G"
                                    + ALL_WAYS),
                    new Example(
                            "Student flat: the wiring centre",
                            "/plan?water=mid-position&tc=brown+black+blue&tcm=9" + ALL_WAYS)));
}
