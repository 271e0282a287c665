package org.jagridge.web.data;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Copies the whole database while it is in use. */
@Repository
class BackupRepository {
    private final JdbcClient jdbc;
    private final Disk disk;

    BackupRepository(JdbcClient jdbc, Disk disk) {
        this.jdbc = jdbc;
        this.disk = disk;
    }

    /** Writes a backup: everything that was acknowledged by now. Who calls deletes the file. */
    Path write() throws IOException {
        disk.requireRoom();
        Path file = Files.createTempFile("jagridge-backup", ".zip");
        jdbc.sql("backup to ?").param(file.toString()).update();
        return file;
    }
}
