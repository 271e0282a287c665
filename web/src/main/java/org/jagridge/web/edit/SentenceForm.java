package org.jagridge.web.edit;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.SortedSet;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.edit.Sentences;
import org.jagridge.core.format.MalformedException;
import org.jagridge.core.run.FaultList;

/** A scenario's sentences as the fields of a form: {@code acts-3-at}, {@code defects-0-fault}. */
public final class SentenceForm {
    private static final Pattern ROW = Pattern.compile("(acts|defects)-(\\d{1,4})-\\w+");

    private SentenceForm() {}

    /** The sentences as they were typed. The n-th row of a kind becomes the n-th sentence, whatever its number. */
    public static Sentences of(Map<String, String> fields) {
        List<Sentences.Act> acts = new ArrayList<>();
        for (int i : rows(fields, "acts")) {
            acts.add(new Sentences.Act(
                    field(fields, "acts", i, "at"),
                    field(fields, "acts", i, "what"),
                    field(fields, "acts", i, "value")));
        }
        List<Sentences.Defect> defects = new ArrayList<>();
        for (int i : rows(fields, "defects")) {
            defects.add(new Sentences.Defect(
                    field(fields, "defects", i, "fault"),
                    field(fields, "defects", i, "from"),
                    field(fields, "defects", i, "to")));
        }
        return new Sentences(fields.getOrDefault("name", ""), acts, defects, fields.getOrDefault("until", ""));
    }

    private static SortedSet<Integer> rows(Map<String, String> fields, String kind) {
        SortedSet<Integer> rows = new TreeSet<>();
        fields.keySet().forEach(k -> {
            Matcher m = ROW.matcher(k);
            if (m.matches() && m.group(1).equals(kind)) {
                rows.add(Integer.valueOf(m.group(2)));
            }
        });
        return rows;
    }

    private static String field(Map<String, String> fields, String kind, int row, String name) {
        return fields.getOrDefault(kind + "-" + row + "-" + name, "");
    }

    /**
     * The scenario that a form tells.
     *
     * @throws MalformedException with every mistake
     */
    public static Scenario read(Map<String, String> fields, Circuit circuit) {
        return of(fields).read(circuit, known(circuit));
    }

    /** The faults that a sentence can name: those the circuit can have, and those its scenarios have. */
    public static List<Fault> known(Circuit circuit) {
        List<Fault> known = FaultList.faultsOf(circuit);
        for (Scenario s : circuit.scenarios()) {
            known = Sentences.known(s, known);
        }
        return known;
    }
}
