package org.jagridge.web.prove;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Rule;
import org.jagridge.core.edit.Edit;
import org.jagridge.core.part.PartTypes;
import org.jagridge.core.prove.RuleSentence;
import org.jagridge.core.prove.Standing;
import org.jagridge.web.circuits.CircuitRepository;
import org.jagridge.web.circuits.CircuitStore;
import org.jagridge.web.circuits.NotFoundException;
import org.jagridge.web.edit.EditService;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The proof page of a circuit. */
@Controller
class ProofController {
    private final CircuitRepository circuits;
    private final CircuitStore store;
    private final ProofService proofs;
    private final EditService edits;

    ProofController(CircuitRepository circuits, CircuitStore store, ProofService proofs, EditService edits) {
        this.circuits = circuits;
        this.store = store;
        this.proofs = proofs;
        this.edits = edits;
    }

    @GetMapping("/circuits/{slug}/proof")
    String page(@PathVariable String slug, Model model) {
        fill(circuits.require(slug), model);
        return "prove/proof";
    }

    /** How far a proof is; the whole page's result once it is through. */
    @GetMapping("/circuits/{slug}/proof/progress")
    String progress(@PathVariable String slug, Model model) {
        fill(circuits.require(slug), model);
        return "prove/proof :: result";
    }

    private void fill(CircuitRepository.Row row, Model model) {
        Circuit circuit = store.revision(row.revisionId()).circuit();
        model.addAttribute("circuit", row);
        model.addAttribute("rules", circuit.rules());
        model.addAttribute("standing", Standing.of(circuit));
        model.addAttribute("off", proofs.off(row));
        model.addAttribute(
                "words",
                circuit.parts().stream()
                        .filter(p -> PartTypes.signalOf(p).isThere())
                        .map(Part::id)
                        .toList());
        model.addAttribute("job", proofs.job(row).orElse(null));
        ProofService.Proved proved = proofs.newest(row).orElse(null);
        model.addAttribute("proved", proved);
        model.addAttribute("view", proved == null ? null : new ProofView(proved.results()));
        model.addAttribute("stale", proved != null && proved.row().revisionId() != row.revisionId());
    }

    @PostMapping("/circuits/{slug}/proof/start")
    String start(@PathVariable String slug, @RequestParam(defaultValue = "none") String faults) {
        proofs.start(circuits.require(slug), ProofService.Depth.of(faults));
        return "redirect:/circuits/" + slug + "/proof#result";
    }

    @PostMapping("/circuits/{slug}/proof/cancel")
    String cancel(@PathVariable String slug) {
        proofs.cancel(circuits.require(slug));
        return "redirect:/circuits/" + slug + "/proof";
    }

    @PostMapping("/circuits/{slug}/proof/bench")
    String bench(
            @PathVariable String slug,
            @RequestParam String rule,
            @RequestParam(defaultValue = "-1") int breaker,
            @RequestParam(defaultValue = "-1") int second) {
        return "redirect:" + proofs.bench(circuits.require(slug), rule, breaker, second);
    }

    /** A rule in a sentence; what isn't understood is told at its word, and the sentence stays. */
    @PostMapping("/circuits/{slug}/proof/rules")
    String add(@PathVariable String slug, @RequestParam int base, @RequestParam String sentence, Model model) {
        CircuitRepository.Row row = circuits.require(slug);
        Circuit circuit = store.revision(row.revisionId()).circuit();
        RuleSentence.Reading reading = RuleSentence.read(circuit, freeId(circuit), sentence);
        if (reading.mistake() != null) {
            fill(row, model);
            model.addAttribute("sentence", sentence);
            model.addAttribute("mistake", reading.mistake());
            int from = Math.min(reading.mistake().from(), sentence.length());
            model.addAttribute("before", sentence.substring(0, from));
            model.addAttribute(
                    "after",
                    sentence.substring(Math.min(from + reading.mistake().word().length(), sentence.length())));
            return "prove/proof";
        }
        edits.change(
                slug,
                base,
                before -> new Edit("rule: " + reading.rule().text(), c -> {
                    Circuit.Builder b = c.toBuilder();
                    b.rules().add(reading.rule());
                    return b.build();
                }));
        return "redirect:/circuits/" + slug + "/proof";
    }

    @PostMapping("/circuits/{slug}/proof/rules/remove")
    String remove(@PathVariable String slug, @RequestParam int base, @RequestParam String rule) {
        edits.change(
                slug,
                base,
                before -> new Edit("rule " + rule + " removed", c -> {
                    Circuit.Builder b = c.toBuilder();
                    b.rules().removeIf(r -> rule.equals(r.id()));
                    return b.build();
                }));
        return "redirect:/circuits/" + slug + "/proof";
    }

    /** Switches a standing rule off for this circuit, or on again. */
    @PostMapping("/circuits/{slug}/proof/standing")
    String standing(@PathVariable String slug, @RequestParam String rule, @RequestParam boolean on) {
        CircuitRepository.Row row = circuits.require(slug);
        if (Standing.of(store.revision(row.revisionId()).circuit()).stream().noneMatch(r -> rule.equals(r.id()))) {
            throw new NotFoundException("No rule \"" + rule + "\" stands for this circuit.");
        }
        proofs.standing(row, rule, on);
        return "redirect:/circuits/" + slug + "/proof";
    }

    private static String freeId(Circuit circuit) {
        Set<String> taken = new HashSet<>();
        List<Rule> rules = new ArrayList<>(circuit.rules());
        rules.forEach(r -> taken.add(r.id()));
        int n = 1;
        while (taken.contains("rule-" + n)) {
            n++;
        }
        return "rule-" + n;
    }
}
