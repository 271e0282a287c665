package org.jagridge.core.part.type;

import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.FaultKind;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.PartDefect;
import org.jagridge.core.circuit.Signal;
import org.jagridge.core.network.Complex;
import org.jagridge.core.part.Because;
import org.jagridge.core.part.Behaviour;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Moment;
import org.jagridge.core.part.PartDraft;
import org.jagridge.core.part.PartType;
import org.jagridge.core.part.Reaction;
import org.jagridge.core.part.Shape;
import org.jagridge.core.part.Stamp;
import org.jagridge.core.part.Time;
import org.jagridge.core.part.block.Travel;

/**
 * {@code mid-position-valve}: white WH, grey GY, orange OR, neutral N.
 *
 * <table>
 * <caption>What the two lives do</caption>
 * <tr><th>white</th><th>grey</th><th>goes to</th></tr>
 * <tr><td>0</td><td>0</td><td>hot water, by its spring</td></tr>
 * <tr><td>1</td><td>0</td><td>mid: both</td></tr>
 * <tr><td>1</td><td>1</td><td>heating; there it feeds orange from white</td></tr>
 * <tr><td>0</td><td>1</td><td>from mid on to heating; at heating it holds; at hot water it stays</td></tr>
 * </table>
 */
final class MidPositionValve extends PartType {
    private static final double ON_VOLTS = 160;

    MidPositionValve() {
        super(
                "mid-position-valve",
                "Mid-position valve",
                "Sends the water to the cylinder, the heating or both, by two switched lives.");
    }

    @Override
    public List<Field> params() {
        return List.of(Field.positive("travelSeconds", 15.0, "s"));
    }

    @Override
    public List<String> terminals(Params params) {
        return List.of("WH", "GY", "OR", "N");
    }

    @Override
    public List<Fault> ownFaults(Part part, Params params) {
        return each(part, FaultKind.STUCK, "at", List.of("hot-water", "mid", "heating"));
    }

    @Override
    public Signal signal(Params params) {
        return Signal.of("hot-water", "mid", "heating", "moving");
    }

    @Override
    protected Map<String, String> jobs() {
        return Map.of("WH-N", "heating call", "GY-N", "hot water satisfied");
    }

    @Override
    public Set<String> above(Params params) {
        return Set.copyOf(terminals(params));
    }

    @Override
    public Behaviour<?> build(PartDraft draft) {
        return new Valve(
                draft.load("WH", "N", Shape.MOTOR),
                draft.load("GY", "N", Shape.MOTOR),
                draft.contact("WH", "OR", Shape.SWITCH, false),
                Time.micros(draft.params().number("travelSeconds")));
    }

    /**
     * @param white whether its life was there when it was last looked at, so that one sees which of them came or went
     */
    record State(Travel travel, boolean white, boolean grey) {}

    private record Valve(Branch white, Branch grey, Branch orange, long whole) implements Behaviour<State> {
        private static final Complex MOTOR = Complex.real(230 * 230 / 6.0);

        @Override
        public State start(Moment moment) {
            return new State(Travel.rest(0, whole), false, false);
        }

        @Override
        public void stamp(State s, Stamp stamp) {
            stamp.load(white, MOTOR);
            stamp.load(grey, MOTOR);
            stamp.contact(orange, !s.travel().moves() && s.travel().to() == 1);
        }

        private static double position(String word) {
            return word.equals("heating") ? 1 : word.equals("mid") ? 0.5 : 0;
        }

        private static double end(Travel s, boolean w, boolean g, double at) {
            if (w) {
                return g ? 1 : 0.5;
            }
            // grey alone keeps it going the way it has come past mid, and holds it at the heating end
            return g && at >= 0.5 ? 1 : g && s.to() == 1 && at > 0 ? 1 : 0;
        }

        @Override
        public Reaction<State> react(State s, Moment m) {
            boolean turns = m.fault(PartDefect.LoadOpen.class) == null;
            boolean w = m.volts(white) >= ON_VOLTS;
            boolean g = m.volts(grey) >= ON_VOLTS;
            Travel was = s.travel();
            double end = end(was, turns && w, turns && g, was.at(m.now()));
            PartDefect.Stuck stuck = m.fault(PartDefect.Stuck.class);
            Travel next =
                    was.toward(stuck == null ? end : was.sticking(position(stuck.position()), end, m.now()), m.now());
            boolean turned = next.to() != was.to();
            Because because = turned ? why(s, w, g, m) : Because.timer("the travel is done");
            return new Reaction<>(new State(next, w, g), next.arrives(), because, turned ? because : null);
        }

        /** The life that came or went; without one, what is wrong with it has begun or gone. */
        private Because why(State s, boolean w, boolean g, Moment m) {
            boolean white = w != s.white();
            if (!white && g == s.grey()) {
                return Because.fault("its motor or its gear is no longer as it was");
            }
            Branch changed = white ? this.white : grey;
            boolean came = white ? w : g;
            Because why = came
                    ? Because.risen(changed, m.volts(changed), ON_VOLTS)
                    : Because.fallen(changed, m.volts(changed), ON_VOLTS);
            return w || g ? why : why.and("its spring takes it back");
        }

        @Override
        public String signal(State s) {
            Travel t = s.travel();
            return t.moves() ? "moving" : t.to() == 0 ? "hot-water" : t.to() == 1 ? "heating" : "mid";
        }
    }
}
