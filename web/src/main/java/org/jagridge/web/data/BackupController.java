package org.jagridge.web.data;

import java.io.FilterInputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneId;
import org.springframework.core.io.InputStreamResource;
import org.springframework.core.io.Resource;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;

/** A backup of everything, to be kept elsewhere. */
@Controller
class BackupController {
    private final BackupRepository backups;
    private final Clock clock;

    BackupController(BackupRepository backups, Clock clock) {
        this.backups = backups;
        this.clock = clock;
    }

    @GetMapping("/backup")
    ResponseEntity<Resource> backup() throws IOException {
        Path file = backups.write();
        long length = Files.size(file);
        FilterInputStream in = new FilterInputStream(Files.newInputStream(file)) {
            @Override
            public void close() throws IOException {
                super.close();
                Backups.deleteQuietly(file);
            }
        };
        LocalDate today = LocalDate.now(clock.withZone(ZoneId.systemDefault()));
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType("application/zip"))
                .contentLength(length)
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"jagridge-" + today + ".zip\"")
                .body(new InputStreamResource(in));
    }
}
