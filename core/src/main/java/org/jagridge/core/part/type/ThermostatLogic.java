package org.jagridge.core.part.type;

import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;
import java.util.Set;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.part.Because;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Instant;
import org.jagridge.core.part.Moment;
import org.jagridge.core.part.Time;

/**
 * What a thermostat calls for: heat on at room ≤ set − d and off at ≥ set, cool on at ≥ set + d and off at ≤ set;
 * auxiliary heat on at set − room ≥ 2.8 K, off at ≤ 1.7 K; the second stage also after {@code stageUpSeconds} of one
 * call. Y stays off for {@code minOffSeconds} after it went off, but not at first power.
 */
final class ThermostatLogic {
    private static final double DEAD_BAND_K = 1.7;
    private static final long CIRCULATE_PERIOD = 3600 * Time.SECOND;
    private static final long CIRCULATE_ON = 1200 * Time.SECOND;
    private static final Instant NEVER = Instant.NEVER;
    /** From here on a wireless module takes the volts at its defrost input for a call. */
    private static final double TOLD_VOLTS = 16;

    /** Which way the room is to be moved. */
    enum Way {
        NONE,
        HEAT,
        COOL,
        EMERGENCY
    }

    /**
     * @param since when the call began
     * @param far whether the room is so far off that the second stage helps
     * @param compressor whether Y is on
     * @param compressorOffAt when Y went off last, or {@link Instant#NEVER} for not yet
     * @param season what auto changeover did last
     * @param circulating since when the fan has been set to circulate, or never
     * @param burner whether a furnace heats in place of the heat pump
     */
    record Call(
            Way way,
            Instant since,
            boolean far,
            boolean compressor,
            Instant compressorOffAt,
            Way season,
            boolean fan,
            Instant circulating,
            boolean burner) {
        static final Call NONE = new Call(Way.NONE, Instant.START, false, false, NEVER, Way.NONE, false, NEVER, false);
    }

    /** The call, the outputs that follow from it, when to ask again, and why it changed. */
    record Decision(Call call, Set<String> outputs, Instant wakeAt, Because because) {}

    private final String kind;
    private final Set<String> terminals;
    private final boolean electric;
    private final boolean valveWithMode;
    private final double differential;
    private final double auxOn;
    private final double auxOff;
    private final long stageUp;
    private final long minOff;
    private final String room;
    private final String outdoors;
    private final String defrost;
    private final List<String> modules;
    private final double changeover;

    /** @param modules the wireless modules that serve it: a defrost is told by their inputs; none: by the control itself */
    ThermostatLogic(Params p, List<String> modules) {
        this.modules = modules;
        kind = p.text("kind");
        terminals = new HashSet<>(p.texts("terminals"));
        electric = p.is("heatSource", "electric");
        valveWithMode = p.is("valveHold", "with-mode");
        differential = p.number("differentialK");
        auxOn = p.number("auxOnK");
        auxOff = p.number("auxOffK");
        stageUp = Time.micros(p.number("stageUpSeconds"));
        minOff = Time.micros(p.number("minOffSeconds"));
        room = p.textOrNull("reads");
        outdoors = p.textOrNull("outdoors");
        defrost = p.textOrNull("defrost");
        changeover = p.number("changeoverCelsius", 2);
    }

    /** The terminal that feeds {@code output}, or null for a terminal that is no output. */
    static String feedOf(String output, List<String> terminals) {
        return switch (output) {
            case "W", "W2", "AUX", "E", "SH" -> firstOf(terminals, "R", "RH", "RC");
            case "Y", "Y2", "G", "O", "B" -> firstOf(terminals, "R", "RC", "RH");
            default -> null;
        };
    }

    static String supplyFeed(List<String> terminals) {
        return firstOf(terminals, "R", "RC", "RH");
    }

    private static String firstOf(List<String> terminals, String... wanted) {
        for (String w : wanted) {
            if (terminals.contains(w)) {
                return w;
            }
        }
        return null;
    }

    Decision decide(Call old, Moment m) {
        double celsius = room == null ? m.number("roomCelsius") : m.celsiusOf(room);
        Reading r = new Reading(celsius, m.number("heatSetCelsius"), m.number("coolSetCelsius"));
        String mode = m.word("mode");
        Way season = season(old, mode, r);
        Way way = way(old, mode, season, r);
        Instant since = way == old.way() ? old.since() : m.now();
        double error = way == Way.COOL ? r.celsius() - r.coolSet(mode) : r.heatSet() - r.celsius();
        boolean far = (way == Way.HEAT || way == Way.COOL) && (old.far() ? error > auxOff : error >= auxOn);
        boolean burner = kind.equals("dual-fuel") && way == Way.HEAT && !(outdoorCelsius(m) >= changeover);
        boolean wantsCompressor = way == Way.COOL || (way == Way.HEAT && !kind.equals("conventional") && !burner);
        boolean rested = old.compressorOffAt().isNever()
                || old.compressorOffAt().plus(minOff).hasCome(m.now());
        boolean compressor = wantsCompressor && (old.compressor() || rested);
        Instant offAt = old.compressor() && !compressor ? m.now() : old.compressorOffAt();
        boolean late = way != Way.NONE && since.plus(stageUp).hasCome(m.now());
        boolean circulates = m.word("fan").equals("circulate");
        Instant circulating = !circulates ? NEVER : old.circulating().isNever() ? m.now() : old.circulating();
        boolean fanNow = m.word("fan").equals("on") || (circulates && circulationPhase(circulating, m) < CIRCULATE_ON);
        Call call = new Call(way, since, far, compressor, offAt, season, fanNow, circulating, burner);

        // a unit that tells the thermostat of its defrost gets auxiliary heat for it
        boolean told = defrost != null && call.way() == Way.HEAT && isToldOfDefrost(m);
        Set<String> outputs = outputs(call, mode, burner, far || late, told);
        Instant wake = wakeFor(call, wantsCompressor, m, mode, r);
        Because because = because(old, call, mode, r, late, m);
        boolean quiet = old.burner() == call.burner()
                && old.way() == call.way()
                && old.fan() == call.fan()
                && old.compressor() == call.compressor();
        return new Decision(call, outputs, wake, told && quiet ? Because.link(defrost + " defrosts") : because);
    }

    private boolean isToldOfDefrost(Moment m) {
        return modules.isEmpty()
                ? "defrost".equals(m.signalOf(defrost))
                : modules.stream().anyMatch(module -> {
                    Branch input = m.branchOf(module, "DEF-C");
                    return input != null && m.acVolts(input) >= TOLD_VOLTS;
                });
    }

    /** What still matters of a call: see {@link org.jagridge.core.part.Behaviour#canonical}. */
    Call canonical(Call c, Instant now) {
        Instant since = c.way() == Way.NONE ? NEVER : c.since().notBefore(now.minus(stageUp));
        boolean rested = !c.compressor() && c.compressorOffAt().plus(minOff).hasCome(now);
        Instant circulating =
                c.circulating().isNever() ? NEVER : now.minus(now.since(c.circulating()) % CIRCULATE_PERIOD);
        return new Call(
                c.way(),
                since,
                c.far(),
                c.compressor(),
                rested || c.compressor() ? NEVER : c.compressorOffAt(),
                c.season(),
                c.fan(),
                circulating,
                c.burner());
    }

    /** Where cooling goes off: with auto changeover at least the dead band above where heating does. */
    static double coolSet(String mode, double heatSet, double coolSet) {
        return mode.equals("auto") ? Math.max(coolSet, heatSet + DEAD_BAND_K) : coolSet;
    }

    private record Reading(double celsius, double heatSet, double coolSetAlone) {
        double coolSet(String mode) {
            return ThermostatLogic.coolSet(mode, heatSet, coolSetAlone);
        }
    }

    private Way season(Call old, String mode, Reading r) {
        return switch (mode) {
            case "heat", "emergency" -> Way.HEAT;
            case "cool" -> Way.COOL;
            case "auto" ->
                r.celsius() <= r.heatSet() - differential
                        ? Way.HEAT
                        : r.celsius() >= r.coolSet(mode) + differential ? Way.COOL : old.season();
            default -> Way.NONE;
        };
    }

    private Way way(Call old, String mode, Way season, Reading r) {
        if (season == Way.HEAT) {
            Way hot = mode.equals("emergency") ? Way.EMERGENCY : Way.HEAT;
            boolean was = old.way() == Way.HEAT || old.way() == Way.EMERGENCY;
            return (was ? r.celsius() < r.heatSet() : r.celsius() <= r.heatSet() - differential) ? hot : Way.NONE;
        }
        if (season == Way.COOL) {
            boolean was = old.way() == Way.COOL;
            double set = r.coolSet(mode);
            return (was ? r.celsius() > set : r.celsius() >= set + differential) ? Way.COOL : Way.NONE;
        }
        return Way.NONE;
    }

    /** As it is read: by a sensor that is wired to a module, else straight; NaN where that sensor isn't read. */
    private double outdoorCelsius(Moment m) {
        for (String module : modules) {
            Branch sensor = m.branchOf(module, RemoteModule.SENSOR);
            if (sensor != null) {
                OptionalDouble ohms = m.isSet(module, RemoteModule.IN_RANGE)
                        ? RemoteModule.sensedOhms(m.dcVolts(sensor))
                        : OptionalDouble.empty();
                // shown in tenths
                return ohms.isEmpty()
                        ? Double.NaN
                        : Math.rint(10 * SensorElement.celsius(ohms.getAsDouble(), SensorElement.KELVIN_B)) / 10;
            }
        }
        return outdoors == null ? m.number("outdoorCelsius") : m.celsiusOf(outdoors);
    }

    /** How far the fan's hour has come: it runs for the first 20 minutes after it was set to circulate. */
    private static long circulationPhase(Instant since, Moment m) {
        return m.now().since(since) % CIRCULATE_PERIOD;
    }

    private Set<String> outputs(Call call, String mode, boolean burner, boolean late, boolean told) {
        boolean secondStage = late || told;
        Set<String> out = new HashSet<>();
        boolean heatPump = !kind.equals("conventional");
        switch (call.way()) {
            case HEAT -> {
                if (!heatPump || burner) {
                    out.add("W");
                    if (secondStage) {
                        out.add("W2");
                    }
                    if (electric) {
                        out.add("G");
                    }
                } else if (secondStage) {
                    out.addAll(Set.of("AUX", "W2", "W", "G"));
                    if (kind.equals("dual-fuel") && !told) {
                        // the furnace and the heat pump never run together but in defrost
                        out.removeAll(Set.of("AUX", "W2", "W"));
                    }
                }
            }
            case EMERGENCY -> {
                out.add("G");
                out.addAll(terminals.contains("E") ? Set.of("E") : Set.of("AUX", "W2", "W"));
            }
            case COOL, NONE -> {}
        }
        if (call.compressor()) {
            out.add("Y");
            out.add("G");
            if (late) {
                out.add("Y2");
            }
        }
        boolean cooling = valveWithMode ? call.season() == Way.COOL : call.compressor() && call.way() == Way.COOL;
        boolean heating = valveWithMode
                ? call.season() == Way.HEAT && !mode.equals("emergency")
                : call.compressor() && call.way() == Way.HEAT;
        if (heatPump && cooling) {
            out.add("O");
        }
        if (heatPump && heating) {
            out.add("B");
        }
        if (call.fan()) {
            out.add("G");
        }
        return out;
    }

    /**
     * The ways of a mode on which an output comes on, early or late in the call, by compressor or burner.
     *
     * @param output or null for all ways of the mode
     */
    Set<Way> waysOf(String output, String mode) {
        Set<Way> ways = EnumSet.noneOf(Way.class);
        for (Way way : ofMode(mode)) {
            if (output == null || everOn(way, mode).contains(output)) {
                ways.add(way);
            }
        }
        return ways;
    }

    private static List<Way> ofMode(String mode) {
        return switch (mode) {
            case "heat" -> List.of(Way.HEAT);
            case "cool" -> List.of(Way.COOL);
            case "emergency" -> List.of(Way.EMERGENCY);
            case "auto" -> List.of(Way.HEAT, Way.COOL);
            default -> List.of();
        };
    }

    private Set<String> everOn(Way way, String mode) {
        Set<String> on = new HashSet<>();
        for (boolean burner : kind.equals("dual-fuel") && way == Way.HEAT ? List.of(false, true) : List.of(false)) {
            boolean compressor = way == Way.COOL || (way == Way.HEAT && !kind.equals("conventional") && !burner);
            Way season = way == Way.COOL ? way : Way.HEAT;
            Call call = new Call(way, NEVER, true, compressor, NEVER, season, false, NEVER, burner);
            on.addAll(outputs(call, mode, burner, true, false));
            on.addAll(outputs(call, mode, burner, true, defrost != null));
        }
        if (on.contains("Y") || on.contains("G")) {
            // what shares one conductor
            on.add("SH");
        }
        return on;
    }

    private Instant wakeFor(Call call, boolean wantsCompressor, Moment m, String mode, Reading r) {
        Instant wake = NEVER;
        if (wantsCompressor && !call.compressor()) {
            wake = Instant.earliest(wake, call.compressorOffAt().plus(minOff));
        }
        if (call.way() != Way.NONE && !call.since().plus(stageUp).hasCome(m.now())) {
            wake = Instant.earliest(wake, call.since().plus(stageUp));
        }
        if (m.word("fan").equals("circulate")) {
            long phase = circulationPhase(call.circulating(), m);
            wake = Instant.earliest(wake, m.after((phase < CIRCULATE_ON ? CIRCULATE_ON : CIRCULATE_PERIOD) - phase));
        }
        if (room != null) {
            double heatSet = r.heatSet();
            double coolSet = r.coolSet(mode);
            for (double target : new double[] {
                heatSet,
                heatSet - differential,
                heatSet - auxOn,
                heatSet - auxOff,
                coolSet,
                coolSet + differential,
                coolSet + auxOn,
                coolSet + auxOff
            }) {
                wake = Instant.earliest(wake, m.whenCelsius(room, target));
            }
        }
        if (outdoors != null) {
            wake = Instant.earliest(wake, m.whenCelsius(outdoors, changeover));
        }
        return wake;
    }

    private Because because(Call old, Call call, String mode, Reading r, boolean late, Moment m) {
        if (old.way() != call.way()) {
            if (mode.equals("off")) {
                return Because.input("mode is off");
            }
            return Because.temperature(() -> words(old.way(), call.way(), mode, r));
        }
        if (call.burner() != old.burner()) {
            double outside = outdoorCelsius(m);
            if (Double.isNaN(outside)) {
                return Because.link("no outdoor temperature is read: the furnace");
            }
            return Because.temperature(() -> format(
                    call.burner()
                            ? "%.1f °C outdoors < %.1f °C: the furnace"
                            : "%.1f °C outdoors ≥ %.1f °C: the heat pump",
                    outside,
                    changeover));
        }
        if (call.fan() != old.fan()) {
            return Because.input("the fan is set to " + m.word("fan"));
        }
        if (call.compressor() && !old.compressor()) {
            return Because.timer("the least off time of " + Time.words(minOff) + " is over");
        }
        if (call.far() != old.far()) {
            return Because.temperature(() -> format("room %.1f °C, set %.1f °C", r.celsius(), r.heatSet()));
        }
        if (late) {
            return Because.timer("the call has lasted " + Time.words(stageUp));
        }
        boolean wasTold = defrost != null && call.way() == Way.HEAT;
        return wasTold ? Because.link(defrost + " no longer defrosts") : Because.input("mode is " + mode);
    }

    private String words(Way before, Way now, String mode, Reading r) {
        return switch (now) {
            case HEAT, EMERGENCY ->
                format("mode %s, room %.1f °C ≤ set %.1f °C − %.1f K", mode, r.celsius(), r.heatSet(), differential);
            case COOL ->
                format(
                        "mode %s, room %.1f °C ≥ set %.1f °C + %.1f K",
                        mode, r.celsius(), r.coolSet(mode), differential);
            case NONE ->
                before == Way.COOL
                        ? format("mode %s, room %.1f °C ≤ set %.1f °C", mode, r.celsius(), r.coolSet(mode))
                        : format("mode %s, room %.1f °C ≥ set %.1f °C", mode, r.celsius(), r.heatSet());
        };
    }

    private static String format(String pattern, Object... values) {
        return String.format(Locale.ROOT, pattern, values);
    }
}
