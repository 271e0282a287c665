package org.jagridge.web.prove;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.FaultKind;

/** A stored proof as its page shows it. */
final class ProofView {
    /** The kinds of faults in the order of their weight, with what they are called on the page. */
    enum Kind {
        HOT("breakers", "break it", "✕"),
        COLD("failsCold", "stop what it watches", "▽"),
        SHOWS("shows", "show elsewhere", "◇"),
        HIDDEN("hidden", "show nowhere", "○"),
        OPEN("open", "not decided", "?");

        private final String key;
        private final String title;
        private final String mark;

        Kind(String key, String title, String mark) {
            this.key = key;
            this.title = title;
            this.mark = mark;
        }

        public String title() {
            return title;
        }

        public String mark() {
            return mark;
        }

        public String word() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /** @param index of the fault among those that break the rule, or -1 */
    record Line(String words, int index) {}

    /** The faults of one kind. */
    record Group(Kind kind, List<Line> lines) {}

    /**
     * A hidden fault with what breaks the rule on top of it.
     *
     * @param index among the hidden faults that have such
     * @param open how many more weren't decided
     */
    record Latent(String words, int index, List<Line> second, long open) {}

    /** What is said of one rule. */
    record Result(
            String rule,
            String text,
            boolean standing,
            String verdict,
            String verdictWords,
            long states,
            String bound,
            boolean plays,
            List<Group> groups,
            List<Latent> latent) {
        public boolean withFaults() {
            return !groups.isEmpty();
        }
    }

    /** One part or wire with the worst that a fault of it does to each rule; null where it has none. */
    record Spot(String name, List<Kind> worst) {}

    private final List<Result> results = new ArrayList<>();
    private final List<String> columns = new ArrayList<>();
    private final List<Spot> spots = new ArrayList<>();

    ProofView(List<Map<String, Object>> proved) {
        Map<String, Map<String, Kind>> worst = new LinkedHashMap<>();
        for (Map<String, Object> r : proved) {
            Result result = result(r);
            results.add(result);
            if (result.withFaults()) {
                columns.add(result.text());
                for (Group g : result.groups()) {
                    for (Map<String, Object> f : faults(r, g.kind())) {
                        worst.computeIfAbsent(spot(fault(f)), s -> new LinkedHashMap<>())
                                .merge(result.rule(), g.kind(), (a, b) -> a.compareTo(b) <= 0 ? a : b);
                    }
                }
            }
        }
        List<String> rules =
                results.stream().filter(Result::withFaults).map(Result::rule).toList();
        worst.forEach((spot, by) -> spots.add(
                new Spot(spot, new ArrayList<>(rules.stream().map(by::get).toList()))));
    }

    private static Result result(Map<String, Object> r) {
        boolean holds = Boolean.TRUE.equals(r.get("holds"));
        boolean complete = Boolean.TRUE.equals(r.get("complete"));
        boolean possible = r.get("example") != null;
        String verdict = !holds ? "broken" : complete ? "holds" : "open";
        String words = !holds ? "broken" : complete ? possible ? "can be" : "holds" : "not broken so far";
        List<Group> groups = new ArrayList<>();
        for (Kind k : Kind.values()) {
            List<Line> lines = new ArrayList<>();
            List<Map<String, Object>> faults = faults(r, k);
            for (int i = 0; i < faults.size(); i++) {
                lines.add(new Line(fault(faults.get(i)).words(), k == Kind.HOT ? i : -1));
            }
            if (!lines.isEmpty()) {
                groups.add(new Group(k, lines));
            }
        }
        return new Result(
                (String) r.get("rule"),
                (String) r.get("text"),
                Boolean.TRUE.equals(r.get("standing")),
                verdict,
                words,
                ((Number) r.get("states")).longValue(),
                (String) r.get("bound"),
                possible || r.get("counterexample") != null,
                groups,
                latent(r));
    }

    @SuppressWarnings("unchecked")
    private static List<Latent> latent(Map<String, Object> r) {
        List<Map<String, Object>> all = (List<Map<String, Object>>) r.getOrDefault("latent", List.of());
        List<Latent> latent = new ArrayList<>();
        for (Map<String, Object> m : all) {
            List<Map<String, Object>> second = (List<Map<String, Object>>) m.get("second");
            List<Line> lines = new ArrayList<>();
            for (int i = 0; i < second.size(); i++) {
                if (second.get(i).get("counterexample") != null) {
                    lines.add(new Line(
                            fault((Map<String, Object>) second.get(i).get("fault"))
                                    .words(),
                            i));
                }
            }
            latent.add(new Latent(
                    fault((Map<String, Object>) m.get("fault")).words(),
                    latent.size(),
                    lines,
                    second.size() - lines.size()));
        }
        return latent;
    }

    @SuppressWarnings("unchecked")
    private static List<Map<String, Object>> faults(Map<String, Object> r, Kind kind) {
        List<Map<String, Object>> list = (List<Map<String, Object>>) r.getOrDefault(kind.key, List.of());
        return kind != Kind.HOT
                ? list
                : list.stream().map(m -> (Map<String, Object>) m.get("fault")).toList();
    }

    private static Fault fault(Map<String, Object> m) {
        return new Fault(FaultKind.of((String) m.get("kind")).orElseThrow(), m, null, null);
    }

    /** Where a fault sits: its part, its wire, or what it joins. */
    static String spot(Fault f) {
        return f.part() != null ? f.part() : f.wire() != null ? "wire " + f.wire() : "links and shorts";
    }

    public List<Result> results() {
        return results;
    }

    /** The rules that faults were tried against. */
    public List<String> columns() {
        return columns;
    }

    public List<Spot> spots() {
        return spots;
    }

    public Kind[] kinds() {
        return Kind.values();
    }
}
