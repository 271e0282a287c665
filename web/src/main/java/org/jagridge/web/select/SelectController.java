package org.jagridge.web.select;

import java.util.Map;
import org.jagridge.core.format.MalformedException;
import org.jagridge.core.part.Time;
import org.jagridge.core.select.Selector;
import org.jagridge.core.select.Selectors;
import org.jagridge.web.bench.BenchOpener;
import org.jagridge.web.circuits.CircuitRepository;
import org.jagridge.web.circuits.NotFoundException;
import org.jagridge.web.circuits.SiteRepository;
import org.jagridge.web.edit.EditService;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The selectors' pages. The address is what is asked. */
@Controller
class SelectController {
    private final EditService edits;
    private final SiteRepository sites;
    private final CircuitRepository circuits;
    private final BenchOpener benches;

    SelectController(EditService edits, SiteRepository sites, CircuitRepository circuits, BenchOpener benches) {
        this.edits = edits;
        this.sites = sites;
        this.circuits = circuits;
        this.benches = benches;
    }

    @GetMapping("/select")
    String first() {
        return "redirect:/select/" + Selectors.ALL.get(0).key();
    }

    @GetMapping("/select/{key}")
    String page(@PathVariable String key, @RequestParam Map<String, String> typed, Model model) {
        Selector selector = require(key);
        model.addAttribute("all", Selectors.ALL);
        model.addAttribute("selector", selector);
        model.addAttribute("typed", typed);
        try {
            model.addAttribute("result", Selectors.choose(selector, typed));
        } catch (MalformedException e) {
            model.addAttribute("problems", e.problems());
        }
        return "select/select";
    }

    /** The trial as a circuit of its own, on a bench at the instant that was looked at. */
    @PostMapping("/select/{key}/bench")
    String bench(@PathVariable String key, @RequestParam Map<String, String> typed) {
        Selector selector = require(key);
        Selector.Trial trial = Selectors.choose(selector, typed).trial();
        if (trial == null) {
            throw new NotFoundException("There is nothing to try for this choice.");
        }
        String slug = edits.add(trial.circuit(), "tried", sites.orFirst(null).id());
        return "redirect:"
                + benches.open(
                        circuits.require(slug).revisionId(),
                        trial.scenario(),
                        Time.micros(trial.atSeconds()),
                        selector.title() + ", tried");
    }

    private static Selector require(String key) {
        return Selectors.find(key)
                .orElseThrow(() -> new NotFoundException("There is no selector \"" + key + "\". They are listed on the"
                        + " selectors' page, under Planner."));
    }
}
