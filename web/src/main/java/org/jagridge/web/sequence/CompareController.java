package org.jagridge.web.sequence;

import java.util.List;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.edit.CircuitDiff;
import org.jagridge.core.run.Run;
import org.jagridge.core.trace.SameActs;
import org.jagridge.web.circuits.CircuitRepository;
import org.jagridge.web.circuits.CircuitRepository.Revision;
import org.jagridge.web.circuits.CircuitRepository.Row;
import org.jagridge.web.circuits.CircuitStore;
import org.jagridge.web.circuits.CircuitStore.Drawn;
import org.jagridge.web.circuits.NotFoundException;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;

/** Two runs side by side: before and after a change, healthy and faulty, or this circuit and another one. */
@Controller
class CompareController {
    private final CircuitRepository circuits;
    private final CircuitStore store;
    private final Told told;

    CompareController(CircuitRepository circuits, CircuitStore store, Told told) {
        this.circuits = circuits;
        this.store = store;
        this.told = told;
    }

    @GetMapping("/circuits/{slug}/compare")
    String compare(
            @PathVariable String slug,
            @RequestParam(name = "run", required = false) String key,
            @RequestParam(required = false) Integer fault,
            @RequestParam(required = false) Integer from,
            @RequestParam(required = false) String with,
            Model model) {
        Row row = circuits.require(slug);
        Row other = with == null || with.isEmpty() ? row : circuits.require(with);
        List<Revision> revisions = circuits.revisions(row.id());
        int older = from == null ? row.revision() : from;
        long olderId = revisions.stream()
                .filter(r -> r.number() == older)
                .map(Revision::id)
                .findFirst()
                .orElseThrow(() -> new NotFoundException("There is no revision " + older + "."));
        List<Told.Choice> choices = told.choices(olderId);
        model.addAttribute("circuit", row);
        model.addAttribute("choices", choices);
        if (choices.isEmpty()) {
            return "sequence/none";
        }
        String chosen = key == null ? Told.first(choices) : key;
        Drawn then = store.revision(olderId);
        Drawn now = store.revision(other.revisionId());
        Scenario scenario = told.scenario(olderId, chosen);
        List<String> faults = now.faults().stream().map(Fault::words).toList();
        // a fault's number means another one in another circuit
        Integer there = fault != null && fault >= 0 && fault < faults.size() ? fault : null;
        if (fault != null && there == null && other.equals(row)) {
            throw new NotFoundException("This circuit has no fault number " + fault + ".");
        }
        List<String> misfits = SameActs.misfits(scenario, then.circuit(), now.circuit());
        model.addAttribute("revisions", revisions);
        model.addAttribute("others", circuits.all());
        model.addAttribute("faults", faults);
        model.addAttribute("misfits", misfits);
        model.addAttribute(
                "form", new Form(chosen, there, older, other.slug(), sides(row, older, other, there, faults)));
        model.addAttribute("wiring", CircuitDiff.between(then.circuit(), now.circuit()));
        if (misfits.isEmpty()) {
            Run before = told.run(olderId, chosen, null);
            Run after = told.run(other.revisionId(), scenario, there);
            model.addAttribute("c", CompareView.of(before, after, other.id() == row.id()));
        }
        return "sequence/compare";
    }

    /**
     * What is chosen.
     *
     * @param sides what each of the two columns is
     */
    record Form(String key, Integer fault, int from, String with, List<String> sides) {}

    private static List<String> sides(Row row, int older, Row other, Integer fault, List<String> faults) {
        String state = fault == null ? ", healthy" : ", " + faults.get(fault);
        return other.id() == row.id()
                ? List.of("revision " + older + ", healthy", "revision " + row.revision() + state)
                : List.of(row.name() + ", healthy", other.name() + state);
    }
}
