package org.jagridge.web.home;

import org.jagridge.web.circuits.CircuitRepository;
import org.jagridge.web.circuits.CircuitStore;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;

/** The home page: which circuits there are. */
@Controller
class HomeController {
    private static final int SHOWN = 140;

    private final CircuitRepository circuits;
    private final CircuitStore store;

    HomeController(CircuitRepository circuits, CircuitStore store) {
        this.circuits = circuits;
        this.store = store;
    }

    /** A circuit with the beginning of its notes. */
    record Card(String slug, String name, String shows) {}

    private Card card(CircuitRepository.Row row) {
        String notes = store.revision(row.revisionId()).circuit().notes();
        String shows = notes == null ? "" : notes;
        return new Card(
                row.slug(),
                row.name(),
                shows.length() <= SHOWN ? shows : shows.substring(0, shows.lastIndexOf(' ', SHOWN)) + " …");
    }

    @GetMapping("/")
    String home(Model model) {
        model.addAttribute("circuits", circuits.all().stream().map(this::card).toList());
        return "home/home";
    }
}
