package org.jagridge.web.records;

import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Problem;
import org.jagridge.core.circuit.Wire;
import org.jagridge.core.format.MalformedException;
import org.jagridge.core.found.AsFound;
import org.jagridge.web.circuits.CircuitRepository;
import org.jagridge.web.circuits.CircuitRepository.Row;
import org.jagridge.web.circuits.CircuitStore;
import org.jagridge.web.circuits.NotFoundException;
import org.jagridge.web.circuits.Texts;
import org.jagridge.web.edit.EditService;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;

/** The wiring as found: written down, compared with the drawing by nets, and made into the drawing. */
@Controller
class AsFoundController {
    private static final String PAGE = "records/as-found";
    private static final int LONGEST = 200_000;

    private final CircuitRepository circuits;
    private final CircuitStore store;
    private final AsFoundRepository saved;
    private final EditService edits;

    AsFoundController(CircuitRepository circuits, CircuitStore store, AsFoundRepository saved, EditService edits) {
        this.circuits = circuits;
        this.store = store;
        this.saved = saved;
        this.edits = edits;
    }

    @GetMapping("/circuits/{slug}/as-found")
    String page(@PathVariable String slug, @RequestParam(required = false) Long save, Model model) {
        Row row = circuits.require(slug);
        List<AsFoundRepository.Row> all = saved.ofCircuit(row.id());
        AsFoundRepository.Row shown = save == null
                ? all.stream().findFirst().orElse(null)
                : saved.find(row.id(), save)
                        .orElseThrow(() -> new NotFoundException("There is no such record of this circuit."));
        fill(model, row, shown == null ? "" : shown.body(), shown == null ? "" : shown.who());
        model.addAttribute("all", all);
        if (shown != null) {
            judge(model, row, shown.body());
        }
        return PAGE;
    }

    private void fill(Model model, Row row, String body, String who) {
        model.addAttribute("circuit", row);
        model.addAttribute("body", body);
        model.addAttribute("who", who);
    }

    /** What is saved was readable then; a later revision may have lost a part that it names. */
    private void judge(Model model, Row row, String body) {
        try {
            Circuit circuit = store.revision(row.revisionId()).circuit();
            AsFound found = AsFound.read(body, circuit);
            model.addAttribute("differences", found.compare(circuit));
            model.addAttribute("notLookedAt", found.notLookedAt(circuit));
            model.addAttribute("thermostats", Replaced.of(found, circuit));
            model.addAttribute("open", found.open().size());
            model.addAttribute("traced", found.wires().size());
        } catch (MalformedException e) {
            model.addAttribute("problems", e.problems());
        }
    }

    @PostMapping("/circuits/{slug}/as-found")
    ModelAndView save(
            @PathVariable String slug,
            @RequestParam(defaultValue = "") String who,
            @RequestParam(defaultValue = "") String body,
            Model model) {
        Row row = circuits.require(slug);
        try {
            if (body.length() > LONGEST) {
                throw new MalformedException(List.of(new Problem("", "this is longer than any cabinet's wiring")));
            }
            AsFound.read(body, store.revision(row.revisionId()).circuit());
        } catch (MalformedException e) {
            fill(model, row, body, who);
            model.addAttribute("all", saved.ofCircuit(row.id()));
            model.addAttribute("problems", e.problems());
            return new ModelAndView(PAGE, model.asMap(), HttpStatus.BAD_REQUEST);
        }
        saved.add(row.id(), Texts.within(who, 120, "The name"), body);
        return new ModelAndView("redirect:/circuits/" + slug + "/as-found");
    }

    /** Makes what was found the circuit's wiring, as a new revision. */
    @PostMapping("/circuits/{slug}/as-found/take")
    String take(@PathVariable String slug, @RequestParam int base) {
        Row row = circuits.require(slug);
        AsFoundRepository.Row newest = saved.ofCircuit(row.id()).stream()
                .findFirst()
                .orElseThrow(() -> new NotFoundException("Nothing has been written down for this circuit yet."));
        List<Wire> wires = AsFound.read(
                        newest.body(), store.revision(row.revisionId()).circuit())
                .wires();
        String csv = wires.stream()
                .map(w -> w.from() + "," + w.to() + "," + (w.colour() == null ? "" : w.colour()))
                .collect(Collectors.joining("\n", "from,to,colour\n", "\n"));
        edits.apply(slug, base, "wire-list", Map.of("text", csv));
        return "redirect:/circuits/" + slug + "/edit";
    }
}
