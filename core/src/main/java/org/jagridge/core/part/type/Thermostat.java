package org.jagridge.core.part.type;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.FaultKind;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Input;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.PartDefect;
import org.jagridge.core.circuit.Signal;
import org.jagridge.core.network.Complex;
import org.jagridge.core.part.Because;
import org.jagridge.core.part.Behaviour;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Call;
import org.jagridge.core.part.Instant;
import org.jagridge.core.part.Moment;
import org.jagridge.core.part.PartDraft;
import org.jagridge.core.part.PartType;
import org.jagridge.core.part.Reaction;
import org.jagridge.core.part.Shape;
import org.jagridge.core.part.Stamp;
import org.jagridge.core.part.Trait;
import org.jagridge.core.part.block.Burnable;

/**
 * {@code thermostat}: a set of switches that pass a feed to terminals. Heating is fed from R or RH, all else from R or
 * RC. What it calls for is decided in {@link ThermostatLogic}.
 */
final class Thermostat extends PartType {
    private static final Pattern STAGE_ON = Pattern.compile("-(W|W2|Y|Y2|AUX|E)\\b");
    private static final double HEAT_SET = 20;
    private static final double COOL_SET = 24;
    private static final double LEAST_OWN_VOLTS = 16;
    private static final double CONTROL_VOLTS = 24;
    private static final double HALF_AC = 0.545;
    private static final double HALF_DC = 0.45;
    private static final double MODULE_OHMS = 2000;
    private static final double HALF_OHMS = MODULE_OHMS * (1 / HALF_AC - 1);

    /** What its face is without a supply, and as a condition: dead inside, whatever its supply. */
    private static final String BLANK = "blank";

    Thermostat() {
        super(
                "thermostat",
                "Thermostat",
                "A set of low-voltage switches: joins R to W to heat, R to Y and G to cool. It makes no power of its "
                        + "own.");
    }

    @Override
    public String letters() {
        return "TH";
    }

    @Override
    public List<Field> params() {
        return List.of(
                Field.choice("kind", "conventional", "conventional", "heat-pump", "dual-fuel"),
                Field.texts("terminals", List.of("R", "C", "W", "Y", "G"))
                        .outOf("R", "RH", "RC", "C", "W", "W2", "Y", "Y2", "G", "O", "B", "AUX", "E", "SH", "L"),
                Field.choice("heatSource", "gas", "gas", "electric"),
                Field.choice("power", "battery", "battery", "common", "either"),
                Field.positive("va", 1.5, "VA"),
                Field.positive("differentialK", 0.6, "K"),
                Field.positive("auxOnK", 2.8, "K"),
                Field.positive("auxOffK", 1.7, "K"),
                Field.positive("stageUpSeconds", 1800.0, "s"),
                Field.number("minOffSeconds", 300.0, "s").within(0, 3600),
                Field.choice("valveHold", "with-call", "with-call", "with-mode"),
                Field.number("changeoverCelsius", null, "°C"),
                Field.temperatureOf("outdoors"),
                Field.part("defrost"),
                Field.temperatureOf("reads"));
    }

    @Override
    public List<String> terminals(Params params) {
        return params.texts("terminals");
    }

    @Override
    public List<Field> inputs(Params params) {
        List<Field> inputs = new ArrayList<>();
        boolean heatPump = !params.is("kind", "conventional");
        inputs.add(
                heatPump
                        ? Field.choice("mode", "off", "off", "heat", "cool", "auto", "emergency")
                        : Field.choice("mode", "off", "off", "heat", "cool", "auto"));
        inputs.add(Field.choice("fan", "auto", "auto", "on", "circulate"));
        inputs.add(Field.number("heatSetCelsius", HEAT_SET, "°C").within(0, 40));
        inputs.add(Field.number("coolSetCelsius", COOL_SET, "°C").within(0, 50));
        if (!params.has("reads")) {
            inputs.add(Field.number("roomCelsius", 21.0, "°C").within(-40, 60));
        }
        if (params.is("kind", "dual-fuel") && !params.has("outdoors")) {
            inputs.add(Field.number("outdoorCelsius", 5.0, "°C").within(-50, 50));
        }
        if (!params.is("power", "common")) {
            inputs.add(Field.choice("batteries", "good", "good", "weak", "flat"));
        }
        inputs.add(Field.flag("pulled", false));
        return inputs;
    }

    @Override
    public Map<Input, List<Double>> cuts(Part part, Params params) {
        double d = params.number("differentialK");
        List<Double> room = new ArrayList<>(List.of(HEAT_SET - d, HEAT_SET, COOL_SET, COOL_SET + d));
        if (!params.is("kind", "conventional")) {
            room.add(HEAT_SET - params.number("auxOnK"));
            room.add(HEAT_SET - params.number("auxOffK"));
        }
        Map<Input, List<Double>> cuts = new LinkedHashMap<>();
        cuts.put(room(part, params), room);
        if (params.has("changeoverCelsius")) {
            Input outdoors = params.has("outdoors")
                    ? new Input(params.text("outdoors"), "celsius")
                    : new Input(part.id(), "outdoorCelsius");
            cuts.put(outdoors, List.of(params.number("changeoverCelsius")));
        }
        return cuts;
    }

    @Override
    public List<String> cautions() {
        return List.of("Jumper R to W, Y or G to test; never R to C.");
    }

    @Override
    public List<Fault> ownFaults(Part part, Params params) {
        List<String> outputs = params.texts("terminals").stream()
                .filter(t -> ThermostatLogic.feedOf(t, params.texts("terminals")) != null)
                .toList();
        List<Fault> faults = new ArrayList<>(each(part, FaultKind.OUTPUT_DEAD, "output", outputs));
        faults.addAll(each(part, FaultKind.OUTPUT_STUCK, "output", outputs));
        String other = params.is("heatSource", "gas") ? "electric" : "gas";
        faults.add(Fault.of(FaultKind.WRONG_SETTING, "part", part.id(), "param", "heatSource", "value", other));
        faults.addAll(each(part, FaultKind.CONDITION, "condition", List.of(BLANK)));
        return faults;
    }

    @Override
    public List<Call> calls(Part part, Params params) {
        List<String> terminals = params.texts("terminals");
        boolean heatPump = !params.is("kind", "conventional");
        List<Call> calls = new ArrayList<>();
        // a sharing conductor carries Y and G for which there is none of their own
        boolean shares = terminals.contains("SH");
        if (terminals.contains("G") || shares) {
            Input fan = new Input(part.id(), "fan");
            calls.add(Call.of("fan", "Fan on", Call.Duty.FAN, Map.of(), Map.of(fan, "on"), Map.of(fan, "auto")));
        }
        if (terminals.contains("Y") || terminals.contains("Y2") || shares) {
            calls.add(call(part, params, "cool", "Cooling", Call.Duty.COOLING, 27.0, "cool"));
        }
        if (heatPump) {
            calls.add(call(part, params, "heat", "Heating, first stage", Call.Duty.HEATING, 19.0, "heat"));
            if (terminals.contains("AUX") || terminals.contains("W2") || terminals.contains("W")) {
                calls.add(call(part, params, "aux", "Auxiliary heat", Call.Duty.AUXILIARY_HEAT, 15.0, "heat"));
            }
            calls.add(call(part, params, "emergency", "Emergency heat", Call.Duty.EMERGENCY_HEAT, 15.0, "emergency"));
        } else if (terminals.contains("W")) {
            calls.add(call(part, params, "heat", "Heating", Call.Duty.HEATING, 19.0, "heat"));
        }
        return calls;
    }

    @Override
    public Optional<String> whyQuiet(Part part, Params params, String output, Seen seen) {
        String mode = String.valueOf(seen.input("mode"));
        if (Boolean.TRUE.equals(seen.input("pulled"))) {
            return Optional.of("it is pulled off its sub-base");
        }
        if (BLANK.equals(seen.signal()) || Burnable.BURNT.equals(seen.signal())) {
            return Optional.of("it is " + seen.signal());
        }
        if (mode.equals("off")) {
            return Optional.of("no call: its mode is off");
        }
        Set<ThermostatLogic.Way> ways = new ThermostatLogic(params, List.of()).waysOf(output, mode);
        if (ways.isEmpty()) {
            return Optional.of("no call for " + output + ": its mode is " + mode);
        }
        double room = seen.room(params);
        double d = params.number("differentialK");
        double heats = seen.number("heatSetCelsius") - d;
        double cools = ThermostatLogic.coolSet(mode, seen.number("heatSetCelsius"), seen.number("coolSetCelsius")) + d;
        boolean heat = ways.contains(ThermostatLogic.Way.HEAT) || ways.contains(ThermostatLogic.Way.EMERGENCY);
        boolean cool = ways.contains(ThermostatLogic.Way.COOL);
        if (calls(seen.signal()) || (heat && room <= heats) || (cool && room >= cools)) {
            return Optional.empty();
        }
        List<String> starts = new ArrayList<>();
        if (heat) {
            starts.add("heating starts at %.1f °C".formatted(heats));
        }
        if (cool) {
            starts.add((heat ? "cooling at %.1f °C" : "cooling starts at %.1f °C").formatted(cools));
        }
        return Optional.of("no call: the room is %.1f °C, ".formatted(room) + String.join(", ", starts));
    }

    /** Whether a stage is on; what isn't on yet then waits for no other room. */
    private static boolean calls(String signal) {
        return signal != null && STAGE_ON.matcher(signal).find();
    }

    private static Call call(
            Part part, Params params, String key, String name, Call.Duty duty, double room, String word) {
        Input mode = new Input(part.id(), "mode");
        return Call.of(key, name, duty, Map.of(room(part, params), room), Map.of(mode, word), Map.of(mode, "off"));
    }

    private static List<String> pairs(List<String> terminals) {
        return terminals.stream()
                .filter(t -> ThermostatLogic.feedOf(t, terminals) != null)
                .map(t -> ThermostatLogic.feedOf(t, terminals) + "-" + t)
                .toList();
    }

    @Override
    public Set<Trait> traits(Params params) {
        return Set.of(Trait.THERMOSTAT);
    }

    @Override
    public Signal signal(Params params) {
        return Signal.someOf(pairs(params.texts("terminals")), "none", BLANK, Burnable.BURNT);
    }

    @Override
    public Set<String> above(Params params) {
        return Set.copyOf(terminals(params));
    }

    @Override
    public Behaviour<?> build(PartDraft draft) {
        Switches switches = new Switches(draft);
        List<Branch> own = switches.ownSupply == null ? List.of() : List.of(switches.ownSupply);
        return new Burnable<>(
                switches, CONTROL_VOLTS, own, List.copyOf(switches.contacts.values()), m -> !m.flag("pulled"));
    }

    /**
     * @param pulled off its sub-base: nothing of it is in the circuit
     * @param closed the outputs that are joined to their feed now, in the order of the terminals
     * @param half DC volts behind a half-wave on SH, with the sign that tells Y (+) from G (−); 0 for none or both
     */
    record State(boolean pulled, boolean lit, ThermostatLogic.Call call, List<String> closed, double half) {}

    private static final class Switches implements Behaviour<State> {
        private final Params params;
        private final ThermostatLogic logic;
        private final Map<String, Branch> contacts = new LinkedHashMap<>();
        private final Branch ownSupply;

        Switches(PartDraft draft) {
            params = draft.params();
            List<String> terminals = params.texts("terminals");
            logic = new ThermostatLogic(params, draft.namedBy("remote-module", "thermostat"));
            for (String t : terminals) {
                String feed = ThermostatLogic.feedOf(t, terminals);
                if (feed != null) {
                    contacts.put(t, draft.contact(feed, t, Shape.THERMOSTAT, false));
                }
            }
            String feed = ThermostatLogic.supplyFeed(terminals);
            boolean wired = terminals.contains("C") && feed != null && !params.is("power", "battery");
            ownSupply = wired ? draft.load(feed, "C", Shape.BOX) : null;
        }

        @Override
        public State start(Moment moment) {
            return new State(false, true, ThermostatLogic.Call.NONE, List.of(), 0);
        }

        @Override
        public void stamp(State state, Stamp stamp) {
            contacts.forEach((t, b) -> {
                if (t.equals("SH") && state.half() != 0) {
                    stamp.dcSource(b, -state.half(), HALF_OHMS);
                } else {
                    stamp.contact(b, state.closed().contains(t));
                }
            });
            if (ownSupply != null && state.pulled()) {
                stamp.open(ownSupply);
            } else if (ownSupply != null) {
                stamp.load(ownSupply, Complex.real(CONTROL_VOLTS * CONTROL_VOLTS / params.number("va")));
            }
        }

        @Override
        public Reaction<State> react(State s, Moment m) {
            boolean fed = ownSupply != null && m.acVolts(ownSupply) >= LEAST_OWN_VOLTS;
            String batteries = params.is("power", "common") ? "flat" : m.word("batteries");
            boolean pulled = m.flag("pulled");
            boolean dead = m.condition(BLANK);
            boolean lit = !pulled && !dead && (fed || !batteries.equals("flat"));
            boolean switches = lit && (fed || batteries.equals("good"));
            if (!switches) {
                Because why = pulled
                        ? Because.input("pulled off its sub-base")
                        : lit
                                ? Because.input("weak batteries: lit, but it switches nothing")
                                : dead ? Because.link("dead inside, whatever its supply") : noSupply(m);
                // what it called for is forgotten; a new start is a first power
                return Reaction.change(new State(pulled, lit, ThermostatLogic.Call.NONE, List.of(), 0), why);
            }
            ThermostatLogic.Decision d = logic.decide(s.call(), m);
            List<String> closed = new ArrayList<>();
            for (String t : contacts.keySet()) {
                if (isClosed(t, d.outputs().contains(t), m)) {
                    closed.add(t);
                }
            }
            double half = half(s, closed, d.outputs(), m);
            State next = new State(false, true, d.call(), List.copyOf(closed), half);
            Because why = s.lit() || d.because() != null ? d.because() : Because.link("it has its supply again");
            return new Reaction<>(next, d.wakeAt(), why, null);
        }

        /**
         * Y and G that have no conductor of their own go over SH: both as the full wave, one as a half-wave. A half
         * wave of V RMS is 0.545 V AC and ±0.45 V DC at the module's 2 kΩ input; a resistance and a DC source in the
         * contact's place make just that.
         */
        private double half(State s, List<String> closed, Set<String> outputs, Moment m) {
            if (!contacts.containsKey("SH")) {
                return 0;
            }
            boolean y = outputs.contains("Y") && !contacts.containsKey("Y");
            boolean g = outputs.contains("G") && !contacts.containsKey("G");
            if (y || g) {
                closed.add("SH");
            }
            if (y == g) {
                return 0;
            }
            if (s.half() == 0) {
                return y ? 1e-3 : -1e-3;
            }
            // what stays on the resistance tells the volts of the feed
            double feed = m.acVolts(contacts.get("SH")) / (1 - HALF_AC);
            double emf = HALF_DC * feed * (HALF_OHMS + MODULE_OHMS) / MODULE_OHMS;
            double kept = Math.abs(s.half());
            double size = Math.abs(emf - kept) < 0.01 ? kept : Math.max(1e-3, emf);
            return y ? size : -size;
        }

        private Because noSupply(Moment m) {
            return ownSupply == null
                    ? Because.input("flat batteries")
                    : Because.fallen(ownSupply, m.acVolts(ownSupply), LEAST_OWN_VOLTS);
        }

        private static boolean isClosed(String output, boolean called, Moment m) {
            PartDefect.OutputDead dead = m.fault(PartDefect.OutputDead.class);
            if (dead != null && output.equals(dead.output())) {
                return false;
            }
            PartDefect.OutputStuck stuck = m.fault(PartDefect.OutputStuck.class);
            return called || (stuck != null && output.equals(stuck.output()));
        }

        @Override
        public State canonical(State s, Instant now) {
            return new State(s.pulled(), s.lit(), logic.canonical(s.call(), now), s.closed(), s.half());
        }

        @Override
        public String signal(State state) {
            if (!state.lit()) {
                return BLANK;
            }
            if (state.closed().isEmpty()) {
                return "none";
            }
            return String.join(
                    " ",
                    state.closed().stream().map(t -> contacts.get(t).label()).toList());
        }
    }
}
