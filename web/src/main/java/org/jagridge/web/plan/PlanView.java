package org.jagridge.web.plan;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.jagridge.core.check.Finding;
import org.jagridge.core.plan.Duty;
import org.jagridge.core.plan.WiringAnswer;
import org.jagridge.core.plan.WiringPlan;

/** An answer as the page shows it. */
public record PlanView(
        String drawing,
        List<Card> cards,
        WiringPlan plan,
        List<Duty> duties,
        List<Row> modes,
        List<Finding> findings,
        List<Asked> questions,
        WiringAnswer answer,
        String query) {
    /** @param chosen whether the drawing shows it */
    public record Card(int rank, String title, String lost, String cost, String buys, String url, boolean chosen) {}

    /** A call with a mark for each duty. */
    public record Row(String call, List<Boolean> runs) {}

    /** A question with the addresses that answer it. */
    public record Asked(String about, String why, Map<String, String> answers) {}

    /** What stays unused, by why. */
    public Map<String, String> unused() {
        return plan.unused().stream()
                .collect(Collectors.groupingBy(
                        WiringPlan.Unused::why,
                        LinkedHashMap::new,
                        Collectors.mapping(WiringPlan.Unused::what, Collectors.joining(", "))));
    }

    static PlanView of(PlanForm form, WiringAnswer answer) {
        List<WiringPlan> plans = answer.plans();
        int chosen = card(form, plans);
        WiringPlan plan = plans.isEmpty() ? null : plans.get(chosen - 1);
        List<Duty> duties = plan == null ? List.of() : duties(plan);
        return new PlanView(
                BoardsSvg.write(form, plan),
                plans.stream().map(p -> card(form, p, p.rank() == chosen)).toList(),
                plan,
                duties,
                plan == null
                        ? List.of()
                        : plan.modes().stream()
                                .map(m -> new Row(
                                        m.call().replace('-', ' '),
                                        duties.stream().map(m.runs()::contains).toList()))
                                .toList(),
                plan == null
                        ? List.of()
                        : plan.findings().stream()
                                .filter(f -> f.severity() != Finding.Severity.NOTE)
                                .toList(),
                answer.questions().stream().map(q -> asked(form, q)).toList(),
                answer,
                form.query());
    }

    /** The number of the chosen card: the first where none is chosen, or one that isn't there any more. */
    static int card(PlanForm form, List<WiringPlan> plans) {
        String text = form.text("card");
        int card = text.matches("\\d{1,3}") ? Integer.parseInt(text) : 1;
        return card >= 1 && card <= plans.size() ? card : 1;
    }

    private static List<Duty> duties(WiringPlan plan) {
        Set<Duty> all = new TreeSet<>();
        plan.modes().forEach(m -> all.addAll(m.runs()));
        return new ArrayList<>(all);
    }

    private static Card card(PlanForm form, WiringPlan p, boolean chosen) {
        Set<String> bought = new LinkedHashSet<>();
        p.buy().forEach(b -> bought.add(b.count() + (b.what().startsWith("metres") ? " " : " × ") + b.what()));
        return new Card(
                p.rank(),
                p.title(),
                p.lost().isEmpty() ? "nothing lost" : "lost: " + String.join("; ", p.lost()),
                String.format(
                        Locale.ROOT,
                        "%.1f relays' worth · %.0f min",
                        p.cost().parts(),
                        p.cost().minutes()),
                String.join(", ", bought),
                form.with("card", Integer.toString(p.rank())),
                chosen);
    }

    private static Asked asked(PlanForm form, WiringAnswer.Question q) {
        Map<String, String> answers = new LinkedHashMap<>();
        for (String a : q.answers()) {
            boolean valve = List.of("O", "B").contains(a);
            answers.put(a, valve ? form.with("valve", a) : form.with("answer." + q.about(), a));
        }
        return new Asked(q.about(), q.why(), answers);
    }
}
