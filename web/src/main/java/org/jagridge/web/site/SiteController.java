package org.jagridge.web.site;

import java.util.List;
import org.jagridge.web.circuits.CircuitRepository;
import org.jagridge.web.circuits.NotFoundException;
import org.jagridge.web.circuits.SiteRepository;
import org.jagridge.web.circuits.Slugs;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;

/** The pages of the sites. */
@Controller
class SiteController {
    private static final String PAGE = "site/site";

    private final SiteRepository sites;
    private final EquipmentRepository equipment;
    private final CircuitRepository circuits;
    private final SiteView views;

    SiteController(SiteRepository sites, EquipmentRepository equipment, CircuitRepository circuits, SiteView views) {
        this.sites = sites;
        this.equipment = equipment;
        this.circuits = circuits;
        this.views = views;
    }

    /** What can't be written down as it was typed, with what was typed. */
    private static final class BadEntryException extends RuntimeException {
        private static final long serialVersionUID = 1L;
        private final String site;
        private final transient EquipmentRepository.Plate typed;

        BadEntryException(String message, String site, EquipmentRepository.Plate typed) {
            super(message);
            this.site = site;
            this.typed = typed;
        }
    }

    @ExceptionHandler
    @ResponseStatus(HttpStatus.BAD_REQUEST)
    String bad(BadEntryException e, Model model) {
        model.addAttribute("problem", e.getMessage());
        model.addAttribute("typed", e.typed);
        return e.site == null ? all(model) : site(e.site, null, model);
    }

    @GetMapping("/sites")
    String all(Model model) {
        model.addAttribute("sites", sites.all().stream().map(views::card).toList());
        model.addAttribute("removedSites", sites.removed());
        model.addAttribute("removedCircuits", circuits.removed());
        return "site/sites";
    }

    @PostMapping("/sites")
    String add(@RequestParam(defaultValue = "") String name, @RequestParam(defaultValue = "") String address) {
        String given = given(name, 200, "the site", null, null);
        String slug = Slugs.free(given, "site", sites::isTaken);
        sites.add(slug, given, within(address, 400, "The address", null, null));
        return "redirect:/sites/" + slug;
    }

    @GetMapping("/sites/{slug}")
    String site(@PathVariable String slug, @RequestParam(required = false) Long removed, Model model) {
        SiteRepository.Row site = sites.require(slug);
        model.addAttribute("site", site);
        model.addAttribute("view", views.of(site));
        model.addAttribute("others", otherCircuits(site));
        if (removed != null) {
            equipment.name(site.id(), removed).ifPresent(name -> model.addAttribute("removedName", name));
            model.addAttribute("removed", removed);
        }
        return PAGE;
    }

    private List<CircuitRepository.Row> otherCircuits(SiteRepository.Row site) {
        return circuits.all().stream().filter(c -> c.siteId() != site.id()).toList();
    }

    @PostMapping("/sites/{slug}")
    String change(
            @PathVariable String slug,
            @RequestParam(defaultValue = "") String name,
            @RequestParam(defaultValue = "") String address,
            @RequestParam(defaultValue = "") String notes) {
        sites.change(
                sites.require(slug).id(),
                given(name, 200, "the site", slug, null),
                within(address, 400, "The address", slug, null),
                within(notes, 4000, "The notes", slug, null));
        return at(slug);
    }

    /** Brings a circuit of another site here. */
    @PostMapping("/sites/{slug}/circuits")
    String bring(@PathVariable String slug, @RequestParam String circuit) {
        circuits.move(circuits.require(circuit).id(), sites.require(slug).id());
        return at(slug);
    }

    /** Adds a place, or changes the one of that number. */
    @PostMapping("/sites/{slug}/places")
    String place(
            @PathVariable String slug,
            @RequestParam(required = false) Long place,
            @RequestParam(defaultValue = "") String name,
            @RequestParam(defaultValue = "") String notes) {
        SiteRepository.Row site = sites.require(slug);
        String given = given(name, 120, "the place", slug, null);
        String kept = within(notes, 400, "The notes", slug, null);
        if (sites.places(site.id()).stream()
                .anyMatch(p -> p.name().equals(given) && !Long.valueOf(p.id()).equals(place))) {
            throw new BadEntryException("There is a place \"" + given + "\" already.", slug, null);
        }
        if (place == null) {
            sites.addPlace(site.id(), given, kept);
        } else {
            sites.changePlace(placeOf(site, place), given, kept);
        }
        return at(slug);
    }

    /** Adds equipment, or changes what is written down of the one of that number. */
    @PostMapping("/sites/{slug}/equipment")
    String equipment(
            @PathVariable String slug,
            @RequestParam(required = false) Long equipment,
            @RequestParam long place,
            @RequestParam(defaultValue = "") String circuit,
            @RequestParam(defaultValue = "") String name,
            @RequestParam(defaultValue = "") String fedFrom,
            @RequestParam(defaultValue = "") String nameplate) {
        SiteRepository.Row site = sites.require(slug);
        EquipmentRepository.Plate typed = new EquipmentRepository.Plate(
                placeOf(site, place),
                circuit.isEmpty() ? null : circuits.require(circuit).id(),
                name.strip(),
                fedFrom.strip(),
                nameplate.strip());
        given(name, 120, "the equipment", slug, typed);
        within(fedFrom, 200, "Fed from", slug, typed);
        within(nameplate, 2000, "The nameplate", slug, typed);
        if (equipment == null) {
            this.equipment.add(typed);
        } else {
            this.equipment.change(own(site, equipment), typed);
        }
        return at(slug);
    }

    @PostMapping("/sites/{slug}/equipment/{id}/remove")
    String remove(@PathVariable String slug, @PathVariable long id) {
        equipment.remove(own(sites.require(slug), id), true);
        return at(slug) + "?removed=" + id;
    }

    @PostMapping("/sites/{slug}/equipment/{id}/restore")
    String restore(@PathVariable String slug, @PathVariable long id) {
        equipment.remove(own(sites.require(slug), id), false);
        return at(slug);
    }

    private static String at(String slug) {
        return "redirect:/sites/" + slug;
    }

    private long placeOf(SiteRepository.Row site, long place) {
        return sites.places(site.id()).stream()
                .filter(p -> p.id() == place)
                .findFirst()
                .orElseThrow(() -> new NotFoundException("There is no such place at " + site.name() + "."))
                .id();
    }

    private long own(SiteRepository.Row site, long id) {
        if (equipment.name(site.id(), id).isEmpty()) {
            throw new NotFoundException("There is no such equipment at " + site.name() + ".");
        }
        return id;
    }

    private static String given(String name, int longest, String what, String site, EquipmentRepository.Plate typed) {
        if (name.isBlank()) {
            throw new BadEntryException("Give " + what + " a name.", site, typed);
        }
        return within(name, longest, "The name", site, typed);
    }

    private static String within(String text, int longest, String what, String site, EquipmentRepository.Plate typed) {
        if (text.length() > longest) {
            throw new BadEntryException(what + " takes " + longest + " letters.", site, typed);
        }
        return text.strip();
    }
}
