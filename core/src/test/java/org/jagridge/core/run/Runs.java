package org.jagridge.core.run;

import java.util.List;
import org.jagridge.core.Circuits;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.part.Time;

/** Asks runs questions in the words of tests. */
public final class Runs {
    private final Run run;

    private Runs(Run run) {
        this.run = run;
    }

    public static Runs of(Circuit circuit, Circuits.Setting setting) {
        return new Runs(Simulation.run(circuit, setting.scenario()));
    }

    /** A demo circuit's scenario whose name begins with the given words. */
    public static Runs demo(String slug, String scenario) {
        Circuit circuit = Circuits.demo(slug);
        return new Runs(Simulation.run(
                circuit,
                circuit.scenarios().stream()
                        .filter(s -> s.name().startsWith(scenario))
                        .findFirst()
                        .orElseThrow()));
    }

    public Run run() {
        return run;
    }

    /** A part's main signal at a time. */
    public String at(double seconds, String part) {
        return run.at(Time.micros(seconds)).signals().get(part);
    }

    /** AC volts between two terminals, unloaded. */
    public double volts(double seconds, String plus, String minus) {
        Frame f = run.at(Time.micros(seconds));
        int a = f.assembly().node(Terminal.parse(plus)).orElseThrow();
        int b = f.assembly().node(Terminal.parse(minus)).orElseThrow();
        return f.ac().volts(a, b).abs();
    }

    public double amps(double seconds, String owner) {
        Frame f = run.at(Time.micros(seconds));
        return f.amps(f.assembly().branchesOf(owner).get(0));
    }

    /** When a part first took a value, in seconds; fails where it never did. */
    public double when(String part, String value) {
        return event(part, value).micros() / 1e6;
    }

    public Event event(String part, String value) {
        return run.events().stream()
                .filter(e -> e.signal().equals(part) && e.to().equals(value))
                .findFirst()
                .orElseThrow(() -> new AssertionError(part + " never became " + value + ": " + run.events()));
    }

    /** The main signals' changes of some parts in order, as {@code 12.000 PS closed}. */
    public List<String> story(String... parts) {
        List<String> of = List.of(parts);
        return run.events().stream()
                .filter(e -> !e.isInput() && of.contains(e.part()))
                .map(e -> "%.3f %s %s".formatted(e.micros() / 1e6, e.part(), e.to()))
                .toList();
    }

    public boolean ever(String part, String value) {
        return run.events().stream().anyMatch(e -> e.signal().equals(part) && e.to().equals(value));
    }
}
