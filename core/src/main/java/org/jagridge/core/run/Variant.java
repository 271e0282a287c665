package org.jagridge.core.run;

import java.util.concurrent.ConcurrentLinkedDeque;
import org.jagridge.core.part.Assembly;

/** The circuit as the faults of the moment have wired it, with the machines that have been made for it. */
final class Variant {
    /** More idle machines than threads at work serve nobody. */
    private static final int MOST_IDLE = 4;

    final Engine engine;
    final Assembly assembly;
    private final ConcurrentLinkedDeque<Machine> idle = new ConcurrentLinkedDeque<>();

    Variant(Engine engine, Assembly assembly) {
        this.engine = engine;
        this.assembly = assembly;
    }

    /** A machine that nobody else uses until it is {@link Machine#done}. */
    Machine borrow() {
        engine.works(this);
        Machine known = idle.pollFirst();
        Machine machine = known != null ? known : new Machine(this);
        machine.workHere();
        return machine;
    }

    void giveBack(Machine machine) {
        machine.observer = null;
        if (idle.size() < MOST_IDLE) {
            idle.addFirst(machine);
        }
    }

    void dismissMachines() {
        idle.clear();
    }
}
