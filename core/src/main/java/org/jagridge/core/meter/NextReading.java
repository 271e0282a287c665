package org.jagridge.core.meter;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.part.Branch;
import org.jagridge.core.run.Reach;
import org.jagridge.core.world.World;
import org.jagridge.core.world.Worlds;

/** The one reading at hand that would best tell several worlds apart: from the leads to the poles of what feeds them. */
final class NextReading {
    /** Readings further apart than this share, and these volts, can be told from each other. */
    private static final double SHARE = 0.15;

    private static final double VOLTS = 0.6;

    private NextReading() {}

    /** A sentence; empty where no such reading tells them apart. */
    static Optional<String> apart(Worlds worlds, Request request, List<World> rivals) {
        Request best = null;
        int most = 1;
        for (Request candidate : candidates(worlds, request)) {
            int groups = groups(candidate, rivals);
            if (groups > most) {
                most = groups;
                best = candidate;
            }
        }
        if (best == null) {
            return Optional.empty();
        }
        boolean same = best.plus().equals(request.plus()) && best.minus().equals(request.minus());
        String where = same ? "The low-impedance range" : best.plus() + " to " + best.minus();
        return Optional.of(" " + where + (most == rivals.size() ? " tells " : " helps to tell ")
                + (rivals.size() == 2 ? "the two" : "these") + " apart.");
    }

    private static Set<Request> candidates(Worlds worlds, Request request) {
        Set<Request> all = new LinkedHashSet<>();
        if (!request.lowImpedance()) {
            all.add(new Request(request.mode(), request.plus(), request.minus(), null, 1, true));
        }
        for (Branch source : sources(worlds, request)) {
            all.add(between(request, source.a(), source.b()));
            for (Terminal lead : List.of(request.plus(), request.minus())) {
                all.add(between(request, lead, source.b()));
                all.add(between(request, source.a(), lead));
            }
        }
        all.removeIf(r ->
                r.plus().equals(r.minus()) || r.equals(request) || r.turned().equals(request));
        return all;
    }

    private static Request between(Request like, Terminal plus, Terminal minus) {
        return new Request(like.mode(), plus, minus, null, 1, false);
    }

    /** The sources whose poles a lead hangs on in the sound circuit; all of them where it hangs on none. */
    private static List<Branch> sources(Worlds worlds, Request request) {
        World sound = worlds.sound();
        Gauge gauge = new Gauge(sound.frame(), sound.reach());
        Set<String> owners = new LinkedHashSet<>();
        for (Terminal lead : List.of(request.plus(), request.minus())) {
            gauge.node(lead)
                    .map(sound.reach()::throughLoads)
                    .map(Reach.ThroughLoad::pole)
                    .ifPresent(p -> owners.add(p.source()));
        }
        List<Branch> sources = new ArrayList<>();
        for (Branch b : worlds.assembly().branches()) {
            if (b.role().gives() && b.isDrawn() && (owners.isEmpty() || owners.contains(b.owner()))) {
                sources.add(b);
            }
        }
        return sources;
    }

    /** Into how many groups a reading parts the worlds. */
    private static int groups(Request candidate, List<World> rivals) {
        List<Double> values = new ArrayList<>();
        for (World w : rivals) {
            OptionalDouble value = Fit.value(w, candidate);
            double v = value.isPresent() ? Math.abs(value.getAsDouble()) : Double.NaN;
            if (Double.isNaN(v) || values.stream().noneMatch(o -> Math.abs(o - v) <= VOLTS + SHARE * Math.max(o, v))) {
                values.add(v);
            }
        }
        return values.size();
    }
}
