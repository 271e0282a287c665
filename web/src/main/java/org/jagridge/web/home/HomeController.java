package org.jagridge.web.home;

import java.util.List;
import java.util.Map;
import org.jagridge.web.circuits.CircuitRepository;
import org.jagridge.web.circuits.CircuitStore;
import org.jagridge.web.circuits.SiteRepository;
import org.jagridge.web.data.Disk;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;

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

    private Card card(CircuitRepository.Row row, Map<Long, String> abouts) {
        String about = abouts.get(row.id());
        if (about == null) {
            String notes = beginning(store.notes(row.revisionId()));
            Disk.keepIfThereIsRoom(() -> circuits.keepAbout(row.id(), notes));
            about = notes;
        }
        return new Card(row.slug(), row.name(), about);
    }

    private static String beginning(String notes) {
        return notes.length() <= SHOWN
                ? notes
                : notes.substring(0, Math.max(notes.lastIndexOf(' ', SHOWN), SHOWN / 2)) + " …";
    }

    @GetMapping("/")
    String home(@RequestParam(required = false) String removed, Model model) {
        List<CircuitRepository.Row> all = circuits.all();
        Map<Long, String> abouts = circuits.abouts();
        model.addAttribute(
                "sites",
                sites.all().stream()
                        .map(s -> new Group(
                                s.slug(),
                                s.name(),
                                all.stream()
                                        .filter(c -> c.siteId() == s.id())
                                        .map(c -> card(c, abouts))
                                        .toList()))
                        .filter(g -> !g.circuits().isEmpty())
                        .toList());
        circuits.removed().stream()
                .filter(c -> c.slug().equals(removed))
                .findFirst()
                .ifPresent(c -> model.addAttribute("removed", c));
        return "home/home";
    }
}
