package org.jagridge.web.sequence;

import java.nio.charset.StandardCharsets;
import java.util.List;
import org.jagridge.core.edit.CircuitDiff;
import org.jagridge.core.format.RunFiles;
import org.jagridge.core.meter.Walk;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Time;
import org.jagridge.core.run.Run;
import org.jagridge.core.trace.ModeTable;
import org.jagridge.web.circuits.CircuitRepository;
import org.jagridge.web.circuits.CircuitRepository.Revision;
import org.jagridge.web.circuits.CircuitRepository.Row;
import org.jagridge.web.circuits.CircuitStore;
import org.jagridge.web.circuits.CircuitStore.Drawn;
import org.jagridge.web.circuits.NotFoundException;
import org.jagridge.web.settings.Settings;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestParam;

/** Sequence, mode table and comparison of a stored circuit. */
@Controller
class SequenceController {
    private final CircuitRepository circuits;
    private final CircuitStore store;
    private final Told told;
    private final Settings settings;

    SequenceController(CircuitRepository circuits, CircuitStore store, Told told, Settings settings) {
        this.circuits = circuits;
        this.store = store;
        this.told = told;
        this.settings = settings;
    }

    @GetMapping("/circuits/{slug}/sequence")
    String sequence(
            @PathVariable String slug,
            @RequestParam(name = "run", required = false) String key,
            @RequestParam(required = false) Integer fault,
            @RequestParam(required = false) Double t,
            @RequestParam(defaultValue = "false") boolean taught,
            @RequestHeader(name = "HX-Request", required = false) String partial,
            Model model) {
        Row row = circuits.require(slug);
        Drawn drawn = store.revision(row.revisionId());
        List<Told.Choice> choices = Told.choices(drawn);
        model.addAttribute("circuit", row);
        model.addAttribute("choices", choices);
        if (choices.isEmpty()) {
            return "sequence/none";
        }
        String chosen = key == null ? first(choices) : key;
        Run run = told.run(row.revisionId(), chosen, fault);
        model.addAttribute(
                "s",
                SequenceView.of(
                        row, drawn, run, chosen, fault, t == null ? null : Time.micros(t), taught, settings.look()));
        return partial == null ? "sequence/sequence" : "sequence/sequence :: told";
    }

    /** Heating where there is some: the longest story. */
    private static String first(List<Told.Choice> choices) {
        return choices.stream()
                .map(Told.Choice::key)
                .filter(k -> k.endsWith("-heat"))
                .findFirst()
                .orElse(choices.get(0).key());
    }

    @GetMapping("/circuits/{slug}/modes")
    String modes(@PathVariable String slug, Model model) {
        Row row = circuits.require(slug);
        Drawn drawn = store.revision(row.revisionId());
        model.addAttribute("circuit", row);
        model.addAttribute("parts", drawn.circuit());
        model.addAttribute("table", ModesView.of(ModeTable.of(drawn.circuit()), drawn.circuit()));
        return "sequence/modes";
    }

    @GetMapping("/circuits/{slug}/modes.csv")
    ResponseEntity<byte[]> modesCsv(@PathVariable String slug) {
        Row row = circuits.require(slug);
        Drawn drawn = store.revision(row.revisionId());
        return file(
                slug + "-modes.csv",
                "text/csv",
                "\uFEFF"
                        + ModesView.of(ModeTable.of(drawn.circuit()), drawn.circuit())
                                .csv());
    }

    @GetMapping("/circuits/{slug}/run.vcd")
    ResponseEntity<byte[]> vcd(
            @PathVariable String slug, @RequestParam("run") String key, @RequestParam(required = false) Integer fault) {
        Row row = circuits.require(slug);
        return file(slug + "-" + key + ".vcd", "text/plain", RunFiles.vcd(told.run(row.revisionId(), key, fault)));
    }

    @GetMapping("/circuits/{slug}/run.csv")
    ResponseEntity<byte[]> csv(
            @PathVariable String slug, @RequestParam("run") String key, @RequestParam(required = false) Integer fault) {
        Row row = circuits.require(slug);
        return file(
                slug + "-" + key + ".csv", "text/csv", "\uFEFF" + RunFiles.csv(told.run(row.revisionId(), key, fault)));
    }

    private static ResponseEntity<byte[]> file(String name, String type, String text) {
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType(type + ";charset=UTF-8"))
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment().filename(name).build().toString())
                .body(text.getBytes(StandardCharsets.UTF_8));
    }

    @GetMapping("/circuits/{slug}/volts")
    String volts(
            @PathVariable String slug,
            @RequestParam(name = "run", required = false) String key,
            @RequestParam(required = false) String load,
            Model model) {
        Row row = circuits.require(slug);
        Drawn drawn = store.revision(row.revisionId());
        List<Told.Choice> choices = Told.choices(drawn);
        List<Branch> loads = Walk.loads(drawn.assembly());
        model.addAttribute("circuit", row);
        model.addAttribute("choices", choices);
        if (choices.isEmpty() || loads.isEmpty()) {
            return "sequence/none";
        }
        String chosen = key == null ? first(choices) : key;
        Branch walked = load == null
                ? loads.get(0)
                : loads.stream()
                        .filter(b -> Walk.key(b).equals(load))
                        .findFirst()
                        .orElseThrow(() -> new NotFoundException("There is no load \"" + load + "\"."));
        model.addAttribute("v", VoltsView.of(told.run(row.revisionId(), chosen, null), chosen, walked, loads));
        return "sequence/volts";
    }

    @GetMapping("/circuits/{slug}/compare")
    String compare(
            @PathVariable String slug,
            @RequestParam(name = "run", required = false) String key,
            @RequestParam(required = false) Integer fault,
            @RequestParam(required = false) Integer from,
            Model model) {
        Row row = circuits.require(slug);
        Drawn now = store.revision(row.revisionId());
        List<Revision> revisions = circuits.revisions(row.id());
        int older = from == null ? row.revision() : from;
        long olderId = revisions.stream()
                .filter(r -> r.number() == older)
                .map(Revision::id)
                .findFirst()
                .orElseThrow(() -> new NotFoundException("There is no revision " + older + "."));
        Drawn then = store.revision(olderId);
        List<Told.Choice> choices = Told.choices(now);
        model.addAttribute("circuit", row);
        model.addAttribute("choices", choices);
        if (choices.isEmpty()) {
            return "sequence/none";
        }
        String chosen = key == null ? first(choices) : key;
        Run before = told.run(olderId, chosen, null);
        Run after = told.run(row.revisionId(), chosen, fault);
        model.addAttribute("revisions", revisions);
        model.addAttribute("faults", now.faults());
        model.addAttribute("c", CompareView.of(before, after, chosen, fault, older, row.revision()));
        model.addAttribute("wiring", CircuitDiff.between(then.circuit(), now.circuit()));
        return "sequence/compare";
    }
}
