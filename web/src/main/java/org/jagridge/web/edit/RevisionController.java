package org.jagridge.web.edit;

import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.edit.CircuitDiff;
import org.jagridge.core.edit.Rerouting;
import org.jagridge.web.circuits.CircuitRepository;
import org.jagridge.web.circuits.CircuitRepository.Row;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** All revisions of a circuit, and the difference between any two. */
@Controller
class RevisionController {
    private final EditService service;
    private final CircuitRepository circuits;

    RevisionController(EditService service, CircuitRepository circuits) {
        this.service = service;
        this.circuits = circuits;
    }

    @GetMapping("/circuits/{slug}/revisions")
    String revisions(
            @PathVariable String slug,
            @RequestParam(required = false) Integer from,
            @RequestParam(required = false) Integer to,
            Model model) {
        Row row = circuits.require(slug);
        int newer = to == null ? row.revision() : to;
        int older = from == null ? Math.max(1, newer - 1) : from;
        model.addAttribute("circuit", row);
        model.addAttribute("revisions", service.revisions(row));
        model.addAttribute("from", older);
        model.addAttribute("to", newer);
        Circuit before = service.circuit(row, older);
        Circuit after = service.circuit(row, newer);
        model.addAttribute("lines", CircuitDiff.between(before, after));
        model.addAttribute("rerouting", Rerouting.between(before, after).orElse(null));
        return "edit/revisions";
    }

    @PostMapping("/circuits/{slug}/revisions/{number}/restore")
    String restore(@PathVariable String slug, @PathVariable int number) {
        service.restore(slug, number);
        return "redirect:/circuits/" + slug + "/edit";
    }
}
