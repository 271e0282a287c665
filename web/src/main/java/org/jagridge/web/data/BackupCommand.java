package org.jagridge.web.data;

import java.io.IOException;
import java.net.ConnectException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.SQLException;
import java.util.zip.ZipFile;

/** Writes a backup to a file, from the application that runs or, where none does, from its folder. */
public final class BackupCommand {
    private BackupCommand() {}

    /**
     * @param args the file to write, which mustn't exist yet
     */
    public static void main(String[] args) throws InterruptedException {
        try {
            if (args.length != 1) {
                throw new RefusedException("usage: bin/backup FILE");
            }
            Path file = Path.of(args[0]).toAbsolutePath();
            if (Files.exists(file)) {
                throw new RefusedException("There is a file " + file + " already; choose another name.");
            }
            Path data = Path.of(Start.setting("jagridge.data", "./data"));
            write(file, data);
            System.out.println("Backup written to " + file + ", " + (Files.size(file) + 1023) / 1024 + " kB");
        } catch (IOException e) {
            fail("The backup can't be written: " + DataFolder.words(e));
        } catch (RefusedException e) {
            fail(e.getMessage());
        }
    }

    private static void fail(String words) {
        System.err.println("Jagridge: " + words);
        System.exit(1);
    }

    private static void write(Path file, Path data) throws IOException, InterruptedException {
        Path part = file.resolveSibling(file.getFileName() + ".part");
        try {
            URI address = URI.create("http://127.0.0.1:" + Start.setting("jagridge.port", "8780") + "/backup");
            HttpResponse<Path> answer = HttpClient.newHttpClient()
                    .send(HttpRequest.newBuilder(address).build(), HttpResponse.BodyHandlers.ofFile(part));
            if (answer.statusCode() != 200) {
                throw new RefusedException("What runs at " + address + " gives no backup (" + answer.statusCode()
                        + "). Say with JAGRIDGE_PORT where Jagridge runs.");
            }
        } catch (ConnectException e) {
            fromFolder(part, data);
        } finally {
            if (Files.exists(part) && isWhole(part)) {
                DataFolder.move(part, file);
            }
            Backups.deleteQuietly(part);
        }
        if (!Files.exists(file)) {
            throw new RefusedException("The backup didn't come whole; try again.");
        }
    }

    private static boolean isWhole(Path zip) {
        try (ZipFile z = new ZipFile(zip.toFile())) {
            return z.size() > 0;
        } catch (IOException e) {
            return false;
        }
    }

    private static void fromFolder(Path to, Path data) {
        if (!Files.exists(data.resolve(DataFolder.DATABASE))) {
            throw new RefusedException("No Jagridge runs, and there is no data in "
                    + data.toAbsolutePath().normalize()
                    + ". Say with JAGRIDGE_PORT where it runs, or with JAGRIDGE_DATA where its data is.");
        }
        try (DataFolder folder = DataFolder.hold(data);
                Connection connection = DriverManager.getConnection(
                        "jdbc:h2:file:" + folder.file().toString().replaceFirst("\\.mv\\.db$", "") + ";IFEXISTS=TRUE",
                        "sa",
                        "");
                PreparedStatement backup = connection.prepareStatement("backup to ?")) {
            backup.setString(1, to.toString());
            backup.execute();
        } catch (SQLException e) {
            throw new RefusedException("The backup can't be written: "
                    + e.getMessage().lines().findFirst().orElse(""));
        }
    }
}
