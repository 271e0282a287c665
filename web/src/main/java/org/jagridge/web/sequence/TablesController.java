package org.jagridge.web.sequence;

import java.util.List;
import java.util.Optional;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.meter.StripTable;
import org.jagridge.core.meter.Walk;
import org.jagridge.core.part.Branch;
import org.jagridge.core.run.Run;
import org.jagridge.web.circuits.CircuitRepository;
import org.jagridge.web.circuits.CircuitRepository.Row;
import org.jagridge.web.circuits.CircuitStore;
import org.jagridge.web.circuits.NotFoundException;
import org.jagridge.web.export.Downloads;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;

/** The mode table, the table of expected volts and those of strips of a stored circuit. */
@Controller
class TablesController {
    private final CircuitRepository circuits;
    private final CircuitStore store;
    private final Told told;

    TablesController(CircuitRepository circuits, CircuitStore store, Told told) {
        this.circuits = circuits;
        this.store = store;
        this.told = told;
    }

    @GetMapping("/circuits/{slug}/modes")
    String modes(@PathVariable String slug, Model model) {
        Row row = circuits.require(slug);
        model.addAttribute("circuit", row);
        model.addAttribute("table", modes(row));
        return "sequence/modes";
    }

    private ModesView modes(Row row) {
        return ModesView.of(
                told.modes(row.revisionId()), store.revision(row.revisionId()).circuit());
    }

    @GetMapping("/circuits/{slug}/modes.csv")
    ResponseEntity<byte[]> modesCsv(@PathVariable String slug) {
        return Downloads.csv(slug + "-modes.csv", modes(circuits.require(slug)).lines());
    }

    @GetMapping("/circuits/{slug}/volts")
    String volts(
            @PathVariable String slug,
            @RequestParam(name = "run", required = false) String key,
            @RequestParam(required = false) String load,
            Model model) {
        Row row = circuits.require(slug);
        List<Told.Choice> choices = told.choices(row.revisionId());
        model.addAttribute("circuit", row);
        model.addAttribute("choices", choices);
        if (choices.isEmpty() || loads(row).isEmpty()) {
            return "sequence/none";
        }
        String chosen = key == null ? Told.first(choices) : key;
        model.addAttribute("scenario", told.scenario(row.revisionId(), chosen).name());
        model.addAttribute("v", volts(row, chosen, load));
        return "sequence/volts";
    }

    @GetMapping("/circuits/{slug}/volts.csv")
    ResponseEntity<byte[]> voltsCsv(
            @PathVariable String slug, @RequestParam("run") String key, @RequestParam String load) {
        return Downloads.csv(
                slug + "-volts.csv", volts(circuits.require(slug), key, load).lines());
    }

    @GetMapping("/circuits/{slug}/strip")
    String strip(@PathVariable String slug, @RequestParam(required = false) String at, Model model) {
        Row row = circuits.require(slug);
        List<Part> strips = strips(row);
        model.addAttribute("circuit", row);
        model.addAttribute("strips", strips);
        model.addAttribute(
                "t",
                strips.isEmpty()
                        ? null
                        : strip(row, at == null ? strips.get(0).id() : at).orElse(null));
        return "sequence/strip";
    }

    @GetMapping("/circuits/{slug}/strip.csv")
    ResponseEntity<byte[]> stripCsv(@PathVariable String slug, @RequestParam String at) {
        return Downloads.csv(
                slug + "-" + at + "-volts.csv",
                strip(circuits.require(slug), at)
                        .orElseThrow(
                                () -> new NotFoundException("No supply of this circuit has a return to measure to."))
                        .lines());
    }

    private List<Part> strips(Row row) {
        return StripTable.strips(store.revision(row.revisionId()).circuit());
    }

    private Optional<StripView> strip(Row row, String at) {
        Part strip = strips(row).stream()
                .filter(p -> p.id().equals(at))
                .findFirst()
                .orElseThrow(
                        () -> new NotFoundException("There is no strip \"" + at + "\" with wires in this circuit."));
        return told.strip(row.revisionId(), strip)
                .map(t -> StripView.of(t, store.revision(row.revisionId()).circuit()));
    }

    private List<Branch> loads(Row row) {
        return Walk.loads(store.revision(row.revisionId()).assembly());
    }

    private VoltsView volts(Row row, String key, String load) {
        List<Branch> loads = loads(row);
        Run run = told.run(row.revisionId(), key, null);
        Branch walked = load == null
                ? loads.get(0)
                : loads.stream()
                        .filter(b -> Walk.key(b).equals(load))
                        .findFirst()
                        .orElseThrow(() -> new NotFoundException("There is no load \"" + load + "\"."));
        return VoltsView.of(run, key, walked, loads);
    }
}
