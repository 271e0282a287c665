package org.jagridge.web.records;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Problem;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.edit.Edits;
import org.jagridge.core.format.MalformedException;
import org.jagridge.core.found.AsFound;
import org.jagridge.core.found.Tracing;
import org.jagridge.web.circuits.CircuitRepository;
import org.jagridge.web.circuits.CircuitRepository.Row;
import org.jagridge.web.circuits.CircuitStore;
import org.jagridge.web.circuits.NotFoundException;
import org.jagridge.web.circuits.Texts;
import org.jagridge.web.edit.EditService;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;

/** Tracing wires with a meter where there is no drawing, one proposal after the other. */
@Controller
class TracingController {
    private static final String START = "records/tracings";
    private static final int MOST_ENDS = 150;

    private final CircuitRepository circuits;
    private final CircuitStore store;
    private final TracingRepository tracings;
    private final AsFoundRepository found;
    private final EditService edits;

    TracingController(
            CircuitRepository circuits,
            CircuitStore store,
            TracingRepository tracings,
            AsFoundRepository found,
            EditService edits) {
        this.circuits = circuits;
        this.store = store;
        this.tracings = tracings;
        this.found = found;
        this.edits = edits;
    }

    @GetMapping("/circuits/{slug}/tracing")
    String start(@PathVariable String slug, Model model) {
        Row row = circuits.require(slug);
        try {
            fill(model, row, openRows(row), "");
        } catch (MalformedException e) {
            // parts have gone or have other names since
            fill(model, row, "", "");
            model.addAttribute("unread", e.problems().get(0).message());
        }
        return START;
    }

    private void fill(Model model, Row row, String body, String who) {
        model.addAttribute("circuit", row);
        model.addAttribute("body", body);
        model.addAttribute("who", who);
        model.addAttribute("tracings", tracings.ofCircuit(row.id()));
    }

    /** What the newest record of the wiring as found says that nobody knows. */
    private String openRows(Row row) {
        return asFound(row).open().stream().map(e -> e.at() + ", " + e.colour()).collect(Collectors.joining("\n"));
    }

    /**
     * The newest record of the wiring as found; an empty one where there is none.
     *
     * @throws MalformedException where the circuit has lost what it names
     */
    private AsFound asFound(Row row) {
        return found.ofCircuit(row.id()).stream()
                .findFirst()
                .map(f -> AsFound.read(f.body(), circuit(row)))
                .orElse(new AsFound(List.of()));
    }

    private Circuit circuit(Row row) {
        return store.revision(row.revisionId()).circuit();
    }

    @PostMapping("/circuits/{slug}/tracing")
    ModelAndView begin(
            @PathVariable String slug,
            @RequestParam(defaultValue = "") String who,
            @RequestParam(defaultValue = "") String body,
            Model model) {
        Row row = circuits.require(slug);
        try {
            List<Tracing.End> ends = AsFound.read(body, circuit(row)).open();
            if (ends.size() < 2 || ends.size() > MOST_ENDS) {
                throw new MalformedException(List.of(new Problem(
                        "",
                        ends.size() < 2
                                ? "tracing needs two ends at least; list those at the other places too, one a line: terminal, colour"
                                : "these are " + ends.size() + " ends; trace at most " + MOST_ENDS
                                        + " at a time, cable by cable")));
            }
            String text = ends.stream().map(e -> e.at() + "," + e.colour()).collect(Collectors.joining("\n"));
            return new ModelAndView(
                    "redirect:/tracings/" + tracings.add(row.id(), Texts.within(who, 120, "The name"), text));
        } catch (MalformedException e) {
            fill(model, row, body, who);
            model.addAttribute("problems", e.problems());
            return new ModelAndView(START, model.asMap(), HttpStatus.BAD_REQUEST);
        }
    }

    @GetMapping("/tracings/{id}")
    String page(@PathVariable long id, Model model) {
        TracingRepository.Row row = require(id);
        model.addAttribute("circuit", circuitOf(row));
        model.addAttribute("row", row);
        model.addAttribute("tracing", TracingView.of(tracing(row)));
        return "records/tracing";
    }

    private TracingRepository.Row require(long id) {
        return tracings.find(id).orElseThrow(() -> new NotFoundException("There is no tracing " + id + "."));
    }

    private Row circuitOf(TracingRepository.Row row) {
        return circuits.find(row.circuitId())
                .orElseThrow(() -> new NotFoundException("The circuit of this tracing has been removed."));
    }

    private Tracing tracing(TracingRepository.Row row) {
        List<Tracing.End> ends = row.ends()
                .lines()
                .map(line -> line.split(",", 2))
                .map(cells -> new Tracing.End(Terminal.parse(cells[0]), cells[1]))
                .toList();
        return new Tracing(ends, tracings.rounds(row.id()));
    }

    /**
     * Notes what beeped.
     *
     * @param round how many rounds there were when the page was made; what is noted for another one is not taken
     */
    @PostMapping("/tracings/{id}/rounds")
    String note(
            @PathVariable long id,
            @RequestParam int round,
            @RequestParam(defaultValue = "") Set<Integer> beeped,
            Model model) {
        Tracing tracing = tracing(require(id));
        Tracing.Proposal next = tracing.next().orElse(null);
        boolean isNext = next != null && tracing.rounds().size() == round;
        if (isNext && !next.touch().containsAll(beeped)) {
            throw new NotFoundException("Only what was touched can have beeped.");
        }
        if (!isNext || !tracings.addRound(id, next.noted(beeped), round)) {
            model.addAttribute(
                    "problem", "This round was noted already, perhaps on another screen. Here is the next one.");
            return page(id, model);
        }
        return "redirect:/tracings/" + id;
    }

    @PostMapping("/tracings/{id}/back")
    String back(@PathVariable long id) {
        tracings.takeBack(require(id).id());
        return "redirect:/tracings/" + id;
    }

    /** Makes what was traced the drawing, as a new revision. */
    @PostMapping("/tracings/{id}/take")
    String take(@PathVariable long id, @RequestParam int base) {
        TracingRepository.Row row = require(id);
        String slug = circuitOf(row).slug();
        edits.change(slug, base, c -> Edits.traced(tracing(row)));
        return "redirect:/circuits/" + slug + "/edit";
    }

    /** Writes what was traced into the record of the wiring as found. */
    @PostMapping("/tracings/{id}/as-found")
    String write(@PathVariable long id, Model model) {
        TracingRepository.Row row = require(id);
        Row circuit = circuitOf(row);
        try {
            found.add(
                    circuit.id(), row.who(), asFound(circuit).with(tracing(row)).text());
        } catch (MalformedException e) {
            model.addAttribute(
                    "problem",
                    "The newest as-found record does not fit the circuit any more, so nothing was added to it: "
                            + e.problems().get(0).message() + ". Save one that fits first; this tracing stays here.");
            return page(id, model);
        }
        return "redirect:/circuits/" + circuit.slug() + "/as-found";
    }
}
