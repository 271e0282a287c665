package org.jagridge.web.interlock;

import java.util.Arrays;
import java.util.EnumMap;
import java.util.Map;
import org.jagridge.core.plan.SignalFinder;
import org.jagridge.core.plan.SignalFinder.Seen;
import org.jagridge.core.plan.SignalFinder.State;
import org.jagridge.core.plan.Worded;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.util.UriComponentsBuilder;

/** The signal finder: what an opener offers, from what a meter shows at it. Its address is what was seen. */
@Controller
class SignalController {
    private static final String YES = "yes";

    @GetMapping("/plan/signal")
    String page(@RequestParam Map<String, String> typed, Model model) {
        Map<State, Seen> seen = new EnumMap<>(State.class);
        for (State s : State.values()) {
            String word = typed.get(s.word());
            for (Seen what : Seen.values()) {
                if (what.word().equals(word)) {
                    seen.put(s, what);
                }
            }
        }
        SignalFinder.Finding finding = SignalFinder.find(seen);
        model.addAttribute("states", State.values());
        model.addAttribute("kinds", Seen.values());
        model.addAttribute("seen", seen);
        model.addAttribute("begun", seen.values().stream().anyMatch(s -> s != Seen.NOT_LOOKED_AT));
        model.addAttribute("finding", finding);
        model.addAttribute(
                "unseen",
                Arrays.stream(State.values())
                        .filter(s -> seen.getOrDefault(s, Seen.NOT_LOOKED_AT) == Seen.NOT_LOOKED_AT)
                        .map(State::title)
                        .toList());
        boolean limit = !"no".equals(typed.get("limit"));
        model.addAttribute("limit", limit);
        model.addAttribute("volts", typed.getOrDefault("volts", ""));
        if (finding.fitting().size() == 1) {
            model.addAttribute(
                    "query",
                    query(finding.fitting().get(0).signal(), typed.getOrDefault("volts", ""), limit ? YES : "no"));
        }
        return "interlock/signal";
    }

    /** The interlock planner asked for one opening with this signal, and one heater. */
    private static String query(Worded signal, String volts, String limit) {
        return UriComponentsBuilder.newInstance()
                .queryParam("o.id", "V1")
                .queryParam("o.signal", signal.word())
                .queryParam("o.volts", volts)
                .queryParam("o.limit", limit)
                .queryParam("o.metres", "10")
                .queryParam("h.id", "H1")
                .queryParam("h.control", "24V-pair")
                .queryParam("h.amps", "2")
                .queryParam("h.to", "V1")
                .encode()
                .build()
                .toUriString();
    }
}
