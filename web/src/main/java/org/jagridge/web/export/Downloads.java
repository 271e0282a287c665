package org.jagridge.web.export;

import java.nio.charset.StandardCharsets;
import java.util.List;
import org.jagridge.core.format.CsvTable;
import org.jagridge.web.svg.StandAlone;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;

/** Answers that a browser keeps as a file. */
public final class Downloads {
    private Downloads() {}

    public static ResponseEntity<byte[]> csv(String name, String text) {
        // the mark at the beginning tells spreadsheets that it is UTF-8
        return file(name, new MediaType("text", "csv", StandardCharsets.UTF_8), "\uFEFF" + text);
    }

    /** A table, its heading first. */
    public static ResponseEntity<byte[]> csv(String name, List<List<String>> lines) {
        return csv(name, CsvTable.write(lines));
    }

    /** A drawing with its own style sheet, which is all that it may load. */
    public static ResponseEntity<byte[]> svg(String name, String text) {
        ResponseEntity<byte[]> file = file(name, MediaType.parseMediaType("image/svg+xml"), text);
        return ResponseEntity.ok()
                .headers(file.getHeaders())
                .header("Content-Security-Policy", StandAlone.policy())
                .body(file.getBody());
    }

    public static ResponseEntity<byte[]> file(String name, MediaType type, String text) {
        return ResponseEntity.ok()
                .contentType(type)
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment().filename(name).build().toString())
                .body(text.getBytes(StandardCharsets.UTF_8));
    }
}
