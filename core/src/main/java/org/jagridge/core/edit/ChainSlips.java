package org.jagridge.core.edit;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jagridge.core.circuit.Problem;

/**
 * What a hand writes where a chain has a sign of its own: another arrow, blanks for arrows or points, a colour behind the
 * terminal. A line is offered in place of one that can't be read only where that line can.
 */
final class ChainSlips {
    private static final Pattern ARROW = Pattern.compile("\\s*(?:\\s[-–—=]+>|=>|→|>)[\\s>]*");
    private static final Pattern BLANKS = Pattern.compile("[\\s,;]+(?:to\\s+)?");
    private static final Pattern BEHIND = Pattern.compile("^([^()]+?)\\s*(\\([^()]*\\))$");
    private static final Pattern UNCLOSED = Pattern.compile("^\\(\\s*([^\\s()]+)\\s+([^()]+)$");
    private static final Pattern NO_POINT =
            Pattern.compile("^(\\([^()]*\\)\\s*)?([\\w-]+?)(?:\\s*[\\s/,]\\s*|-)([\\w+-]+)$");

    private ChainSlips() {}

    /**
     * The mistakes of a line, the first with the line that would do instead, where one can be found and no word of it is
     * told to be another.
     *
     * @param reads whether a line can be read
     */
    static List<Problem> mended(String line, List<Problem> problems, Predicate<String> reads) {
        return candidates(line)
                .filter(reads)
                .findFirst()
                .map(instead -> {
                    List<Problem> all = new ArrayList<>();
                    for (Problem p : problems) {
                        all.add(new Problem(p.path(), p.message(), all.isEmpty() ? instead : null));
                    }
                    return all;
                })
                .orElse(problems);
    }

    private static Stream<String> candidates(String line) {
        String arrows =
                ARROW.matcher(line).find() ? line : BLANKS.matcher(line.strip()).replaceAll(" > ");
        List<String> pieces = Arrays.stream(ARROW.split(arrows))
                .map(String::strip)
                .filter(p -> !p.isEmpty())
                .toList();
        UnaryOperator<String> colour =
                p -> BEHIND.matcher(UNCLOSED.matcher(p).replaceFirst("($1) $2")).replaceFirst("$2 $1");
        UnaryOperator<String> point = p -> NO_POINT.matcher(p).replaceFirst("$1$2.$3");
        return Stream.of(UnaryOperator.<String>identity(), colour, point, (UnaryOperator<String>)
                        p -> point.apply(colour.apply(p)))
                .map(mend -> join(pieces, mend))
                .flatMap(Optional::stream);
    }

    private static Optional<String> join(List<String> pieces, UnaryOperator<String> mend) {
        return pieces.size() < 2
                ? Optional.empty()
                : Optional.of(pieces.stream().map(mend).collect(Collectors.joining(" > ")));
    }
}
