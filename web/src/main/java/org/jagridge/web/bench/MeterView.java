package org.jagridge.web.bench;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.jagridge.core.circuit.BareEnd;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.circuit.Wire;
import org.jagridge.core.meter.Meter;
import org.jagridge.core.meter.Reading;
import org.jagridge.core.meter.Request;
import org.jagridge.core.part.Numbers;
import org.jagridge.web.circuits.CircuitStore.Drawn;
import org.jagridge.web.svg.LadderSvg;

/**
 * The meter as it is shown.
 *
 * @param kind the sign beside the digits
 * @param leads which of the leads are in use: "both", "red" or "none"
 * @param says what it proves, or null where that is asked for later
 * @param readBefore whether there are readings before this one
 */
record MeterView(
        String mode,
        String title,
        String kind,
        String leads,
        boolean lowImpedance,
        String plus,
        String minus,
        String plusAt,
        String minusAt,
        String plusNet,
        String minusNet,
        String wire,
        String wireEnds,
        String turns,
        String display,
        String unit,
        boolean refused,
        String says,
        List<Mode> modes,
        boolean readBefore) {

    record Mode(String word, String title) {}

    static MeterView of(BenchState state) {
        Request r = state.meter();
        Meter meter = Meter.at(state.run(), state.micros(), state.worlds());
        boolean later = r.mode().clamps() || r.mode().isVolts();
        Reading reading = later ? meter.shown(r) : meter.read(r);
        Drawn drawn = state.drawn();
        Terminal plus = lead(state, r.plus());
        Terminal minus = lead(state, r.minus());
        return new MeterView(
                r.mode().word(),
                r.mode().title(),
                sign(r.mode()),
                r.mode().clamps() ? "none" : r.mode() == Request.Mode.CELSIUS ? "red" : "both",
                r.lowImpedance(),
                Leads.written(plus, drawn.circuit()),
                Leads.written(minus, drawn.circuit()),
                plus.toString(),
                minus.toString(),
                wire(state, plus),
                wire(state, minus),
                r.wire(),
                drawn.circuit().wire(r.wire()).map(MeterView::ends).orElse(""),
                Numbers.plain(r.turns()),
                reading.display(),
                reading.unit(),
                reading.isRefused(),
                later ? null : drawn.circuit().withMarks(reading.says()),
                Arrays.stream(Request.Mode.values())
                        .map(m -> new Mode(m.word(), m.title()))
                        .toList(),
                PastReading.anyOf(state));
    }

    /** A lead on an end that is in a twist is still on that end. */
    private static Terminal lead(BenchState state, Terminal at) {
        return BareEnd.at(at, state.frame().assembly().circuit(), state.drawn().circuit())
                .map(BareEnd::terminal)
                .orElse(at);
    }

    private static String sign(Request.Mode mode) {
        return switch (mode) {
            case AC_VOLTS, AMPS -> "∿";
            case DC_VOLTS, DC_AMPS -> "⎓";
            case OHMS -> "Ω";
            case CONTINUITY -> "♪";
            case CAPACITANCE -> "⊣⊢";
            case CELSIUS -> "°";
        };
    }

    private static String ends(Wire w) {
        return w.from() + " to " + w.to();
    }

    private static String wire(BenchState state, Terminal terminal) {
        Optional<BareEnd> bare = BareEnd.of(terminal);
        if (bare.isPresent()) {
            Wire wire = state.drawn().circuit().wire(bare.get().wire()).orElseThrow();
            return "off " + wire.end(bare.get().end());
        }
        int number = LadderSvg.netNumber(state.drawn().ladder(), terminal);
        return number == 0 ? "not wired" : "wire " + number;
    }
}
