package org.jagridge.core.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.plan.InterlockAnswer.Buy;
import org.jagridge.core.plan.InterlockAnswer.Plan;
import org.jagridge.core.plan.InterlockAnswer.Rejected;
import org.jagridge.core.plan.InterlockAnswer.Relay;
import org.jagridge.core.plan.InterlockKit.Strategy;
import org.jagridge.core.plan.InterlockKit.Technique;
import org.jagridge.core.plan.InterlockRequest.Heater;
import org.jagridge.core.plan.InterlockRequest.Opening;
import org.jagridge.core.prove.FaultVerdict;
import org.jagridge.core.prove.HandWords;
import org.jagridge.core.prove.Limits;
import org.jagridge.core.prove.Prover;
import org.jagridge.core.prove.Verdict;

/**
 * Plans interlocks: heaters that stay off while an opening isn't shut. Each strategy gives every opening a technique that
 * fits what it offers; the circuit that comes of it is proved with every single fault. What is broken without a fault is
 * rejected with the way to break it; what holds is ranked by how many faults break it, how many stay hidden, how many
 * stop the heat for nothing, relays and metres.
 */
public final class InterlockPlanner {
    private static final int MOST_NAMED = 3;

    private final InterlockRequest request;
    private final Limits limits;

    private InterlockPlanner(InterlockRequest request, Limits limits) {
        this.request = request;
        this.limits = limits;
    }

    /** Plans it. Where an opening offers nothing that would do, {@link InterlockAnswer#noWay()} says so. */
    public static InterlockAnswer plan(InterlockRequest request) {
        return plan(request, Limits.usual());
    }

    /** The same for somebody who looks on and may lose interest. */
    public static InterlockAnswer plan(InterlockRequest request, Limits limits) {
        return new InterlockPlanner(request, limits).answer();
    }

    private record Draft(Strategy strategy, Map<String, Technique> techniques) {}

    private InterlockAnswer answer() {
        List<String> noWay = new ArrayList<>();
        for (Opening o : request.openings()) {
            int loops = request.loopsOf(o.id());
            if (InterlockKit.strategies().stream()
                    .allMatch(s -> InterlockKit.technique(s, o, loops).isEmpty())) {
                noWay.add(noWay(o, loops));
            }
        }
        if (!noWay.isEmpty()) {
            return new InterlockAnswer(List.of(), List.of(), noWay);
        }
        Map<Map<String, Technique>, Draft> drafts = new LinkedHashMap<>();
        for (Strategy s : InterlockKit.strategies()) {
            Map<String, Technique> techniques = new LinkedHashMap<>();
            for (Opening o : request.openings()) {
                InterlockKit.technique(s, o, request.loopsOf(o.id())).ifPresent(t -> techniques.put(o.id(), t));
            }
            if (techniques.size() == request.openings().size()) {
                drafts.putIfAbsent(techniques, new Draft(s, techniques));
            }
        }
        List<Plan> kept = new ArrayList<>();
        List<Rejected> rejected = new ArrayList<>();
        for (Draft d : drafts.values()) {
            InterlockKit kit = new InterlockKit(request, d.techniques());
            Circuit circuit = kit.circuit(title(d.strategy()));
            List<Verdict> sound = Prover.prove(circuit, circuit.rules(), false, limits);
            Optional<Verdict> broken = sound.stream().filter(v -> !v.holds()).findFirst();
            if (broken.isPresent()) {
                rejected.add(new Rejected(
                        d.strategy().title(),
                        titles(d),
                        broken.get().rule().text() + ": broken without any fault, "
                                + new HandWords(Assembly.of(circuit))
                                        .of(broken.get().how().steps()),
                        broken.get().rule().id(),
                        circuit,
                        broken.get().how()));
            } else {
                kept.add(plan(d, kit, circuit, Prover.prove(circuit, circuit.rules(), true, limits)));
            }
        }
        kept.sort(Comparator.<Plan>comparingInt(p -> p.failsHot().size())
                .thenComparingInt(p -> p.hidden().size())
                .thenComparingInt(p -> p.failsCold().size())
                .thenComparingInt(p -> p.relays().size())
                .thenComparingDouble(Plan::metres));
        return new InterlockAnswer(ranked(kept), rejected, noWay);
    }

    private static String noWay(Opening o, int loops) {
        if (loops > 4) {
            return o.id() + " stops " + loops + " heaters; one relay has four sets. Take the heaters in two plans.";
        }
        return o.id() + " offers " + o.signal().title()
                + ", and no limit switch can be fitted: nothing here tells when it"
                + " is shut. Fit a limit switch that is made only while it is fully shut.";
    }

    private String title(Strategy s) {
        return (request.place().isEmpty() ? "Interlock, " : request.place() + ", ") + s.title();
    }

    private static Map<String, String> titles(Draft d) {
        Map<String, String> titles = new LinkedHashMap<>();
        d.techniques().forEach((id, t) -> titles.put(id, t.key()));
        return titles;
    }

    private static List<Fault> faults(List<Verdict> verdicts, FaultVerdict.Kind kind) {
        Set<Fault> faults = new LinkedHashSet<>();
        verdicts.forEach(v -> v.of(kind).forEach(f -> faults.add(f.fault())));
        if (kind == FaultVerdict.Kind.HIDDEN) {
            // hidden is what shows nowhere
            verdicts.forEach(v -> v.faults().stream()
                    .filter(f -> f.kind() != FaultVerdict.Kind.HIDDEN)
                    .forEach(f -> faults.remove(f.fault())));
        }
        return List.copyOf(faults);
    }

    private Plan plan(Draft d, InterlockKit kit, Circuit circuit, List<Verdict> verdicts) {
        return new Plan(
                0,
                d.strategy().title(),
                titles(d),
                circuit,
                verdicts,
                faults(verdicts, FaultVerdict.Kind.HOT),
                faults(verdicts, FaultVerdict.Kind.COLD),
                faults(verdicts, FaultVerdict.Kind.HIDDEN),
                faults(verdicts, FaultVerdict.Kind.OPEN),
                relays(d),
                buy(d, kit),
                steps(d, kit),
                stays(),
                kit.metres(),
                "");
    }

    private List<Relay> relays(Draft d) {
        List<Relay> relays = new ArrayList<>();
        for (Opening o : request.openings()) {
            Technique t = d.techniques().get(o.id());
            List<String> suffixes = t.number("relays") == 2 ? List.of("-K", "-J") : List.of("-K");
            for (String suffix : suffixes.subList(0, t.number("relays"))) {
                int sets = request.loopsOf(o.id()) + t.number("extra");
                relays.add(new Relay(
                        o.id() + suffix,
                        coil(t, o),
                        sets + (sets == 1 ? " change-over set, " : " change-over sets, ") + "10 A; breaks "
                                + breaks(o.id()),
                        t.why(o)));
            }
        }
        for (Heater h : request.heaters()) {
            if (h.control() != InterlockRequest.Control.PAIR_24V) {
                relays.add(new Relay(
                        h.id() + "-R",
                        "24 V AC",
                        "one pole, %.0f A, for %.1f A at 120 V".formatted(InterlockKit.rating(h.amps()), h.amps()),
                        "the loop of " + h.id() + " is low voltage of its own; this releases "
                                + InterlockKit.breaks(h)));
            }
        }
        return relays;
    }

    private static String coil(Technique t, Opening o) {
        boolean direct = !t.isLow() && o.signal() == InterlockRequest.Signal.DC_ALWAYS;
        return "%.0f V %s".formatted(t.isLow() ? 24 : o.volts(), direct ? "DC" : "AC");
    }

    private String breaks(String opening) {
        return String.join(
                ", ",
                request.heaters().stream()
                        .filter(h -> request.matrix().get(h.id()).contains(opening))
                        .map(h -> h.control() == InterlockRequest.Control.PAIR_24V
                                ? "the 24 V pair of " + h.id()
                                : "the loop of " + h.id())
                        .toList());
    }

    private List<Buy> buy(Draft d, InterlockKit kit) {
        Map<String, Double> counts = new TreeMap<>();
        Map<String, String> why = new LinkedHashMap<>();
        relays(d)
                .forEach(r -> count(
                        counts,
                        why,
                        (r.part().endsWith("-R") ? "contactor, " : "relay, ") + r.coil() + ", "
                                + r.contacts().replaceAll(" ?; .*|, for .*", ""),
                        1,
                        r.part()));
        d.techniques().forEach((id, t) -> {
            if (t.number("limits") > 0) {
                count(counts, why, "limit switch, actuated only while fully shut", t.number("limits"), id);
            }
        });
        if (kit.needsLow()) {
            count(counts, why, "transformer 120/24 V, %.0f VA".formatted(kit.va()), 1, "everything at 24 V");
            count(counts, why, "fuse %.0f A with holder".formatted(Math.ceil(kit.va() / 24)), 1, "the transformer");
        }
        count(counts, why, "metres of 18 AWG conductor", Math.ceil(kit.metres()), "from the panel to the openings");
        List<Buy> buy = new ArrayList<>();
        counts.forEach((what, count) -> {
            double have = request.stock().entrySet().stream()
                    .filter(e -> what.startsWith(e.getKey()))
                    .mapToDouble(Map.Entry::getValue)
                    .sum();
            if (count > have) {
                buy.add(new Buy(what, count - have, why.get(what)));
            }
        });
        return buy;
    }

    private static void count(Map<String, Double> counts, Map<String, String> why, String what, double n, String who) {
        if (n > 0) {
            counts.merge(what, n, Double::sum);
            why.merge(what, who, (a, b) -> a.contains(b) ? a : a + ", " + b);
        }
    }

    private List<String> steps(Draft d, InterlockKit kit) {
        List<String> steps = new ArrayList<>();
        steps.add(
                "Switch off and lock the circuit and every heater's own supply; prove the meter, prove dead, prove the"
                        + " meter again. Drives of openings have their own mains.");
        List<String> limits = request.openings().stream()
                .filter(o -> d.techniques().get(o.id()).number("limits") > 0)
                .map(Opening::id)
                .toList();
        if (!limits.isEmpty()) {
            steps.add("Fit limit switches at " + String.join(", ", limits)
                    + ", actuated only while fully shut; by hand, check with continuity that each opens before the leaf has"
                    + " moved a finger's breadth.");
        }
        steps.add("Fit the relays in the panel" + (kit.needsLow() ? ", the transformer and its fuse" : "")
                + "; keep line and low-voltage conductors apart as the local code says.");
        steps.add("Pull %.0f m of conductor to the openings and mark both ends.".formatted(Math.ceil(kit.metres())));
        steps.add("Land coils first, then contacts, the calls of the heaters last: "
                + String.join(
                        ", ",
                        request.heaters().stream()
                                .map(h -> h.id() + " (" + InterlockKit.breaks(h) + ")")
                                .toList())
                + ". Break the call, never the supply: a heater must purge.");
        steps.add("Before power: continuity through each heater's loop with everything shut and its relays held in by"
                + " nobody; it must be open wherever a relay has to be in.");
        steps.add(
                "Power on. Then go through the acceptance sheet, every opening in every position, and leave nothing linked.");
        return steps;
    }

    /** States that stay open because nobody asked for them to be shut. */
    private List<String> stays() {
        List<String> stays = new ArrayList<>();
        for (Heater h : request.heaters()) {
            List<String> others = request.openings().stream()
                    .map(Opening::id)
                    .filter(o -> !request.matrix().get(h.id()).contains(o))
                    .toList();
            if (!others.isEmpty()) {
                stays.add(h.id() + " goes on while " + String.join(", ", others) + (others.size() == 1 ? " is" : " are")
                        + " open: they aren't joined in the matrix");
            }
        }
        return stays;
    }

    private static List<Plan> ranked(List<Plan> kept) {
        List<Plan> ranked = new ArrayList<>();
        for (int i = 0; i < kept.size(); i++) {
            Plan p = kept.get(i);
            ranked.add(new Plan(
                    i + 1,
                    p.title(),
                    p.techniques(),
                    p.circuit(),
                    p.verdicts(),
                    p.failsHot(),
                    p.failsCold(),
                    p.hidden(),
                    p.undecided(),
                    p.relays(),
                    p.buy(),
                    p.steps(),
                    p.stays(),
                    p.metres(),
                    why(kept, i)));
        }
        return ranked;
    }

    /** Why it stands where it stands, by what another does that it doesn't. */
    private static String why(List<Plan> kept, int i) {
        Plan p = kept.get(i);
        if (kept.size() == 1) {
            return "The only one that holds" + hot(p) + ".";
        }
        Plan other = kept.get(i == 0 ? 1 : i - 1);
        Plan better = i == 0 ? p : other;
        Plan worse = i == 0 ? other : p;
        List<Fault> only = new ArrayList<>(worse.failsHot());
        only.removeAll(better.failsHot());
        String fault = only.isEmpty() ? null : only.get(0).words();
        String head = i == 0 ? "Recommended" : "After \"" + other.title() + "\"";
        if (worse.failsHot().size() > better.failsHot().size() && fault != null) {
            return head + ": " + better.failsHot().size()
                    + " single faults let heat on while something is open, against "
                    + worse.failsHot().size() + " with \"" + worse.title() + "\", among them " + fault + ".";
        }
        if (worse.hidden().size() != better.hidden().size()) {
            return head + ": as many faults break both, but " + better.hidden().size() + " stay hidden, against "
                    + worse.hidden().size() + ".";
        }
        return head + ": the same under single faults, with " + better.relays().size() + " relays and "
                + Math.round(better.metres()) + " m, against " + worse.relays().size() + " and "
                + Math.round(worse.metres()) + " m.";
    }

    private static String hot(Plan p) {
        return p.failsHot().isEmpty()
                ? "; no single fault that was decided breaks it"
                : "; " + p.failsHot().size() + " single faults break it, among them "
                        + String.join(
                                ", ",
                                p.failsHot().stream()
                                        .limit(MOST_NAMED)
                                        .map(Fault::words)
                                        .toList());
    }
}
