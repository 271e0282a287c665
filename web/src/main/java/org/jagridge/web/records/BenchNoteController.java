package org.jagridge.web.records;

import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import java.util.stream.Stream;
import org.jagridge.core.meter.CheckSheet;
import org.jagridge.web.bench.BenchService;
import org.jagridge.web.circuits.NotFoundException;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** Puts what a bench's meter shows into a record that has a line for it. */
@Controller
class BenchNoteController {
    private static final int NEWEST = 12;

    private final BenchService benches;
    private final RecordRepository records;
    private final RecordService service;

    BenchNoteController(BenchService benches, RecordRepository records, RecordService service) {
        this.benches = benches;
        this.records = records;
        this.service = service;
    }

    /** A record with a line for the reading. */
    record Choice(RecordRepository.Row row, CheckSheet.Line line) {}

    @GetMapping("/bench/{id}/note")
    String page(@PathVariable long id, @RequestParam long s, @RequestParam double t, Model model) {
        BenchService.Measured measured = benches.measured(id, s, t);
        model.addAttribute("measured", measured);
        model.addAttribute("choices", Double.isNaN(measured.value()) ? List.of() : choices(measured));
        model.addAttribute("bench", "/bench/" + id + "?s=" + s + "&t=" + t);
        model.addAttribute("action", "/bench/" + id + "/note?s=" + s + "&t=" + t);
        return "records/note";
    }

    private List<Choice> choices(BenchService.Measured measured) {
        return records.ofCircuit(measured.slug()).stream()
                .limit(NEWEST)
                .flatMap(row -> {
                    Map<String, CheckSheet.Line> lines = service.lines(row);
                    return Stream.of(measured.key(), measured.turnedKey())
                            .map(lines::get)
                            .filter(Objects::nonNull)
                            .limit(1)
                            .map(line -> new Choice(row, line));
                })
                .toList();
    }

    @PostMapping("/bench/{id}/note")
    String put(@PathVariable long id, @RequestParam long s, @RequestParam double t, @RequestParam UUID record) {
        BenchService.Measured measured = benches.measured(id, s, t);
        Choice choice = choices(measured).stream()
                .filter(c -> c.row().id().equals(record))
                .findFirst()
                .orElseThrow(() -> new NotFoundException("That record has no line for this reading."));
        service.fromBench(record, choice.line().key(), measured.value());
        return "redirect:/records/" + record;
    }
}
