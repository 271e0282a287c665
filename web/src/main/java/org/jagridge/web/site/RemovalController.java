package org.jagridge.web.site;

import java.util.List;
import org.jagridge.core.circuit.Problem;
import org.jagridge.core.format.MalformedException;
import org.jagridge.web.bench.HandOver;
import org.jagridge.web.circuits.CircuitRepository;
import org.jagridge.web.circuits.SiteRepository;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;

/** Takes circuits and sites off the lists, and puts them back. What is left at one for a test isn't lost from sight. */
@Controller
class RemovalController {
    private final CircuitRepository circuits;
    private final SiteRepository sites;
    private final HandOver handOver;

    RemovalController(CircuitRepository circuits, SiteRepository sites, HandOver handOver) {
        this.circuits = circuits;
        this.sites = sites;
        this.handOver = handOver;
    }

    @PostMapping("/circuits/{slug}/remove")
    String removeCircuit(@PathVariable String slug) {
        requireNothingLeft(circuits.require(slug));
        circuits.remove(slug, true);
        return "redirect:/?removed=" + slug;
    }

    private void requireNothingLeft(CircuitRepository.Row circuit) {
        List<String> left = handOver.words(circuit.slug());
        if (!left.isEmpty()) {
            throw new MalformedException(List.of(new Problem(
                    "",
                    circuit.name() + " isn't removed, since this is still to be undone there: "
                            + String.join(", ", left) + ". Undo it at its bench, or say there that it is out.")));
        }
    }

    @PostMapping("/circuits/{slug}/put-back")
    String putBackCircuit(@PathVariable String slug) {
        circuits.remove(slug, false);
        return "redirect:/circuits/" + circuits.require(slug).slug() + "/bench";
    }

    @PostMapping("/sites/{slug}/remove")
    String removeSite(@PathVariable String slug) {
        SiteRepository.Row site = sites.require(slug);
        circuits.all().stream().filter(c -> c.siteId() == site.id()).forEach(this::requireNothingLeft);
        sites.remove(site.id());
        return "redirect:/sites";
    }

    @PostMapping("/sites/{slug}/put-back")
    String putBackSite(@PathVariable String slug) {
        sites.restore(slug);
        return "redirect:/sites/" + sites.require(slug).slug();
    }
}
