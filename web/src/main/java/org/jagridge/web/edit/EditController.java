package org.jagridge.web.edit;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jagridge.core.check.Check;
import org.jagridge.core.circuit.Problem;
import org.jagridge.core.edit.CircuitDiff;
import org.jagridge.core.format.MalformedException;
import org.jagridge.web.circuits.CircuitRepository;
import org.jagridge.web.circuits.CircuitRepository.Row;
import org.jagridge.web.circuits.CircuitStore;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;

/**
 * The editor. A change answers with the page of the new revision, of which the script takes what is new; what can't be
 * done answers with its problems as JSON, so that the script can put each where it was asked.
 */
@Controller
class EditController {
    private static final String PAGE = "edit/edit";

    private final EditService service;
    private final CircuitRepository circuits;
    private final CircuitStore store;

    EditController(EditService service, CircuitRepository circuits, CircuitStore store) {
        this.service = service;
        this.circuits = circuits;
        this.store = store;
    }

    @GetMapping("/circuits/{slug}/edit")
    String page(@PathVariable String slug, Model model) {
        Row row = circuits.require(slug);
        model.addAttribute(
                "edit",
                EditView.of(
                        row,
                        store.revision(row.revisionId()),
                        service.undoWords(row).orElse(null),
                        service.redoable(row)
                                .map(CircuitRepository.Revision::words)
                                .orElse(null)));
        return PAGE;
    }

    @GetMapping("/circuits/{slug}/edit/findings")
    String findings(@PathVariable String slug, Model model) {
        Row row = circuits.require(slug);
        model.addAttribute(
                "findings", Check.findings(store.revision(row.revisionId()).circuit()));
        return "edit/findings";
    }

    @PostMapping("/circuits/{slug}/edit/{what}")
    String change(
            @PathVariable String slug,
            @PathVariable String what,
            @RequestParam int base,
            @RequestParam Map<String, String> fields,
            Model model) {
        if (what.equals("undo") || what.equals("redo")) {
            service.bringBack(slug, base, what);
        } else {
            service.apply(slug, base, what, fields);
        }
        return page(slug, model);
    }

    @PostMapping("/circuits/{slug}/keep-both/{what}")
    @ResponseBody
    Map<String, String> keepBoth(
            @PathVariable String slug,
            @PathVariable String what,
            @RequestParam int base,
            @RequestParam Map<String, String> fields) {
        return Map.of("slug", service.copyWith(slug, base, what, fields));
    }

    /** Why a change can't be made. */
    record Refusal(List<Problem> problems) {}

    /** What has been changed since, in words. */
    record Stale(int newest, List<String> since) {}

    @ExceptionHandler
    ResponseEntity<Refusal> malformed(MalformedException e) {
        return json(HttpStatus.BAD_REQUEST, new Refusal(e.problems()));
    }

    @ExceptionHandler
    ResponseEntity<Stale> stale(EditService.StaleException e) {
        return json(
                HttpStatus.CONFLICT,
                new Stale(
                        e.row().revision(),
                        e.since().stream()
                                .map(l -> l.kind() == CircuitDiff.Kind.CHANGED
                                        ? l.words()
                                        : l.kind().name().toLowerCase(Locale.ROOT) + " " + l.words())
                                .toList()));
    }

    /** For the page's script, whatever its browser says that it takes. */
    private static <T> ResponseEntity<T> json(HttpStatus status, T body) {
        return ResponseEntity.status(status)
                .contentType(MediaType.APPLICATION_JSON)
                .body(body);
    }
}
