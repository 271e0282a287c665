package org.jagridge.core.run;

import java.util.List;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.FaultKind;
import org.jagridge.core.network.Complex;
import org.jagridge.core.part.Activity;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Moment;
import org.jagridge.core.part.Temperature;

/** What one part sees. */
final class PartView implements Moment {
    private final Assembly.Member member;
    private final Machine machine;
    private final Story story;

    PartView(Assembly.Member member, Machine machine, Story story) {
        this.member = member;
        this.machine = machine;
        this.story = story;
    }

    private Object input(String name) {
        return story.inputs.get(member.part().id()).get(name);
    }

    @Override
    public long now() {
        return story.now;
    }

    @Override
    public double number(String input) {
        return ((Number) input(input)).doubleValue();
    }

    @Override
    public String word(String input) {
        return (String) input(input);
    }

    @Override
    public boolean flag(String input) {
        return (Boolean) input(input);
    }

    @Override
    public boolean pushed(String input) {
        return !story.pushed.isEmpty() && story.pushed.contains(member.part().id() + "." + input);
    }

    @Override
    public double acVolts(Branch branch) {
        return machine.ac.branchMagnitude(branch.index());
    }

    @Override
    public double dcVolts(Branch branch) {
        return machine.dc == null ? 0 : machine.dc.branchVolts(branch.index()).re();
    }

    @Override
    public Complex acAmps(Branch branch) {
        return machine.ac.amps(branch.index());
    }

    @Override
    public double dcAmps(Branch branch) {
        return machine.dc == null ? 0 : machine.dc.amps(branch.index()).re();
    }

    @Override
    public Fault fault(FaultKind kind) {
        return story.faults.isEmpty()
                ? null
                : FaultEffects.of(story.faults, member.part().id(), kind);
    }

    @Override
    public String signalOf(String part) {
        return story.signals.get(part);
    }

    @Override
    public boolean isAtWork(String part) {
        String signal = story.signals.get(part);
        return signal != null
                && Activity.isAtWork(
                        machine.assembly.member(part).orElseThrow().part().type(), signal);
    }

    @Override
    @SuppressWarnings("unchecked")
    public double celsiusOf(String part) {
        Assembly.Member other = machine.assembly.member(part).orElseThrow();
        return ((Temperature<Object>) other.behaviour()).celsius(machine.stateOf(other), story.now);
    }

    @Override
    @SuppressWarnings("unchecked")
    public long whenCelsius(String part, double target) {
        Assembly.Member other = machine.assembly.member(part).orElseThrow();
        return ((Temperature<Object>) other.behaviour()).when(machine.stateOf(other), target, story.now);
    }

    @Override
    public double numberOf(String part, String name) {
        Assembly.Member other = machine.assembly.member(part).orElseThrow();
        if (name.equals("celsius") && other.behaviour() instanceof Temperature) {
            return celsiusOf(part);
        }
        return story.inputs.get(part).get(name) instanceof Number n ? n.doubleValue() : Double.NaN;
    }

    @Override
    public String wordOf(String part, String input) {
        return story.inputs.get(part).get(input) instanceof String word ? word : null;
    }

    @Override
    public Branch wire(String id) {
        List<Branch> of = machine.assembly.branchesOf(id);
        return of.isEmpty() ? null : of.get(0);
    }
}
