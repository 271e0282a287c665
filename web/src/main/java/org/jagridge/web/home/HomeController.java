package org.jagridge.web.home;

import java.util.List;
import org.jagridge.web.circuits.CircuitRepository;
import org.jagridge.web.circuits.CircuitStore;
import org.jagridge.web.circuits.SiteRepository;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;

/** The home page: which circuits there are, site by site. */
@Controller
class HomeController {
    private static final int SHOWN = 140;

    private final CircuitRepository circuits;
    private final CircuitStore store;
    private final SiteRepository sites;

    HomeController(CircuitRepository circuits, CircuitStore store, SiteRepository sites) {
        this.circuits = circuits;
        this.store = store;
        this.sites = sites;
    }

    /** A circuit with the beginning of its notes. */
    record Card(String slug, String name, String shows) {}

    /** A site with its circuits. */
    record Group(String slug, String name, List<Card> circuits) {}

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
        List<CircuitRepository.Row> all = circuits.all();
        model.addAttribute(
                "sites",
                sites.all().stream()
                        .map(s -> new Group(
                                s.slug(),
                                s.name(),
                                all.stream()
                                        .filter(c -> c.siteId() == s.id())
                                        .map(this::card)
                                        .toList()))
                        .filter(g -> !g.circuits().isEmpty())
                        .toList());
        return "home/home";
    }
}
