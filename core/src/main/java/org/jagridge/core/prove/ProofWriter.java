package org.jagridge.core.prove;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jagridge.core.format.CircuitWriter;
import org.jagridge.core.format.RuleText;

/** Verdicts as the JSON interface gives them. */
public final class ProofWriter {
    private ProofWriter() {}

    /** {@code {"results": […]}}. */
    public static Map<String, Object> toMap(List<Verdict> verdicts) {
        return Map.of("results", verdicts.stream().map(ProofWriter::verdict).toList());
    }

    private static Map<String, Object> verdict(Verdict v) {
        Map<String, Object> m = new LinkedHashMap<>();
        m.put("rule", v.rule().id());
        m.put("text", v.rule().text());
        m.put("means", RuleText.write(v.rule()));
        m.put("standing", v.standing());
        m.put("holds", v.holds());
        m.put("complete", v.complete());
        m.put("states", v.states());
        m.put("bound", v.bound());
        if (v.how() != null) {
            boolean possible = v.holds();
            m.put(possible ? "example" : "counterexample", steps(v.how()));
            m.put(possible ? "reachedAtSeconds" : "brokenAtSeconds", v.how().brokenAtSeconds());
        }
        m.put("breakers", faults(v, FaultVerdict.Kind.HOT, true));
        m.put("failsHot", v.failsHot().stream().map(CircuitWriter::fault).toList());
        m.put("failsCold", faults(v, FaultVerdict.Kind.COLD));
        m.put("shows", faults(v, FaultVerdict.Kind.SHOWS));
        m.put("hidden", faults(v, FaultVerdict.Kind.HIDDEN));
        m.put("open", faults(v, FaultVerdict.Kind.OPEN));
        return m;
    }

    private static List<Map<String, Object>> faults(Verdict v, FaultVerdict.Kind kind) {
        return v.of(kind).stream().map(f -> CircuitWriter.fault(f.fault())).toList();
    }

    private static List<Map<String, Object>> faults(Verdict v, FaultVerdict.Kind kind, boolean how) {
        List<Map<String, Object>> list = new ArrayList<>();
        for (FaultVerdict f : v.of(kind)) {
            Map<String, Object> m = new LinkedHashMap<>();
            m.put("fault", CircuitWriter.fault(f.fault()));
            if (how) {
                m.put(
                        "faultsAtStart",
                        f.how().faults().stream().map(CircuitWriter::fault).toList());
                m.put("counterexample", steps(f.how()));
                m.put("brokenAtSeconds", f.how().brokenAtSeconds());
            }
            list.add(m);
        }
        return list;
    }

    public static List<Map<String, Object>> steps(Counterexample c) {
        return c.steps().stream()
                .map(s -> {
                    Map<String, Object> m = new LinkedHashMap<>();
                    m.put("atSeconds", s.atSeconds());
                    m.put("set", s.set());
                    if (!s.faults().isEmpty()) {
                        m.put(
                                "faults",
                                s.faults().stream().map(CircuitWriter::fault).toList());
                    }
                    return m;
                })
                .toList();
    }
}
