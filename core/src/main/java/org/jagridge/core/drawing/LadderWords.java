package org.jagridge.core.drawing;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.drawing.Ladder.Text;
import org.jagridge.core.drawing.Ladder.TextKind;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Numbers;
import org.jagridge.core.part.PartTypes;
import org.jagridge.core.part.Role;
import org.jagridge.core.part.Shape;
import org.jagridge.core.part.SourceRating;

/** What is written at the symbols and beside the rungs of a ladder, and how much room that takes. */
final class LadderWords {
    static final double LEAST_WIDTH = 62;
    private static final int FUNCTION_LETTERS = 28;
    /** A number and its unit stay on one line. */
    private static final char NO_BREAK = '\u00a0';

    private final Assembly assembly;
    private final LadderPlan plan;
    private final Map<Spot, String> jobs = new HashMap<>();

    LadderWords(Assembly assembly, LadderPlan plan) {
        this.assembly = assembly;
        this.plan = plan;
    }

    double labelWidth(Branch b) {
        double name = b.owner().length() * Text.widthOfLetter(TextKind.NAME);
        double detail = detail(b).length() * Text.widthOfLetter(TextKind.DETAIL);
        return Math.max(Math.max(name, detail), symbolWidth(b) + 46);
    }

    static double symbolWidth(Branch b) {
        return switch (b.shape()) {
            case WINDING -> 56;
            case RESISTOR -> 40;
            case BOX -> 44;
            default -> 26;
        };
    }

    /** The branch by what is printed at its two terminals. */
    private String marks(Branch b) {
        boolean marked = assembly.circuit()
                .part(b.owner())
                .filter(p -> !p.labels().isEmpty())
                .isPresent();
        return marked && b.a() != null && b.b() != null
                ? assembly.circuit().markOf(b.a()) + "–" + assembly.circuit().markOf(b.b())
                : b.label().replace('-', '–');
    }

    /** Under a coil the rungs of its contacts, at a contact its terminals and the rung of its coil. */
    String detail(Branch b) {
        if (b.role() == Role.ABSENT) {
            return plan.isBypassed(b) ? "not fitted, bypassed" : "not fitted";
        }
        if (plan.isBypassed(b)) {
            return marks(b) + " bypassed";
        }
        if (b.role() == Role.COIL) {
            return crossReference(b);
        }
        if (b.role() == Role.CONTACT && b.shape() != Shape.SWITCH && b.shape() != Shape.PUSH_BUTTON) {
            String coils = assembly.branchesOf(b.owner()).stream()
                    .filter(c -> c.role() == Role.COIL && plan.isDrawn(c) && moves(c, b))
                    .map(c -> Integer.toString(plan.rungOf(c)))
                    .collect(Collectors.joining(", "));
            return marks(b) + (coils.isEmpty() ? "" : " (" + coils + ")");
        }
        String unused = !b.role().consumes()
                ? ""
                : assembly.branchesOf(b.owner()).stream()
                        .filter(o -> o.role().gives() && plan.folded().contains(o))
                        .map(o -> " · " + o.label().replace('-', '–') + " unused")
                        .collect(Collectors.joining());
        return assembly.branchesOf(b.owner()).size() > 1
                        || b.role() == Role.PROTECTION
                        || b.role().gives()
                ? marks(b) + unused
                : "";
    }

    private boolean moves(Branch coil, Branch contact) {
        return assembly.member(coil.owner()).orElseThrow().type().moves(coil.label(), contact.label());
    }

    private String crossReference(Branch coil) {
        List<String> open = new ArrayList<>();
        List<String> closed = new ArrayList<>();
        for (Branch b : assembly.branchesOf(coil.owner())) {
            if (b.role() == Role.CONTACT
                    && moves(coil, b)
                    && plan.isDrawn(b)
                    && !plan.spares().contains(b)) {
                (b.restClosed() ? closed : open).add(Integer.toString(plan.rungOf(b)));
            }
        }
        List<String> words = new ArrayList<>();
        long spare = assembly.branchesOf(coil.owner()).stream()
                .filter(b -> plan.folded().contains(b) && moves(coil, b))
                .count();
        if (!open.isEmpty()) {
            words.add("NO " + String.join(", ", open.stream().distinct().toList()));
        }
        if (!closed.isEmpty()) {
            words.add("NC " + String.join(", ", closed.stream().distinct().toList()));
        }
        if (spare > 0) {
            words.add(spare + " spare");
        }
        return String.join(" · ", words);
    }

    /** What a row of a section is there for: its loads and their jobs; of a row without a load what it is beside. */
    String job(LadderSection section, int row) {
        if (jobs.isEmpty()) {
            tellJobs();
        }
        return jobs.getOrDefault(new Spot(section, row), "");
    }

    private record Spot(LadderSection section, int row) {}

    /** No two rungs are called alike: those that would be get the ids of their parts, or else their terminals. */
    private void tellJobs() {
        Map<Spot, List<Branch>> rows = new LinkedHashMap<>();
        for (LadderSection section : plan.sections()) {
            section.placed()
                    .forEach(p -> rows.computeIfAbsent(new Spot(section, p.row()), r -> new ArrayList<>())
                            .add(p.branch()));
        }
        rows.forEach((spot, branches) -> jobs.put(spot, words(spot, branches, this::told)));
        clearUp(rows, b -> told(b) + " " + b.owner());
        clearUp(rows, b -> b.title().replace('-', '–') + ", " + told(b));
    }

    private void clearUp(Map<Spot, List<Branch>> rows, Function<Branch, String> by) {
        Map<String, Long> times = jobs.values().stream()
                .map(w -> String.join("|", wrap(w)))
                .collect(Collectors.groupingBy(w -> w, Collectors.counting()));
        jobs.replaceAll((spot, words) ->
                times.get(String.join("|", wrap(words))) == 1 ? words : words(spot, rows.get(spot), by));
    }

    private String words(Spot spot, List<Branch> row, Function<Branch, String> by) {
        List<Branch> giving = row.stream().filter(b -> b.role().gives()).toList();
        if (!giving.isEmpty()) {
            return giving.stream().map(by).distinct().collect(Collectors.joining(", "));
        }
        List<Branch> loads = row.stream()
                .filter(b -> !Spots.isSwitch(b) && !plan.isJumper(b))
                .toList();
        // a capacitor has no job of its own before a winding
        List<Branch> others =
                loads.stream().filter(b -> b.shape() != Shape.CAPACITOR).toList();
        List<Branch> told = others.isEmpty() ? loads : others;
        if (!told.isEmpty()) {
            return told.stream().map(by).distinct().collect(Collectors.joining(", "));
        }
        return beside(spot, row);
    }

    private String beside(Spot spot, List<Branch> row) {
        if (row.stream().allMatch(plan::isJumper)) {
            return "jumper " + row.get(0).title().replace('-', '–');
        }
        List<Branch> contacts = row.stream().filter(Spots::isSwitch).toList();
        String first = contacts.get(0).title().replace('-', '–')
                + (contacts.size() > 1 ? " and " + (contacts.size() - 1) + " more" : "");
        if (spot.section().isOpen(spot.row())) {
            return first + ": no load behind it";
        }
        if (!spot.section().isShort(spot.row())) {
            return "also by " + first;
        }
        return spot.section()
                .equipment()
                .map(e -> "calls " + name(e) + ", by " + first)
                .orElse(first + ": no load");
    }

    private String told(Branch b) {
        return b.role().gives() ? supply(b) : job(b);
    }

    private String supply(Branch b) {
        Assembly.Member m = assembly.member(b.owner()).orElseThrow();
        return b.shape() == Shape.BOX ? name(b) + ", its own loop" : name(b) + ", " + volts(b, m);
    }

    /** A load's name, and its job where its part has several. */
    private String job(Branch b) {
        boolean alone = assembly.branchesOf(b.owner()).stream()
                        .filter(o -> o.role().consumes() && o.isDrawn())
                        .count()
                == 1;
        Optional<String> job = b.role() == Role.PRIMARY
                ? Optional.of("own transformer").filter(t -> !alone)
                : PartTypes.catalogue()
                        .require(assembly.circuit().part(b.owner()).orElseThrow())
                        .job(b.label());
        return job.map(j -> name(b) + ": " + j).orElseGet(() -> name(b));
    }

    /** Two hot legs between the rails make one supply. */
    private String volts(Branch source, Assembly.Member m) {
        long legs = assembly.branchesOf(source.owner()).stream()
                .filter(o -> o.role() == Role.SOURCE)
                .filter(o -> !o.isDrawn() || o.nodeB() == source.nodeB())
                .count();
        SourceRating gives = m.type().source(m.params());
        return Numbers.plain(legs > 1 ? gives.betweenHots() : gives.volts())
                + (gives.direct() ? NO_BREAK + "V DC" : NO_BREAK + "V");
    }

    private String name(Branch b) {
        Part part = assembly.circuit().part(b.owner()).orElseThrow();
        if (part.name() != null) {
            return part.name();
        }
        return PartTypes.catalogue().require(part).title() + " " + part.id();
    }

    /** At most two lines of {@value #FUNCTION_LETTERS} letters. */
    static List<String> wrap(String words) {
        if (words.length() <= FUNCTION_LETTERS) {
            return words.isEmpty() ? List.of() : List.of(words);
        }
        int cut = words.lastIndexOf(' ', FUNCTION_LETTERS);
        cut = cut < 1 ? FUNCTION_LETTERS : cut;
        String rest = words.substring(cut).strip();
        return List.of(
                words.substring(0, cut),
                rest.length() <= FUNCTION_LETTERS ? rest : rest.substring(0, FUNCTION_LETTERS - 1) + "…");
    }
}
