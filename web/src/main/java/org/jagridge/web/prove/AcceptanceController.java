package org.jagridge.web.prove;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.UUID;
import org.jagridge.core.prove.Acceptance;
import org.jagridge.web.circuits.CircuitRepository;
import org.jagridge.web.circuits.CircuitStore;
import org.jagridge.web.circuits.NotFoundException;
import org.jagridge.web.circuits.Texts;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The hand tests with which a circuit's interlocks are accepted: on paper, or gone through with a tablet. */
@Controller
class AcceptanceController {
    private static final int LONGEST_NAME = 80;
    private static final int LONGEST_INITIALS = 8;
    private static final int LONGEST_WORDS = 400;

    private final CircuitRepository circuits;
    private final CircuitStore store;
    private final AcceptanceRepository acceptances;

    AcceptanceController(CircuitRepository circuits, CircuitStore store, AcceptanceRepository acceptances) {
        this.circuits = circuits;
        this.store = store;
        this.acceptances = acceptances;
    }

    @GetMapping("/circuits/{slug}/acceptance")
    String sheet(@PathVariable String slug, Model model) {
        CircuitRepository.Row row = circuits.require(slug);
        model.addAttribute("circuit", row);
        model.addAttribute("sheet", sheet(row));
        model.addAttribute("gone", acceptances.ofCircuit(row.id()));
        return "prove/acceptance";
    }

    private Acceptance.Sheet sheet(CircuitRepository.Row row) {
        return Acceptance.of(store.revision(row.revisionId()).circuit());
    }

    @PostMapping("/circuits/{slug}/acceptance/begin")
    String begin(@PathVariable String slug, @RequestParam(defaultValue = "") String who) {
        CircuitRepository.Row row = circuits.require(slug);
        String name = Texts.within(who, LONGEST_NAME, "A name");
        Acceptance.Sheet sheet = sheet(row);
        if (sheet.lines().isEmpty()) {
            throw new NotFoundException(
                    "There is nothing to accept in this circuit yet: it has no rule with an opening.");
        }
        return "redirect:/acceptances/" + acceptances.begin(row.revisionId(), name, KeptAcceptance.text(sheet));
    }

    @GetMapping("/acceptances/{id}")
    String page(@PathVariable UUID id, Model model) {
        AcceptanceRepository.Row row = require(id);
        Map<Integer, AcceptanceRepository.Seen> seen = new LinkedHashMap<>();
        acceptances.lines(id).forEach(l -> seen.put(l.line(), l));
        CircuitRepository.Row circuit = circuits.require(row.slug());
        model.addAttribute("row", row);
        model.addAttribute("circuit", circuit);
        model.addAttribute("sheet", KeptAcceptance.read(row.sheet()));
        model.addAttribute("seen", seen);
        model.addAttribute("changed", circuit.revisionId() != row.revisionId());
        return "prove/accepted";
    }

    /** @param seen {@code yes}, {@code no}, or anything else to take back what was said */
    @PostMapping("/acceptances/{id}/lines/{line}")
    String see(
            @PathVariable UUID id,
            @PathVariable int line,
            @RequestParam(defaultValue = "") String seen,
            @RequestParam(defaultValue = "") String initials,
            @RequestParam(defaultValue = "") String words) {
        AcceptanceRepository.Row row = require(id);
        if (KeptAcceptance.read(row.sheet()).lines().stream().noneMatch(l -> l.number() == line)) {
            throw new NotFoundException("This sheet has no line " + line + ".");
        }
        String by = Texts.within(initials, LONGEST_INITIALS, "Initials");
        String what = Texts.within(words, LONGEST_WORDS, "What was seen");
        if (seen.equals("yes") || seen.equals("no")) {
            acceptances.see(id, line, seen.equals("yes"), by, what);
        } else {
            acceptances.forget(id, line);
        }
        return "redirect:/acceptances/" + id + "#line-" + line;
    }

    private AcceptanceRepository.Row require(UUID id) {
        return acceptances.find(id).orElseThrow(() -> new NotFoundException("There is no acceptance " + id + "."));
    }
}
