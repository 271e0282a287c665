package org.jagridge.web.attack;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.net.http.HttpResponse;
import java.nio.file.Files;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.Test;

/** A bench survives the kill of the process in the middle of use. */
public class RestartTest {
    private static final String BENCH = "/circuits/lab-bench/bench";
    private Server server;

    @AfterMethod(alwaysRun = true)
    public void stop() throws InterruptedException {
        server.kill();
    }

    private String resumed() throws Exception {
        return server.get(BENCH).headers().firstValue("Location").orElseThrow().replaceAll("https?://[^/]+", "");
    }

    @Test(groups = "attack")
    public void afterAKillTheBenchIsWhereItWas() throws Exception {
        server = new Server(Files.createTempDirectory("jagridge-restart"), "-Djagridge.history=false");
        server.start();
        String act = resumed().replaceAll("\\?.*", "/set");
        HttpResponse<String> done = server.submit(act, "s", "0", "t", "10", "key", "TH.fan", "value", "on");
        assertEquals(done.statusCode(), 200, done.body());
        String left = done.headers().firstValue("HX-Push-Url").orElseThrow();
        server.kill();
        server.start();
        assertEquals(resumed(), left);
        assertTrue(server.get(left).body().contains("<b>K1 in</b>"));
    }
}
