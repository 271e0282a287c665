package org.jagridge.core.plan;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jagridge.core.circuit.Cable;
import org.jagridge.core.circuit.ConductorSize;
import org.jagridge.core.plan.WiringRequest.CableRun;

/** Finds conductors for the nets of a composition, core by core, and lands them. */
final class Ways {
    private static final Map<Line, List<String>> USUAL = Map.ofEntries(
            Map.entry(Line.FEED, List.of("red")),
            Map.entry(Line.HEAT_FEED, List.of("red", "brown")),
            Map.entry(Line.OUT_FEED, List.of("red")),
            Map.entry(Line.COMMON, List.of("blue", "black", "brown")),
            Map.entry(Line.HEAT, List.of("white")),
            Map.entry(Line.COOL, List.of("yellow")),
            Map.entry(Line.FAN, List.of("green")),
            Map.entry(Line.VALVE, List.of("orange")),
            Map.entry(Line.DEFROST, List.of("white")),
            Map.entry(Line.EMERGENCY, List.of("brown", "black")),
            Map.entry(Line.NEUTRAL, List.of("blue")),
            Map.entry(Line.HEATING_ON, List.of("brown")),
            Map.entry(Line.VALVE_HEATING, List.of("black")),
            Map.entry(Line.LIVE, List.of("brown")),
            Map.entry(Line.BOILER, List.of("orange")));

    private static final List<String> NEW_CORES = List.of("red", "blue", "white", "yellow", "green");

    /** Of a cable for line voltage. */
    private static final List<String> LINE_CORES = List.of("brown", "blue", "black");

    private final Composition c;
    private final List<CableRun> cables;
    private final Map<String, Integer> free = new HashMap<>();
    private final Map<Net, List<Hop>> hops = new LinkedHashMap<>();
    private final Map<String, String> joints = new HashMap<>();

    private record Core(CableRun cable, String name) {}

    /** A net's way from one place to the next. */
    private record Hop(Net net, CableRun cable, String from, String to) {}

    private Ways(Composition c) {
        this.c = c;
        cables = new ArrayList<>(c.request.cables());
        newCables();
        cables.forEach(k -> free.put(k.id(), k.alive().size()));
    }

    /** Lands every net, or says in {@link Composition#why} between which places conductors are missing. */
    static void route(Composition c) {
        Ways ways = new Ways(c);
        if (ways.ways()) {
            ways.land();
        }
    }

    private void newCables() {
        extra(Move.CABLE_INDOOR, Kit.THERMOSTAT, "indoor");
        extra(Move.CABLE_OUTDOOR, "indoor", "outdoor");
        extra(Move.CABLE_DIRECT, Kit.THERMOSTAT, "outdoor");
    }

    private void extra(Move move, String from, String to) {
        if (!c.has(move)) {
            return;
        }
        double metres = length(from, to);
        Set<String> ids = new LinkedHashSet<>();
        cables.forEach(k -> ids.add(k.id()));
        String id = "NEW";
        for (int n = 2; ids.contains(id) || c.kit.has(id); n++) {
            id = "NEW" + n;
        }
        boolean water = c.request.hydronics() != null;
        List<String> cores = water ? LINE_CORES : NEW_CORES;
        ConductorSize size = water ? ConductorSize.MM2_1 : ConductorSize.AWG18;
        cables.add(new CableRun(id, from, to, cores, Set.of(), metres, size));
        c.buys(
                "cable-metres",
                (int) Math.ceil(metres),
                "metres of " + cores.size() + "-core cable, " + size.word(),
                "from " + Kit.placeName(from) + " to " + Kit.placeName(to));
        c.pay("cable-run", 1);
        c.pay("cable-metre", metres);
    }

    /** The length of the cables that are there between two places; by the indoor unit where none goes directly. */
    private double length(String from, String to) {
        double direct = c.request.cables().stream()
                .filter(k -> joins(k, from, to))
                .mapToDouble(CableRun::metres)
                .max()
                .orElse(0);
        if (direct > 0) {
            return direct;
        }
        boolean through = !from.equals("indoor") && !to.equals("indoor");
        return through ? length(from, "indoor") + length("indoor", to) : 15;
    }

    private static boolean joins(CableRun k, String a, String b) {
        return (k.from().equals(a) && k.to().equals(b)) || (k.from().equals(b) && k.to().equals(a));
    }

    private boolean ways() {
        Map<String, List<String>> wanted = new LinkedHashMap<>();
        boolean all = true;
        for (Net net : c.nets) {
            Set<String> places = new LinkedHashSet<>();
            net.ends().forEach(e -> places.add(c.kit.placeOf(e)));
            List<Hop> found = new ArrayList<>();
            Set<String> reached = new LinkedHashSet<>(List.of(places.iterator().next()));
            while (!reached.containsAll(places)) {
                List<Hop> way = shortest(net, reached, places);
                if (way == null) {
                    all = false;
                    break;
                }
                for (Hop h : way) {
                    free.merge(h.cable().id(), -1, Integer::sum);
                    reached.add(h.to());
                    found.add(h);
                }
            }
            for (String pair : pairs(places)) {
                wanted.computeIfAbsent(pair, k -> new ArrayList<>()).add(net.letter);
            }
            hops.put(net, found);
        }
        if (!all) {
            c.why = shortage(wanted);
        }
        return all;
    }

    /** Between which places a net must go, as far as there is no cable from the thermostat to the outdoor unit. */
    private List<String> pairs(Set<String> places) {
        List<String> pairs = new ArrayList<>();
        if (places.contains(Kit.THERMOSTAT) && places.size() > 1) {
            pairs.add(Kit.THERMOSTAT + " indoor");
        }
        if (places.contains("outdoor") && places.size() > 1) {
            pairs.add("indoor outdoor");
        }
        return pairs;
    }

    private String shortage(Map<String, List<String>> wanted) {
        List<String> said = new ArrayList<>();
        wanted.forEach((pair, letters) -> {
            String[] ends = pair.split(" ", -1);
            int there = cables.stream()
                    .filter(k -> joins(k, ends[0], ends[1]))
                    .mapToInt(k -> k.alive().size())
                    .sum();
            if (there < letters.size()) {
                said.add(letters.size() + " conductors are wanted between " + Kit.placeName(ends[0]) + " and "
                        + Kit.placeName(ends[1]) + " (" + String.join(" ", letters) + "), " + there
                        + (there == 1 ? " is there" : " are there"));
            }
        });
        return said.isEmpty() ? "there are too few conductors" : String.join("; ", said);
    }

    private List<Hop> shortest(Net net, Set<String> from, Set<String> wanted) {
        Deque<String> queue = new ArrayDeque<>(from);
        Map<String, Hop> by = new HashMap<>();
        Set<String> seen = new LinkedHashSet<>(from);
        while (!queue.isEmpty()) {
            String place = queue.removeFirst();
            if (wanted.contains(place) && !from.contains(place)) {
                List<Hop> way = new ArrayList<>();
                for (String at = place; !from.contains(at); at = by.get(at).from()) {
                    way.add(0, by.get(at));
                }
                return way;
            }
            for (CableRun k : cables) {
                String next = k.from().equals(place) ? k.to() : k.to().equals(place) ? k.from() : null;
                if (next != null && free.get(k.id()) > 0 && seen.add(next)) {
                    by.put(next, new Hop(net, k, place, next));
                    queue.add(next);
                }
            }
        }
        return null;
    }

    private void land() {
        for (CableRun k : cables.stream().filter(k -> !k.cores().isEmpty()).toList()) {
            c.kit.cable(new Cable(k.id(), k.from(), k.to(), k.metres(), k.size(), k.cores()));
        }
        Map<Hop, Core> cores = cores();
        hops.forEach((net, way) -> {
            Map<String, String> hubs = new LinkedHashMap<>();
            List<String> ends = net.ends();
            ends.forEach(e -> hubs.putIfAbsent(c.kit.placeOf(e), e));
            for (Hop h : way) {
                Core core = cores.get(h);
                String from = hub(net, h.from(), hubs);
                String to = hub(net, h.to(), hubs);
                boolean along = h.from().equals(core.cable().from());
                String first = along ? from : to;
                String second = along ? to : from;
                String wire = c.kit.core(first, second, core.cable().id(), core.name());
                c.schedule.add(new WiringPlan.Conductor(
                        wire,
                        core.cable().id(),
                        core.name(),
                        first,
                        second,
                        net.letter,
                        net.line.carries(),
                        wasAt(core)));
                c.pay("conductor", 1);
            }
            for (String end : ends) {
                String hub = hubs.get(c.kit.placeOf(end));
                if (!hub.equals(end)) {
                    c.fit(
                            hub,
                            end,
                            USUAL.getOrDefault(net.line, List.of("black")).get(0),
                            jumper(net, hub, end));
                }
            }
        });
        unusedCores(new LinkedHashSet<>(cores.values()));
    }

    private static String jumper(Net net, String hub, String end) {
        if (hub.startsWith("TH.R") && end.startsWith("TH.R")) {
            return "one transformer feeds heating and cooling alike";
        }
        if (hub.startsWith("TH.") && end.equals("TH.E")) {
            return "auxiliary and emergency heat end at the same place";
        }
        return net.line.carries();
    }

    private String wasAt(Core core) {
        return landing(core).map(WiringRequest.Landing::at).orElse(null);
    }

    private Optional<WiringRequest.Landing> landing(Core core) {
        return c.request.landings().stream()
                .filter(l -> l.cable().equals(core.cable().id()) && l.core().equals(core.name()))
                .findFirst();
    }

    /** Where conductors of a net meet at a place: at a terminal of it, at a post for it, or in a splice. */
    private String hub(Net net, String place, Map<String, String> hubs) {
        String had = hubs.get(place);
        if (had != null && !joints.containsKey(had)) {
            return had;
        }
        if (had != null) {
            String part = joints.get(had);
            int n = Integer.parseInt(had.substring(had.indexOf('.') + 1)) + 1;
            String next = part + "." + n;
            c.kit.set(part, "posts", Math.max(3, n));
            joints.put(next, part);
            hubs.put(place, next);
            return next;
        }
        String post = c.kit.post(net.line, place).map(Post::at).orElse(null);
        if (post == null || taken(post, net)) {
            String part = c.kit.piece("joint", place);
            c.pay("joint", 1);
            post = part + ".1";
            joints.put(post, part);
        }
        hubs.put(place, post);
        return post;
    }

    /** Whether a post already serves another net. */
    private boolean taken(String post, Net net) {
        return c.nets.stream().anyMatch(n -> n != net && n.ends().contains(post));
    }

    /** Each hop's core: the one that carried the same before, one of the usual colour, or what is left. */
    private Map<Hop, Core> cores() {
        Map<Hop, Core> chosen = new LinkedHashMap<>();
        List<Core> left = new ArrayList<>();
        cables.forEach(k -> k.alive().forEach(name -> left.add(new Core(k, name))));
        for (int round = 0; round < 3; round++) {
            for (List<Hop> way : hops.values()) {
                for (Hop h : way) {
                    if (!chosen.containsKey(h)) {
                        List<Core> there = left.stream()
                                .filter(k -> joins(k.cable(), h.from(), h.to()))
                                .toList();
                        pick(h.net(), there, round).ifPresent(core -> {
                            chosen.put(h, core);
                            left.remove(core);
                        });
                    }
                }
            }
        }
        return chosen;
    }

    private Optional<Core> pick(Net net, List<Core> left, int round) {
        return switch (round) {
            case 0 -> left.stream().filter(core -> carried(net, core)).findFirst();
            case 1 ->
                USUAL.getOrDefault(net.line, List.of()).stream()
                        .flatMap(colour -> left.stream().filter(k -> k.name().equals(colour)))
                        .findFirst();
            default -> left.stream().findFirst();
        };
    }

    /** Whether a core carried the same before: by its letter, unless its other end tells otherwise. */
    private boolean carried(Net net, Core core) {
        return landing(core)
                .map(l -> Replacement.reallyIs(l, c.kit).orElse(l.at()))
                .filter(net.letter::equals)
                .isPresent();
    }

    private void unusedCores(Set<Core> used) {
        for (CableRun k : cables) {
            for (String name : k.cores()) {
                if (k.dead().contains(name)) {
                    c.unused.add(new WiringPlan.Unused(k.id() + "." + name, "marked dead or taken"));
                } else if (!used.contains(new Core(k, name))) {
                    c.unused.add(
                            new WiringPlan.Unused(k.id() + "." + name, "spare: fold it back and insulate both ends"));
                }
            }
        }
    }
}
