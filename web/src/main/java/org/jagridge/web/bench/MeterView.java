package org.jagridge.web.bench;

import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.meter.Meter;
import org.jagridge.core.meter.Reading;
import org.jagridge.core.meter.Request;
import org.jagridge.web.circuits.CircuitStore.Drawn;
import org.jagridge.web.svg.LadderSvg;

/** The meter as it is shown. */
record MeterView(
        String mode,
        String title,
        boolean direct,
        boolean lowImpedance,
        String plus,
        String minus,
        String plusNet,
        String minusNet,
        String display,
        String unit,
        String says) {

    static MeterView of(BenchState state) {
        Request r = state.meter();
        Reading reading = new Meter(state.frame()).read(r);
        return new MeterView(
                r.mode().word(),
                r.mode().title(),
                r.mode() == Request.Mode.DC_VOLTS,
                r.lowImpedance(),
                r.plus().toString(),
                r.minus().toString(),
                wire(state.drawn(), r.plus()),
                wire(state.drawn(), r.minus()),
                reading.display(),
                reading.unit(),
                reading.says());
    }

    private static String wire(Drawn drawn, Terminal terminal) {
        int number = LadderSvg.netNumber(drawn.ladder(), terminal);
        return number == 0 ? "not wired" : "wire " + number;
    }
}
