package org.jagridge.core.trace;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.Predicate;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Signal;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.PartTypes;
import org.jagridge.core.part.Role;
import org.jagridge.core.part.Shape;
import org.jagridge.core.run.Event;
import org.jagridge.core.run.Run;

/** The lanes of a timing chart: what each part did over time, by kind, and in the order of the circuit. */
public record Lanes(List<Lane> lanes) {
    /** What a part is in a chart, in the order from the feed to what it feeds. */
    public enum Kind {
        SUPPLY("supply"),
        CONTROL("contacts and controls"),
        COIL("coils"),
        LOAD("loads");

        private final String words;

        Kind(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** One part's lane. */
    public record Lane(String part, Kind kind, List<Span> spans) {}

    /** A signal's value from one time to another, microseconds. */
    public record Span(long from, long to, String value, boolean active) {}

    /** Lanes of the parts whose main signal changed in the run. */
    public static Lanes moved(Run run) {
        return of(run, false);
    }

    /** The same, and those of the supplies, changed or not. */
    public static Lanes withSupplies(Run run) {
        return of(run, true);
    }

    private static Lanes of(Run run, boolean supplies) {
        List<Lane> lanes = new ArrayList<>();
        Assembly assembly = run.frames().get(0).assembly();
        run.signals().forEach((part, steps) -> {
            Kind kind = kind(assembly.branchesOf(part));
            if (steps.size() < 2 && !(supplies && kind == Kind.SUPPLY)) {
                return;
            }
            Signal signal = assembly.member(part).orElseThrow().signal();
            List<Span> spans = new ArrayList<>();
            for (int i = 0; i < steps.size(); i++) {
                long to = i + 1 < steps.size() ? steps.get(i + 1).micros() : run.until();
                String value = steps.get(i).value();
                spans.add(new Span(steps.get(i).micros(), to, value, signal.isAtWork(value)));
            }
            lanes.add(new Lane(part, kind, spans));
        });
        lanes.sort(Comparator.comparing(Lane::kind));
        return new Lanes(lanes);
    }

    /** The lanes of some parts only. */
    public Lanes only(Predicate<String> parts) {
        return new Lanes(lanes.stream().filter(l -> parts.test(l.part())).toList());
    }

    /** Whether an event leaves its part at work. */
    public static boolean isActive(Circuit circuit, Event e) {
        return circuit.part(e.part())
                .map(PartTypes::signalOf)
                .orElse(Signal.none())
                .isAtWork(e.to());
    }

    private static Kind kind(List<Branch> branches) {
        if (branches.stream().anyMatch(b -> b.role() == Role.COIL)) {
            return Kind.COIL;
        }
        boolean switches = branches.stream().anyMatch(b -> b.role() == Role.CONTACT);
        if (!switches && branches.stream().anyMatch(b -> b.role().gives())) {
            return Kind.SUPPLY;
        }
        boolean load = branches.stream().anyMatch(b -> b.role() == Role.LOAD && b.shape() != Shape.BOX);
        return load ? Kind.LOAD : Kind.CONTROL;
    }
}
