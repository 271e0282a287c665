package org.jagridge.core.part.type;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.Set;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.Signal;
import org.jagridge.core.network.Complex;
import org.jagridge.core.part.Because;
import org.jagridge.core.part.Behaviour;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Instant;
import org.jagridge.core.part.Moment;
import org.jagridge.core.part.PartDraft;
import org.jagridge.core.part.PartType;
import org.jagridge.core.part.Reaction;
import org.jagridge.core.part.Role;
import org.jagridge.core.part.Shape;
import org.jagridge.core.part.Stamp;
import org.jagridge.core.part.Time;
import org.jagridge.core.part.Trait;
import org.jagridge.core.part.block.Burnable;

/**
 * {@code remote-module}: R and C at the unit; its outputs follow the thermostat's by radio. Out of range, or with the
 * thermostat blank, all go off after {@code lossSeconds}. It tells the thermostat of a defrost by what stands at DEF, and
 * of the outdoors by a sensor between T1 and T2: it puts a few volts on the sensor through a resistor and reads how many
 * of them the sensor keeps.
 */
final class RemoteModule extends PartType {
    /** Its sensor's way, from which a thermostat takes the outdoor temperature. */
    static final String SENSOR = "T1-T2";

    static final String IN_RANGE = "inRange";
    private static final double LEAST_SUPPLY = 16;
    /** What it puts on its sensor: volts of direct current, behind ohms. */
    private static final double SENSOR_VOLTS = 3.3;

    private static final double SENSOR_OHMS = 10_000;
    /** A sensor has neither less nor more than this anywhere between −60 and 100 °C: beyond it is a short or a break. */
    private static final double LEAST_OHMS = 500;

    private static final double MOST_OHMS = 2_500_000;

    RemoteModule() {
        super("remote-module", "Wireless relay module", "Repeats the thermostat's calls at the unit without wires.");
    }

    @Override
    public List<Field> params() {
        return List.of(
                Field.texts("outputs", List.of("Y", "G")).outOf("W", "W2", "Y", "Y2", "G", "O", "B", "AUX", "E"),
                Field.part("thermostat"),
                Field.number("lossSeconds", 120.0, "s").within(0, 3600));
    }

    @Override
    public List<String> terminals(Params params) {
        List<String> names = new ArrayList<>(List.of("R", "C"));
        names.addAll(params.texts("outputs"));
        names.addAll(List.of("DEF", "T1", "T2"));
        return names;
    }

    @Override
    public List<Field> inputs(Params params) {
        return List.of(Field.flag(IN_RANGE, true));
    }

    @Override
    public Signal signal(Params params) {
        return Signal.someOf(params.texts("outputs").stream().map(o -> "R-" + o).toList(), "none", Burnable.BURNT);
    }

    @Override
    protected Map<String, String> jobs() {
        return Map.of("R-C", "power", "DEF-C", "defrost signal");
    }

    @Override
    public Behaviour<?> build(PartDraft draft) {
        Map<String, Branch> outputs = new LinkedHashMap<>();
        for (String o : draft.params().texts("outputs")) {
            outputs.put(o, draft.contact("R", o, Shape.CONTACT_OPEN, false));
        }
        Branch supply = draft.load("R", "C", Shape.BOX);
        Branch defrost = draft.load("DEF", "C", Shape.BOX);
        // it is there where it is used: direct current in every circuit with a module would be solved for nothing
        Branch sensor =
                draft.isWired("T1") || draft.isWired("T2") ? draft.source("T1", "T2", Role.SOURCE, Shape.BOX) : null;
        Receiver receiver = new Receiver(
                supply,
                defrost,
                sensor,
                outputs,
                draft.params().textOrNull("thermostat"),
                Time.micros(draft.params().number("lossSeconds")));
        return Burnable.lowVoltage(receiver, supply, defrost);
    }

    @Override
    public Set<Trait> traits(Params params) {
        return Set.of(Trait.HARMLESS_SOURCE);
    }

    /** What a sensor of this many volts has, Ω; empty where it is open, shorted or not fed. */
    static OptionalDouble sensedOhms(double volts) {
        double ohms = volts >= SENSOR_VOLTS ? Double.POSITIVE_INFINITY : SENSOR_OHMS * volts / (SENSOR_VOLTS - volts);
        return ohms < LEAST_OHMS || ohms > MOST_OHMS ? OptionalDouble.empty() : OptionalDouble.of(ohms);
    }

    /** @param lostSince when it last heard, or {@link Instant#NEVER} while it hears */
    record State(List<String> closed, Instant lostSince, boolean fed) {
        State(List<String> closed, Instant lostSince) {
            this(closed, lostSince, true);
        }

        static State dead() {
            return new State(List.of(), Instant.NEVER, false);
        }
    }

    /** @param sensor its sensor's way; null where none is wired */
    private record Receiver(
            Branch supply, Branch defrost, Branch sensor, Map<String, Branch> outputs, String thermostat, long loss)
            implements Behaviour<State> {
        @Override
        public State start(Moment moment) {
            return State.dead();
        }

        @Override
        public void stamp(State s, Stamp stamp) {
            stamp.load(supply, Complex.real(24 * 24 / 2.0));
            stamp.load(defrost, Complex.real(10_000));
            if (sensor != null) {
                stamp.dcSource(sensor, s.fed() ? SENSOR_VOLTS : 0, SENSOR_OHMS);
            }
            outputs.forEach((o, b) -> stamp.contact(b, s.closed().contains(o)));
        }

        @Override
        public Reaction<State> react(State s, Moment m) {
            if (m.acVolts(supply) < LEAST_SUPPLY) {
                return Reaction.change(State.dead(), Because.fallen(supply, m.acVolts(supply), LEAST_SUPPLY));
            }
            String calls = thermostat == null ? null : m.signalOf(thermostat);
            boolean hears =
                    m.flag("inRange") && calls != null && !calls.equals("blank") && !calls.equals(Burnable.BURNT);
            if (hears) {
                List<String> closed = new ArrayList<>();
                for (String o : outputs.keySet()) {
                    if (calls.endsWith("-" + o) || calls.contains("-" + o + " ")) {
                        closed.add(o);
                    }
                }
                return Reaction.change(
                        new State(List.copyOf(closed), Instant.NEVER),
                        Because.link(() -> thermostat + " calls "
                                        + calls.replace('-', '–').replace(" ", " and "))
                                .through(supply));
            }
            Instant since = s.lostSince().isNever() ? m.now() : s.lostSince();
            if (since.plus(loss).hasCome(m.now())) {
                return Reaction.change(
                        new State(List.of(), since), Because.timer("nothing heard for " + Time.words(loss)));
            }
            return Reaction.waiting(new State(s.closed(), since), since.plus(loss));
        }

        @Override
        public State canonical(State s, Instant now) {
            return new State(s.closed(), s.lostSince().notBefore(now.minus(loss)), s.fed());
        }

        @Override
        public String signal(State s) {
            return s.closed().isEmpty()
                    ? "none"
                    : String.join(" ", s.closed().stream().map(o -> "R-" + o).toList());
        }
    }
}
