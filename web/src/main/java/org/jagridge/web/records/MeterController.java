package org.jagridge.web.records;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.format.CircuitWriter;
import org.jagridge.core.format.JsonText;
import org.jagridge.core.meter.Request;
import org.jagridge.core.part.Time;
import org.jagridge.web.circuits.CircuitStore;
import org.jagridge.web.circuits.NotFoundException;
import org.jagridge.web.sequence.Told;
import org.springframework.http.HttpStatus;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** Where the bridge of a logging meter gets the sheet that it measures, and sends its readings to. */
@RestController
class MeterController {
    private final RecordService service;
    private final CircuitStore store;
    private final Told told;

    MeterController(RecordService service, CircuitStore store, Told told) {
        this.service = service;
        this.store = store;
        this.told = told;
    }

    /** @param sender the meter's own name */
    record Sent(String sender, List<RecordService.Incoming> readings) {}

    /** The circuit, the call, the instant and the lines of the record that a code names. */
    @GetMapping(path = "/api/v1/meters/{code}", produces = "application/json")
    String sheet(@PathVariable String code) {
        RecordRepository.Row row = service.paired(code, "a meter");
        KeptSheet kept = service.sheet(row);
        Scenario scenario = told.scenario(row.revisionId(), row.scenario());
        List<Map<String, Object>> lines = new ArrayList<>();
        kept.sheet().lines().forEach(l -> {
            Request r = l.request();
            Map<String, Object> m = new LinkedHashMap<>();
            m.put("line", l.key());
            m.put("mode", r.mode().word());
            m.put("plus", r.plus() == null ? "" : r.plus().toString());
            m.put("minus", r.minus() == null ? "" : r.minus().toString());
            m.put("wire", r.wire() == null ? "" : r.wire());
            m.put("unit", l.unit());
            lines.add(m);
        });
        Map<String, Object> sheet = new LinkedHashMap<>();
        sheet.put(
                "circuit",
                JsonText.plainValue(
                        CircuitWriter.write(store.revision(row.revisionId()).circuit())));
        sheet.put("scenario", CircuitWriter.scenario(scenario));
        sheet.put("atSeconds", Time.seconds(kept.micros()));
        sheet.put("lines", lines);
        return JsonText.write(sheet);
    }

    @PostMapping("/api/v1/meters/{code}/readings")
    RecordService.Outcome readings(@PathVariable String code, @RequestBody Sent sent) {
        String sender = sent.sender() == null || sent.sender().isBlank()
                ? "meter"
                : sent.sender().strip();
        return service.sent(
                code,
                sender.length() > 100 ? sender.substring(0, 100) : sender,
                sent.readings() == null ? List.of() : sent.readings());
    }

    @ExceptionHandler
    ProblemDetail unknown(NotFoundException e) {
        return ProblemDetail.forStatusAndDetail(HttpStatus.NOT_FOUND, e.getMessage());
    }

    @ExceptionHandler
    ResponseEntity<ProblemDetail> flood(RecordService.FloodException e) {
        return ResponseEntity.status(HttpStatus.TOO_MANY_REQUESTS)
                .header("Retry-After", "1")
                .body(ProblemDetail.forStatusAndDetail(HttpStatus.TOO_MANY_REQUESTS, e.getMessage()));
    }
}
