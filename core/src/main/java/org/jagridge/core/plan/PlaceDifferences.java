package org.jagridge.core.plan;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import org.jagridge.core.plan.InterlockAnswer.Buy;
import org.jagridge.core.plan.InterlockAnswer.Plan;
import org.jagridge.core.plan.InterlockRequest.Heater;
import org.jagridge.core.plan.InterlockRequest.Opening;

/** What is otherwise at the next place than at the one whose plan was copied. */
public final class PlaceDifferences {
    /** One difference; null where the place has no such thing. */
    public record Row(String what, String first, String next) {}

    private PlaceDifferences() {}

    /** What is alike isn't listed. */
    public static List<Row> of(InterlockRequest a, Plan first, InterlockRequest b, Plan next) {
        List<Row> rows = new ArrayList<>();
        add(rows, openings(a, first), openings(b, next));
        add(rows, heaters(a), heaters(b));
        add(rows, buys(first), buys(next));
        return rows;
    }

    private static void add(List<Row> rows, Map<String, String> first, Map<String, String> next) {
        Set<String> all = new LinkedHashSet<>(first.keySet());
        all.addAll(next.keySet());
        for (String what : all) {
            if (!Objects.equals(first.get(what), next.get(what))) {
                rows.add(new Row(what, first.get(what), next.get(what)));
            }
        }
    }

    private static Map<String, String> openings(InterlockRequest request, Plan plan) {
        Map<String, String> words = new LinkedHashMap<>();
        for (Opening o : request.openings()) {
            words.put(
                    "opening " + o.id(),
                    "%s, %.0f m, %s"
                            .formatted(
                                    o.signal().title(),
                                    o.metres(),
                                    InterlockKit.technique(plan.techniques().get(o.id()))
                                            .title()));
        }
        return words;
    }

    private static Map<String, String> heaters(InterlockRequest request) {
        Map<String, String> words = new LinkedHashMap<>();
        for (Heater h : request.heaters()) {
            words.put(
                    "heater " + h.id(),
                    h.control().title() + ", stops for "
                            + String.join(", ", request.matrix().get(h.id())));
        }
        return words;
    }

    private static Map<String, String> buys(Plan plan) {
        Map<String, String> words = new LinkedHashMap<>();
        for (Buy b : plan.buy()) {
            words.put(b.what(), "%.0f".formatted(b.count()));
        }
        return words;
    }
}
