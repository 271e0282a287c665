package org.jagridge.web.sequence;

import java.util.List;
import org.jagridge.core.drawing.Timing;
import org.jagridge.core.format.RunFiles;
import org.jagridge.core.run.Run;
import org.jagridge.web.circuits.CircuitRepository;
import org.jagridge.web.circuits.CircuitRepository.Row;
import org.jagridge.web.circuits.CircuitStore;
import org.jagridge.web.export.Downloads;
import org.jagridge.web.settings.Settings;
import org.jagridge.web.svg.StandAlone;
import org.jagridge.web.svg.TimingSvg;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestParam;
import tools.jackson.databind.json.JsonMapper;

/** The sequence of operation of a stored circuit, and its run as a file. */
@Controller
class SequenceController {
    private final CircuitRepository circuits;
    private final CircuitStore store;
    private final Told told;
    private final Settings settings;
    private final JsonMapper json;

    SequenceController(CircuitRepository circuits, CircuitStore store, Told told, Settings settings, JsonMapper json) {
        this.circuits = circuits;
        this.store = store;
        this.told = told;
        this.settings = settings;
        this.json = json;
    }

    @GetMapping("/circuits/{slug}/sequence")
    String sequence(
            @PathVariable String slug,
            @RequestParam(name = "run", required = false) String key,
            @RequestParam(required = false) Integer fault,
            @RequestParam(required = false) Double t,
            @RequestParam(defaultValue = "false") boolean taught,
            @RequestParam(required = false) String only,
            @RequestParam(required = false) Integer zoom,
            @RequestHeader(name = "HX-Request", required = false) String partial,
            Model model) {
        Row row = circuits.require(slug);
        List<Told.Choice> choices = told.choices(row.revisionId());
        model.addAttribute("circuit", row);
        model.addAttribute("choices", choices);
        if (choices.isEmpty()) {
            return "sequence/none";
        }
        Ask ask = Ask.of(slug, key == null ? Told.first(choices) : key, fault, t, taught, only, zoom);
        Run run = told.run(row.revisionId(), ask.key(), fault);
        model.addAttribute(
                "scenario", told.scenario(row.revisionId(), ask.key()).name());
        model.addAttribute("s", SequenceView.of(store.revision(row.revisionId()), run, ask, settings.look(), json));
        if (partial != null) {
            model.addAttribute("oob", true);
            return "sequence/changes";
        }
        return "sequence/sequence";
    }

    @GetMapping("/circuits/{slug}/timing.svg")
    ResponseEntity<byte[]> timing(
            @PathVariable String slug,
            @RequestParam("run") String key,
            @RequestParam(required = false) Integer fault,
            @RequestParam(defaultValue = "0") double t,
            @RequestParam(required = false) String only,
            @RequestParam(required = false) Integer zoom) {
        Ask ask = Ask.of(slug, key, fault, t, false, only, zoom);
        Run run = told.run(circuits.require(slug).revisionId(), key, fault);
        long cursor = Math.min(run.until(), Math.max(0, ask.at()));
        Timing timing = ChartView.timing(ask, run, cursor);
        return Downloads.svg(
                slug + "-" + key + "-timing.svg", TimingSvg.whole(timing, run, cursor, StandAlone.style()));
    }

    @GetMapping("/circuits/{slug}/run.vcd")
    ResponseEntity<byte[]> vcd(
            @PathVariable String slug, @RequestParam("run") String key, @RequestParam(required = false) Integer fault) {
        Row row = circuits.require(slug);
        return Downloads.file(
                slug + "-" + key + ".vcd",
                MediaType.parseMediaType("text/plain;charset=UTF-8"),
                RunFiles.vcd(told.run(row.revisionId(), key, fault)));
    }

    @GetMapping("/circuits/{slug}/run.csv")
    ResponseEntity<byte[]> csv(
            @PathVariable String slug, @RequestParam("run") String key, @RequestParam(required = false) Integer fault) {
        Row row = circuits.require(slug);
        return Downloads.csv(slug + "-" + key + ".csv", RunFiles.csv(told.run(row.revisionId(), key, fault)));
    }
}
