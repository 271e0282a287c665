package org.jagridge.web.sequence;

import java.util.List;
import java.util.Map;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Problem;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.edit.CircuitDiff;
import org.jagridge.core.edit.Sentences;
import org.jagridge.core.format.MalformedException;
import org.jagridge.core.run.Run;
import org.jagridge.core.run.RunLimitException;
import org.jagridge.core.trace.Sequence;
import org.jagridge.web.circuits.CircuitRepository;
import org.jagridge.web.circuits.CircuitRepository.Row;
import org.jagridge.web.circuits.CircuitStore;
import org.jagridge.web.edit.EditService;
import org.jagridge.web.edit.SentenceForm;
import org.jagridge.web.svg.Clock;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;

/** The scenario editor: what is set at what time, in sentences, with the sequence that follows beside it. */
@Controller
class ScenarioController {
    private static final String PAGE = "sequence/scenario";

    private final CircuitRepository circuits;
    private final CircuitStore store;
    private final Told told;
    private final EditService edits;

    ScenarioController(CircuitRepository circuits, CircuitStore store, Told told, EditService edits) {
        this.circuits = circuits;
        this.store = store;
        this.told = told;
        this.edits = edits;
    }

    @GetMapping("/circuits/{slug}/scenario")
    String page(@PathVariable String slug, @RequestParam(name = "run", required = false) String key, Model model) {
        Row row = circuits.require(slug);
        List<Told.Choice> choices = told.choices(row.revisionId());
        Integer own = key == null ? null : Told.ownIndex(key);
        String chosen = key == null && !choices.isEmpty() ? Told.first(choices) : key;
        Scenario scenario = chosen == null ? Scenario.quiet(60) : told.scenario(row.revisionId(), chosen);
        String name = own == null ? freeName(scenario.name(), circuit(row)) : scenario.name();
        Sentences s = Sentences.of(scenario);
        fill(model, row, choices, own, new Sentences(name, s.acts(), s.defects(), s.until()));
        model.addAttribute("told", ToldView.of(told.run(row.revisionId(), scenario, null)));
        return PAGE;
    }

    /** A preset's name is taken by the preset; what is made of it gets one of its own. */
    private static String freeName(String name, Circuit circuit) {
        String free = name + ", changed";
        for (int n = 2; taken(free, circuit); n++) {
            free = name + ", changed " + n;
        }
        return free;
    }

    private static boolean taken(String name, Circuit circuit) {
        return circuit.scenarios().stream().anyMatch(s -> s.name().equals(name));
    }

    private Circuit circuit(Row row) {
        return store.revision(row.revisionId()).circuit();
    }

    private void fill(Model model, Row row, List<Told.Choice> choices, Integer own, Sentences sentences) {
        model.addAttribute("circuit", row);
        model.addAttribute("choices", choices);
        model.addAttribute("own", own);
        model.addAttribute("s", ScenarioView.of(circuit(row), sentences));
    }

    /** What would follow from the sentences as they stand, or what is wrong with them. */
    @PostMapping("/circuits/{slug}/scenario/preview")
    String preview(@PathVariable String slug, @RequestParam Map<String, String> fields, Model model) {
        Row row = circuits.require(slug);
        try {
            Scenario scenario = SentenceForm.read(fields, circuit(row));
            model.addAttribute("told", ToldView.of(told.run(row.revisionId(), scenario, null)));
        } catch (MalformedException e) {
            model.addAttribute("problems", e.problems());
        } catch (RunLimitException e) {
            model.addAttribute("problems", List.of(new Problem("/until", e.getMessage())));
        }
        return PAGE + " :: preview";
    }

    @PostMapping("/circuits/{slug}/scenario")
    ModelAndView save(
            @PathVariable String slug, @RequestParam int base, @RequestParam Map<String, String> fields, Model model) {
        try {
            // one that goes over the limits couldn't be opened again
            Row row = circuits.require(slug);
            told.run(row.revisionId(), SentenceForm.read(fields, circuit(row)), null);
            edits.apply(slug, base, "scenario", fields);
        } catch (RunLimitException e) {
            return again(
                    slug,
                    fields,
                    List.of(new Problem("/until", "this isn't saved: " + e.getMessage())),
                    model,
                    HttpStatus.BAD_REQUEST);
        } catch (MalformedException e) {
            return again(slug, fields, e.problems(), model, HttpStatus.BAD_REQUEST);
        } catch (EditService.StaleException e) {
            List<Problem> since = e.since().stream()
                    .map(CircuitDiff.Line::words)
                    .map(w ->
                            new Problem("", "the circuit has been changed meanwhile: " + w + "; look, and save again"))
                    .toList();
            return again(slug, fields, since, model, HttpStatus.CONFLICT);
        }
        List<Scenario> own = circuit(circuits.require(slug)).scenarios();
        String name = fields.getOrDefault("name", "").strip();
        int index = 0;
        while (index < own.size() - 1 && !own.get(index).name().equals(name)) {
            index++;
        }
        return new ModelAndView("redirect:/circuits/" + slug + "/sequence?run=" + Told.own(index) + "&saved=" + slug
                + "/" + (fields.getOrDefault("old", "").matches("\\d{1,4}") ? fields.get("old") : "null"));
    }

    /** The form as it was sent, with what is wrong; nothing that was typed is lost. */
    private ModelAndView again(
            String slug, Map<String, String> fields, List<Problem> problems, Model model, HttpStatus status) {
        Row row = circuits.require(slug);
        String old = fields.getOrDefault("old", "");
        fill(
                model,
                row,
                told.choices(row.revisionId()),
                old.matches("\\d{1,4}") ? Integer.valueOf(old) : null,
                SentenceForm.of(fields));
        model.addAttribute("problems", problems);
        return new ModelAndView(PAGE, model.asMap(), status);
    }

    @PostMapping("/circuits/{slug}/scenario/remove")
    String remove(@PathVariable String slug, @RequestParam int base, @RequestParam Map<String, String> fields) {
        edits.apply(slug, base, "remove-scenario", fields);
        return "redirect:/circuits/" + slug + "/sequence?undo=" + (base + 1);
    }

    /** Puts back what was just removed. */
    @PostMapping("/circuits/{slug}/scenario/undo")
    String undo(@PathVariable String slug, @RequestParam int base) {
        edits.bringBack(slug, base, "undo");
        return "redirect:/circuits/" + slug + "/sequence";
    }

    /** The sequence in its shortest form. */
    record ToldView(List<Chapter> chapters, List<String> problems) {
        /** More chapters than this leave out those that tell what was told before. */
        private static final int ALL_SHOWN = 12;

        /** @param like the time of the chapter that told the same, or empty */
        record Chapter(String title, String like, List<Line> steps) {}

        record Line(String time, String title, String part) {}

        static ToldView of(Run run) {
            List<Sequence.Group> told = Sequence.of(run);
            return new ToldView(
                    told.stream()
                            .filter(g -> g.like() < 0 || told.size() <= ALL_SHOWN)
                            .map(g -> new Chapter(
                                    Clock.of(g.micros()) + " " + g.title(),
                                    g.like() < 0
                                            ? ""
                                            : Clock.of(told.get(g.like()).micros()),
                                    (g.like() < 0 ? g.steps() : List.<Sequence.Step>of())
                                            .stream()
                                                    .map(s -> new Line(Clock.of(s.micros()), s.title(), s.part()))
                                                    .toList()))
                            .toList(),
                    run.problems().stream().map(p -> p.message()).toList());
        }
    }
}
