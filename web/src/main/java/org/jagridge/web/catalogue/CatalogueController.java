package org.jagridge.web.catalogue;

import java.util.List;
import org.jagridge.core.part.PartTypes;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;

/** The catalogue page. */
@Controller
class CatalogueController {
    private final List<CatalogueEntry> entries =
            PartTypes.catalogue().all().stream().map(CatalogueEntry::of).toList();

    @GetMapping("/catalogue")
    String catalogue(Model model) {
        model.addAttribute("entries", entries);
        return "catalogue/catalogue";
    }
}
