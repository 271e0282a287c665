package org.jagridge.core.prove;

import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.Rule;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.PartTypes;
import org.jagridge.core.part.Role;
import org.jagridge.core.part.Trait;
import org.jagridge.core.run.Engine;

/** A circuit that is searched, with the rules that are watched in it. */
final class Subject {
    final Circuit circuit;
    final Assembly assembly;
    final Engine engine;
    final List<Rule> rules;
    final Hands hands;
    final List<Watch> watches;
    final List<Assembly.Member> seen;

    /** @param still the circuit with its rooms held where they are set */
    Subject(Circuit still, List<Rule> rules) {
        this(still, rules, Set.of());
    }

    /** @param left parts that hands leave as they are */
    Subject(Circuit still, List<Rule> rules, Set<String> left) {
        circuit = still;
        this.rules = rules;
        assembly = Assembly.of(still);
        engine = Engine.of(assembly);
        hands = new Hands(assembly, rules, left);
        watches = rules.stream().map(Watch::new).toList();
        seen = assembly.members().stream().filter(this::isSeen).toList();
    }

    static Circuit still(Circuit circuit) {
        Circuit.Builder b = circuit.toBuilder();
        b.parts().replaceAll(PartTypes::still);
        return b.build();
    }

    /** What people see without a meter: loads at work, and fuses. */
    private boolean isSeen(Assembly.Member m) {
        return m.part().fitted()
                && m.signal().isThere()
                && !m.is(Trait.DERIVED_SOURCE)
                && (m.is(Trait.FUSE)
                        || assembly.branchesOf(m.part().id()).stream().anyMatch(b -> b.role() == Role.LOAD));
    }

    StateSearch search(Limits limits) {
        return new StateSearch(engine, assembly, hands, watches, seen, limits);
    }

    /** The same with a fault: from the start, and beginning in each state at rest that the sound circuit comes to. */
    StateSearch search(StateSearch sound, Fault fault, Limits limits) {
        return search(limits)
                .untilDecided()
                .from(List.of(fault))
                .from(sound, fault)
                .search();
    }

    /** What a rule watches, of that what people see at work. */
    Set<String> duties(Rule rule) {
        Set<String> named = new HashSet<>();
        rule.claim().conditions().forEach(c -> named.addAll(c.parts()));
        Set<String> duties = new LinkedHashSet<>();
        seen.stream()
                .filter(m -> named.contains(m.part().id()) && !m.is(Trait.FUSE))
                .forEach(m -> duties.add(m.part().id()));
        return duties;
    }
}
