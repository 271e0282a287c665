package org.jagridge.core.meter;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.meter.CheckSheet.Line;
import org.jagridge.core.meter.CheckSheet.School;
import org.jagridge.core.network.Solution;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.NodeGroups;
import org.jagridge.core.part.Role;
import org.jagridge.core.part.Shape;
import org.jagridge.core.part.Trait;
import org.jagridge.core.run.Frame;

/** Makes the check sheet of a load: what must be right first comes first, and what is in one place stands together. */
final class SheetMaker {
    /** A supply that nothing is drawn from may have this much of its computed open-circuit volts. */
    private static final double OPEN_RANGE = 1.05;

    private static final double AMPS_RANGE = 0.15;
    private static final double LEAST_AMPS_RANGE = 0.02;

    private final Frame frame;
    private final Assembly assembly;
    private final Meter meter;
    private final School school;
    /** What wires alone join, and what wires and sound fuses do. */
    private final NodeGroups wired;

    private final NodeGroups fed;
    private final Set<Branch> seen = new HashSet<>();
    private final Set<String> keys = new HashSet<>();
    private final Map<Spot, List<Line>> lines = new LinkedHashMap<>();
    private final Map<Spot, List<String>> notes = new HashMap<>();
    private int order;

    /** Where a section's lines are taken. */
    private record Spot(String place, String circuit) {}

    SheetMaker(Frame frame, School school) {
        this.frame = frame;
        this.school = school;
        assembly = frame.assembly();
        meter = new Meter(frame);
        wired = NodeGroups.of(assembly, b -> b.role() == Role.WIRE || b.role() == Role.CONDUCTOR);
        fed = NodeGroups.of(
                assembly,
                b -> b.role() == Role.WIRE
                        || b.role() == Role.CONDUCTOR
                        || (b.role() == Role.PROTECTION && frame.conducts(b)));
    }

    CheckSheet make(Branch load) {
        add(load);
        List<String> places =
                lines.keySet().stream().map(Spot::place).distinct().toList();
        return new CheckSheet(lines.entrySet().stream()
                .filter(e -> !e.getValue().isEmpty())
                .sorted(Comparator.comparingInt(e -> places.indexOf(e.getKey().place())))
                .map(e -> new CheckSheet.Section(
                        e.getKey().place(),
                        e.getKey().circuit(),
                        List.copyOf(e.getValue()),
                        List.copyOf(notes.getOrDefault(e.getKey(), List.of()))))
                .toList());
    }

    /** The transformer's primary, and the coils whose contacts are passed, before the load. */
    private void add(Branch load) {
        List<Walk.Stop> stops = Walk.to(load, frame);
        if (!seen.add(load) || stops.isEmpty()) {
            return;
        }
        feedOf(stops.get(0).terminal().part());
        for (Walk.Stop s : stops) {
            if (s.by() != null && s.by().role() == Role.CONTACT && !s.load()) {
                firstOf(s.by().owner(), Role.COIL);
            }
        }
        new Way(load, stops).lines();
    }

    /** The source's own feed: a transformer's primary, or the mains of what only works on mains. */
    private void feedOf(String source) {
        boolean transformer = assembly.branchesOf(source).stream().anyMatch(b -> b.role() == Role.PRIMARY);
        firstOf(source, transformer ? Role.PRIMARY : Role.LOAD);
    }

    /** Of several coils the one that draws most now. */
    private void firstOf(String part, Role role) {
        assembly.branchesOf(part).stream()
                .filter(b -> b.role() == role && b.isDrawn())
                .min(Comparator.comparingDouble(b -> -frame.amps(b)))
                .ifPresent(this::add);
    }

    private String placeOf(Terminal t) {
        return assembly.circuit().part(t.part()).map(Part::place).orElse("");
    }

    private int node(Terminal t) {
        return assembly.node(t).orElseThrow();
    }

    private double value(Request r) {
        return Math.abs(meter.value(r));
    }

    private static Request request(Request.Mode mode, Terminal plus, Terminal minus) {
        return new Request(mode, plus, minus, null, 1, false);
    }

    /** What a source has with nothing drawn from it: V + I·Z. */
    private double openVolts(Terminal hot, Terminal common, Request.Mode mode, double loaded) {
        Solution solution = mode == Request.Mode.DC_VOLTS ? frame.dc() : frame.ac();
        return assembly.branches().stream()
                .filter(b -> b.role().gives() && hot.equals(b.a()) && common.equals(b.b()) && frame.conducts(b))
                .mapToDouble(b -> loaded
                        + solution.amps(b.index()).abs()
                                / solution.values().admittance(b.index()).abs())
                .findFirst()
                .orElse(loaded);
    }

    /** One circuit, from a source's pole to a load and back. */
    private final class Way {
        private final Branch load;
        private final List<Walk.Stop> stops;
        private final Terminal hot;
        private final Terminal common;
        private final Request.Mode mode;
        private final double supply;
        private final String circuit;
        /** Places that the way passes and where nothing is on the pole that a lead stays on. */
        private final Set<String> withoutPole = new LinkedHashSet<>();

        /** The first stop that is on the other side of the load. */
        private final int beyond;

        Way(Branch load, List<Walk.Stop> stops) {
            this.load = load;
            this.stops = stops;
            hot = stops.get(0).terminal();
            common = stops.get(stops.size() - 1).terminal();
            mode = meter.volts(hot, common);
            supply = value(request(mode, hot, common));
            circuit = hot + "–" + common.name() + " to " + load.title().replace('-', '–');
            int at = 1;
            while (at < stops.size() && !stops.get(at).load()) {
                at++;
            }
            beyond = at;
        }

        void lines() {
            double most =
                    Math.max((1 + CheckSheet.SUPPLY_RANGE) * supply, OPEN_RANGE * openVolts(hot, common, mode, supply));
            String off = "The supply " + hot.part() + " is off, its breaker or fuse is open, or it is the wrong tap.";
            double least = (1 - CheckSheet.SUPPLY_RANGE) * supply - CheckSheet.COUNTS;
            put("supply", request(mode, hot, common), null, least, most + CheckSheet.COUNTS, true, off);
            // the way back first, from the common on: then every lead that stays there stands on what is proved
            back(true);
            for (int i = 1; i < beyond; i++) {
                stop(i, i - 1);
            }
            back(false);
            for (int i = 1; i < beyond; i++) {
                controlSupply(stops.get(i).terminal());
            }
            Request at = request(mode, load.a(), load.b());
            put(
                    "at " + load.owner(),
                    at,
                    load,
                    value(at) - slack(),
                    supply + slack(),
                    false,
                    "The way to " + load.owner() + " or back from it is open or poor.");
            // what a transformer takes depends on all that hangs on it
            if (load.role() != Role.PRIMARY && load.shape() != Shape.BOX) {
                amps();
            }
            notes();
        }

        private double slack() {
            return Math.max(CheckSheet.COUNTS, CheckSheet.LINE_RANGE * supply);
        }

        /** The stops of the way back that are measured from the source itself, or the others. */
        private void back(boolean fromSource) {
            for (int i = stops.size() - 2; i >= beyond; i--) {
                Terminal t = stops.get(i).terminal();
                boolean is = pole(placeOf(t), t).filter(this::isSourcePole).isPresent();
                if (is == fromSource) {
                    stop(i, i + 1);
                }
            }
        }

        private boolean isSourcePole(Terminal t) {
            return t.equals(school == School.TO_COMMON ? common : hot);
        }

        /** The line at a stop, which one comes to from the stop at {@code from}. */
        private void stop(int i, int from) {
            Terminal t = stops.get(i).terminal();
            Branch by = stops.get(Math.max(i, from)).by();
            boolean toCommon = school == School.TO_COMMON;
            Optional<Terminal> stays = pole(placeOf(t), t);
            if (stays.isEmpty()) {
                across(i, from, by);
                return;
            }
            boolean atSource = isSourcePole(stays.get());
            // against another point of its own pole in the same place it would show nothing of its way
            boolean tells = atSource || !wired.together(node(t), node(toCommon ? common : hot));
            if (tells) {
                Request r = toCommon ? request(mode, t, stays.get()) : request(mode, stays.get(), t);
                // without any drop the feed's side is at the supply's volts from common, the way back's at none
                double ideal = (from < i) == toCommon ? supply : 0;
                String way = "The way between " + stops.get(from).terminal() + " and " + t + " (" + by.title() + ")";
                boolean near = atSource || stays.get().equals(stops.get(from).terminal());
                put(
                        t.toString(),
                        r,
                        by,
                        Math.min(value(r), ideal) - slack(),
                        Math.max(value(r), ideal) + slack(),
                        false,
                        way + (near ? "" : " or that to " + stays.get()) + " is open or poor.");
            }
        }

        /** Where nothing in a place is on the pole that a lead stays on: what the current passes there is measured. */
        private void across(int i, int from, Branch by) {
            Terminal t = stops.get(i).terminal();
            String place = placeOf(t);
            int step = from < i ? 1 : -1;
            int first = i;
            while (first - step >= 0
                    && first - step < stops.size()
                    && (first - step < beyond) == (i < beyond)
                    && placeOf(stops.get(first - step).terminal()).equals(place)) {
                first -= step;
            }
            Terminal start = stops.get(first).terminal();
            if (first != i && !start.equals(t)) {
                Request r = request(mode, start, t);
                put(
                        start + " to " + t,
                        r,
                        by,
                        Math.max(0, value(r) - slack()),
                        value(r) + slack(),
                        false,
                        "The way between " + start + " and " + t + " is open or poor; the rest of it conducts.");
            }
            withoutPole.add(place);
        }

        private void notes() {
            String pole = (school == School.TO_COMMON ? common : hot).toString();
            for (String place : withoutPole) {
                Spot spot = new Spot(place, circuit);
                List<String> instead = lines.getOrDefault(spot, List.of()).stream()
                        .filter(l -> !l.request().mode().clamps())
                        .map(Line::what)
                        .toList();
                if (!instead.isEmpty()) {
                    notes.put(
                            spot,
                            List.of("No terminal here is wired to " + pole + "; measured instead: "
                                    + String.join(", ", instead)
                                    + ". Next to nothing across a contact is a made one, or a circuit that is dead or open"
                                    + " elsewhere."));
                }
            }
        }

        /** A terminal in a place that is on the pole that the lead stays on: that of the source, of the part, any. */
        private Optional<Terminal> pole(String place, Terminal with) {
            boolean toCommon = school == School.TO_COMMON;
            Terminal pole = toCommon ? common : hot;
            NodeGroups joined = toCommon ? wired : fed;
            return assembly.nodes().keySet().stream()
                    .filter(x -> placeOf(x).equals(place))
                    .filter(x -> joined.together(node(x), node(pole)))
                    .filter(x -> x.equals(pole) || x.equals(with) || isWired(x))
                    .min(Comparator.comparingInt((Terminal x) -> rank(x, pole, with)));
        }

        private int rank(Terminal x, Terminal pole, Terminal with) {
            if (x.equals(pole)) {
                return 0;
            }
            boolean joint =
                    assembly.member(x.part()).map(m -> m.is(Trait.JOINT)).orElse(true);
            boolean same = x.part().equals(with.part());
            return x.equals(with) ? 4 : joint ? 3 : same ? 1 : 2;
        }

        private boolean isWired(Terminal x) {
            return assembly.circuit().wires().stream().anyMatch(w -> w.from().equals(x) || w.to().equals(x));
        }

        /** R–C at a control whose feed is passed: it may live on it, and its common has a wire of its own. */
        private void controlSupply(Terminal r) {
            Terminal c = new Terminal(r.part(), "C");
            boolean control = List.of("R", "RH", "RC").contains(r.name())
                    && assembly.node(c).isPresent();
            double volts = control ? value(request(mode, r, c)) : 0;
            if (volts > supply / 2) {
                put(
                        r.name() + "–C at " + r.part(),
                        request(mode, r, c),
                        null,
                        volts - slack(),
                        supply + slack(),
                        false,
                        "The common to " + r.part() + " is open.");
            }
        }

        private void amps() {
            Branch wire = null;
            for (int i = 1; i < stops.size(); i++) {
                boolean before = stops.get(i).load()
                        && stops.get(i - 1).by() != null
                        && stops.get(i - 1).by().isWire();
                boolean after = stops.get(i - 1).load() && stops.get(i).by().isWire();
                if (wire == null && (before || after)) {
                    wire = before ? stops.get(i - 1).by() : stops.get(i).by();
                }
            }
            if (wire == null) {
                return;
            }
            Request.Mode clamp = mode == Request.Mode.DC_VOLTS ? Request.Mode.DC_AMPS : Request.Mode.AMPS;
            Request r = new Request(clamp, null, null, wire.owner(), 1, false);
            double amps = value(r);
            double off = Math.max(LEAST_AMPS_RANGE, AMPS_RANGE * amps);
            put(
                    "current",
                    r,
                    load,
                    amps - off,
                    amps + off,
                    false,
                    "With volts at " + load.owner() + ": none means open inside, much more a short or a locked rotor.");
        }

        /** A place that an earlier circuit has led over already isn't measured again. */
        private void put(
                String what, Request r, Branch by, double low, double high, boolean isSupply, String otherwise) {
            Terminal at = r.mode().clamps() ? load.a() : r.plus();
            Spot spot = new Spot(placeOf(at), circuit);
            List<Line> here = lines.computeIfAbsent(spot, s -> new ArrayList<>());
            boolean same = !r.mode().clamps() && r.plus().equals(r.minus());
            if (!same && keys.add(r.key())) {
                here.add(
                        new Line(what, r, circuit, order++, by, value(r), Math.max(0, low), high, isSupply, otherwise));
            }
        }
    }
}
