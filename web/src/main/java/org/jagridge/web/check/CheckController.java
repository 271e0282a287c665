package org.jagridge.web.check;

import org.jagridge.core.check.Check;
import org.jagridge.core.check.DeadProof;
import org.jagridge.core.check.Finding;
import org.jagridge.core.check.Trial;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Place;
import org.jagridge.web.bench.BenchOpener;
import org.jagridge.web.circuits.CircuitRepository;
import org.jagridge.web.circuits.CircuitStore;
import org.jagridge.web.circuits.Kept;
import org.jagridge.web.circuits.NotFoundException;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** What can be said against a circuit, and the prove-dead sheet of each of its places. */
@Controller
class CheckController {
    private final CircuitRepository circuits;
    private final CircuitStore store;
    private final BenchOpener benches;
    private final Kept<Long, Check.Report> reports = new Kept<>(8, CheckController::kilobytes);

    CheckController(CircuitRepository circuits, CircuitStore store, BenchOpener benches) {
        this.benches = benches;
        this.circuits = circuits;
        this.store = store;
    }

    /** What a report takes in memory, roughly. */
    private static int kilobytes(Check.Report report) {
        return 1 + 2 * report.findings().size();
    }

    private CircuitRepository.Row row(String slug) {
        return circuits.require(slug);
    }

    @GetMapping("/circuits/{slug}/check")
    String check(@PathVariable String slug, Model model) {
        CircuitRepository.Row row = row(slug);
        Circuit circuit = store.revision(row.revisionId()).circuit();
        Check.Report report = report(row);
        model.addAttribute("circuit", row);
        model.addAttribute("findings", report.findings());
        model.addAttribute("looked", report.looked());
        model.addAttribute("places", circuit.places());
        return "check/check";
    }

    /** Opens what showed a finding on a bench. */
    @PostMapping("/circuits/{slug}/check/trial")
    String trial(@PathVariable String slug, @RequestParam String code, @RequestParam String message) {
        CircuitRepository.Row row = row(slug);
        Finding finding = report(row).findings().stream()
                .filter(f -> f.code().equals(code) && f.message().equals(message) && f.trial() != null)
                .findFirst()
                .orElseThrow(() -> new NotFoundException(
                        "The circuit has changed, and this isn't found any more. Open its Check page again."));
        Trial trial = finding.trial();
        return "redirect:" + benches.open(row.revisionId(), trial.hands(), trial.micros(), finding.message());
    }

    private Check.Report report(CircuitRepository.Row row) {
        return reports.get(
                row.revisionId(),
                () -> Check.report(store.revision(row.revisionId()).circuit()));
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
