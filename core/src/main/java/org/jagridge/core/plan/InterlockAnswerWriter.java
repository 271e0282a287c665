package org.jagridge.core.plan;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.format.CircuitWriter;
import org.jagridge.core.plan.InterlockAnswer.Plan;
import org.jagridge.core.plan.InterlockAnswer.Rejected;
import org.jagridge.core.prove.ProofWriter;

/** Plans for an interlock as the JSON interface gives them. */
public final class InterlockAnswerWriter {
    private InterlockAnswerWriter() {}

    public static Map<String, Object> toMap(InterlockAnswer answer) {
        Map<String, Object> m = new LinkedHashMap<>();
        m.put("plans", answer.plans().stream().map(InterlockAnswerWriter::plan).toList());
        m.put(
                "rejected",
                answer.rejected().stream().map(InterlockAnswerWriter::rejected).toList());
        m.put("noWay", answer.noWay());
        return m;
    }

    private static Map<String, Object> plan(Plan p) {
        Map<String, Object> m = new LinkedHashMap<>();
        m.put("rank", p.rank());
        m.put("title", p.title());
        m.put("techniques", p.techniques());
        m.put("circuit", CircuitWriter.toMap(p.circuit()));
        m.put("rules", CircuitWriter.toMap(p.circuit()).get("rules"));
        m.put("holds", p.verdicts().stream().allMatch(v -> v.holds()));
        m.put("bounds", p.verdicts().stream().map(v -> v.bound()).toList());
        m.put("failsHot", faults(p.failsHot()));
        m.put("failsCold", faults(p.failsCold()));
        m.put("hidden", faults(p.hidden()));
        m.put("open", faults(p.undecided()));
        m.put(
                "relays",
                p.relays().stream()
                        .map(r -> Map.of("part", r.part(), "coil", r.coil(), "contacts", r.contacts(), "why", r.why()))
                        .toList());
        m.put(
                "buy",
                p.buy().stream()
                        .map(b -> Map.of("what", b.what(), "count", b.count(), "why", b.why()))
                        .toList());
        m.put("steps", p.steps());
        m.put("staysOpen", p.stays());
        m.put("metres", p.metres());
        m.put("why", p.why());
        return m;
    }

    private static List<Map<String, Object>> faults(List<Fault> faults) {
        return faults.stream().map(CircuitWriter::fault).toList();
    }

    private static Map<String, Object> rejected(Rejected r) {
        Map<String, Object> m = new LinkedHashMap<>();
        m.put("title", r.title());
        m.put("techniques", r.techniques());
        m.put("why", r.why());
        m.put("rule", r.rule());
        m.put("circuit", CircuitWriter.toMap(r.circuit()));
        m.put("counterexample", ProofWriter.steps(r.how()));
        return m;
    }
}
