package org.jagridge.core.format;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.jagridge.core.run.Event;
import org.jagridge.core.run.Run;

/** A run as files for other programs: a value change dump (IEEE 1364, section 18) and CSV. */
public final class RunFiles {
    private RunFiles() {}

    /**
     * The main signals of a run as a value change dump in microseconds. A signal of two values is a one-bit wire; one of
     * more values is a register that counts them in the order in which they occur, the words named in a comment.
     */
    public static String vcd(Run run) {
        StringBuilder out = new StringBuilder("$version Jagridge $end\n$timescale 1us $end\n");
        Map<String, List<Run.Step>> signals = run.signals();
        Map<String, List<String>> values = new LinkedHashMap<>();
        signals.forEach((part, steps) -> {
            Set<String> words = new LinkedHashSet<>();
            steps.forEach(s -> words.add(s.value()));
            values.put(part, List.copyOf(words));
        });
        values.forEach((part, words) -> {
            out.append("$comment ").append(part).append(':');
            for (int i = 0; i < words.size(); i++) {
                out.append(' ').append(i).append('=').append(words.get(i).replace(' ', '_'));
            }
            out.append(" $end\n");
        });
        out.append("$scope module circuit $end\n");
        Map<String, String> codes = new LinkedHashMap<>();
        values.forEach((part, words) -> {
            String code = code(codes.size());
            codes.put(part, code);
            int bits = bits(words.size());
            out.append("$var ")
                    .append(bits == 1 ? "wire 1 " : "reg " + bits + " ")
                    .append(code)
                    .append(' ');
            out.append(part.replace('-', '_'))
                    .append(bits == 1 ? "" : " [" + (bits - 1) + ":0]")
                    .append(" $end\n");
        });
        out.append("$upscope $end\n$enddefinitions $end\n");
        Map<Long, List<String>> changes = new TreeMap<>();
        signals.forEach((part, steps) -> {
            for (Run.Step s : steps) {
                String change = change(values.get(part), s.value(), codes.get(part));
                changes.computeIfAbsent(s.micros(), t -> new ArrayList<>()).add(change);
            }
        });
        changes.forEach((micros, list) -> {
            out.append('#').append(micros).append('\n');
            list.forEach(c -> out.append(c).append('\n'));
        });
        return out.append('#').append(run.until()).append('\n').toString();
    }

    private static int bits(int values) {
        return Math.max(1, 32 - Integer.numberOfLeadingZeros(Math.max(1, values - 1)));
    }

    /** Identifier codes are made of the printable letters from {@code !} to {@code ~}. */
    private static String code(int number) {
        StringBuilder code = new StringBuilder();
        int rest = number;
        do {
            code.append((char) ('!' + rest % 94));
            rest /= 94;
        } while (rest > 0);
        return code.toString();
    }

    private static String change(List<String> words, String value, String code) {
        String binary = Integer.toBinaryString(words.indexOf(value));
        return bits(words.size()) == 1 ? binary + code : "b" + binary + " " + code;
    }

    /** The events of a run, one a line. */
    public static String csv(Run run) {
        List<List<String>> table = new ArrayList<>();
        table.add(List.of("t_s", "part", "signal", "from", "to", "because", "path"));
        for (Event e : run.events()) {
            table.add(List.of(
                    BigDecimal.valueOf(e.micros(), 6).stripTrailingZeros().toPlainString(),
                    e.part(),
                    e.signal(),
                    e.from(),
                    e.to(),
                    e.because().text(),
                    String.join(" > ", e.path())));
        }
        return CsvTable.write(table);
    }
}
