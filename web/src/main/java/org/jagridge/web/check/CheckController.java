package org.jagridge.web.check;

import org.jagridge.core.check.Check;
import org.jagridge.core.check.DeadProof;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Place;
import org.jagridge.web.circuits.CircuitRepository;
import org.jagridge.web.circuits.CircuitStore;
import org.jagridge.web.circuits.NotFoundException;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;

/** What can be said against a circuit, and the prove-dead sheet of each of its places. */
@Controller
class CheckController {
    private final CircuitRepository circuits;
    private final CircuitStore store;

    CheckController(CircuitRepository circuits, CircuitStore store) {
        this.circuits = circuits;
        this.store = store;
    }

    private CircuitRepository.Row row(String slug) {
        return circuits.find(slug).orElseThrow(() -> new NotFoundException("There is no circuit \"" + slug + "\"."));
    }

    @GetMapping("/circuits/{slug}/check")
    String check(@PathVariable String slug, Model model) {
        CircuitRepository.Row row = row(slug);
        Circuit circuit = store.revision(row.revisionId()).circuit();
        Check.Report report = Check.report(circuit);
        model.addAttribute("circuit", row);
        model.addAttribute("findings", report.findings());
        model.addAttribute("looked", report.looked());
        model.addAttribute("places", circuit.places());
        return "check/check";
    }

    @GetMapping("/circuits/{slug}/dead/{place}")
    String dead(@PathVariable String slug, @PathVariable String place, Model model) {
        CircuitRepository.Row row = row(slug);
        Circuit circuit = store.revision(row.revisionId()).circuit();
        Place where = circuit.place(place)
                .orElseThrow(() -> new NotFoundException("The circuit has no place \"" + place + "\"."));
        model.addAttribute("circuit", row);
        model.addAttribute("place", where);
        model.addAttribute("sheet", DeadProof.of(circuit, place));
        return "check/dead";
    }
}
