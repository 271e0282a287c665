package org.jagridge.core.plan;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.jagridge.core.budget.Parallel;
import org.jagridge.core.plan.WiringRequest.IndoorKind;
import org.jagridge.core.plan.WiringRequest.Power;
import org.jagridge.core.plan.WiringRequest.Way;

/**
 * Plans the wiring between boards, cables and a thermostat. A draft is the boards joined letter to letter; moves change
 * it, alone and up to three together. Each that can be landed on the conductors that are there becomes a circuit, and is
 * kept if every call holds when it is run ({@link CallTrial}). Of the kept ones those are given that no other beats on
 * what is lost, money and minutes together.
 */
public final class WiringPlanner {
    static final int MOST_MOVES = 3;
    private static final int MOST_MOVES_FOR_ONE = 2;
    /** Circuits that are run to see whether there is any way at all. */
    private static final int ENOUGH_TO_TRY = 16;

    private static final int MOST_REJECTED = 24;
    private static final int MOST_PLANS = 12;

    /** Moves that change what comes of a call, and not only which conductors carry it. */
    private static final Set<Move> MENDS = EnumSet.of(
            Move.Y_AND_G,
            Move.FAN_RELAY,
            Move.VALVE_RELAY,
            Move.ISOLATING_RELAY,
            Move.RELAYS_OUTDOOR,
            Move.LOCAL_INDOOR,
            Move.LOCAL_OUTDOOR);

    /** Equipment with a feed and a return for a thermostat that cools and heats alike. */
    private static final Set<IndoorKind> OWN_RETURN =
            EnumSet.of(IndoorKind.GAS_FURNACE, IndoorKind.AIR_HANDLER, IndoorKind.HYDRONIC_COIL);

    private final WiringRequest request;
    private final List<Composition> kept = new ArrayList<>();
    private final Map<Composition, CallTrial> trials = new LinkedHashMap<>();
    private final List<WiringAnswer.Rejected> rejected = new ArrayList<>();
    private final List<Set<Move>> failed = new ArrayList<>();
    private final Set<Set<Move>> done = new HashSet<>();
    private final List<Set<Move>> works = new ArrayList<>();
    private int tried;
    private int mostCircuits = Integer.MAX_VALUE;

    /** The one call that matters, or null for all of them and mains that come and go. */
    private final String only;

    private WiringPlanner(WiringRequest request, String only) {
        this.request = request;
        this.only = only;
    }

    /** Plans it. Never fails for want of a plan: then {@link WiringAnswer#noWay()} says which call has none. */
    public static WiringAnswer plan(WiringRequest request) {
        List<WiringAnswer.Question> questions = Questions.of(request);
        WiringPlanner planner = new WiringPlanner(Questions.answered(request), null);
        planner.search();
        return planner.answer(questions);
    }

    /** Whether there is any way at all: with as few moves as it takes, and no further. */
    private boolean isPossible(int mostMoves) {
        mostCircuits = ENOUGH_TO_TRY;
        for (int n = 0; n <= mostMoves && works.isEmpty(); n++) {
            search(n);
        }
        return !works.isEmpty();
    }

    private void search() {
        for (int n = 0; n <= MOST_MOVES; n++) {
            search(n);
        }
    }

    /** Everything with {@code n} moves. */
    private void search(int n) {
        List<Face> faces = Faces.of(request);
        List<Set<Move>> worth = candidates(request, n).stream()
                .map(this::withGiven)
                .filter(this::isWorthTrying)
                .toList();
        List<Draft> drafts = Parallel.map(
                worth,
                m -> new Draft(
                        m,
                        faces.stream().map(f -> Composer.compose(request, f, m)).toList()));
        List<Draft> landed = new ArrayList<>();
        for (Draft d : drafts) {
            List<Composition> possible =
                    d.set().stream().filter(c -> c.why == null).toList();
            if (possible.isEmpty()) {
                reject(d.set().get(0), "wiring", d.set().get(0).why);
            } else if (isInStock(possible.get(0))) {
                landed.add(new Draft(d.moves(), possible));
            }
        }
        run(landed.subList(0, Math.min(landed.size(), Math.max(0, mostCircuits - tried))));
    }

    /** A thermostat that no conductor reaches lives on its batteries. */
    private Set<Move> withGiven(Set<Move> moves) {
        boolean reached = request.cables().stream()
                .anyMatch(k -> k.touches(Kit.THERMOSTAT) && !k.alive().isEmpty());
        boolean wires = moves.contains(Move.CABLE_INDOOR) || moves.contains(Move.CABLE_DIRECT);
        boolean can = request.thermostat().has("C")
                && request.thermostat().power() == Power.EITHER
                && request.allows(Way.BATTERIES);
        return reached || wires || !can ? moves : union(moves, Move.BATTERIES);
    }

    /** @param set the moves with each way to set the thermostat up */
    private record Draft(Set<Move> moves, List<Composition> set) {}

    /**
     * More than what works only costs more; and what could be landed and failed isn't mended by saving conductors.
     */
    private boolean isWorthTrying(Set<Move> moves) {
        return done.add(moves)
                && works.stream().noneMatch(moves::containsAll)
                && failed.stream()
                        .noneMatch(f -> moves.containsAll(f)
                                && moves.stream().filter(m -> !f.contains(m)).noneMatch(MENDS::contains));
    }

    private void run(List<Draft> drafts) {
        for (Tried t : Parallel.map(drafts, this::trial)) {
            tried += t.circuits();
            if (t.wrong() == null) {
                works.add(t.composition().moves);
                kept.add(t.composition());
                trials.put(t.composition(), t.trial());
            } else {
                failed.add(t.composition().moves);
                reject(t.composition(), t.wrong().call(), t.wrong().why());
            }
        }
    }

    private record Tried(Composition composition, CallTrial trial, WiringPlan.Mode wrong, int circuits) {}

    /** With each way to set the thermostat up, until one holds; else what went wrong with the first. */
    private Tried trial(Draft draft) {
        Tried first = null;
        int circuits = 0;
        for (Composition c : draft.set()) {
            CallTrial trial = new CallTrial(c);
            circuits++;
            WiringPlan.Mode wrong = only == null ? trial.runAll() : trial.calls(only);
            if (wrong == null) {
                return new Tried(c, trial, null, circuits);
            }
            first = first == null ? new Tried(c, trial, wrong, circuits) : first;
            if (List.of("fan", "cooling", "cooling-2").contains(wrong.call())) {
                // how heat is called for doesn't matter to these
                break;
            }
        }
        return new Tried(first.composition(), first.trial(), first.wrong(), circuits);
    }

    private void reject(Composition c, String call, String why) {
        if (rejected.size() < MOST_REJECTED) {
            rejected.add(new WiringAnswer.Rejected(List.copyOf(c.moves), title(c.moves), call, why));
        }
    }

    private boolean isInStock(Composition c) {
        return c.buy.values().stream()
                .collect(Collectors.groupingBy(
                        WiringPlan.Purchase::article, Collectors.summingInt(WiringPlan.Purchase::count)))
                .entrySet()
                .stream()
                .allMatch(e -> e.getValue() <= request.stocked(e.getKey()));
    }

    /** All ways to make {@code n} of the moves that could do anything for a request. */
    static List<Set<Move>> candidates(WiringRequest request, int n) {
        return combinations(new WiringPlanner(request, null).moves(), n);
    }

    /** The moves that could do anything here. */
    private List<Move> moves() {
        if (request.hydronics() != null) {
            return Stream.of(Move.N_LEFT_OFF, Move.CABLE_INDOOR)
                    .filter(m -> m.way() == null || request.allows(m.way()))
                    .toList();
        }
        WiringRequest.Thermostat t = request.thermostat();
        boolean outdoors = request.outdoor().isThere();
        boolean heatPump = request.outdoor().isHeatPump();
        boolean fan = t.has("G") || outdoors;
        boolean second = request.outdoor().stages() == 2 && t.has("Y2");
        boolean pairs = request.indoor().isThere()
                && (Equipment.coolsApart(request)
                        || !OWN_RETURN.contains(request.indoor().kind()));
        String other = request.outdoor().valve().equals("O") ? "B" : "O";
        Map<Move, Boolean> could = new LinkedHashMap<>();
        could.put(Move.BATTERIES, t.has("C") && t.power() == Power.EITHER);
        could.put(Move.AUX_AND_E, t.has("E") && (t.has("AUX") || t.has("W2") || t.has("W")));
        could.put(Move.G_LEFT_OFF, t.has("G"));
        could.put(Move.Y_AND_G, fan && outdoors);
        could.put(Move.FAN_RELAY, fan && outdoors);
        could.put(Move.VALVE_BRIDGED, heatPump);
        could.put(
                Move.VALVE_RELAY,
                heatPump && t.has(other) && !t.has(request.outdoor().valve()));
        could.put(Move.ISOLATING_RELAY, pairs && !(t.has("RH") && t.has("RC")) && !t.isBare());
        could.put(Move.RELAYS_OUTDOOR, Equipment.outdoorFeedsItself(request));
        could.put(Move.SHARING_PAIR, t.has("G") && t.has("Y") && outdoors);
        could.put(Move.WIRELESS_OUTDOOR, outdoors);
        could.put(Move.WIRELESS_INDOOR, !t.isBare());
        could.put(Move.LOCAL_OUTDOOR, outdoors && !Equipment.outdoorFeedsItself(request));
        could.put(Move.LOCAL_INDOOR, pairs && !outdoors && !t.isBare());
        could.put(Move.CABLE_INDOOR, true);
        could.put(Move.CABLE_OUTDOOR, outdoors);
        could.put(Move.CABLE_DIRECT, outdoors);
        could.put(Move.SECOND_STAGE_OFF, second);
        could.put(Move.E_LEFT_OFF, t.has("E") && heatPump);
        could.put(Move.W2_LEFT_OFF, request.outdoor().w2());
        return could.entrySet().stream()
                .filter(Map.Entry::getValue)
                .map(Map.Entry::getKey)
                .filter(m -> m.way() == null || request.allows(m.way()))
                .toList();
    }

    private static List<Set<Move>> combinations(List<Move> moves, int n) {
        if (n == 0) {
            return List.of(EnumSet.noneOf(Move.class));
        }
        List<Set<Move>> all = new ArrayList<>();
        for (Set<Move> smaller : combinations(moves, n - 1)) {
            int last = smaller.stream().mapToInt(moves::indexOf).max().orElse(-1);
            for (int i = last + 1; i < moves.size(); i++) {
                Set<Move> more = EnumSet.copyOf(union(smaller, moves.get(i)));
                if (!isSenseless(more)) {
                    all.add(more);
                }
            }
        }
        return all;
    }

    private static Set<Move> union(Set<Move> moves, Move one) {
        Set<Move> more = EnumSet.of(one);
        more.addAll(moves);
        return more;
    }

    /** Moves that undo or repeat each other. */
    private static boolean isSenseless(Set<Move> m) {
        List<Set<Move>> oneOf = List.of(
                EnumSet.of(Move.G_LEFT_OFF, Move.Y_AND_G, Move.FAN_RELAY, Move.SHARING_PAIR, Move.WIRELESS_INDOOR),
                EnumSet.of(Move.AUX_AND_E, Move.E_LEFT_OFF),
                EnumSet.of(Move.VALVE_BRIDGED, Move.VALVE_RELAY, Move.RELAYS_OUTDOOR),
                EnumSet.of(Move.WIRELESS_OUTDOOR, Move.RELAYS_OUTDOOR),
                EnumSet.of(Move.WIRELESS_INDOOR, Move.CABLE_INDOOR),
                EnumSet.of(Move.CABLE_DIRECT, Move.CABLE_INDOOR),
                EnumSet.of(Move.CABLE_DIRECT, Move.CABLE_OUTDOOR));
        return oneOf.stream().anyMatch(set -> m.stream().filter(set::contains).count() > 1);
    }

    static String title(Set<Move> moves) {
        return moves.isEmpty()
                ? "Letter to letter"
                : moves.stream().map(Move::title).collect(Collectors.joining(" · "));
    }

    /** Whether anything brings one call, with up to two moves; what went wrong with the first try where not. */
    static Optional<String> whyNot(WiringRequest request, String call) {
        WiringPlanner planner = new WiringPlanner(request, call);
        return planner.isPossible(MOST_MOVES_FOR_ONE)
                ? Optional.empty()
                : planner.rejected.stream().findFirst().map(WiringAnswer.Rejected::why);
    }

    /** What the best of the plans with the fewest moves does; empty where there is none. */
    static Optional<String> bestTitle(WiringRequest request) {
        WiringPlanner planner = new WiringPlanner(request, null);
        planner.isPossible(MOST_MOVES);
        return Ranking.best(planner.kept).stream().findFirst().map(c -> title(c.moves));
    }

    private WiringAnswer answer(List<WiringAnswer.Question> questions) {
        List<Composition> best = Ranking.best(kept);
        List<WiringPlan> plans =
                Parallel.map(best.stream().limit(MOST_PLANS).toList(), c -> new PlanTeller(c, trials.get(c)).plan());
        List<WiringPlan> ranked = IntStream.range(0, plans.size())
                .mapToObj(i -> plans.get(i).ranked(i + 1))
                .toList();
        return new WiringAnswer(
                ranked,
                List.copyOf(rejected),
                questions,
                ranked.isEmpty() ? NoWays.of(request) : List.of(),
                request.assumed(),
                tried);
    }
}
