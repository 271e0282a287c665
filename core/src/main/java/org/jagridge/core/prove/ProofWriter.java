package org.jagridge.core.prove;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jagridge.core.circuit.Fault;
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
        m.put(
                "breakers",
                v.of(FaultVerdict.Kind.HOT).stream()
                        .map(f -> way(f.fault(), f.how()))
                        .toList());
        m.put("failsHot", v.failsHot().stream().map(CircuitWriter::fault).toList());
        m.put("failsCold", faults(v, FaultVerdict.Kind.COLD));
        m.put("shows", faults(v, FaultVerdict.Kind.SHOWS));
        m.put("hidden", faults(v, FaultVerdict.Kind.HIDDEN));
        m.put("open", faults(v, FaultVerdict.Kind.OPEN));
        m.put(
                "latent",
                v.of(FaultVerdict.Kind.HIDDEN).stream()
                        .filter(f -> !f.second().isEmpty())
                        .map(ProofWriter::latent)
                        .toList());
        return m;
    }

    private static List<Map<String, Object>> faults(Verdict v, FaultVerdict.Kind kind) {
        return v.of(kind).stream().map(f -> CircuitWriter.fault(f.fault())).toList();
    }

    /** A fault with how the rule is broken with it; without a way where that isn't decided. */
    private static Map<String, Object> way(Fault fault, Counterexample how) {
        Map<String, Object> m = new LinkedHashMap<>();
        m.put("fault", CircuitWriter.fault(fault));
        if (how != null) {
            m.put(
                    "faultsAtStart",
                    how.faults().stream().map(CircuitWriter::fault).toList());
            m.put("counterexample", steps(how));
            m.put("brokenAtSeconds", how.brokenAtSeconds());
        }
        return m;
    }

    /** A hidden fault with those that break the rule on top of it. */
    private static Map<String, Object> latent(FaultVerdict f) {
        Map<String, Object> m = new LinkedHashMap<>();
        m.put("fault", CircuitWriter.fault(f.fault()));
        m.put("second", f.second().stream().map(s -> way(s.fault(), s.how())).toList());
        return m;
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
