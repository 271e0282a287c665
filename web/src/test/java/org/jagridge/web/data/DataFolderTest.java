package org.jagridge.web.data;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.flywaydb.core.Flyway;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.datasource.DriverManagerDataSource;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** A data folder is taken by one, upgraded whole or not at all, and what isn't ours is left as it is. */
public class DataFolderTest {
    private Path folder;

    @BeforeMethod
    public void makeFolder() throws IOException {
        folder = Files.createTempDirectory("jagridge-folder");
    }

    private static DriverManagerDataSource database(Path folder) {
        return new DriverManagerDataSource("jdbc:h2:file:" + folder.resolve("jagridge"), "sa", "");
    }

    private void migrateTo(String version) {
        Flyway.configure().dataSource(database(folder)).target(version).load().migrate();
    }

    private Path database() {
        return folder.resolve(DataFolder.DATABASE);
    }

    private String refusal() {
        try (DataFolder taken = DataFolder.open(folder)) {
            throw new AssertionError("taken: " + taken.file());
        } catch (RefusedException e) {
            assertEquals(e.getMessage().lines().count(), 1, e.getMessage());
            return e.getMessage();
        }
    }

    @Test
    public void oneFolderIsForOne() {
        try (DataFolder mine = DataFolder.open(folder)) {
            assertTrue(refusal().contains("Another Jagridge works with the data folder " + folder), mine.file() + "");
        }
        DataFolder.open(folder).close();
    }

    @Test
    public void aFirstStartThatWasInterruptedLeavesNothing() throws IOException {
        DataFolder.open(folder).close();
        Files.writeString(database(), "half of a first database");
        try (DataFolder again = DataFolder.open(folder)) {
            assertFalse(Files.exists(database()));
            migrateTo("latest");
            again.settled();
        }
        DataFolder.open(folder).close();
        assertTrue(Files.exists(database()), "what is settled stays");
    }

    @Test
    public void anUpgradeThatWasInterruptedIsUndoneAndBeginsAnew() {
        migrateTo("3");
        JdbcClient.create(database(folder))
                .sql("insert into setting values ('symbols', 'iec')")
                .update();
        DataFolder.open(folder).close();
        migrateTo("4");
        JdbcClient.create(database(folder)).sql("drop table setting").update();
        try (DataFolder again = DataFolder.open(folder)) {
            assertEquals(StoredSchema.of(database()), 3);
            assertEquals(
                    JdbcClient.create(database(folder))
                            .sql("select word from setting")
                            .query(String.class)
                            .list(),
                    List.of("iec"));
            migrateTo("latest");
            again.settled();
        }
        assertFalse(Files.exists(folder.resolve(DataFolder.BEFORE)));
        DataFolder.open(folder).close();
        assertEquals(StoredSchema.of(database()), StoredSchema.newest());
    }

    @Test
    public void whatIsNoneOfOursIsRefusedAndLeftAsItIs() throws IOException {
        Files.createFile(database());
        assertTrue(refusal().contains("is empty"));
        byte[] noise = "no database at all".repeat(500).getBytes(java.nio.charset.StandardCharsets.UTF_8);
        Files.write(database(), noise);
        assertTrue(refusal().contains("damaged or of another program"));
        assertEquals(Files.readAllBytes(database()), noise);
        Files.delete(database());
        JdbcClient.create(database(folder)).sql("create table other (id int)").update();
        assertTrue(refusal().contains("of another program"));
    }

    @Test
    public void dataOfANewerEditionIsRefused() {
        migrateTo("latest");
        JdbcClient.create(database(folder)).sql("""
                        insert into "flyway_schema_history" values (999, '999', 'later', 'SQL', 'V999__later.sql', 1, 'sa',
                            current_timestamp, 1, true)
                        """).update();
        assertTrue(refusal().contains("from a newer Jagridge (schema 999"));
    }

    @Test
    public void aFolderThatCannotBeMadeIsSaidWithWhatToDo() throws IOException {
        Path file = Files.createFile(folder.resolve("file"));
        folder = file.resolve("below");
        assertTrue(refusal().contains("can't be written to"));
    }

    @Test
    public void aBackupIsRestoredWholeIntoAnEmptyFolderOnly() throws IOException {
        migrateTo("latest");
        JdbcClient jdbc = JdbcClient.create(database(folder));
        jdbc.sql("insert into setting values ('paper', 'letter')").update();
        Path backup = folder.resolve("backup.zip");
        jdbc.sql("backup to ?").param(backup.toString()).update();
        Path other = folder.resolve("other");
        Backups.restore(backup, other);
        DataFolder.open(other).close();
        assertEquals(
                JdbcClient.create(database(other))
                        .sql("select word from setting")
                        .query(String.class)
                        .list(),
                List.of("letter"));
        assertThrows(RefusedException.class, () -> Backups.restore(backup, other));
        byte[] whole = Files.readAllBytes(backup);
        Path half = Files.write(folder.resolve("half.zip"), java.util.Arrays.copyOf(whole, whole.length / 2));
        Path empty = folder.resolve("empty");
        assertThrows(RefusedException.class, () -> Backups.restore(half, empty));
        Path foreign = folder.resolve("foreign.zip");
        try (ZipOutputStream zip = new ZipOutputStream(Files.newOutputStream(foreign))) {
            zip.putNextEntry(new ZipEntry("readme.txt"));
        }
        assertThrows(RefusedException.class, () -> Backups.restore(foreign, empty));
        assertThrows(RefusedException.class, () -> Backups.restore(folder.resolve("none.zip"), empty));
        assertFalse(Files.exists(empty.resolve(DataFolder.DATABASE)));
    }
}
