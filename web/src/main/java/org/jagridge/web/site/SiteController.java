package org.jagridge.web.site;

import java.util.List;
import org.jagridge.web.bench.BenchService;
import org.jagridge.web.circuits.CircuitRepository;
import org.jagridge.web.records.RecordRepository;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;

/** The page of the site. */
@Controller
class SiteController {
    private static final String PAGE = "site/site";
    private static final int LONGEST_NAME = 120;
    private static final int LONGEST_PLATE = 2000;

    private final CircuitRepository circuits;
    private final EquipmentRepository equipment;
    private final RecordRepository records;
    private final BenchService benches;

    SiteController(
            CircuitRepository circuits, EquipmentRepository equipment, RecordRepository records, BenchService benches) {
        this.circuits = circuits;
        this.equipment = equipment;
        this.records = records;
        this.benches = benches;
    }

    /** @param left what is still linked or lifted at the circuit's bench, in words */
    record Circuit(String slug, String name, List<EquipmentRepository.Row> equipment, int records, List<String> left) {}

    @GetMapping("/site")
    String site(Model model) {
        fill(model);
        return PAGE;
    }

    private void fill(Model model) {
        List<EquipmentRepository.Row> all = equipment.all();
        List<Circuit> rows = circuits.all().stream()
                .map(c -> new Circuit(
                        c.slug(),
                        c.name(),
                        all.stream().filter(e -> e.circuitId() == c.id()).toList(),
                        records.ofCircuit(c.slug()).size(),
                        benches.temporaries(c.slug())))
                .toList();
        model.addAttribute("circuits", rows);
        model.addAttribute("left", rows.stream().mapToInt(c -> c.left().size()).sum());
    }

    @PostMapping("/site/equipment")
    ModelAndView add(
            @RequestParam String slug,
            @RequestParam(defaultValue = "") String name,
            @RequestParam(defaultValue = "") String place,
            @RequestParam(defaultValue = "") String nameplate,
            Model model) {
        String problem = name.isBlank()
                ? "Give the equipment a name, like \"furnace\"."
                : name.length() > LONGEST_NAME || place.length() > LONGEST_NAME || nameplate.length() > LONGEST_PLATE
                        ? "Name and place take 120 letters, the nameplate 2,000."
                        : null;
        if (problem != null) {
            fill(model);
            model.addAttribute("problem", problem);
            model.addAttribute("typed", new String[] {slug, name, place, nameplate});
            return new ModelAndView(PAGE, model.asMap(), HttpStatus.BAD_REQUEST);
        }
        equipment.add(circuits.require(slug).id(), name.strip(), place.strip(), nameplate.strip());
        return new ModelAndView("redirect:/site");
    }

    @PostMapping("/site/equipment/{id}/remove")
    String remove(@PathVariable long id) {
        equipment.remove(id);
        return "redirect:/site";
    }
}
