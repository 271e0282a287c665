package org.jagridge.web.edit;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Place;
import org.jagridge.core.circuit.Problem;
import org.jagridge.core.edit.Edits;
import org.jagridge.core.format.MalformedException;
import org.jagridge.web.circuits.CircuitRepository;
import org.jagridge.web.circuits.CircuitStore;
import org.jagridge.web.circuits.SiteRepository;
import org.jagridge.web.circuits.Uploads;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.multipart.MultipartFile;

/** New circuits: empty, after the pattern of another one, or from a file. */
@Controller
class NewCircuitController {
    private static final String PAGE = "edit/new";

    private final EditService service;
    private final CircuitRepository circuits;
    private final CircuitStore store;
    private final SiteRepository sites;

    NewCircuitController(EditService service, CircuitRepository circuits, CircuitStore store, SiteRepository sites) {
        this.service = service;
        this.circuits = circuits;
        this.store = store;
        this.sites = sites;
    }

    @GetMapping("/circuits/new")
    String page(@RequestParam(required = false) String site, Model model) {
        model.addAttribute("site", site);
        model.addAttribute("circuits", circuits.all());
        model.addAttribute("sites", sites.all());
        return PAGE;
    }

    @PostMapping("/circuits/new")
    String add(
            @RequestParam String name,
            @RequestParam(defaultValue = "") String pattern,
            @RequestParam(required = false) String site) {
        if (name.isBlank()) {
            throw new MalformedException(List.of(new Problem("/name", "give the circuit a name")));
        }
        if (pattern.isEmpty()) {
            Circuit empty = Circuit.builder(name.strip())
                    .place("unit", "Unit", Place.Access.PANEL)
                    .build();
            return opened(service.add(
                    Edits.name(name.strip(), null).applyTo(empty),
                    "begun empty",
                    sites.orFirst(site).id()));
        }
        CircuitRepository.Row row = circuits.require(pattern);
        Circuit like = store.revision(row.revisionId()).circuit();
        Circuit named = Edits.name(name.strip(), like.notes()).applyTo(like);
        return opened(service.add(
                named,
                "begun like " + row.name() + ", revision " + row.revision(),
                sites.orFirst(site).id()));
    }

    @PostMapping("/circuits/file")
    String file(@RequestParam MultipartFile file, @RequestParam(required = false) String site) throws IOException {
        try {
            String json = StandardCharsets.UTF_8
                    .newDecoder()
                    .decode(ByteBuffer.wrap(Uploads.bytes(file)))
                    .toString();
            return opened(service.addFile(json, sites.orFirst(site).id()));
        } catch (CharacterCodingException e) {
            throw new MalformedException(List.of(new Problem("", "the file is not UTF-8 text")));
        }
    }

    private static String opened(String slug) {
        return "redirect:/circuits/" + slug + "/edit";
    }

    @ExceptionHandler
    @ResponseStatus(HttpStatus.BAD_REQUEST)
    String malformed(MalformedException e, Model model) {
        model.addAttribute("problems", e.problems());
        return page(null, model);
    }
}
