package org.jagridge.web.records;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jagridge.core.meter.CheckSheet;
import org.jagridge.web.export.Downloads;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseBody;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** One record: the sheet to fill in, its readings live, and as a file. */
@Controller
class RecordController {
    private final RecordService service;
    private final RecordRepository records;

    RecordController(RecordService service, RecordRepository records) {
        this.service = service;
        this.records = records;
    }

    @GetMapping("/records/{id}")
    String record(@PathVariable UUID id, Model model) {
        RecordRepository.Row row = service.require(id);
        model.addAttribute("record", row);
        model.addAttribute("sheet", SheetView.of(service.plan(row)));
        return "records/record";
    }

    /** What the page shows beside the sheet. */
    record State(List<RecordService.Shown> readings, List<RecordRepository.Notice> notices) {}

    @GetMapping("/records/{id}/state")
    @ResponseBody
    State state(@PathVariable UUID id) {
        return new State(service.shown(service.require(id)), records.notices(id));
    }

    @PostMapping("/records/{id}/readings")
    @ResponseBody
    RecordService.Outcome readings(@PathVariable UUID id, @RequestBody List<RecordService.Incoming> readings) {
        return service.typed(id, readings);
    }

    @GetMapping(path = "/records/{id}/events", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
    SseEmitter events(@PathVariable UUID id) {
        return service.listen(id);
    }

    @GetMapping("/records/{id}/readings.csv")
    ResponseEntity<byte[]> csv(@PathVariable UUID id) {
        RecordRepository.Row row = service.require(id);
        Map<String, CheckSheet.Line> lines = new HashMap<>();
        service.plan(row).sheet().lines().forEach(l -> lines.put(l.key(), l));
        List<List<String>> table = new ArrayList<>();
        table.add(
                List.of("taken_at", "line", "value", "unit", "expected", "low", "high", "sender", "instrument", "id"));
        for (RecordRepository.Reading r : records.readings(id)) {
            CheckSheet.Line l = lines.get(r.line());
            table.add(List.of(
                    r.takenAt().toString(),
                    r.line(),
                    String.valueOf(r.amount()),
                    r.unit(),
                    String.valueOf(l.expected()),
                    String.valueOf(l.low()),
                    String.valueOf(l.high()),
                    r.sender(),
                    row.instrument(),
                    r.id().toString()));
        }
        return Downloads.csv(row.slug() + "-readings.csv", table);
    }
}
