package org.jagridge.web.records;

import java.util.ArrayList;
import java.util.List;
import org.jagridge.core.circuit.Cable;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.meter.CableTest;
import org.jagridge.core.part.Numbers;
import org.jagridge.web.circuits.CircuitRepository;
import org.jagridge.web.circuits.CircuitRepository.Row;
import org.jagridge.web.circuits.CircuitStore;
import org.jagridge.web.circuits.CircuitStore.Drawn;
import org.jagridge.web.circuits.NotFoundException;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;

/** The test of a cable with both ends off: what a sound one shows, and what it shows with a fault. */
@Controller
class CableController {
    private final CircuitRepository circuits;
    private final CircuitStore store;

    CableController(CircuitRepository circuits, CircuitStore store) {
        this.circuits = circuits;
        this.store = store;
    }

    /** @param wrong whether it isn't what a sound cable shows */
    record Line(String pair, String apart, String tied, String beeps, boolean wrong) {}

    record EarthLine(String core, String ohms, boolean wrong) {}

    /** A fault that concerns the cable, by its place in the circuit's list. */
    record Choice(int index, String words) {}

    @GetMapping("/circuits/{slug}/cable/{id}")
    String cable(
            @PathVariable String slug,
            @PathVariable String id,
            @RequestParam(required = false) Integer fault,
            Model model) {
        Row row = circuits.require(slug);
        Drawn drawn = store.revision(row.revisionId());
        Circuit circuit = drawn.circuit();
        Cable cable = circuit.cables().stream()
                .filter(k -> k.id().equals(id))
                .findFirst()
                .orElseThrow(() -> new NotFoundException("This circuit has no cable \"" + id + "\"."));
        if (fault != null && (fault < 0 || fault >= drawn.faults().size())) {
            throw new NotFoundException("This circuit has no fault number " + fault + ".");
        }
        List<Choice> choices = new ArrayList<>();
        for (int i = 0; i < drawn.faults().size(); i++) {
            Fault f = drawn.faults().get(i);
            if (!CableTest.of(circuit, cable, List.of(f)).verdicts().isEmpty()) {
                choices.add(new Choice(i, f.words()));
            }
        }
        List<Fault> present = fault == null ? List.of() : List.of(drawn.faults().get(fault));
        CableTest.Outcome outcome = CableTest.of(circuit, cable, present);
        model.addAttribute("circuit", row);
        model.addAttribute("cable", cable);
        model.addAttribute("metres", cable.lengthMetres() == null ? "" : Numbers.plain(cable.lengthMetres()));
        model.addAttribute("faults", choices);
        model.addAttribute("fault", fault);
        model.addAttribute("expected", words(outcome.expected()));
        model.addAttribute(
                "lines", outcome.ties().stream().map(CableController::line).toList());
        model.addAttribute(
                "earth",
                outcome.toEarth().entrySet().stream()
                        .map(e -> new EarthLine(e.getKey(), words(e.getValue()), Double.isFinite(e.getValue())))
                        .toList());
        model.addAttribute("verdicts", outcome.verdicts());
        return "records/cable";
    }

    private static Line line(CableTest.Tie t) {
        return new Line(
                t.one() + " – " + t.other(),
                words(t.apart()),
                words(t.ohms()),
                String.join(", ", t.beeps()),
                Double.isFinite(t.apart())
                        || !Double.isFinite(t.ohms())
                        || !t.beeps().isEmpty());
    }

    private static String words(double ohms) {
        return Double.isFinite(ohms) ? Numbers.threeFigures(ohms) + " Ω" : "OL";
    }
}
