package org.jagridge.web.bench;

import java.util.List;
import java.util.Map;
import java.util.function.IntFunction;
import java.util.function.Supplier;
import org.jagridge.core.circuit.BareEnd;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.meter.Request;
import org.jagridge.core.run.Frame;
import org.jagridge.core.run.Run;
import org.jagridge.core.world.Worlds;
import org.jagridge.web.circuits.CircuitStore.Drawn;
import org.jagridge.web.svg.Clock;

/**
 * A bench at one instant.
 *
 * @param head the last action of this state, 0 for the untouched bench
 * @param micros the instant shown
 * @param meters where the meter is after so many acts
 * @param temporaries the links and lifted wires that are there, by the action that put them in
 * @param handWork what a technician's hands did at any time, in words, by the words in which the run tells it
 * @param worlds what may be the case for those who look on
 * @param faults the faults that are there at that instant, by the action that put them in
 */
record BenchState(
        BenchRepository.Row bench,
        long head,
        long micros,
        List<Action> actions,
        Map<Long, Fault> faults,
        Map<Long, Temporary> temporaries,
        Map<String, String> handWork,
        Drawn drawn,
        Run run,
        IntFunction<Request> meters,
        Supplier<Worlds> worlds) {

    /** Where the meter is. */
    Request meter() {
        Request r = meters.apply(actions.size());
        return r.at(t -> BareEnd.landed(t, frame().assembly().circuit()));
    }

    /** Where the meter was after an act. */
    Request meterAfter(int action) {
        return meters.apply(action + 1);
    }

    Frame frame() {
        return run.at(micros);
    }

    /** The address of this state. */
    String url() {
        return url(bench.id(), head, micros);
    }

    static String url(long bench, long head, long at) {
        return "/bench/" + bench + "?s=" + head + "&t=" + Clock.seconds(at);
    }
}
