package org.jagridge.core.plan;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.circuit.Wire;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.NodeGroups;
import org.jagridge.core.part.Numbers;
import org.jagridge.core.part.Role;

/** Makes a plan out of a composition that holds: with what was found out about it by running it otherwise, too. */
final class PlanTeller {
    /** Ratings of control transformers that are sold, VA. */
    private static final List<Integer> RATINGS = List.of(40, 50, 60, 75, 100, 150, 200);

    /** Ratings of control fuses that are sold, A. */
    private static final List<Double> FUSES = List.of(1.0, 2.0, 3.0, 5.0, 7.5, 10.0);

    private static final String STRIP = "WC";
    private static final double CONTROL_VOLTS = 24;
    /** Of a control fuse over what the transformer gives for long, so that an inrush doesn't open it. */
    private static final double HEADROOM = 1.25;

    private final Composition c;
    private final CallTrial trial;
    private final List<String> said = new ArrayList<>();

    PlanTeller(Composition c, CallTrial trial) {
        this.c = c;
        this.trial = trial;
    }

    WiringPlan plan() {
        Circuit circuit = c.circuit();
        if (!c.face.said().isEmpty()) {
            said.add(c.face.said());
        }
        said.addAll(new LinkedHashSet<>(trial.said()));
        commonOfThermostat(circuit);
        harmlessDefrostCall(circuit);
        screws(circuit);
        supply();
        List<WiringPlan.Conductor> schedule = c.has(Move.SHARING_PAIR) ? bypasses(circuit) : c.schedule;
        said.addAll(Replacement.said(c.request, c.kit));
        return new WiringPlan(
                0,
                WiringPlanner.title(c.moves),
                List.copyOf(c.moves),
                Ranking.lost(c),
                c.price,
                List.copyOf(c.buy.values()),
                schedule,
                c.fit,
                c.takeOut,
                c.unused,
                strip(circuit),
                trial.modes(),
                trial.budget(),
                trial.findings(),
                said,
                withScenarios(circuit));
    }

    /** The circuit with its calls as scenarios, so that each can be run and looked at again. */
    private Circuit withScenarios(Circuit circuit) {
        String title = WiringPlanner.title(c.moves);
        Circuit.Builder b = circuit.toBuilder("Planned: " + title).notes(String.join("\n", said));
        for (Expected.Call call : Expected.of(c)) {
            if (!call.defrosts()) {
                Map<String, Object> start = c.kit.has("CS") ? Map.of("CS.coilCelsius", 10.0) : Map.of();
                Scenario.Step step = new Scenario.Step(10, call.set(), List.of());
                b.scenarios().add(new Scenario(call.name(), start, List.of(step), List.of(), 10 + call.seconds()));
            }
        }
        return b.build();
    }

    /** Whose return the thermostat's C is: of more than one where returns are joined. */
    private void commonOfThermostat(Circuit circuit) {
        Assembly assembly = Assembly.of(circuit);
        NodeGroups nets = NodeGroups.of(assembly, b -> b.role() == Role.WIRE || b.role() == Role.CONDUCTOR);
        assembly.node(new Terminal("TH", "C")).ifPresent(c -> {
            String all = assembly.branches().stream()
                    .filter(b -> b.role() == Role.SECONDARY && nets.together(b.nodeB(), c))
                    .map(b -> b.owner() + ", "
                            + circuit.part(b.owner()).orElseThrow().title())
                    .collect(Collectors.joining(", and of "));
            if (!all.isEmpty()) {
                said.add("The thermostat's C is the return of " + all + ".");
            }
        });
    }

    /** A defrost's call for heat with nothing indoors to heat: wired all the same, and run. */
    private void harmlessDefrostCall(Circuit circuit) {
        Optional<Post> gives = c.kit.post(Line.DEFROST, Post.How.GIVES);
        Optional<Post> post = c.kit.post(Line.HEAT, "indoor");
        boolean nothingHeats = c.kit.post(Line.HEAT, Post.How.NEEDS).isEmpty();
        if (gives.isPresent() && post.isPresent() && nothingHeats) {
            Circuit.Builder b = circuit.toBuilder();
            b.wires()
                    .add(Wire.between(
                            "defrost",
                            Terminal.parse(gives.get().at()),
                            Terminal.parse(post.get().at())));
            boolean holds = new CallTrial(c, b.build()).calls(null) == null;
            said.add(
                    holds
                            ? "W2 of the outdoor unit has nothing to heat with. Wired to "
                                    + post.get().at() + " all the same and run: every call holds."
                            : "W2 of the outdoor unit must stay off: wired to "
                                    + post.get().at() + ", a call fails.");
        }
    }

    /** What lands at each terminal that holds more than one conductor from elsewhere. */
    private void screws(Circuit circuit) {
        String shared = landed(circuit).entrySet().stream()
                .filter(e -> e.getValue().size() > 1 && !e.getKey().part().equals(STRIP))
                .map(e -> e.getKey() + " (" + String.join(", ", e.getValue()) + ")")
                .collect(Collectors.joining("; "));
        if (!shared.isEmpty()) {
            said.add("More than one conductor under one screw: " + shared
                    + ". Where it is made for one, splice them with a short tail.");
        }
    }

    private static Map<Terminal, List<String>> landed(Circuit circuit) {
        Map<Terminal, List<String>> at = new LinkedHashMap<>();
        for (Wire w : circuit.wires()) {
            if (w.run() == Wire.Run.FIELD) {
                String core = w.cable() + " " + w.core();
                at.computeIfAbsent(w.from(), k -> new ArrayList<>()).add(w.cable() == null ? "to " + w.to() : core);
                at.computeIfAbsent(w.to(), k -> new ArrayList<>()).add(w.cable() == null ? "to " + w.from() : core);
            }
        }
        return at;
    }

    /** Each post of the wiring centre with what it carries and what lands there. */
    private List<WiringPlan.StripPost> strip(Circuit circuit) {
        Map<Terminal, List<String>> at = landed(circuit);
        List<WiringPlan.StripPost> posts = new ArrayList<>();
        for (Net net : c.nets) {
            Terminal first = Terminal.parse(net.ends().get(0));
            if (first.part().equals(STRIP)) {
                posts.add(new WiringPlan.StripPost(
                        first.toString(), net.line.carries(), at.getOrDefault(first, List.of())));
            }
        }
        return posts;
    }

    /** Fuse and transformer: what fits, and what would do where it is too small, found by running it again. */
    private void supply() {
        List<WiringPlan.Budget> rows = trial.budget();
        rows.stream().map(WiringPlan.Budget::transformer).distinct().forEach(id -> {
            double rated = rows.stream()
                    .filter(b -> b.transformer().equals(id))
                    .findFirst()
                    .orElseThrow()
                    .ratedVa();
            double amps = rated / CONTROL_VOLTS;
            double fuse =
                    FUSES.stream().filter(f -> f >= HEADROOM * amps).findFirst().orElse(10.0);
            said.add(String.format(
                    Locale.ROOT,
                    "%s gives %.0f VA / %.0f V = %.2f A for long: a %s A fuse in its R (the next above %.2f × that).",
                    id,
                    rated,
                    CONTROL_VOLTS,
                    amps,
                    Numbers.plain(fuse),
                    HEADROOM));
            boolean isShort = rows.stream().anyMatch(b -> b.transformer().equals(id) && b.isShort());
            if (isShort && c.circuit().part(id).orElseThrow().params().containsKey("va")) {
                larger(id, rated);
            }
        });
    }

    private void larger(String id, double rated) {
        for (int va : RATINGS) {
            if (va > rated) {
                Circuit.Builder b = c.circuit().toBuilder();
                b.parts().replaceAll(p -> {
                    if (!p.id().equals(id)) {
                        return p;
                    }
                    Map<String, Object> params = new LinkedHashMap<>(p.params());
                    params.put("va", va);
                    return p.withParams(params);
                });
                CallTrial again = new CallTrial(c, b.build());
                boolean holds = again.run() == null
                        && again.budget().stream()
                                .noneMatch(x -> x.transformer().equals(id) && x.isShort());
                if (holds) {
                    said.add(id + " is too small at " + Math.round(rated) + " VA; run again with " + va
                            + " VA it is enough in every call.");
                    return;
                }
            }
        }
        said.add(id + " is too small at " + Math.round(rated) + " VA, and no usual size up to "
                + RATINGS.get(RATINGS.size() - 1) + " VA is enough.");
    }

    /** Which conductors may pass the sharing module by: each is landed straight on the board and run. */
    private List<WiringPlan.Conductor> bypasses(Circuit circuit) {
        List<WiringPlan.Conductor> told = new ArrayList<>();
        for (WiringPlan.Conductor k : c.schedule) {
            if (k.carries().equals("SH")) {
                told.add(k.saying(bypassOfShared(circuit, k)));
            } else if (List.of("O", "B", "W", "AUX").contains(k.carries())
                    && k.from().startsWith("TH.")) {
                told.add(k.saying(overModule(circuit, k)));
            } else {
                told.add(k);
            }
        }
        return told;
    }

    private String bypassOfShared(Circuit circuit, WiringPlan.Conductor k) {
        String target = c.nets.stream()
                .filter(n -> n.ends().contains("SM.Y"))
                .flatMap(n -> n.ends().stream())
                .filter(e -> !e.equals("SM.Y"))
                .findFirst()
                .orElseThrow();
        Circuit.Builder b = circuit.toBuilder();
        b.wires().replaceAll(w -> w.id().equals(k.wire()) ? moved(w, Terminal.parse(target)) : w);
        WiringPlan.Mode wrong = new CallTrial(c, b.build()).calls(null);
        return wrong == null
                ? ""
                : "; it must go through the module: landed straight on " + target + ", " + wrong.call() + " fails ("
                        + wrong.why() + ")";
    }

    private static Wire moved(Wire w, Terminal at) {
        return w.from().part().equals("TH") ? w.withEnd(1, at) : w.withEnd(0, at);
    }

    /** The module passes W and O on: the same conductor over its post. */
    private String overModule(Circuit circuit, WiringPlan.Conductor k) {
        String post = List.of("O", "B").contains(k.carries()) ? "SM.O" : "SM.W";
        Circuit.Builder b = circuit.toBuilder();
        b.wires().replaceAll(w -> w.id().equals(k.wire()) ? moved(w, Terminal.parse(post)) : w);
        b.wires().add(Wire.between("over", Terminal.parse(post), Terminal.parse(k.to())));
        boolean same = new CallTrial(c, b.build()).calls(null) == null;
        return same ? "; it may pass the module by: run both ways, every call holds" : "; it must pass the module by";
    }
}
