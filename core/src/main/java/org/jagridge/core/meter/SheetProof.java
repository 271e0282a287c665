package org.jagridge.core.meter;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Role;
import org.jagridge.core.world.World;
import org.jagridge.core.world.Worlds;

/**
 * What all measured lines of a sheet prove together: what holds in every world that fits each of them, with one supply that
 * may be off by ±10 % as a whole.
 */
public final class SheetProof {
    private static final double SUPPLY = 0.1;
    /** What a line may be off besides: the meter's ±2 % and the drops that differ with the load. */
    private static final double VOLTS_SHARE = 0.04;

    private static final double AMPS_SHARE = 0.15;
    private static final double AMPS = 0.05;
    /** Poor joints are tried with these ohms, each so many times the one before. */
    private static final double LEAST_OHMS = 0.3;

    private static final double MOST_OHMS = 20_000;
    private static final double FINER = 1.25;
    /** From this share of its volts on a winding counts as fed. */
    private static final double FEEDS = 0.5;
    /** A winding under so many volts is dead. */
    private static final double DEAD = 1;

    private final Worlds worlds;
    private final List<CheckSheet.Line> lines;
    private final Map<String, Double> measured;
    private final double floor;

    private SheetProof(Worlds worlds, List<CheckSheet.Line> lines, Map<String, Double> measured) {
        this.worlds = worlds;
        this.lines = lines;
        this.measured = measured;
        floor = Fit.floor(worlds);
    }

    /**
     * In words; empty where nothing was measured.
     *
     * @param worlds at the instant of the sheet, in the call that it is for
     * @param measured volts or amps by line key, without sign
     */
    public static String says(Worlds worlds, CheckSheet sheet, Map<String, Double> measured) {
        List<CheckSheet.Line> lines = sheet.onTheWay().stream()
                .filter(l -> measured.containsKey(l.key()))
                .toList();
        return lines.isEmpty() ? "" : new SheetProof(worlds, lines, measured).says();
    }

    private String says() {
        List<World> fitting = fitting(lines);
        if (fitting.isEmpty()) {
            fitting = poorJoints(lines);
        }
        if (!fitting.isEmpty() && fitting.get(0).isSound()) {
            return lines.size() == 1
                    ? "The line measured is as in a sound circuit."
                    : "All " + lines.size() + " lines measured are as in a sound circuit.";
        }
        if (!fitting.isEmpty()) {
            return together() + proven(fitting) + Naming.faults(fitting);
        }
        Optional<String> supply = supply();
        if (supply.isPresent()) {
            return supply.get();
        }
        for (CheckSheet.Line odd : lines) {
            List<CheckSheet.Line> others =
                    lines.stream().filter(l -> !l.equals(odd)).toList();
            List<World> rest = others.isEmpty() ? List.of() : fitting(others);
            if (!rest.isEmpty()) {
                return "No single fault that was tried explains all of these lines. Without \"" + odd.what()
                        + "\" they fit: measure that line again."
                        + (rest.get(0).isSound() ? "" : proven(rest) + Naming.faults(rest));
            }
        }
        return "No single fault that was tried explains these lines together: there is more than one, it is of another kind, or it isn't wired as drawn.";
    }

    /** Where a supply of the mains itself gives nothing, or all is as in a sound circuit but for its volts. */
    private Optional<String> supply() {
        CheckSheet.Line first = lines.get(0);
        if (!first.supply()) {
            return Optional.empty();
        }
        double is = measured.get(first.key());
        String source = first.request().plus().part();
        if (is < DEAD && first.expected() >= DEAD) {
            return Optional.of("There are no volts at " + source
                    + " itself: it is off, not fed, or dead. The other lines prove nothing until it has its volts.");
        }
        double share = is / first.expected();
        return fits(worlds.sound(), lines, share)
                ? Optional.of("All is as in a sound circuit at " + Math.round(100 * share) + " % of the volts: look at "
                        + source + " and at what feeds it.")
                : Optional.empty();
    }

    private String together() {
        return lines.size() == 1 ? "The line measured:" : "The " + lines.size() + " lines measured together:";
    }

    private List<World> fitting(List<CheckSheet.Line> of) {
        List<World> fitting = new ArrayList<>();
        for (World w : worlds.all()) {
            if (fits(w, of)) {
                fitting.add(w);
            }
        }
        return fitting;
    }

    /** A wire or contact may be poor by any number of ohms. */
    private List<World> poorJoints(List<CheckSheet.Line> of) {
        List<World> fitting = new ArrayList<>();
        Fit.mayBePoor(worlds).filter(f -> mayExplain(f, of)).forEach(f -> {
            List<World> such = new ArrayList<>();
            for (double ohms = LEAST_OHMS; ohms < MOST_OHMS; ohms *= FINER) {
                worlds.since(Fit.with(f, ohms)).filter(x -> fits(x, of)).ifPresent(such::add);
            }
            if (!such.isEmpty()) {
                fitting.add(such.get(such.size() / 2));
            }
        });
        return fitting;
    }

    /** Whether each line lies between what it has with next to no ohms at a joint and with very many. */
    private boolean mayExplain(Fault poor, List<CheckSheet.Line> of) {
        Optional<World> least = worlds.keptSince(Fit.with(poor, LEAST_OHMS));
        Optional<World> most = worlds.keptSince(Fit.with(poor, MOST_OHMS));
        if (least.isEmpty() || most.isEmpty()) {
            return false;
        }
        for (CheckSheet.Line l : of) {
            double one = Math.abs(Fit.value(least.get(), l.request()).orElse(Double.NaN));
            double other = Math.abs(Fit.value(most.get(), l.request()).orElse(Double.NaN));
            double is = measured.get(l.key());
            double slack = SUPPLY * Math.max(one, other) + tolerance(l, is, Math.max(one, other));
            if (!(is >= Math.min(one, other) - slack && is <= Math.max(one, other) + slack)) {
                return false;
            }
        }
        return true;
    }

    private double tolerance(CheckSheet.Line l, double is, double there) {
        return l.request().mode().clamps()
                ? AMPS_SHARE * Math.max(is, there) + AMPS
                : VOLTS_SHARE * Math.max(is, l.expected()) + floor;
    }

    /** Whether one supply, that may be off by a tenth, makes all of these lines what they are. */
    private boolean fits(World w, List<CheckSheet.Line> of) {
        double share = share(w, of);
        return share >= 1 - SUPPLY - VOLTS_SHARE && share <= 1 + SUPPLY + VOLTS_SHARE && fits(w, of, share);
    }

    /** What the first line with volts has of what it has in a world; 1 where none has any. */
    private double share(World w, List<CheckSheet.Line> of) {
        for (CheckSheet.Line l : of) {
            double there = Math.abs(Fit.value(w, l.request()).orElse(0));
            double is = measured.get(l.key());
            if (!l.request().mode().clamps() && there > 1 && is > 1) {
                return is / there;
            }
        }
        return 1;
    }

    private boolean fits(World w, List<CheckSheet.Line> of, double share) {
        for (CheckSheet.Line l : of) {
            OptionalDouble value = Fit.value(w, l.request());
            if (value.isEmpty()) {
                return false;
            }
            double there = share * Math.abs(value.getAsDouble());
            double is = measured.get(l.key());
            if (Math.abs(is - there) > tolerance(l, is, there)) {
                return false;
            }
        }
        return true;
    }

    /** What every one of these worlds has in common, from the source on. */
    private String proven(List<World> fitting) {
        StringBuilder says = new StringBuilder();
        for (Assembly.Member m : worlds.assembly().members()) {
            String id = m.part().id();
            Branch primary = of(id, Role.PRIMARY);
            Branch secondary = of(id, Role.SECONDARY);
            if (primary != null && secondary != null) {
                boolean fed =
                        fitting.stream().allMatch(w -> volts(w, primary) >= FEEDS * volts(worlds.sound(), primary));
                boolean gives = fitting.stream().noneMatch(w -> volts(w, secondary) < DEAD);
                boolean dead = fitting.stream().allMatch(w -> volts(w, secondary) < DEAD);
                if (dead && volts(worlds.sound(), secondary) >= DEAD) {
                    says.append(
                            fed
                                    ? " the primary of " + id + " is fed and its secondary gives nothing: " + id
                                            + " is dead. Look for what killed it before you put in another."
                                    : " " + id + " gives nothing, and its primary isn't fed in all that fits.");
                } else if (gives && fed && says.isEmpty()) {
                    says.append(' ').append(id).append(" gives its volts.");
                }
            }
        }
        for (Branch b : worlds.assembly().branches()) {
            boolean opens = b.role() == Role.PROTECTION
                    && b.isDrawn()
                    && isMade(worlds.sound(), b)
                    && fitting.stream().noneMatch(w -> isMade(w, b));
            if (opens) {
                says.append(' ').append(b.title().replace('-', '–')).append(" is open: find what opened it.");
            }
        }
        return says.toString();
    }

    private Branch of(String part, Role role) {
        return worlds.assembly().branchesOf(part).stream()
                .filter(b -> b.role() == role)
                .findFirst()
                .orElse(null);
    }

    /** The same branch in another world, whose circuit a fault may have rewired. */
    private static Branch there(World w, Branch b) {
        return w.frame().assembly().branchesOf(b.owner()).stream()
                .filter(o -> o.label().equals(b.label()))
                .findFirst()
                .orElse(null);
    }

    private static double volts(World w, Branch b) {
        Branch there = there(w, b);
        return there == null ? 0 : w.frame().volts(there);
    }

    private static boolean isMade(World w, Branch b) {
        Branch there = there(w, b);
        return there != null && w.reach().isMade(there);
    }
}
