package org.jagridge.web.waiting;

import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.Arrays;
import java.util.Iterator;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.context.event.ContextClosedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.core.env.Environment;
import org.springframework.stereotype.Component;

/**
 * Pages that take longer than anybody should wait without a word. One after the other is asked for again with more time,
 * while who wants it sees how long it has been and can stop it; the answer is kept until it is fetched.
 */
@Component
public class LongWork {
    /** Carries a ticket with which a page may take longer. */
    static final String TICKET = "X-Jagridge-Ticket";
    /** Set by a page's script that asks again while it is answered with 202. */
    private static final String WAITS = "X-Jagridge-Waits";
    /** How long a page may take when somebody has agreed to wait. */
    static final double MOST_SECONDS = 120;

    private static final int MOST_JOBS = 40;
    private static final long KEPT_NANOS = 120_000_000_000L;

    private final Environment environment;
    private final Map<String, Job> byTicket = new ConcurrentHashMap<>();
    private final HttpClient http = HttpClient.newHttpClient();
    private final ExecutorService one = Executors.newSingleThreadExecutor(r -> {
        Thread t = new Thread(r, "long-work");
        t.setDaemon(true);
        return t;
    });

    LongWork(Environment environment) {
        this.environment = environment;
    }

    /** A page that is worked out, or that waits for its fetching. */
    public static final class Job {
        private final String ticket = UUID.randomUUID().toString();
        private final String asked;
        private final String path;
        private final String cookies;
        private final String accept;
        private final long began = System.nanoTime();
        private volatile long ended;
        private volatile boolean stopped;
        private volatile HttpResponse<byte[]> answer;

        private Job(HttpServletRequest request) {
            asked = LongWork.asked(request);
            path = LongWork.path(request);
            cookies = LongWork.cookies(request);
            accept = Objects.requireNonNullElse(request.getHeader("Accept"), "*/*");
        }

        public String ticket() {
            return ticket;
        }

        /** The page that is asked for. */
        public String path() {
            return path;
        }

        public long seconds() {
            return (System.nanoTime() - began) / 1_000_000_000L;
        }

        boolean isStopped() {
            return stopped;
        }

        boolean isDone() {
            return ended != 0;
        }

        /** What came of it; null where it couldn't be asked for. */
        HttpResponse<byte[]> answer() {
            return answer;
        }
    }

    private static String path(HttpServletRequest request) {
        String query = request.getQueryString();
        return request.getRequestURI() + (query == null ? "" : "?" + query);
    }

    private static String cookies(HttpServletRequest request) {
        return Stream.ofNullable(request.getCookies())
                .flatMap(Arrays::stream)
                .map((Cookie c) -> c.getName() + "=" + c.getValue())
                .collect(Collectors.joining("; "));
    }

    /** What makes two requests for a page the same: its address, and the token that its forms carry. */
    private static String asked(HttpServletRequest request) {
        return path(request) + " " + cookies(request);
    }

    /** Begins to work out the page that was asked for; empty where too much waits already. */
    public Optional<Job> begin(HttpServletRequest request) {
        forget();
        if (byTicket.size() >= MOST_JOBS) {
            return Optional.empty();
        }
        Job job = new Job(request);
        byTicket.put(job.ticket, job);
        one.execute(() -> work(job));
        return Optional.of(job);
    }

    private void work(Job job) {
        try {
            if (!job.stopped) {
                String port = environment.getRequiredProperty("local.server.port");
                HttpRequest.Builder request = HttpRequest.newBuilder(URI.create("http://127.0.0.1:" + port + job.path))
                        .header(TICKET, job.ticket)
                        .header("Accept", job.accept);
                if (!job.cookies.isEmpty()) {
                    request.header("Cookie", job.cookies);
                }
                job.answer = http.send(request.build(), HttpResponse.BodyHandlers.ofByteArray());
            }
        } catch (IOException e) {
            // without an answer whoever waits is sent to the page itself
            job.stopped = true;
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        } finally {
            job.ended = System.nanoTime();
        }
    }

    private void forget() {
        long now = System.nanoTime();
        byTicket.values().removeIf(j -> j.isDone() && now - j.ended > KEPT_NANOS);
    }

    Optional<Job> job(String ticket) {
        return Optional.ofNullable(ticket).map(byTicket::get);
    }

    /** The work on just this page for just this reader. */
    Optional<Job> of(HttpServletRequest request) {
        if (byTicket.isEmpty()) {
            return Optional.empty();
        }
        String asked = asked(request);
        return byTicket.values().stream()
                .filter(j -> j.asked.equals(asked) && !j.stopped)
                .findFirst();
    }

    /** Whether who asks would wait: a page, or a page's script that says so. */
    public static boolean isWaitedFor(HttpServletRequest request) {
        boolean page = request.getHeader("HX-Request") == null
                && String.valueOf(request.getHeader("Accept")).contains("text/html");
        return request.getMethod().equals("GET") && (page || request.getHeader(WAITS) != null);
    }

    /** Whether a request is one of the work itself. */
    public boolean isWorking(HttpServletRequest request) {
        return job(request.getHeader(TICKET)).isPresent();
    }

    void drop(Job job) {
        byTicket.remove(job.ticket);
    }

    void stop(Job job) {
        job.stopped = true;
    }

    /** The server waits for its requests when it stops; these needn't come to their end. */
    @EventListener(ContextClosedEvent.class)
    void close() {
        for (Iterator<Job> i = byTicket.values().iterator(); i.hasNext(); ) {
            i.next().stopped = true;
        }
        one.shutdownNow();
    }
}
