package org.jagridge.web.attack;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Random;
import org.flywaydb.core.Flyway;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.datasource.DriverManagerDataSource;
import org.springframework.jdbc.datasource.SingleConnectionDataSource;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** Starts that are killed begin anew; starts that can't be say why in one line. */
public class StartTest {
    private static final int KILLS = 6;
    private final Random random = new Random(3);
    private Path folder;
    private Server server;

    @BeforeMethod(alwaysRun = true)
    public void makeFolder() throws IOException {
        folder = Files.createTempDirectory("jagridge-start");
    }

    @AfterMethod(alwaysRun = true)
    public void stop() throws InterruptedException {
        server.kill();
    }

    private static JdbcClient database(Path folder) {
        return JdbcClient.create(source(folder));
    }

    private static DriverManagerDataSource source(Path folder) {
        return new DriverManagerDataSource("jdbc:h2:file:" + folder.resolve("jagridge"), "sa", "");
    }

    @Test(groups = "attack")
    public void aFirstStartThatIsKilledBeginsAnewAndBringsTheWholeDemo() throws Exception {
        server = new Server(folder);
        for (int kill = 0; kill < KILLS; kill++) {
            server.launch();
            server.killAfter(1000 + random.nextInt(4000));
        }
        server.start();
        String home = server.get("/").body();
        assertTrue(home.contains("Training board"), home);
        // the history comes last, and wholly
        String site = server.get("/sites/quillmere").body();
        assertTrue(site.contains("2 records"), site);
    }

    @Test(groups = "attack")
    public void anUpgradeThatIsKilledBeginsAnewAndLosesNothing() throws Exception {
        Flyway.configure().dataSource(source(folder)).target("4").load().migrate();
        SingleConnectionDataSource one =
                new SingleConnectionDataSource("jdbc:h2:file:" + folder.resolve("jagridge"), "sa", "", true);
        JdbcClient jdbc = JdbcClient.create(one);
        for (int i = 1; i <= 200; i++) {
            jdbc.sql("insert into circuit (slug, name, created_at) values (?, ?, current_timestamp)")
                    .params("own-" + i, "Own " + i)
                    .update();
            jdbc.sql("""
                            insert into circuit_revision (circuit_id, number, content, body, words, created_at)
                            values ((select id from circuit where slug = ?), 1, 1,
                                '{"format":"jagridge-circuit","version":1,"name":"Own"}', '', current_timestamp)
                            """).param("own-" + i).update();
        }
        one.destroy();
        server = new Server(folder, "-Djagridge.history=false");
        for (int kill = 0; kill < KILLS; kill++) {
            server.launch();
            server.killAfter(1000 + random.nextInt(2500));
        }
        server.start();
        String home = server.get("/").body();
        for (int i = 1; i <= 200; i++) {
            assertTrue(home.contains(">Own " + i + "<"), "Own " + i);
        }
        assertTrue(home.contains("My site"), "the site of before has no name of the demo's");
    }

    private String line() throws IOException, InterruptedException {
        assertEquals(server.ended(), 1);
        String said = Files.readString(server.log()).strip();
        assertEquals(said.lines().count(), 1, said);
        return said;
    }

    @Test(groups = "attack")
    public void aStartThatCannotBeSaysWhyInOneLine() throws Exception {
        server = new Server(folder);
        try (ServerSocket taken = new ServerSocket(server.port(), 1, InetAddress.getLoopbackAddress())) {
            server.launch();
            assertTrue(line().contains("Port " + taken.getLocalPort() + " is in use"));
        }
        Files.createFile(folder.resolve("jagridge.mv.db"));
        server.launch();
        assertTrue(line().contains("is empty"));
        Files.delete(folder.resolve("jagridge.mv.db"));
        // a migration that can't go through: the data stays as it was
        Flyway.configure().dataSource(source(folder)).target("3").load().migrate();
        database(folder).sql("create table sheet_record (id int)").update();
        server.launch();
        String said = line();
        assertTrue(said.contains("The data is as it was."), said);
        assertEquals(
                database(folder)
                        .sql("select max(cast(\"version\" as int)) from \"flyway_schema_history\"")
                        .query(Integer.class)
                        .single(),
                3);
    }
}
