package org.jagridge.core.trace;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.Predicate;
import org.jagridge.core.network.Solution;
import org.jagridge.core.network.Values;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.PartType;
import org.jagridge.core.part.Role;
import org.jagridge.core.part.Shape;
import org.jagridge.core.part.Ways;
import org.jagridge.core.run.Frame;
import org.jagridge.core.run.Reach;
import org.jagridge.core.run.Run;

/**
 * Why a coil or load is on and why another isn't, at one instant. Off: the first open point on its way, from the source
 * on, and what that waits for in turn; a dead supply comes before anything behind it. On: the contacts of which any one
 * would stop it, found by opening each.
 */
public final class Why {
    /** Amps from which something counts as fed. */
    private static final double FED = 1e-3;
    /** Whoever waits for whoever waits is followed this far. */
    private static final int DEEP = 4;

    /** One part and why it is so. */
    public record Reason(String part, String words) {
        @Override
        public String toString() {
            return part + " " + words;
        }
    }

    private final Frame frame;
    private final long now;
    private final Assembly assembly;
    private final Reach reach;
    /** What can be open, between the groups. */
    private final Ways opens;
    /** By contact, what flows without it. */
    private final Map<Branch, Solution> without = new HashMap<>();

    private Why(Frame frame, long now) {
        this.frame = frame;
        this.now = now;
        assembly = frame.assembly();
        reach = new Reach(frame);
        opens = Ways.of(
                assembly,
                b -> b.role() == Role.CONTACT || b.role() == Role.PROTECTION || b.role() == Role.WIRE,
                reach::groupOf);
    }

    public static Why at(Run run, long micros) {
        return new Why(run.at(micros), micros);
    }

    /** Every idle coil and load that could ever be fed, in the order of the circuit, with why it is off. */
    public List<Reason> off() {
        Map<String, Reason> reasons = new LinkedHashMap<>();
        for (Branch b : assembly.branches()) {
            if (isWorker(b) && frame.amps(b) < FED && !reasons.containsKey(b.owner())) {
                whyOff(b, new HashSet<>())
                        .ifPresent(w -> reasons.put(b.owner(), new Reason(b.owner(), "is off: " + w)));
            }
        }
        for (Assembly.Member m : assembly.members()) {
            String own = frame.waitsFor(m, now);
            if (own != null) {
                reasons.put(m.part().id(), new Reason(m.part().id(), "waits: " + own));
            }
        }
        return List.copyOf(reasons.values());
    }

    /** Every coil and load that draws its current now, with what would stop it. */
    public List<Reason> on() {
        Map<String, Reason> reasons = new LinkedHashMap<>();
        for (Branch b : assembly.branches()) {
            if (isWorker(b) && frame.amps(b) >= FED && !reasons.containsKey(b.owner())) {
                Set<String> stops = stops(b);
                if (!stops.isEmpty()) {
                    reasons.put(b.owner(), new Reason(b.owner(), "is on by " + String.join(", ", stops)));
                }
            }
        }
        return List.copyOf(reasons.values());
    }

    /** Why a control calls for nothing; empty for what is no control, or calls. */
    public Optional<String> quiet(String part) {
        return quiet(part, null);
    }

    private Optional<String> quiet(String part, String output) {
        return assembly.member(part).flatMap(m -> m.type().whyQuiet(m.part(), m.params(), output, new Eyes(m)));
    }

    private static boolean isWorker(Branch b) {
        return (b.role() == Role.COIL || b.role() == Role.LOAD) && b.shape() != Shape.BOX && b.isDrawn();
    }

    /** What one sees at a control. */
    private final class Eyes implements PartType.Seen {
        private final Assembly.Member member;

        private Eyes(Assembly.Member member) {
            this.member = member;
        }

        @Override
        public Object input(String name) {
            return frame.inputs().get(member.part().id() + "." + name);
        }

        @Override
        public String signal() {
            return frame.signals().get(member.part().id());
        }

        @Override
        public OptionalDouble celsius(String part) {
            return frame.celsius(part, now);
        }
    }

    private Optional<String> whyOff(Branch load, Set<String> seen) {
        boolean aDead = reach.polesOf(load.nodeA()).isEmpty();
        boolean bDead = reach.polesOf(load.nodeB()).isEmpty();
        if (!aDead && !bDead) {
            return Optional.empty();
        }
        int start = reach.groupOf(aDead ? load.nodeA() : load.nodeB());
        // a contact of its own only holds it once something else has brought it on
        Optional<List<Branch>> way =
                wayToFeed(start, c -> !c.owner().equals(load.owner())).or(() -> wayToFeed(start, c -> true));
        if (way.isEmpty()) {
            return deadSupply(start, seen);
        }
        // from the feed on, as the current would come
        List<Branch> fromFeed = new ArrayList<>(way.get());
        Collections.reverse(fromFeed);
        return Optional.of(whyOpen(fromFeed.get(0), seen));
    }

    private Optional<List<Branch>> wayToFeed(int start, Predicate<Branch> through) {
        return opens.way(start, g -> g != start && isHot(g), through);
    }

    private boolean isHot(int group) {
        Reach.Side side = reach.sideOfGroup(group);
        return side != null && side != Reach.Side.RETURN;
    }

    /** The nearest source that gives nothing, and why it doesn't. */
    private Optional<String> deadSupply(int start, Set<String> seen) {
        Set<Integer> reached = opens.reached(start, c -> true);
        for (Branch source : assembly.branches()) {
            boolean dead =
                    source.role().gives() && reach.polesOf(source.nodeA()).isEmpty();
            if (dead && reached.contains(reach.groupOf(source.nodeA())) && seen.add(source.owner())) {
                Optional<Branch> primary = assembly.branchesOf(source.owner()).stream()
                        .filter(b -> b.role() == Role.PRIMARY)
                        .findFirst();
                String because = primary.filter(p -> frame.volts(p) < 1 && seen.size() < DEEP)
                        .flatMap(p -> whyOff(p, seen))
                        .map(w -> ": " + w)
                        .orElse("");
                return Optional.of("its supply " + source.owner() + " is dead" + because);
            }
        }
        return Optional.empty();
    }

    private String whyOpen(Branch open, Set<String> seen) {
        String title = open.title().replace('-', '–');
        if (open.isWire()) {
            return "the wire " + open.owner() + " is open";
        }
        String is = title + " is open";
        if (!seen.add(open.owner())) {
            return is + ", and waits for this itself";
        }
        Assembly.Member owner = assembly.member(open.owner()).orElseThrow();
        String own = frame.waitsFor(owner, now);
        Optional<String> quiet =
                quiet(open.owner(), open.b() == null ? null : open.b().name());
        if (own != null || quiet.isPresent()) {
            return is + ": " + (own != null ? own : quiet.orElseThrow());
        }
        Optional<Branch> coil = assembly.branchesOf(open.owner()).stream()
                .filter(b -> b.role() == Role.COIL)
                .findFirst();
        if (coil.isPresent() && seen.size() < DEEP && frame.amps(coil.get()) < FED) {
            return is + whyOff(coil.get(), seen).map(w -> ", for " + w).orElse("");
        }
        String signal = frame.signals().get(open.owner());
        return signal == null || signal.equals("open") ? is : is + ": it is " + signal;
    }

    /** The contacts and fuses of which any one, opened, would take its current. */
    private Set<String> stops(Branch load) {
        Set<String> stops = new LinkedHashSet<>();
        Solution ac = frame.ac();
        for (Branch b : assembly.branches()) {
            boolean passes = (b.role() == Role.CONTACT || b.role() == Role.PROTECTION)
                    && b.isDrawn()
                    && reach.isMade(b)
                    && ac.amps(b.index()).abs() >= FED;
            double before = ac.amps(load.index()).abs();
            if (passes
                    && before >= FED
                    && without.computeIfAbsent(b, this::without)
                                    .amps(load.index())
                                    .abs()
                            < before / 2) {
                stops.add(b.title().replace('-', '–'));
            }
        }
        return stops;
    }

    private Solution without(Branch contact) {
        Values cut = frame.ac().values().copy();
        cut.admittance(contact.index(), 0, 0);
        return assembly.network().solver().solveNear(frame.ac(), cut);
    }
}
