package org.jagridge.core.meter;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jagridge.core.network.Complex;
import org.jagridge.core.network.Solution;
import org.jagridge.core.network.Values;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Numbers;
import org.jagridge.core.part.Role;
import org.jagridge.core.part.Shape;
import org.jagridge.core.part.Trait;
import org.jagridge.core.run.Frame;
import org.jagridge.core.world.World;
import org.jagridge.core.world.Worlds;

/**
 * What a clamp's reading proves. What to expect is computed: the current in the sound circuit, I = V/|Z| for each load
 * behind the wire; P = V²/R tells what a heater gives at the volts it has.
 */
final class AmpsProof {
    private static final double NOTHING = 0.005;
    /** A reading within this share of what is expected is right. */
    private static final double RIGHT = 0.06;

    /** A motor that stands still takes five times its running amps or so; a shorted one takes many times that. */
    private static final double LOCKED = 3;

    private static final double SHORTED = 10;
    /** A heater's volts may differ by this share before it is told. */
    private static final double VOLTS_DIFFER = 0.02;

    private final Frame sound;
    private final Branch wire;
    private final Request.Mode mode;
    private final double amps;
    private final List<World> fitting;

    /** @param shown amps in one conductor, as displayed */
    AmpsProof(Worlds worlds, Request request, double shown) {
        World drawn = worlds.sound();
        sound = drawn.frame();
        mode = request.mode();
        // what a fault has put in nobody knows of, and can't lay a clamp on
        wire = new Gauge(sound, drawn.reach())
                .conductor(request.wire())
                .orElseThrow(() -> new IllegalArgumentException("there is no wire " + request.wire()));
        amps = Math.abs(shown);
        fitting = Fit.of(worlds, request, shown);
    }

    /** A load behind the wire and what it draws when all is well. */
    private record Behind(Branch load, double amps) {
        String words() {
            return load.owner() + " " + Numbers.threeFigures(amps) + " A";
        }
    }

    String says() {
        List<Behind> behind = behind();
        double expected = Math.abs(amps(sound, wire));
        String between = wire.owner() + " (" + wire.a() + " to " + wire.b() + ")";
        boolean isSound = !fitting.isEmpty() && fitting.get(0).isSound();
        if (amps < NOTHING) {
            return "No current in " + between + ". "
                    + (expected < NOTHING || behind.isEmpty() ? saysIdle() : saysMissing(behind))
                    + faults();
        }
        String flows = "Current flows in " + between + ", so its circuit is complete. ";
        String locked = locked(behind);
        if (locked != null) {
            return flows + locked;
        }
        if (isSound) {
            return flows + saysRight(behind);
        }
        return flows + (amps < expected ? saysLess(behind, expected) : saysMore(behind, expected)) + faults();
    }

    private String faults() {
        return fitting.isEmpty()
                ? " No single fault that was tried explains it: there is more than one, it is of another kind, or it isn't wired as drawn."
                : Naming.faults(fitting);
    }

    private String saysIdle() {
        if (wire.a().name().equals("PE") || wire.b().name().equals("PE")) {
            return "An earth conductor carries none in a sound circuit.";
        }
        return "Nothing it feeds is switched on now. That says nothing of its volts.";
    }

    private static String saysMissing(List<Behind> behind) {
        return "In a sound circuit " + names(behind)
                + " would draw through it now. With volts at the load, no current "
                + "means that it is open inside; without, go on toward the feed.";
    }

    private String saysRight(List<Behind> behind) {
        if (behind.size() == 1) {
            String heater = heater(behind.get(0));
            return heater != null ? heater : "It is what " + behind.get(0).words() + " should be.";
        }
        return behind.isEmpty()
                ? "It is what a sound circuit has here."
                : "It is what to expect: " + names(behind) + ".";
    }

    /** A heater draws by its resistance, so its amps follow its volts. */
    private String heater(Behind b) {
        Assembly.Member part = sound.assembly().member(b.load().owner()).orElse(null);
        if (part == null || !part.is(Trait.RESISTIVE)) {
            return null;
        }
        double rated = part.rating().loadVolts();
        double watts = part.rating().loadWatts();
        double volts = sound.volts(b.load());
        if (Math.abs(volts - rated) <= VOLTS_DIFFER * rated) {
            return "It is what " + b.load().owner() + " should draw.";
        }
        double ohms = rated * rated / watts;
        return String.format(
                Locale.ROOT,
                "%s is rated %s W at %s V: %s Ω. At the %s V it has, %s A and %s W are right; the element is whole.",
                b.load().owner(),
                Numbers.threeFigures(watts),
                Numbers.threeFigures(rated),
                Numbers.threeFigures(ohms),
                Numbers.threeFigures(volts),
                Numbers.threeFigures(volts / ohms),
                Numbers.threeFigures(volts * volts / ohms));
    }

    private String saysLess(List<Behind> behind, double expected) {
        double missing = expected - amps;
        List<Behind> suspects = behind.stream()
                .filter(b -> Math.abs(b.amps() - missing) <= RIGHT * expected)
                .toList();
        String share = Math.round(100 * amps / expected) + " % of the " + Numbers.threeFigures(expected)
                + " A to expect (" + names(behind) + ")";
        return suspects.isEmpty()
                ? "It is " + share + ": something in the way drops volts, or a load has changed."
                : "It is " + share + ", as if " + (suspects.size() == 1 ? "" : "one of ") + owners(suspects)
                        + " drew nothing: open inside, or its limit or link is open. Or something in the way drops volts: "
                        + "the volts at the loads tell.";
    }

    private String saysMore(List<Behind> behind, double expected) {
        if (expected < NOTHING) {
            return "A sound circuit has none here: look for a short, or for something that shouldn't be on.";
        }
        return "It is " + Numbers.threeFigures(amps / expected) + " times the "
                + Numbers.threeFigures(expected) + " A to expect"
                + (behind.isEmpty() ? "" : " (" + names(behind) + ")")
                + ": look for a short, or for something that shouldn't be on.";
    }

    /** A motor that stands still takes several times its running amps; said where it does in every world that fits. */
    private String locked(List<Behind> behind) {
        for (Behind b : behind) {
            double running = sound.assembly()
                    .member(b.load().owner())
                    .map(m -> m.rating().workingAmps())
                    .orElse(0.0);
            if (running == 0) {
                continue;
            }
            boolean always =
                    !fitting.isEmpty() && fitting.stream().allMatch(w -> isLocked(drawn(w.frame(), b.load()), running));
            if (always && isLocked(amps, running)) {
                return b.load().owner() + " draws " + Numbers.threeFigures(amps / running) + " times its running amps ("
                        + Numbers.threeFigures(running) + " A): it is locked, or just starting.";
            }
        }
        return null;
    }

    private static boolean isLocked(double amps, double running) {
        return amps > LOCKED * running && amps < SHORTED * running;
    }

    /** What the same load draws in another world. */
    private double drawn(Frame f, Branch load) {
        return f.assembly().branchesOf(load.owner()).stream()
                .filter(b -> b.label().equals(load.label()))
                .mapToDouble(b -> Math.abs(amps(f, b)))
                .findFirst()
                .orElse(0);
    }

    private static String names(List<Behind> behind) {
        return String.join(", ", behind.stream().map(Behind::words).toList());
    }

    private static String owners(List<Behind> behind) {
        return String.join(", ", behind.stream().map(b -> b.load().owner()).toList());
    }

    /** The loads that would lose their current with the wire cut, when all is well. */
    private List<Behind> behind() {
        Solution now = solution(sound);
        List<Behind> behind = new ArrayList<>();
        if (now == null) {
            return behind;
        }
        Values cut = now.values().copy();
        cut.admittance(wire.index(), 0, 0);
        Solution without = sound.assembly().network().solver().solve(cut);
        for (Branch b : sound.assembly().branches()) {
            boolean takes = b.role().consumes() && b.isDrawn();
            double before = takes ? now.amps(b.index()).abs() : 0;
            if (before > NOTHING && without.amps(b.index()).abs() < before / 2) {
                behind.add(new Behind(b, before));
            }
        }
        // what hangs on a transformer behind the wire draws through its primary, which is counted
        Set<Integer> here = ownSide();
        Map<String, List<Behind>> byPart = behind.stream()
                .filter(b -> here.contains(b.load().nodeA()))
                .collect(Collectors.groupingBy(b -> b.load().owner(), LinkedHashMap::new, Collectors.toList()));
        // a run capacitor passes what a winding draws
        if (byPart.values().stream().anyMatch(p -> !isCapacitor(p))) {
            byPart.values().removeIf(AmpsProof::isCapacitor);
        }
        return byPart.values().stream().flatMap(p -> together(p, now)).toList();
    }

    private static boolean isCapacitor(List<Behind> part) {
        return part.stream().allMatch(b -> b.load().shape() == Shape.CAPACITOR);
    }

    /** Windings that meet at one terminal as what they draw by it; otherwise each alone. */
    private static Stream<Behind> together(List<Behind> windings, Solution now) {
        Branch first = windings.get(0).load();
        for (int node : new int[] {first.nodeA(), first.nodeB()}) {
            if (windings.size() > 1
                    && windings.stream()
                            .allMatch(b -> b.load().nodeA() == node || b.load().nodeB() == node)) {
                Complex sum = Complex.ZERO;
                for (Behind b : windings) {
                    Complex amps = now.amps(b.load().index());
                    sum = b.load().nodeB() == node ? sum.plus(amps) : sum.minus(amps);
                }
                return Stream.of(new Behind(first, sum.abs()));
            }
        }
        return windings.stream();
    }

    /** The nodes on the wire's own side of every transformer. */
    private Set<Integer> ownSide() {
        Set<Integer> side = new HashSet<>(Set.of(wire.nodeA()));
        boolean grew = true;
        while (grew) {
            grew = false;
            for (Branch b : sound.assembly().branches()) {
                if (b.role() != Role.EARTHING
                        && sound.conducts(b)
                        && side.contains(b.nodeA()) != side.contains(b.nodeB())) {
                    side.add(b.nodeA());
                    side.add(b.nodeB());
                    grew = true;
                }
            }
        }
        return side;
    }

    private Solution solution(Frame f) {
        return isDirect() ? f.dc() : f.ac();
    }

    private boolean isDirect() {
        return mode == Request.Mode.DC_AMPS;
    }

    private double amps(Frame f, Branch b) {
        Solution s = solution(f);
        return s == null
                ? 0
                : isDirect() ? s.amps(b.index()).re() : s.amps(b.index()).abs();
    }
}
