package org.jagridge.core.prove;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Deque;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.Input;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Time;
import org.jagridge.core.run.Act;
import org.jagridge.core.run.Configuration;
import org.jagridge.core.run.Engine;

/**
 * Every state that a circuit can come to: from the start, each single change and what follows until everything is at rest
 * again (at most two hours), and from each instant on the way a further change, to the depth that is asked for. States
 * that come back are known by their configuration. Fewest changes first, so that the first way to a broken rule is a
 * shortest one.
 *
 * <p>A breadth-first search over a graph whose nodes are configurations, those at rest and those on the way, and whose
 * edges are single changes.
 */
final class StateSearch {
    private static final long LONGEST = 2 * 3600 * Time.SECOND;
    /** A hand comes so long after everything is at rest: by then fuses and windings have cooled and flips are forgotten. */
    private static final long PAUSE = 1800 * Time.SECOND;

    /** A hand comes so long after something moved on the way. */
    private static final long AT_ONCE = Time.MILLISECOND;

    /** A state that a change can come upon. */
    private static final class Node {
        /** What led here, or null at the start. */
        final Node from;

        final Move move;
        final Configuration at;
        final long[] since;
        final int cost;
        /** Changes since everything was at rest; 0 at rest. */
        final int flight;

        Node(Node from, Move move, Configuration at, long[] since, int cost, int flight) {
            this.from = from;
            this.move = move;
            this.at = at;
            this.since = since;
            this.cost = cost;
            this.flight = flight;
        }
    }

    private record Key(Configuration at, List<Long> since) {
        static Key of(Node n) {
            List<Long> ago = new ArrayList<>(n.since.length);
            for (long s : n.since) {
                ago.add(s == Watch.FINE ? -1 : n.at.micros() - s);
            }
            return new Key(n.at, ago);
        }
    }

    /** What can be seen without a meter, at rest. */
    record Look(List<String> signals) {}

    private final Engine engine;
    private final Assembly assembly;
    private final Hands hands;
    private final List<Watch> watches;
    private final List<Assembly.Member> seen;
    private final Limits limits;

    private final TreeMap<Integer, Deque<Node>> open = new TreeMap<>();
    private final Set<Key> known = new HashSet<>();
    private final List<Node> rests = new ArrayList<>();
    private final Counterexample[] broken;
    private final Map<Integer, List<Replay.Deed>> deeds = new LinkedHashMap<>();
    private final Map<Map<Input, Object>, Set<Look>> looks = new LinkedHashMap<>();
    private int steps;
    private int onTheWay;
    private boolean complete = true;
    private boolean alwaysRests = true;

    /** @param seen the parts whose signals people see */
    StateSearch(
            Engine engine, Assembly assembly, Hands hands, List<Watch> watches, List<Assembly.Member> seen, Limits l) {
        this.engine = engine;
        this.assembly = assembly;
        this.hands = hands;
        this.watches = watches;
        this.seen = seen;
        limits = l;
        broken = new Counterexample[watches.size()];
    }

    /** Starts with everything as it begins and these faults from the start. */
    StateSearch from(List<Fault> faults) {
        Configuration start = engine.start(Map.of(), faults);
        Node root = new Node(null, null, start, new long[watches.size()], 0, 0);
        Arrays.fill(root.since, Watch.FINE);
        Way way = new Way(root, null, start);
        way.look(null);
        way.goOn();
        return this;
    }

    /** Starts in every state at rest that another search has found, with a fault that begins there. */
    StateSearch from(StateSearch sound, Fault fault) {
        Move begin = Move.begin(fault);
        for (Node n : sound.rests) {
            add(new Node(n.from, n.move, n.at, n.since, n.cost, 0), begin);
        }
        return this;
    }

    private final Map<Node, Move> first = new LinkedHashMap<>();

    private void add(Node n, Move move) {
        first.put(n, move);
        open.computeIfAbsent(n.cost, c -> new ArrayDeque<>()).add(n);
    }

    /** Searches until nothing is left, or the limits are met. */
    StateSearch search() {
        while (!open.isEmpty()) {
            Deque<Node> next = open.firstEntry().getValue();
            Node n = next.poll();
            if (next.isEmpty()) {
                open.pollFirstEntry();
            }
            if (steps > limits.mostSteps()) {
                complete = false;
                break;
            }
            Move only = first.get(n);
            for (Move move : only != null ? List.of(only) : hands.moves(n.at)) {
                Way way = new Way(n, move, engine.advance(n.at, move.act()));
                way.look(n.at);
                way.goOn();
            }
            if (isDecided()) {
                break;
            }
        }
        return this;
    }

    private boolean stopsWhenDecided;

    /** Ends as soon as it is known of every rule whether it is broken. */
    StateSearch untilDecided() {
        stopsWhenDecided = true;
        return this;
    }

    private boolean isDecided() {
        if (!stopsWhenDecided) {
            return false;
        }
        for (int i = 0; i < broken.length; i++) {
            if (broken[i] == null) {
                return false;
            }
        }
        return true;
    }

    /** One way from a change to rest. */
    private final class Way {
        private final Node from;
        private final Move move;
        private final long setOut;
        private final long[] since;
        private Configuration at;

        Way(Node from, Move move, Configuration at) {
            this.from = from;
            this.move = move;
            this.at = at;
            setOut = at.micros();
            since = from.since.clone();
        }

        /** Takes in what is seen after something moved. */
        void look(Configuration before) {
            steps++;
            limits.step();
            Signs was = before == null ? null : new Signs(assembly, before);
            Signs now = new Signs(assembly, at);
            for (int i = 0; i < since.length; i++) {
                Watch w = watches.get(i);
                if (broken[i] == null) {
                    since[i] = w.next(since[i], was, now, at.micros());
                }
            }
        }

        /** What is wrong at this instant and goes on until the next. */
        private void last(long until) {
            for (int i = 0; i < since.length; i++) {
                if (broken[i] == null && watches.get(i).isBroken(since[i], until)) {
                    broken[i] = counterexample(watches.get(i).breaksAt(since[i]));
                    deeds.put(i, deeds());
                }
                if (broken[i] != null) {
                    since[i] = Watch.FINE;
                }
            }
        }

        void goOn() {
            boolean back = move != null && move.backAfter() > 0;
            while (true) {
                long until = at.untilNextWake() == Long.MAX_VALUE ? Long.MAX_VALUE : at.micros() + at.untilNextWake();
                long backAt = back ? setOut + move.backAfter() : Long.MAX_VALUE;
                Configuration before = at;
                if (back && backAt <= until) {
                    last(backAt);
                    meanwhile();
                    at = engine.advance(
                            comeTo(backAt), Move.of(back(move, from.at)).act());
                    back = false;
                } else if (until - setOut > LONGEST) {
                    break;
                } else {
                    last(until);
                    meanwhile();
                    at = engine.next(at).orElseThrow();
                }
                look(before);
            }
            last(Long.MAX_VALUE);
            alwaysRests &= at.untilNextWake() == Long.MAX_VALUE;
            rest();
        }

        private Configuration comeTo(long instant) {
            return instant > at.micros() ? engine.advance(at, new Act.Wait(instant - at.micros())) : at;
        }

        /** A hand may come upon this instant. */
        private void meanwhile() {
            int flight = move == null || !move.begins().isEmpty() ? 0 : from.flight + 1;
            if (flight == 0 || flight >= limits.changesInFlight() || move.backAfter() > 0) {
                return;
            }
            if (at.untilNextWake() > AT_ONCE) {
                Configuration then = engine.advance(at, new Act.Wait(AT_ONCE));
                Node n = new Node(from, move, then, since.clone(), from.cost + 1, flight);
                if (known.add(Key.of(n))) {
                    onTheWay++;
                    open.computeIfAbsent(n.cost, c -> new ArrayDeque<>()).add(n);
                }
            }
        }

        private void rest() {
            Configuration then = engine.advance(at, new Act.Wait(PAUSE));
            Node n = new Node(from, move, then, since.clone(), move == null ? 0 : from.cost + 1, 0);
            Arrays.fill(n.since, Watch.FINE);
            looks.computeIfAbsent(hands.setting(then), s -> new LinkedHashSet<>())
                    .add(lookAt(then));
            if (known.add(Key.of(n))) {
                rests.add(n);
                open.computeIfAbsent(n.cost, c -> new ArrayDeque<>()).add(n);
            }
        }

        private Counterexample counterexample(long brokenAt) {
            List<Step> way = new ArrayList<>();
            Move last = move;
            Node n = from;
            while (last != null) {
                add(way, last, n.at);
                last = n.move;
                n = n.from;
            }
            List<Fault> faults = n == null ? List.of() : n.at.faults();
            return new Counterexample(faults, way, Time.seconds(brokenAt));
        }

        private List<Replay.Deed> deeds() {
            List<Replay.Deed> done = new ArrayList<>();
            Move last = move;
            Node n = from;
            while (last != null) {
                if (last.backAfter() > 0) {
                    done.add(0, new Replay.Deed(last.backAfter(), back(last, n.at), List.of()));
                }
                long after = n.flight == 0 || n.from == null ? Replay.Deed.AT_REST : n.at.micros() - n.from.at.micros();
                done.add(0, new Replay.Deed(after, last.sets(), last.begins()));
                last = n.move;
                n = n.from;
            }
            return done;
        }

        private Map<Input, Object> back(Move m, Configuration before) {
            Map<Input, Object> again = new LinkedHashMap<>();
            m.sets()
                    .keySet()
                    .forEach(i ->
                            again.put(i, before.input(assembly.member(i.part()).orElseThrow(), i.name())));
            return again;
        }

        private void add(List<Step> way, Move m, Configuration before) {
            Map<String, Object> set = new LinkedHashMap<>();
            m.sets().forEach((i, v) -> set.put(i.toString(), v));
            if (m.backAfter() > 0) {
                Map<String, Object> again = new LinkedHashMap<>();
                back(m, before).forEach((i, v) -> again.put(i.toString(), v));
                way.add(0, new Step(Time.seconds(before.micros() + m.backAfter()), again, List.of()));
            }
            way.add(0, new Step(Time.seconds(before.micros()), set, m.begins()));
        }
    }

    private Look lookAt(Configuration c) {
        return new Look(seen.stream().map(c::signal).toList());
    }

    /** How a rule is broken, or the state is reached that it asks for; null where it isn't. */
    Counterexample broken(int rule) {
        return broken[rule];
    }

    /** The states at rest, in the order in which they were found. */
    List<Configuration> atRest() {
        return rests.stream().map(n -> n.at).toList();
    }

    /** How a rule is broken, act by act; null where it isn't. */
    List<Replay.Deed> deeds(int rule) {
        return deeds.get(rule);
    }

    Hands hands() {
        return hands;
    }

    List<Assembly.Member> seen() {
        return seen;
    }

    int states() {
        return rests.size();
    }

    int onTheWay() {
        return onTheWay;
    }

    int steps() {
        return steps;
    }

    /** Whether every state was searched that can be reached with so many changes in flight. */
    boolean isComplete() {
        return complete;
    }

    /** Whether the circuit came to rest within two hours after every change. */
    boolean alwaysRests() {
        return alwaysRests;
    }

    /** What was seen at rest, by what the dials stood at. */
    Map<Map<Input, Object>, Set<Look>> looks() {
        return looks;
    }
}
