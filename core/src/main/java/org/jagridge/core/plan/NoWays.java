package org.jagridge.core.plan;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jagridge.core.plan.WiringRequest.Power;

/** Why there is no plan: which call has no way even if it were the only one, and what would make one. */
final class NoWays {
    private static final Set<String> FEEDS = Set.of("R", "RH", "RC", "C");

    /** What a thermostat needs at most for a call. */
    private static final Map<String, Set<String>> OUTPUTS = Map.of(
            "fan", Set.of("G"),
            "cooling", Set.of("Y", "G", "O", "B"),
            "cooling-2", Set.of("Y", "Y2", "G", "O", "B"),
            "heating", Set.of("W", "Y", "G", "O", "B", "E", "AUX"),
            "heating-2", Set.of("Y", "Y2", "G", "O", "B", "AUX", "W2", "W"),
            "auxiliary", Set.of("Y", "G", "O", "B", "AUX", "W2", "W"),
            "emergency", Set.of("AUX", "W2", "W", "E", "G"),
            "defrost", Set.of("Y", "G", "O", "B", "AUX", "W2", "W"));

    private NoWays() {}

    static List<WiringAnswer.NoWay> of(WiringRequest r) {
        String would = wouldDo(r);
        Composition plain = Composer.compose(r, Faces.of(r).get(0), Set.of());
        List<WiringAnswer.NoWay> none = new ArrayList<>();
        Set<String> calls = new LinkedHashSet<>();
        Expected.of(plain).forEach(c -> calls.add(c.name()));
        for (String call : calls) {
            Optional<String> why = WiringPlanner.whyNot(alone(r, call), call);
            why.ifPresent(w -> none.add(new WiringAnswer.NoWay(call, w, would)));
        }
        if (none.isEmpty()) {
            String why = plain.why != null ? plain.why : "each call has a way by itself, but none brings all of them";
            none.add(new WiringAnswer.NoWay("all calls together", why, would));
        }
        return none;
    }

    /** The same thermostat with nothing but what a call needs. */
    private static WiringRequest alone(WiringRequest r, String call) {
        WiringRequest.Thermostat t = r.thermostat();
        if (t.isBare()) {
            return r;
        }
        Set<String> wanted = OUTPUTS.getOrDefault(call, Set.of());
        List<String> terminals = t.terminals().stream()
                .filter(x -> FEEDS.contains(x) || wanted.contains(x))
                .toList();
        return r.withThermostat(new WiringRequest.Thermostat(terminals, t.power(), t.kind(), t.kindTold()));
    }

    private static String wouldDo(WiringRequest r) {
        if (r.allow() != null || r.stock() != null) {
            Optional<String> open = WiringPlanner.bestTitle(r.unbounded());
            if (open.isPresent()) {
                return "if it were allowed and in stock: " + open.get();
            }
        }
        for (String kind : List.of("heat-pump", "conventional")) {
            Set<String> all = new LinkedHashSet<>(List.of("R", "C", "W", "Y", "G"));
            if (kind.equals("heat-pump")) {
                all.remove("W");
                all.addAll(List.of("AUX", "E", r.outdoor().valve()));
            }
            if (r.outdoor().stages() == 2) {
                all.add("Y2");
            }
            WiringRequest other = r.unbounded()
                    .withThermostat(new WiringRequest.Thermostat(List.copyOf(all), Power.EITHER, kind, true));
            Optional<String> title = WiringPlanner.bestTitle(other);
            if (title.isPresent()) {
                return "another thermostat, " + kind + " with " + String.join(" ", all) + ", and: " + title.get();
            }
        }
        return null;
    }
}
