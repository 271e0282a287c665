package org.jagridge.web.records;

import java.util.List;
import java.util.UUID;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.meter.CheckSheet;
import org.jagridge.web.circuits.CircuitRepository;
import org.jagridge.web.circuits.CircuitRepository.Row;
import org.jagridge.web.circuits.CircuitStore;
import org.jagridge.web.sequence.Told;
import org.jagridge.web.settings.Settings;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Check sheets of a circuit: choose a call, a load and a school; print it, or begin a record. */
@Controller
class SheetController {
    private static final String ACROSS = "across";

    private final CircuitRepository circuits;
    private final CircuitStore store;
    private final SheetPlans plans;
    private final RecordService service;
    private final RecordRepository records;
    private final Told told;
    private final Settings settings;

    SheetController(
            CircuitRepository circuits,
            CircuitStore store,
            SheetPlans plans,
            RecordService service,
            RecordRepository records,
            Told told,
            Settings settings) {
        this.circuits = circuits;
        this.store = store;
        this.plans = plans;
        this.service = service;
        this.records = records;
        this.told = told;
        this.settings = settings;
    }

    /** A load to choose. */
    record Choice(String key, String title) {}

    /** What is chosen. */
    record Chosen(String run, String load, String school) {}

    @GetMapping("/circuits/{slug}/sheet")
    String sheet(
            @PathVariable String slug,
            @RequestParam(name = "run", required = false) String key,
            @RequestParam(required = false) String load,
            @RequestParam(required = false) String school,
            Model model) {
        Row row = circuits.require(slug);
        Circuit circuit = store.revision(row.revisionId()).circuit();
        List<Told.Choice> choices = told.choices(row.revisionId());
        model.addAttribute("circuit", row);
        model.addAttribute("places", circuit.places());
        model.addAttribute("cables", circuit.cables());
        model.addAttribute("choices", choices);
        model.addAttribute("records", records.ofCircuit(slug));
        if (choices.isEmpty()) {
            return "records/sheet";
        }
        String call = key == null ? Told.first(choices) : key;
        List<SheetPlans.Working> working = plans.working(row.revisionId(), call);
        String way = school == null ? settings.get(Settings.Choice.SCHOOL) : school;
        // another call may have other loads: then the one that comes on last is shown
        boolean there = working.stream().anyMatch(w -> w.key().equals(load));
        String chosen = there ? load : working.isEmpty() ? "" : working.get(0).key();
        model.addAttribute(
                "loads",
                working.stream()
                        .map(w -> new Choice(w.key(), w.load().title().replace('-', '–')))
                        .toList());
        model.addAttribute("chosen", new Chosen(call, chosen, way));
        if (working.isEmpty()) {
            model.addAttribute("nothing", plans.nothing(row.revisionId(), call));
        } else {
            model.addAttribute(
                    "sheet",
                    SheetView.of(KeptSheet.of(plans.plan(row.revisionId(), call, chosen, school(way))), circuit));
        }
        return "records/sheet";
    }

    private static CheckSheet.School school(String word) {
        return ACROSS.equals(word) ? CheckSheet.School.ACROSS : CheckSheet.School.TO_COMMON;
    }

    @PostMapping("/circuits/{slug}/records")
    String begin(
            @PathVariable String slug,
            @RequestParam("run") String key,
            @RequestParam String load,
            @RequestParam String school,
            @RequestParam(defaultValue = "") String who,
            @RequestParam(defaultValue = "") String instrument,
            @RequestParam(defaultValue = "") String conditions) {
        Row row = circuits.require(slug);
        UUID id = service.begin(
                row.revisionId(), key, load, school(school), RecordService.Heading.within(who, instrument, conditions));
        return "redirect:/records/" + id;
    }
}
