package org.jagridge.web.data;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.io.InputStream;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.atomic.AtomicLong;
import org.jagridge.web.WebTest;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.TestConfiguration;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Import;
import org.springframework.context.annotation.Primary;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.datasource.DriverManagerDataSource;
import org.springframework.test.context.TestPropertySource;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.Test;

/** The whole database while it is in use: backed up, and with a disk that fills up and has room again. */
@Import(StoredDataTest.FakeDisk.class)
@TestPropertySource(properties = "spring.datasource.url=jdbc:h2:file:./target/stored-${random.uuid}/jagridge")
public class StoredDataTest extends WebTest {
    private static final AtomicLong FREE = new AtomicLong(Long.MAX_VALUE);

    @Autowired
    private JdbcClient jdbc;

    @TestConfiguration
    static class FakeDisk {
        @Bean
        @Primary
        Disk disk() {
            return new Disk(Path.of("a-disk")) {
                @Override
                long free() {
                    return FREE.get();
                }
            };
        }
    }

    @AfterMethod
    public void makeRoom() {
        FREE.set(Long.MAX_VALUE);
    }

    @Test
    public void aBackupTakenWhileRunningHasWhatWasAcknowledged() throws IOException, InterruptedException {
        String slug = copy("lab-bench", "Backed up");
        HttpResponse<InputStream> answer = HttpClient.newHttpClient()
                .send(
                        HttpRequest.newBuilder(URI.create(url("/backup"))).build(),
                        HttpResponse.BodyHandlers.ofInputStream());
        assertEquals(answer.statusCode(), 200);
        assertTrue(answer.headers().firstValue("Content-Disposition").orElse("").contains("jagridge-"));
        Path folder = Files.createTempDirectory("jagridge-restored");
        Path zip = folder.resolve("b.zip");
        Files.copy(answer.body(), zip);
        Backups.restore(zip, folder.resolve("data"));
        JdbcClient restored = JdbcClient.create(
                new DriverManagerDataSource("jdbc:h2:file:" + folder.resolve("data/jagridge"), "sa", ""));
        String count = "select count(*) from circuit_revision";
        assertEquals(
                restored.sql(count).query(Long.class).single(),
                jdbc.sql(count).query(Long.class).single());
        assertEquals(
                restored.sql("select name from circuit where slug = ?")
                        .param(slug)
                        .query(String.class)
                        .single(),
                "Backed up");
    }

    @Test
    public void onAFullDiskEverythingCanBeReadAndNothingIsHalfWritten() {
        String slug = copy("lab-bench", "Before it was full");
        String bench = get("/circuits/" + slug + "/bench")
                .headers()
                .firstValue("Location")
                .orElseThrow();
        String act = bench.replaceAll(".*(/bench/\\d+)\\?.*", "$1/set");
        FREE.set(1 << 20);
        HttpResponse<String> refused = submit("/circuits/" + slug + "/edit/name", "base", "1", "name", "Renamed");
        assertEquals(refused.statusCode(), 507, refused.body());
        assertTrue(refused.body().contains("a-disk"), refused.body());
        assertTrue(refused.body().contains("Make room on that disk"), refused.body());
        HttpResponse<String> notDone = submit(act, "s", "0", "t", "10", "key", "TH.fan", "value", "on");
        assertEquals(notDone.statusCode(), 507, notDone.body());
        assertEquals(get("/backup").statusCode(), 507);
        for (String page :
                new String[] {"/", "/circuits/" + slug + "/edit", "/circuits/" + slug + "/sheet", "/sites"}) {
            assertEquals(get(page).statusCode(), 200, page);
        }
        assertEquals(get(bench.replaceAll("https?://[^/]+", "")).statusCode(), 200);
        FREE.set(Long.MAX_VALUE);
        assertEquals(
                submit("/circuits/" + slug + "/edit/name", "base", "1", "name", "Renamed")
                        .statusCode(),
                200);
        assertEquals(
                submit(act, "s", "0", "t", "10", "key", "TH.fan", "value", "on").statusCode(), 200);
    }
}
