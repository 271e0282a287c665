package org.jagridge.core.part.type;

import java.util.List;
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
    public Behaviour<?> build(PartDraft draft) {
        return new Valve(
                draft.load("WH", "N", Shape.MOTOR),
                draft.load("GY", "N", Shape.MOTOR),
                draft.contact("WH", "OR", Shape.SWITCH, false),
                Time.micros(draft.params().number("travelSeconds")));
    }

    private record Valve(Branch white, Branch grey, Branch orange, long whole) implements Behaviour<Travel> {
        private static final Complex MOTOR = Complex.real(230 * 230 / 6.0);

        @Override
        public Travel start(Moment moment) {
            return Travel.rest(0, whole);
        }

        @Override
        public void stamp(Travel s, Stamp stamp) {
            stamp.load(white, MOTOR);
            stamp.load(grey, MOTOR);
            stamp.contact(orange, !s.moves() && s.to() == 1);
        }

        /**
         * Which of its lives came or went: the end it was going to tells what was there before. White and grey lead to the
         * heating end, white alone to mid, none to hot water; what grey alone holds it lets go of when it goes.
         */
        private Because why(Travel s, boolean w, boolean g, Moment m) {
            boolean hadWhite = s.to() == 0.5 || (s.to() == 1 && !g);
            if (!w && !g) {
                Branch gone = s.to() == 0.5 ? white : m.volts(white) < ON_VOLTS && s.to() == 1 ? grey : white;
                return Because.fallen(gone, m.volts(gone), ON_VOLTS);
            }
            if (w && g) {
                return s.to() == 0.5
                        ? Because.risen(grey, m.volts(grey), ON_VOLTS)
                        : Because.risen(white, m.volts(white), ON_VOLTS);
            }
            if (w) {
                return s.to() == 1
                        ? Because.fallen(grey, m.volts(grey), ON_VOLTS)
                        : Because.risen(white, m.volts(white), ON_VOLTS);
            }
            return hadWhite
                    ? Because.fallen(white, m.volts(white), ON_VOLTS)
                    : Because.risen(grey, m.volts(grey), ON_VOLTS);
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
        public Reaction<Travel> react(Travel s, Moment m) {
            boolean turns = m.fault(PartDefect.LoadOpen.class) == null;
            boolean w = turns && m.volts(white) >= ON_VOLTS;
            boolean g = turns && m.volts(grey) >= ON_VOLTS;
            double at = s.at(m.now());
            double end = end(s, w, g, at);
            PartDefect.Stuck stuck = m.fault(PartDefect.Stuck.class);
            Travel next = s.toward(stuck == null ? end : s.sticking(position(stuck.position()), end, m.now()), m.now());
            boolean turned = next.to() != s.to();
            Because because = turned ? why(s, w, g, m) : Because.timer("the travel is done");
            return new Reaction<>(next, next.arrives(), because, turned ? because : null);
        }

        @Override
        public String signal(Travel s) {
            return s.moves() ? "moving" : s.to() == 0 ? "hot-water" : s.to() == 1 ? "heating" : "mid";
        }
    }
}
