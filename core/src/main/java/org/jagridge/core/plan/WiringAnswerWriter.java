package org.jagridge.core.plan;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jagridge.core.check.Finding;
import org.jagridge.core.format.CircuitWriter;

/** A {@link WiringAnswer} as plain values, in the words of the interface. */
public final class WiringAnswerWriter {
    private WiringAnswerWriter() {}

    public static Map<String, Object> toMap(WiringAnswer answer) {
        Map<String, Object> m = new LinkedHashMap<>();
        m.put("plans", answer.plans().stream().map(WiringAnswerWriter::plan).toList());
        m.put(
                "rejected",
                answer.rejected().stream()
                        .map(r -> row("moves", words(r.moves()), "title", r.title(), "call", r.call(), "why", r.why()))
                        .toList());
        m.put(
                "questions",
                answer.questions().stream()
                        .map(q -> row("about", q.about(), "why", q.why(), "answers", q.answers()))
                        .toList());
        m.put(
                "noWay",
                answer.noWay().stream()
                        .map(n -> row("call", n.call(), "why", n.why(), "wouldDo", n.wouldDo()))
                        .toList());
        m.put("assumed", answer.assumed());
        m.put("tried", answer.tried());
        return m;
    }

    private static Map<String, Object> plan(WiringPlan p) {
        Map<String, Object> m = row("rank", p.rank(), "title", p.title(), "moves", words(p.moves()), "lost", p.lost());
        m.put(
                "cost",
                row(
                        "parts",
                        rounded(p.cost().parts(), 2),
                        "minutes",
                        rounded(p.cost().minutes(), 0)));
        m.put(
                "buy",
                p.buy().stream()
                        .map(b -> row("what", b.what(), "article", b.article(), "count", b.count(), "why", b.why()))
                        .toList());
        m.put(
                "schedule",
                p.schedule().stream().map(WiringAnswerWriter::conductor).toList());
        m.put("fit", p.fit().stream().map(WiringAnswerWriter::joint).toList());
        m.put("takeOut", p.takeOut().stream().map(WiringAnswerWriter::joint).toList());
        m.put(
                "unused",
                p.unused().stream()
                        .map(u -> row("what", u.what(), "why", u.why()))
                        .toList());
        if (!p.strip().isEmpty()) {
            m.put(
                    "strip",
                    p.strip().stream()
                            .map(x -> row("post", x.post(), "carries", x.carries(), "conductors", x.conductors()))
                            .toList());
        }
        m.put("modes", p.modes().stream().map(WiringAnswerWriter::mode).toList());
        m.put("budget", p.budget().stream().map(WiringAnswerWriter::budget).toList());
        m.put("findings", p.findings().stream().map(WiringAnswerWriter::finding).toList());
        m.put("said", p.said());
        m.put("circuit", CircuitWriter.toMap(p.circuit()));
        return m;
    }

    private static Map<String, Object> conductor(WiringPlan.Conductor c) {
        Map<String, Object> m = row(
                "cable",
                c.cable(),
                "core",
                c.core(),
                "from",
                c.from(),
                "to",
                c.to(),
                "carries",
                c.carries(),
                "why",
                c.why(),
                "wire",
                c.wire());
        if (c.was() != null) {
            m.put("was", c.was());
        }
        return m;
    }

    private static Map<String, Object> joint(WiringPlan.Joint j) {
        return row("between", List.of(j.from(), j.to()), "why", j.why());
    }

    private static Map<String, Object> mode(WiringPlan.Mode mode) {
        Map<String, Object> m = row(
                "call",
                mode.call(),
                "runs",
                mode.runs().stream().map(Duty::word).toList(),
                "holds",
                mode.holds());
        if (mode.why() != null) {
            m.put("why", mode.why());
        }
        return m;
    }

    private static Map<String, Object> budget(WiringPlan.Budget b) {
        return row(
                "source",
                b.transformer(),
                "ratedVa",
                b.ratedVa(),
                "call",
                b.call(),
                "sealedVa",
                rounded(b.sealedVa(), 1),
                "inrushVa",
                rounded(b.inrushVa(), 1),
                "farthest",
                b.farthest(),
                "volts",
                rounded(b.volts(), 2),
                "leastVolts",
                rounded(b.leastVolts(), 2),
                "short",
                b.isShort(),
                "working",
                b.working());
    }

    private static Map<String, Object> finding(Finding f) {
        return row(
                "severity",
                f.severity().word(),
                "code",
                f.code(),
                "parts",
                f.parts(),
                "wires",
                f.wires(),
                "message",
                f.message(),
                "advice",
                f.advice());
    }

    private static List<String> words(List<Move> moves) {
        return moves.stream().map(Move::word).distinct().toList();
    }

    private static double rounded(double value, int digits) {
        double scale = Math.pow(10, digits);
        return Math.round(value * scale) / scale;
    }

    private static Map<String, Object> row(Object... pairs) {
        Map<String, Object> m = new LinkedHashMap<>();
        List<Object> list = new ArrayList<>(Arrays.asList(pairs));
        for (int i = 0; i < list.size(); i += 2) {
            m.put((String) list.get(i), list.get(i + 1));
        }
        return m;
    }
}
