package org.jagridge.web.data;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.Arrays;
import java.util.Comparator;
import org.springframework.core.io.Resource;
import org.springframework.core.io.support.PathMatchingResourcePatternResolver;

/** Which edition of the tables a database file has. */
final class StoredSchema {
    private static final String HISTORY =
            "select max(cast(\"version\" as int)) from \"flyway_schema_history\" where \"success\"";

    private StoredSchema() {}

    /**
     * The number of the last migration that a database file has been through. The file isn't changed.
     *
     * @throws RefusedException where it is no database, damaged, or not of this program
     */
    static int of(Path file) {
        String what = "The file " + file;
        try {
            if (Files.size(file) == 0) {
                throw new RefusedException(
                        what + " is empty, so what was in it is lost or elsewhere. Move it away to begin"
                                + " anew, or restore a backup into an empty folder: bin/demo --restore FILE");
            }
        } catch (IOException e) {
            throw new RefusedException(
                    what + " can't be read: " + DataFolder.words(e) + ". Give this user access to it.");
        }
        String plain = file.toString().replaceFirst("\\.mv\\.db$", "");
        try (Connection connection = DriverManager.getConnection(
                        "jdbc:h2:file:" + plain + ";IFEXISTS=TRUE;ACCESS_MODE_DATA=r", "sa", "");
                ResultSet found = connection.createStatement().executeQuery(HISTORY)) {
            found.next();
            return found.getInt(1);
        } catch (SQLException e) {
            throw new RefusedException(
                    what + " can't be opened as data of Jagridge: it is damaged or of another program."
                            + " Move it away, or restore a backup into an empty folder: bin/demo --restore FILE");
        }
    }

    /** The number of the last migration that this edition brings. */
    static int newest() {
        try {
            return Arrays.stream(
                            new PathMatchingResourcePatternResolver().getResources("classpath*:db/migration/V*__*.sql"))
                    .map(Resource::getFilename)
                    .map(name -> Integer.valueOf(name.substring(1, name.indexOf("__"))))
                    .max(Comparator.naturalOrder())
                    .orElseThrow();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
