package org.jagridge.web.config;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import org.jagridge.web.bench.BenchService;
import org.jagridge.web.circuits.CircuitRepository;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.core.env.Environment;
import org.springframework.stereotype.Component;

/**
 * Asks the application for its slowest pages as soon as it is there, so that what the virtual machine has to load and
 * compile for them is done before anyone waits for it. The pages asked for change nothing.
 */
@Component
@ConditionalOnProperty("jagridge.warm-up")
class WarmUp {
    private static final List<String> PAGES = List.of("/sequence", "/ladder.svg", "/connections.svg", "/sheet");
    /** What an act answers with is looked at so often, each time at another instant: hands wait for that most. */
    private static final int LOOKS = 60;

    private final HttpClient http = HttpClient.newHttpClient();
    private final CircuitRepository circuits;
    private final BenchService benches;
    private final Environment environment;
    private final CompletableFuture<List<Integer>> answers = new CompletableFuture<>();

    WarmUp(CircuitRepository circuits, BenchService benches, Environment environment) {
        this.circuits = circuits;
        this.benches = benches;
        this.environment = environment;
    }

    @EventListener(ApplicationReadyEvent.class)
    @SuppressWarnings("ThreadPriorityCheck") // only a courtesy to those who come first
    void begin() {
        Thread thread = new Thread(this::ask, "warm-up");
        thread.setDaemon(true);
        thread.setPriority(Thread.MIN_PRIORITY);
        thread.start();
    }

    private void ask() {
        try {
            String root = "http://127.0.0.1:" + environment.getRequiredProperty("local.server.port");
            List<CircuitRepository.Row> all = circuits.all();
            List<Integer> codes = new ArrayList<>();
            for (CircuitRepository.Row c : all.stream().limit(1).toList()) {
                for (String page : PAGES) {
                    codes.add(answer(request(root + "/circuits/" + c.slug() + page)));
                }
            }
            Optional<String> bench =
                    all.stream().flatMap(c -> benches.asLeft(c.slug()).stream()).findFirst();
            for (int i = 0; i < LOOKS && bench.isPresent(); i++) {
                codes.add(answer(request(root + bench.get() + "&t=" + i).header("HX-Request", "true")));
            }
            answers.complete(codes);
        } catch (IOException | RuntimeException e) {
            // the pages take a little longer then, that is all
            answers.completeExceptionally(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    private static HttpRequest.Builder request(String address) {
        return HttpRequest.newBuilder(URI.create(address));
    }

    private int answer(HttpRequest.Builder request) throws IOException, InterruptedException {
        return http.send(request.build(), HttpResponse.BodyHandlers.discarding())
                .statusCode();
    }

    /** How the pages were answered, once they are. */
    CompletableFuture<List<Integer>> answers() {
        return answers;
    }
}
