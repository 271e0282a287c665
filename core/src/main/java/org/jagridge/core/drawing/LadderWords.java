package org.jagridge.core.drawing;

import java.util.ArrayList;
import java.util.List;
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
    private static final int FUNCTION_LETTERS = 24;
    /** A number and its unit stay on one line. */
    private static final char NO_BREAK = '\u00a0';

    private final Assembly assembly;
    private final LadderPlan plan;

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

    /** Under a coil the rungs of its contacts, at a contact its terminals and the rung of its coil. */
    String detail(Branch b) {
        if (b.role() == Role.ABSENT) {
            return "not fitted";
        }
        if (b.role() == Role.COIL) {
            return crossReference(b.owner());
        }
        if (b.role() == Role.CONTACT && b.shape() != Shape.SWITCH && b.shape() != Shape.PUSH_BUTTON) {
            String coil = assembly.branchesOf(b.owner()).stream()
                    .filter(c -> c.role() == Role.COIL && plan.isDrawn(c))
                    .map(c -> " (" + plan.rungOf(c) + ")")
                    .findFirst()
                    .orElse("");
            return b.label().replace('-', '–') + coil;
        }
        return assembly.branchesOf(b.owner()).size() > 1
                        || b.role() == Role.PROTECTION
                        || b.role().gives()
                ? b.label().replace('-', '–')
                : "";
    }

    private String crossReference(String part) {
        List<String> open = new ArrayList<>();
        List<String> closed = new ArrayList<>();
        for (Branch b : assembly.branchesOf(part)) {
            if (b.role() == Role.CONTACT && plan.isDrawn(b) && !plan.spares().contains(b)) {
                (b.restClosed() ? closed : open).add(Integer.toString(plan.rungOf(b)));
            }
        }
        List<String> words = new ArrayList<>();
        long spare = assembly.branchesOf(part).stream()
                .filter(plan.folded()::contains)
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

    /** What a load is there for: its name, or what it is; of a source its volts, too. */
    String function(Branch b) {
        Assembly.Member m = assembly.member(b.owner()).orElseThrow();
        return b.role().gives() ? name(b) + ", " + volts(b, m) : name(b);
    }

    /** Two hot legs between the rails make one supply. */
    private String volts(Branch source, Assembly.Member m) {
        long legs = assembly.branchesOf(source.owner()).stream()
                .filter(o -> o.role() == Role.SOURCE && o.nodeB() == source.nodeB())
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
