package org.jagridge.web.data;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipFile;

/** Backups: a ZIP file with the database in it. */
final class Backups {
    private static final String WHERE = "Restore into an empty folder: JAGRIDGE_DATA=FOLDER bin/demo --restore FILE";

    private Backups() {}

    /**
     * Puts a backup into a folder without data. The folder has the whole backup afterwards or is as it was.
     *
     * @throws RefusedException where there is data already, or the file is no backup of this program
     */
    static void restore(Path backup, Path folder) {
        Path at = folder.toAbsolutePath().normalize();
        Path data = at.resolve(DataFolder.DATABASE);
        if (Files.exists(data)) {
            throw new RefusedException("There is data in " + at + " already, and it is left as it is. " + WHERE);
        }
        if (!Files.isRegularFile(backup)) {
            throw new RefusedException("There is no file " + backup.toAbsolutePath() + " to restore.");
        }
        Path copy = at.resolve("restored.mv.db");
        try {
            Files.createDirectories(at);
            unpack(backup, copy);
            int schema = StoredSchema.of(copy);
            if (schema > StoredSchema.newest()) {
                throw new RefusedException("The backup " + backup + " is from a newer Jagridge (schema " + schema
                        + ", this one knows " + StoredSchema.newest() + "). Restore it with the newer one.");
            }
            DataFolder.move(copy, data);
        } catch (IOException e) {
            throw new RefusedException(
                    "The backup " + backup + " can't be restored to " + at + ": " + DataFolder.words(e) + ".");
        } finally {
            deleteQuietly(copy);
        }
    }

    private static void unpack(Path backup, Path to) throws IOException {
        try (ZipFile zip = new ZipFile(backup.toFile())) {
            ZipEntry entry = zip.stream()
                    .filter(e -> e.getName().endsWith(DataFolder.DATABASE))
                    .findFirst()
                    .orElseThrow(() -> notOurs(backup));
            try (InputStream in = zip.getInputStream(entry)) {
                Files.copy(in, to, StandardCopyOption.REPLACE_EXISTING);
            }
        } catch (ZipException e) {
            throw notOurs(backup);
        }
    }

    private static RefusedException notOurs(Path backup) {
        return new RefusedException("The file " + backup + " is no backup of Jagridge, or not a whole one.");
    }

    static void deleteQuietly(Path file) {
        try {
            Files.deleteIfExists(file);
        } catch (IOException e) {
            // left over in a folder that can't be changed any more
        }
    }
}
