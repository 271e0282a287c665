package org.jagridge.core.run;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Instant;

/** Runs one scenario on one circuit and tells it: an {@link Engine} with somebody who looks on. */
public final class Simulation {
    private final Engine engine;
    private final Scenario scenario;
    private final Schedule schedule;
    private final Teller teller;
    private Machine machine;

    private Simulation(Engine engine, Scenario scenario) {
        this.engine = engine;
        this.scenario = scenario;
        schedule = Schedule.of(scenario);
        teller = new Teller(engine);
    }

    /**
     * Runs a scenario from rest.
     *
     * @throws RunLimitException where it goes over its limits
     * @throws IllegalArgumentException where it sets an input that isn't there
     */
    public static Run run(Circuit circuit, Scenario scenario) {
        return run(Assembly.of(circuit), scenario);
    }

    /** The same for a circuit that has been put together before. */
    public static Run run(Assembly assembly, Scenario scenario) {
        Simulation simulation = new Simulation(Engine.of(assembly), scenario);
        return simulation.run(simulation::start);
    }

    /**
     * Runs a scenario that begins as an earlier run did: goes on from the last instant at which both were the same. The
     * same as a run from rest, only sooner.
     *
     * @param earlier a run of the same assembly
     */
    public static Run resume(Run earlier, Scenario scenario) {
        Engine engine = earlier.frames().get(0).configuration().variant.engine;
        Simulation simulation = new Simulation(engine, scenario);
        long differs = earlier.schedule().firstDifference(simulation.schedule);
        if (differs == 0) {
            return simulation.run(simulation::start);
        }
        long same = Math.min(Math.min(differs - 1, simulation.schedule.until()), earlier.until());
        return simulation.run(() -> simulation.goOn(earlier, earlier.indexAt(same)));
    }

    private Run run(Runnable beginning) {
        beginning.run();
        goOn();
        machine.done();
        return new Run(engine.assembly().circuit(), scenario, schedule, teller);
    }

    /** Time 0: inputs and faults of the start, then everything comes to rest without being told. */
    private void start() {
        Map<String, Object> hands = new LinkedHashMap<>();
        List<Fault> faults = new ArrayList<>();
        schedule.beginning(hands, faults);
        machine = engine.variant(faults).borrow();
        machine.reset(hands, faults);
        machine.comeToRest();
        teller.look(machine);
        teller.keepFrame();
    }

    private void goOn(Run earlier, int frame) {
        Configuration from = earlier.frames().get(frame).configuration();
        machine = from.variant.borrow();
        machine.load(from);
        Scene before = earlier.frames().get(frame).mark().before();
        machine.electrics.showBefore(before.acBefore(), before.dcBefore());
        teller.look(machine);
        teller.resume(earlier, frame);
    }

    private void goOn() {
        while (true) {
            Instant next = schedule.next(machine);
            if (next.isNever() || next.micros() > schedule.until()) {
                return;
            }
            machine.passTo(next);
            machine.observer = teller;
            teller.look(machine);
            List<Act> acts = schedule.at(next.micros());
            if (!acts.isEmpty()) {
                machine = machine.apply(acts);
                teller.look(machine);
            }
            teller.instantIsOver(machine.settle());
        }
    }
}
