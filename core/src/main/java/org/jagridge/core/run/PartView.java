package org.jagridge.core.run;

import java.util.List;
import org.jagridge.core.circuit.Input;
import org.jagridge.core.circuit.PartDefect;
import org.jagridge.core.network.Complex;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Instant;
import org.jagridge.core.part.Moment;
import org.jagridge.core.part.Temperature;

/** What one part sees. */
final class PartView implements Moment {
    private final Assembly.Member member;
    private final Machine machine;

    PartView(Assembly.Member member, Machine machine) {
        this.member = member;
        this.machine = machine;
    }

    private Object input(String name) {
        return machine.inputsOf(member).get(name);
    }

    private Assembly.Member other(String part) {
        return machine.assembly.member(part).orElseThrow();
    }

    @Override
    public Instant now() {
        return machine.now;
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
        return !machine.pushed.isEmpty()
                && machine.pushed.contains(new Input(member.part().id(), input));
    }

    @Override
    public double acVolts(Branch branch) {
        return machine.electrics.ac.branchMagnitude(branch.index());
    }

    @Override
    public double dcVolts(Branch branch) {
        return machine.electrics.dc == null
                ? 0
                : machine.electrics.dc.branchVolts(branch.index()).re();
    }

    @Override
    public Complex acAmps(Branch branch) {
        return machine.electrics.ac.amps(branch.index());
    }

    @Override
    public double dcAmps(Branch branch) {
        return machine.electrics.dc == null
                ? 0
                : machine.electrics.dc.amps(branch.index()).re();
    }

    @Override
    public <D extends PartDefect> D fault(Class<D> kind) {
        PartDefect[] own = machine.defectsOf(member);
        if (own == null) {
            return null;
        }
        for (PartDefect d : own) {
            if (kind.isInstance(d)) {
                return kind.cast(d);
            }
        }
        return null;
    }

    @Override
    public String signalOf(String part) {
        return machine.assembly
                .member(part)
                .map(m -> machine.signals[m.index()])
                .orElse(null);
    }

    @Override
    public boolean isAtWork(String part) {
        Assembly.Member m = other(part);
        String signal = machine.signals[m.index()];
        return signal != null && m.signal().isAtWork(signal);
    }

    @Override
    @SuppressWarnings("unchecked")
    public double celsiusOf(String part) {
        Assembly.Member other = other(part);
        return other.behaviour() instanceof Temperature
                ? ((Temperature<Object>) other.behaviour()).celsius(machine.stateOf(other), machine.now)
                : numberOf(part, "celsius");
    }

    @Override
    @SuppressWarnings("unchecked")
    public Instant whenCelsius(String part, double target) {
        Assembly.Member other = other(part);
        return other.behaviour() instanceof Temperature
                ? ((Temperature<Object>) other.behaviour()).when(machine.stateOf(other), target, machine.now)
                : Instant.NEVER;
    }

    @Override
    public double numberOf(String part, String name) {
        Assembly.Member other = other(part);
        if (name.equals("celsius") && other.behaviour() instanceof Temperature) {
            return celsiusOf(part);
        }
        return machine.inputsOf(other).get(name) instanceof Number n ? n.doubleValue() : Double.NaN;
    }

    @Override
    public String wordOf(String part, String input) {
        return machine.inputsOf(other(part)).get(input) instanceof String word ? word : null;
    }

    @Override
    public boolean isSet(String part, String input) {
        return Boolean.TRUE.equals(machine.inputsOf(other(part)).get(input));
    }

    @Override
    public Branch branchOf(String part, String label) {
        return machine.assembly.branchesOf(part).stream()
                .filter(b -> b.label().equals(label))
                .findFirst()
                .orElse(null);
    }

    @Override
    public Branch wire(String id) {
        List<Branch> of = machine.assembly.branchesOf(id);
        return of.isEmpty() ? null : of.get(0);
    }
}
