package org.jagridge.core.meter;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.circuit.Wire;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Call;
import org.jagridge.core.part.NodeGroups;
import org.jagridge.core.part.PartTypes;
import org.jagridge.core.part.Role;
import org.jagridge.core.part.Time;
import org.jagridge.core.run.Event;
import org.jagridge.core.run.Run;
import org.jagridge.core.run.Simulation;
import org.jagridge.core.run.Tale;
import org.jagridge.core.world.Worlds;

/**
 * A control checked at the board, output by output: for each call, where its conductor lands, what is read there before
 * and after it, how long to wait, what comes on then, and what it means if it isn't there.
 *
 * @param bare calls of which no conductor is landed anywhere, by name
 */
public record OutputSheet(Part control, List<Row> rows, List<String> bare) {
    /** The call is made when all that power on starts has settled, seconds. */
    private static final double BEGINS = 60;

    /** How long is looked at what comes of it, seconds: longer than delays at starting take. */
    private static final double LOOKED = 600;

    /** The reading is there from this share of what it becomes on. */
    private static final double THERE = 0.9;

    /**
     * One output.
     *
     * @param made the contact at the control that makes the call, like "R-Y"
     * @param at where the conductor lands, {@code to} where the other lead is: the return of the same supply, on the same
     *     part or in the same place where there is one
     * @param before volts, in rest
     * @param waits microseconds from the call until the reading is there
     * @param after volts then
     * @param follows what comes on in the call after that, with microseconds from the call
     */
    public record Row(
            Call call,
            String made,
            Terminal at,
            Terminal to,
            Reading before,
            long waits,
            Reading after,
            List<Follows> follows,
            Request request,
            Scenario scenario,
            long looked) {

        /** What it means if nothing is read there, from all that may be the case; takes up to a second. */
        public String ifNothing(Assembly assembly) {
            CheckSheet.Line line =
                    new CheckSheet.Line(at + " to " + to, request, "", 0, null, after.value(), 0, 0, false, "");
            CheckSheet.Section section = new CheckSheet.Section("", "", List.of(line), List.of());
            return SheetProof.says(
                    Worlds.at(assembly, scenario, looked), new CheckSheet(List.of(section)), Map.of(line.key(), 0.0));
        }
    }

    /** A part that comes on. */
    public record Follows(String part, String value, long after) {}

    /** The controls of a circuit that have calls. */
    public static List<Part> controls(Circuit circuit) {
        return circuit.parts().stream()
                .filter(p -> p.fitted() && !PartTypes.callsOf(p).isEmpty())
                .toList();
    }

    public static OutputSheet of(Assembly assembly, Part control) {
        List<Row> rows = new ArrayList<>();
        List<String> bare = new ArrayList<>();
        for (Call call : PartTypes.callsOf(control)) {
            List<Row> made = rows(assembly, control, call);
            rows.addAll(made);
            if (made.isEmpty()) {
                bare.add(call.name());
            }
        }
        return new OutputSheet(control, rows, bare);
    }

    private static List<Row> rows(Assembly assembly, Part control, Call call) {
        Scenario scenario = Tale.around(assembly.circuit(), control, call)
                .start(call.before())
                .begin(call, BEGINS)
                .until(call.name(), BEGINS + LOOKED);
        Run run = Simulation.run(assembly, scenario);
        long begins = Time.micros(BEGINS);
        List<Row> rows = new ArrayList<>();
        for (Branch contact : assembly.branchesOf(control.id())) {
            if (contact.role() != Role.CONTACT || contact.b() == null) {
                continue;
            }
            // of several supplies, the one by which the call shows most
            landed(assembly.circuit(), contact.b())
                    .flatMap(at -> returnsFor(assembly, at).stream()
                            .filter(to -> !to.equals(at))
                            .flatMap(to -> row(run, call, contact, at, to, begins).stream())
                            .max(Comparator.comparingDouble(
                                    r -> Math.abs(r.after().value())
                                            - Math.abs(r.before().value()))))
                    .ifPresent(rows::add);
        }
        return rows;
    }

    private static Optional<Row> row(Run run, Call call, Branch contact, Terminal at, Terminal to, long begins) {
        long before = begins - 1;
        if (run.at(before).conducts(contact)) {
            return Optional.empty();
        }
        List<Long> instants = Stream.concat(
                        Stream.of(begins),
                        run.events().stream().map(Event::micros).filter(t -> t >= begins))
                .distinct()
                .toList();
        Optional<Long> closed =
                instants.stream().filter(t -> run.at(t).conducts(contact)).findFirst();
        if (closed.isEmpty()) {
            return Optional.empty();
        }
        Meter rest = Meter.at(run, before);
        Meter settled = Meter.at(run, closed.get());
        Request request = new Request(settled.volts(at, to), at, to, null, 1, false);
        double full = Math.abs(settled.value(request));
        long there = instants.stream()
                .filter(t -> t >= closed.get() && Math.abs(Meter.at(run, t).value(request)) >= THERE * full)
                .findFirst()
                .orElse(closed.get());
        return Optional.of(new Row(
                call,
                contact.label(),
                at,
                to,
                rest.shown(request),
                there - begins,
                Meter.at(run, there).shown(request),
                follows(run, contact.owner(), begins, there),
                request,
                run.scenario(),
                there));
    }

    /** What begins to work after the call, once each, in order. */
    private static List<Follows> follows(Run run, String control, long begins, long from) {
        Map<String, Follows> first = new LinkedHashMap<>();
        for (Event e : run.events()) {
            if (e.micros() < from || e.isInput() || e.part().equals(control)) {
                continue;
            }
            boolean works = run.circuit()
                    .part(e.part())
                    .map(p -> PartTypes.signalOf(p).isAtWork(e.to()))
                    .orElse(false);
            if (works) {
                first.putIfAbsent(e.part(), new Follows(e.part(), e.to(), e.micros() - begins));
            }
        }
        return List.copyOf(first.values());
    }

    /** Where the conductor from a control's terminal lands. */
    private static Optional<Terminal> landed(Circuit circuit, Terminal output) {
        for (Wire w : circuit.wires()) {
            for (int end = 0; end < 2; end++) {
                if (w.end(end).equals(output)) {
                    return Optional.of(w.end(1 - end));
                }
            }
        }
        return Optional.empty();
    }

    /** The return of each supply where one person reaches it: on the same part, in the same place, or its own pole. */
    private static List<Terminal> returnsFor(Assembly assembly, Terminal at) {
        NodeGroups joined = NodeGroups.of(assembly, b -> b.isWire() || b.role() == Role.CONDUCTOR);
        String place = placeOf(assembly.circuit(), at);
        List<Terminal> returns = new ArrayList<>();
        for (Branch source : assembly.branches()) {
            if (!source.role().gives() || source.b() == null) {
                continue;
            }
            List<Terminal> same = assembly.nodes().keySet().stream()
                    .filter(t -> assembly.circuit().part(t.part()).isPresent())
                    .filter(t -> joined.together(assembly.node(t).orElseThrow(), source.nodeB()))
                    .toList();
            returns.add(same.stream()
                    .filter(t -> t.part().equals(at.part()))
                    .findFirst()
                    .or(() -> same.stream()
                            .filter(t -> placeOf(assembly.circuit(), t).equals(place))
                            .findFirst())
                    .orElse(source.b()));
        }
        return returns.stream().distinct().toList();
    }

    private static String placeOf(Circuit circuit, Terminal t) {
        return circuit.part(t.part()).map(Part::place).orElse("");
    }
}
