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
import java.util.concurrent.TimeUnit;
import org.jagridge.core.budget.OverBudgetException;
import org.jagridge.web.bench.BenchService;
import org.jagridge.web.bench.Rehearsal;
import org.jagridge.web.circuits.CircuitRepository;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.core.env.Environment;
import org.springframework.stereotype.Component;

/**
 * Asks the application for its slowest pages as soon as it is there, so that what the virtual machine has to load and
 * compile for them is done before anyone waits for it. Nothing is changed by it.
 */
@Component
@ConditionalOnProperty("jagridge.warm-up")
class WarmUp {
    private static final List<String> PAGES = List.of("/sequence", "/ladder.svg", "/connections.svg", "/sheet");
    /** Hands wait for the answers to their acts most. So many are tried at a circuit, and as many answers written. */
    private static final int ACTS = 50;
    /** Of so many answers one is the whole page. */
    private static final int WHOLE = 10;

    /** At so many circuits, unless that takes longer than {@link #LONGEST}. */
    private static final int MOST = 8;

    private static final long LONGEST = TimeUnit.SECONDS.toNanos(30);

    private final HttpClient http = HttpClient.newHttpClient();
    private final CircuitRepository circuits;
    private final BenchService benches;
    private final Rehearsal rehearsal;
    private final Environment environment;
    private final CompletableFuture<List<Integer>> answers = new CompletableFuture<>();

    WarmUp(CircuitRepository circuits, BenchService benches, Rehearsal rehearsal, Environment environment) {
        this.circuits = circuits;
        this.rehearsal = rehearsal;
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
            rehearse(root, all, codes);
            answers.complete(codes);
        } catch (IOException | RuntimeException e) {
            // the pages take a little longer then, that is all
            answers.completeExceptionally(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    /** Acts, and what the page asks for after them. */
    private void rehearse(String root, List<CircuitRepository.Row> all, List<Integer> codes)
            throws IOException, InterruptedException {
        Optional<String> bench =
                all.stream().flatMap(c -> benches.asLeft(c.slug()).stream()).findFirst();
        long first = System.nanoTime();
        for (int i = 0; i < Math.min(MOST, all.size()) && System.nanoTime() - first < LONGEST; i++) {
            long began = System.nanoTime();
            act(all.get(i));
            for (int look = 0; look < ACTS && bench.isPresent(); look++) {
                HttpRequest.Builder request = request(root + bench.get() + "&t=" + (ACTS * i + look));
                codes.add(answer(look % WHOLE == 0 ? request : request.header("HX-Request", "true")));
            }
            // half of the time is for those who come first
            TimeUnit.NANOSECONDS.sleep(System.nanoTime() - began);
        }
    }

    private void act(CircuitRepository.Row circuit) {
        try {
            rehearsal.act(circuit, ACTS);
        } catch (OverBudgetException e) {
            // so it is with acts of hands there: the next circuit serves as well
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
