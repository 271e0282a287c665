package org.jagridge.core.trace;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.PartDeclaration;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.PartTypes;
import org.jagridge.core.part.Time;
import org.jagridge.core.part.Trait;
import org.jagridge.core.run.Event;
import org.jagridge.core.run.Frame;
import org.jagridge.core.run.Run;
import org.jagridge.core.run.Simulation;
import org.jagridge.core.run.Tale;

/**
 * What can happen in the middle of a call: a safety trips, a vent or door opens, a switch is thrown, a cylinder is
 * satisfied, power goes and comes back. Each is told in a call whose currents pass the part that it happens to.
 */
final class Mishaps {
    private static final double START = 105;
    /** When a mishap comes, seconds, where all has settled by then. */
    private static final double USUAL = 305;

    /** Nothing has moved for so long. */
    private static final double REST = 30;
    /** How long a call is watched for the state in which most is at work. */
    private static final double WATCHED = 1200;

    /** Seconds from one thing to the next: mended, then the call taken away, then given again. */
    private static final double MENDED = 100;

    private static final double RESET = 300;
    private static final double AGAIN = 400;
    /** What is told ends when all has come back, at the earliest and at the latest so much after the last act. */
    private static final double ENDS_EARLIEST = 300;

    private static final double ENDS_LATEST = 1500;

    /**
     * A call and the parts that take part in it.
     *
     * @param mishap when something may happen to it, seconds
     */
    private record Call(Scenario scenario, Set<String> involved, double mishap) {}

    private final Circuit circuit;
    private final Assembly assembly;
    private final List<Call> calls = new ArrayList<>();
    private final List<Presets.Preset> made = new ArrayList<>();

    Mishaps(Circuit circuit, List<Presets.Preset> presets) {
        this.circuit = circuit;
        assembly = Assembly.of(circuit);
        List<Presets.Preset> plain =
                presets.stream().filter(Presets.Preset::call).toList();
        // heating first: it has the most safeties
        plain.stream().filter(p -> p.key().endsWith("-heat")).forEach(this::addCall);
        plain.stream().filter(p -> !p.key().endsWith("-heat")).forEach(this::addCall);
    }

    private void addCall(Presets.Preset preset) {
        Run goesOn =
                Simulation.run(assembly, Tale.beginningOf(preset.scenario()).until(preset.name(), WATCHED));
        Set<String> involved = involved(Simulation.run(assembly, preset.scenario()));
        calls.add(new Call(preset.scenario(), involved, whenMostIsAtWork(goesOn)));
    }

    /** In the longest state of a call in which most parts are at work, at {@link #USUAL} where that is in it. */
    private static double whenMostIsAtWork(Run run) {
        double best = USUAL;
        long most = -1;
        double longest = 0;
        for (int i = 0; i < run.frames().size(); i++) {
            Frame f = run.frames().get(i);
            double begins = Time.seconds(f.micros());
            double ends = i + 1 < run.frames().size()
                    ? Time.seconds(run.frames().get(i + 1).micros())
                    : WATCHED;
            double lasts = ends - begins;
            long atWork = lasts < 2 * REST ? -1 : atWork(f);
            if (atWork > most || (atWork == most && lasts > longest)) {
                most = atWork;
                longest = lasts;
                double last = Math.max(begins + REST, ends - REST);
                best = Math.floor(Math.min(last, Math.max(begins + REST, USUAL)));
            }
        }
        return best;
    }

    private static long atWork(Frame f) {
        return f.signals().entrySet().stream()
                .filter(e -> f.assembly()
                        .member(e.getKey())
                        .filter(m -> m.signal().isAtWork(e.getValue()))
                        .isPresent())
                .count();
    }

    private static double lastMove(Run run) {
        return run.events().stream()
                .filter(e -> !e.isInput())
                .mapToDouble(e -> Time.seconds(e.micros()))
                .max()
                .orElse(0);
    }

    /** The parts on the current paths of a call's steps, and on those of the relays whose contacts these paths pass. */
    private static Set<String> involved(Run run) {
        Set<String> parts = new HashSet<>();
        run.events().stream()
                .filter(e -> e.micros() > 0 && !e.isInput() && !isStartUp(run, e))
                .forEach(e -> {
                    parts.add(e.part());
                    parts.addAll(e.path());
                });
        boolean grew = true;
        while (grew) {
            grew = false;
            for (Event e : run.events()) {
                if (parts.contains(e.part())) {
                    grew |= parts.addAll(e.path());
                }
            }
        }
        return parts;
    }

    private static boolean isStartUp(Run run, Event e) {
        return run.events().stream()
                .filter(Event::isInput)
                .findFirst()
                .map(i -> e.index() < i.index())
                .orElse(false);
    }

    List<Presets.Preset> make() {
        circuit.parts().stream().filter(Part::fitted).forEach(this::happensTo);
        powerFailure();
        return made;
    }

    /** The beginning of the first call that a part takes part in, or that a part that names it takes part in. */
    private Tale during(String part) {
        return call(part).map(c -> Tale.beginningOf(c.scenario())).orElseGet(Tale::new);
    }

    /** When something happens to a part. */
    private double mishap(String part) {
        return call(part).map(Call::mishap).orElse(USUAL);
    }

    private Optional<Call> call(String part) {
        return calls.stream()
                .filter(c -> c.involved().stream().anyMatch(q -> q.equals(part) || names(q, part)))
                .findFirst()
                .or(() -> calls.stream().findFirst());
    }

    private boolean names(String other, String part) {
        return circuit.part(other)
                .filter(o -> PartTypes.catalogue().require(o).references(params(o)).stream()
                        .map(PartDeclaration.Reference::id)
                        .anyMatch(part::equals))
                .isPresent();
    }

    private static Params params(Part p) {
        return new Params(PartTypes.catalogue().require(p).params(), p.params());
    }

    private void happensTo(Part p) {
        String id = p.id();
        Set<Trait> traits = PartTypes.traitsOf(p);
        if (traits.contains(Trait.SAFETY)) {
            trips(p);
        } else if (traits.contains(Trait.OPENING)) {
            tell(
                    p,
                    "opens",
                    p.title() + " opens and shuts",
                    during(id).at(mishap(id), id + ".target", "open").at(mishap(id) + MENDED, id + ".target", "shut"));
        } else if (traits.contains(Trait.CYLINDER) && !params(p).has("reads")) {
            tell(
                    p,
                    "satisfied",
                    p.title() + " is satisfied and cools",
                    during(id).at(mishap(id), id + ".celsius", 65.0).at(mishap(id) + MENDED, id + ".celsius", 40.0));
        } else if (traits.contains(Trait.HAND_SWITCH)) {
            thrown(p);
        }
    }

    private void trips(Part p) {
        String id = p.id();
        Map<String, Object> mended = params(p).is("reset", "manual")
                ? Tale.both(id + ".tripped", false, id + ".reset", true)
                : Map.of(id + ".tripped", false);
        double at = mishap(id);
        Tale tale = during(id).at(at, id + ".tripped", true).at(at + MENDED, mended);
        if (circuit.parts().stream().anyMatch(l -> PartTypes.is(l, Trait.LOCKS_OUT))) {
            // it stays locked out until the call has been taken away and given again
            call(id).ifPresent(
                            c -> tale.at(at + RESET, c.scenario().steps().get(1).set())
                                    .at(at + AGAIN, c.scenario().steps().get(0).set()));
        }
        tell(p, "trips", p.title() + " trips", tale);
    }

    private void thrown(Part p) {
        Params params = params(p);
        String input = p.id() + ".closed";
        double at = mishap(p.id());
        boolean rest = params.is("rest", "closed");
        if (params.is("kind", "push")) {
            Tale tale = during(p.id());
            if (rest) {
                // a stop button has nothing to stop until the start buttons have been pressed
                startButtons().forEach(b -> tale.at(START, b, true).at(START + 1, b, false));
            }
            tell(
                    p,
                    "pressed",
                    p.title() + " is pressed",
                    tale.at(at, input, !rest).at(at + 1, input, rest));
        } else {
            tell(
                    p,
                    "thrown",
                    p.title() + (rest ? " opens and closes" : " closes and opens"),
                    during(p.id()).at(at, input, !rest).at(at + MENDED, input, rest));
        }
    }

    private List<String> startButtons() {
        return circuit.parts().stream()
                .filter(p -> p.fitted() && PartTypes.is(p, Trait.HAND_SWITCH))
                .filter(p -> params(p).is("kind", "push") && params(p).is("rest", "open"))
                .map(p -> p.id() + ".closed")
                .toList();
    }

    private void tell(Part p, String key, String name, Tale tale) {
        made.add(new Presets.Preset(p.id() + "-" + key, name, false, toTheEnd(tale, name)));
    }

    /** Told until all that was to come back has come back. */
    private Scenario toTheEnd(Tale tale, String name) {
        double lastAct = tale.until(name, 1).steps().stream()
                .mapToDouble(Scenario.Step::atSeconds)
                .max()
                .orElse(0);
        Scenario longest = tale.until(name, lastAct + ENDS_LATEST);
        double moved = lastMove(Simulation.run(assembly, longest)) + 2 * REST;
        double ends = Math.min(lastAct + ENDS_LATEST, Math.max(lastAct + ENDS_EARLIEST, Math.ceil(moved)));
        return tale.until(name, ends);
    }

    private void powerFailure() {
        Map<String, Object> off = new LinkedHashMap<>();
        Map<String, Object> on = new LinkedHashMap<>();
        circuit.parts().forEach(p -> {
            if (PartTypes.is(p, Trait.MAINS)) {
                off.put(p.id() + ".on", false);
                on.put(p.id() + ".on", true);
            }
        });
        if (!off.isEmpty()) {
            String name = "Power lost and back";
            Tale tale =
                    calls.isEmpty() ? new Tale() : Tale.beginningOf(calls.get(0).scenario());
            double at = calls.isEmpty() ? USUAL : calls.get(0).mishap();
            made.add(new Presets.Preset(
                    "power-failure", name, false, toTheEnd(tale.at(at, off).at(at + MENDED, on), name)));
        }
    }
}
