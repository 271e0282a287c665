package org.jagridge.core.plan;

import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jagridge.core.circuit.ConductorSize;

/**
 * What stands in front of a technician: boards, a thermostat, cables that are there, and what may be bought.
 *
 * @param hydronics {@code one-valve}, {@code two-valves}, {@code mid-position}, or null
 * @param transformers how many control transformers there are: 1 or 2
 * @param stock what is on the van, by name; null where anything can be bought
 * @param allow ways out that may be used, or null for all
 * @param answers to {@linkplain WiringAnswer.Question questions} that were asked before, by what they are about
 * @param landings the old thermostat's conductors, before anything is taken off
 * @param assumed what the request left out and was taken as usual, in words
 */
public record WiringRequest(
        Indoor indoor,
        Outdoor outdoor,
        String hydronics,
        Thermostat thermostat,
        int transformers,
        boolean inPhase,
        List<CableRun> cables,
        Set<Accessory> accessories,
        Map<String, Integer> stock,
        Set<Way> allow,
        Map<String, String> answers,
        List<Landing> landings,
        Prices prices,
        List<String> assumed) {

    /** What hangs indoors. */
    public enum IndoorKind implements Worded {
        GAS_FURNACE,
        OIL_FURNACE,
        AIR_HANDLER,
        FAN_CENTRE_BOILER,
        DRY_CONTACT_BOILER,
        ZONE_PANEL,
        HYDRONIC_COIL,
        MILLIVOLT,
        LINE_VOLTAGE,
        NONE
    }

    /** What hangs in the way of a call, or follows it. */
    public enum Accessory implements Worded {
        FLOAT_SWITCH,
        FREEZE_SWITCH,
        CURRENT_SWITCH,
        LOCKOUT_RELAY,
        START_DELAY,
        HUMIDIFIER,
        OUTDOOR_SENSOR
    }

    /** What may be done about a shortage that costs something. */
    public enum Way implements Worded {
        BATTERIES,
        SHARING_PAIR,
        WIRELESS_MODULE,
        LOCAL_TRANSFORMER,
        NEW_CABLE,
        RELAY
    }

    /** What a thermostat lives on. */
    public enum Power implements Worded {
        BATTERY,
        COMMON,
        EITHER
    }

    public static final List<String> OUTDOOR_KINDS = List.of("none", "cooling", "heat-pump");
    public static final List<String> HYDRONICS_KINDS = List.of("one-valve", "two-valves", "mid-position");
    public static final List<String> TERMINALS = List.of(
            "R", "RH", "RC", "C", "W", "W2", "Y", "Y2", "G", "O", "B", "AUX", "E", "SH", "L", "1", "2", "3", "N");
    public static final List<String> STOCK =
            List.of("relay-24V", "contactor-24V", "sharing-pair", "wireless-module", "transformer-24V", "cable-metres");

    static final String NONE = "none";

    public WiringRequest {
        cables = List.copyOf(cables);
        accessories = Set.copyOf(accessories);
        answers = Map.copyOf(answers);
        landings = List.copyOf(landings);
        assumed = List.copyOf(assumed);
    }

    /**
     * @param posts letters of the posts that its board has
     * @param stripsKw of its strip heater; 0 for none
     * @param fanRunsItself whether its blower comes with heat without being asked
     * @param transformerVa of its control transformer
     */
    public record Indoor(
            IndoorKind kind, Set<String> posts, double stripsKw, boolean fanRunsItself, double transformerVa) {
        boolean is(IndoorKind other) {
            return kind == other;
        }

        boolean isThere() {
            return kind != IndoorKind.NONE;
        }
    }

    /**
     * @param valve {@code O} (energised to cool) or {@code B} (energised to heat)
     * @param valveTold whether the request said so
     * @param w2 whether it asks for auxiliary heat while it defrosts
     * @param transformer whether it has a control transformer of its own
     */
    public record Outdoor(String kind, int stages, String valve, boolean valveTold, boolean w2, boolean transformer) {
        boolean isThere() {
            return !kind.equals(NONE);
        }

        boolean isHeatPump() {
            return kind.equals("heat-pump");
        }
    }

    /**
     * @param kind {@code conventional}, {@code heat-pump}, {@code dual-fuel}; for a bare switch {@code line} or
     *     {@code millivolt}
     * @param kindTold whether the request said so
     */
    public record Thermostat(List<String> terminals, Power power, String kind, boolean kindTold) {
        boolean has(String terminal) {
            return terminals.contains(terminal);
        }

        boolean isBare() {
            return kind.equals("line") || kind.equals("millivolt");
        }
    }

    /** A cable that is there. */
    public record CableRun(
            String id,
            String from,
            String to,
            List<String> cores,
            Set<String> dead,
            Double metres,
            ConductorSize size) {
        boolean touches(String place) {
            return from.equals(place) || to.equals(place);
        }

        /** Cores that can be used. */
        List<String> alive() {
            return cores.stream().filter(c -> !dead.contains(c)).toList();
        }
    }

    /**
     * A conductor at the old thermostat.
     *
     * @param at the letter of the terminal on which it was found
     * @param other where its other end lands, {@code PART.TERMINAL} or a post's letter; null where nobody looked
     */
    public record Landing(String cable, String core, String at, String other) {}

    boolean allows(Way way) {
        return allow == null || allow.contains(way);
    }

    /** How many of an article may be used. */
    int stocked(String article) {
        return stock == null ? Integer.MAX_VALUE : stock.getOrDefault(article, 0);
    }

    /** The same with every way open: to see what would make an unsolvable one solvable. */
    WiringRequest unbounded() {
        return new WiringRequest(
                indoor,
                outdoor,
                hydronics,
                thermostat,
                transformers,
                inPhase,
                cables,
                accessories,
                null,
                null,
                answers,
                landings,
                prices,
                assumed);
    }

    WiringRequest withThermostat(Thermostat other) {
        return new WiringRequest(
                indoor,
                outdoor,
                hydronics,
                other,
                transformers,
                inPhase,
                cables,
                accessories,
                stock,
                allow,
                answers,
                landings,
                prices,
                assumed);
    }
}
