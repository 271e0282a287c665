package org.jagridge.web.prove;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.prove.Repair;
import org.jagridge.core.prove.Repair.Seen;
import org.jagridge.core.prove.Repair.Test;
import org.jagridge.web.bench.BenchOpener;
import org.jagridge.web.circuits.CircuitRepository;
import org.jagridge.web.circuits.CircuitStore;
import org.jagridge.web.circuits.NotFoundException;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Repair before replacement: what was seen at an interlock, and the faults that explain it. Its address is what was seen. */
@Controller
class RepairController {
    private static final int MOST_ROWS = 60;
    private static final String HAND = "hand";

    private final CircuitRepository circuits;
    private final CircuitStore store;
    private final BenchOpener benches;

    RepairController(CircuitRepository circuits, CircuitStore store, BenchOpener benches) {
        this.circuits = circuits;
        this.store = store;
        this.benches = benches;
    }

    /** One part or wire with those of its faults that fit. */
    record Spot(String name, List<Suspect> suspects) {}

    /** @param index of the fault among the suspects */
    record Suspect(String words, int index) {}

    @GetMapping("/circuits/{slug}/repair")
    String page(@PathVariable String slug, @RequestParam MultiValueMap<String, String> typed, Model model) {
        CircuitRepository.Row row = circuits.require(slug);
        Circuit circuit = store.revision(row.revisionId()).circuit();
        Repair repair = new Repair(circuit);
        List<Seen> seen = seen(repair, typed);
        model.addAttribute("circuit", row);
        model.addAttribute("repair", repair);
        model.addAttribute("seen", seen);
        if (!seen.isEmpty()) {
            Repair.Answer answer = repair.explain(seen);
            model.addAttribute("answer", answer);
            model.addAttribute("spots", spots(answer.suspects()));
        }
        return "prove/repair";
    }

    /** What a suspect does, at a bench after the last look. */
    @PostMapping("/circuits/{slug}/repair/bench")
    String bench(
            @PathVariable String slug,
            @RequestParam MultiValueMap<String, String> typed,
            @RequestParam(defaultValue = "-1") int which) {
        CircuitRepository.Row row = circuits.require(slug);
        Repair repair = new Repair(store.revision(row.revisionId()).circuit());
        List<Seen> seen = seen(repair, typed);
        List<Repair.Suspect> suspects =
                seen.isEmpty() ? List.of() : repair.explain(seen).suspects();
        if (seen.isEmpty() || which >= suspects.size()) {
            throw new NotFoundException("What was seen has no such suspect any more.");
        }
        Repair.Suspect suspect = which < 0 ? null : suspects.get(which);
        Test test = seen.get(seen.size() - 1).test();
        return "redirect:"
                + benches.open(
                        row.revisionId(),
                        repair.scenario(suspect, test),
                        Repair.lookedAt(),
                        suspect == null
                                ? "As drawn"
                                : "Suspect: " + suspect.fault().words());
    }

    /** Rows that name an opening and a part of the circuit; others aren't there. */
    private static List<Seen> seen(Repair repair, MultiValueMap<String, String> typed) {
        List<Seen> seen = new ArrayList<>();
        List<String> openings = typed.getOrDefault("leaf", List.of());
        for (int i = 0; i < Math.min(openings.size(), MOST_ROWS); i++) {
            String part = at(typed, "part", i);
            String position = at(typed, "position", i);
            String state = at(typed, "state", i);
            if (repair.openings().contains(openings.get(i))
                    && repair.watched().contains(part)
                    && List.of("shut", "half", "open").contains(position)
                    && List.of("on", "off").contains(state)) {
                Test test = new Test(openings.get(i), position, HAND.equals(at(typed, "by", i)));
                seen.add(new Seen(test, part, state.equals("on")));
            }
        }
        return seen;
    }

    private static String at(MultiValueMap<String, String> typed, String column, int i) {
        List<String> values = typed.getOrDefault(column, List.of());
        return i < values.size() ? values.get(i) : "";
    }

    private static List<Spot> spots(List<Repair.Suspect> suspects) {
        Map<String, List<Suspect>> by = new LinkedHashMap<>();
        for (int i = 0; i < suspects.size(); i++) {
            Fault f = suspects.get(i).fault();
            by.computeIfAbsent(ProofView.spot(f), s -> new ArrayList<>()).add(new Suspect(f.words(), i));
        }
        List<Spot> spots = new ArrayList<>();
        by.forEach((name, list) -> spots.add(new Spot(name, list)));
        return spots;
    }
}
