package org.jagridge.web.records;

import java.io.IOException;
import java.util.List;
import java.util.UUID;
import org.jagridge.core.format.MalformedException;
import org.jagridge.core.meter.CheckSheet;
import org.jagridge.web.circuits.CircuitRepository;
import org.jagridge.web.circuits.CircuitStore;
import org.jagridge.web.circuits.NotFoundException;
import org.jagridge.web.circuits.Uploads;
import org.jagridge.web.export.Downloads;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.servlet.ModelAndView;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** One record: the sheet to fill in, its readings live, and as a file. */
@Controller
class RecordController {
    private final RecordService service;
    private final RecordRepository records;
    private final RecordStreams streams;
    private final CircuitRepository circuits;
    private final CircuitStore store;

    RecordController(
            RecordService service,
            RecordRepository records,
            RecordStreams streams,
            CircuitRepository circuits,
            CircuitStore store) {
        this.service = service;
        this.records = records;
        this.streams = streams;
        this.circuits = circuits;
        this.store = store;
    }

    @GetMapping("/records/{id}")
    String record(
            @PathVariable UUID id,
            @RequestParam(required = false) Integer brought,
            @RequestParam(defaultValue = "0") int changed,
            Model model) {
        model.addAttribute("brought", brought);
        model.addAttribute("changed", changed);
        RecordRepository.Row row = service.require(id);
        model.addAttribute("record", row);
        model.addAttribute(
                "sheet",
                SheetView.of(
                        service.sheet(row), store.revision(row.revisionId()).circuit()));
        model.addAttribute(
                "others",
                records.ofCircuit(row.slug()).stream()
                        .filter(r -> !r.id().equals(id) && r.isOfTheSheetOf(row))
                        .toList());
        return "records/record";
    }

    /** Two records of one sheet beside each other, the earlier as before and the later as after. */
    @GetMapping("/records/{id}/after/{later}")
    String beforeAfter(@PathVariable UUID id, @PathVariable UUID later, Model model) {
        RecordRepository.Row before = service.require(id);
        RecordRepository.Row after = service.require(later);
        if (!before.isOfTheSheetOf(after)) {
            throw new NotFoundException("These two records are of two sheets; only those of one can be compared.");
        }
        if (after.startedAt().isBefore(before.startedAt())) {
            return "redirect:/records/" + later + "/after/" + id;
        }
        BeforeAfter.Side now = side(after);
        model.addAttribute("before", before);
        model.addAttribute("after", after);
        model.addAttribute("sheet", now.sheet());
        model.addAttribute("compared", BeforeAfter.of(side(before), now));
        return "records/before-after";
    }

    private BeforeAfter.Side side(RecordRepository.Row row) {
        return new BeforeAfter.Side(
                SheetView.of(
                        service.sheet(row), store.revision(row.revisionId()).circuit()),
                service.shown(row));
    }

    /** Begins another record of the same sheet, at the circuit's newest revision. */
    @PostMapping("/records/{id}/again")
    String again(
            @PathVariable UUID id,
            @RequestParam(defaultValue = "") String who,
            @RequestParam(defaultValue = "") String instrument,
            @RequestParam(defaultValue = "") String conditions) {
        RecordRepository.Row row = service.require(id);
        UUID again = service.begin(
                circuits.require(row.slug()).revisionId(),
                row.scenario(),
                row.loadKey(),
                CheckSheet.School.valueOf(row.school()),
                RecordService.Heading.within(who, instrument, conditions));
        return "redirect:/records/" + again;
    }

    /** What the page shows beside the sheet. */
    record State(List<RecordService.Shown> readings, List<RecordRepository.Notice> notices) {}

    @GetMapping("/records/{id}/state")
    @ResponseBody
    State state(@PathVariable UUID id) {
        return new State(service.shown(service.require(id)), records.notices(id));
    }

    /** What the lines measured so far prove together, as plain text. */
    @GetMapping(path = "/records/{id}/proof", produces = MediaType.TEXT_PLAIN_VALUE + ";charset=UTF-8")
    @ResponseBody
    String proof(@PathVariable UUID id) {
        return service.proof(service.require(id));
    }

    @PostMapping("/records/{id}/readings")
    @ResponseBody
    RecordService.Outcome readings(@PathVariable UUID id, @RequestBody List<RecordService.Incoming> readings) {
        return service.typed(id, readings);
    }

    @GetMapping(path = "/records/{id}/events", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
    SseEmitter events(@PathVariable UUID id) throws IOException {
        return streams.listen(service.require(id).id());
    }

    @GetMapping("/records/{id}/readings.csv")
    ResponseEntity<byte[]> csv(@PathVariable UUID id) {
        RecordRepository.Row row = service.require(id);
        return Downloads.csv(
                row.slug() + "-readings.csv", ReadingsCsv.table(row, records.readings(id), service.lines(row)));
    }

    @GetMapping("/records/{id}/sheet.csv")
    ResponseEntity<byte[]> blank(@PathVariable UUID id) {
        RecordRepository.Row row = service.require(id);
        return Downloads.csv(
                row.slug() + "-sheet.csv",
                ReadingsCsv.blank(row, service.lines(row).values()));
    }

    @PostMapping("/records/{id}/readings.csv")
    ModelAndView readIn(@PathVariable UUID id, @RequestParam MultipartFile file, Model model) throws IOException {
        try {
            RecordRepository.Stored stored = service.readIn(id, Uploads.bytes(file));
            return new ModelAndView(
                    "redirect:/records/" + id + "?brought=" + stored.added() + "&changed=" + stored.changed());
        } catch (MalformedException e) {
            record(id, null, 0, model);
            model.addAttribute("problems", e.problems());
            return new ModelAndView("records/record", model.asMap(), HttpStatus.BAD_REQUEST);
        }
    }
}
