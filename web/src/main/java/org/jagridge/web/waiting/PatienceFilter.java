package org.jagridge.web.waiting;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.net.http.HttpResponse;
import java.util.Optional;
import org.jagridge.core.budget.Budget;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/** Gives every request the time that it may take, and hands out what was worked out beside. */
@Component
class PatienceFilter extends OncePerRequestFilter {
    private final LongWork work;
    private final double pageSeconds;
    private final double proofSeconds;

    PatienceFilter(
            LongWork work,
            @Value("${jagridge.page-seconds}") double pageSeconds,
            @Value("${jagridge.proof-seconds}") double proofSeconds) {
        this.work = work;
        this.pageSeconds = pageSeconds;
        this.proofSeconds = proofSeconds;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        try {
            Optional<LongWork.Job> own = work.job(request.getHeader(LongWork.TICKET));
            if (own.isPresent()) {
                Budget.ofSeconds(LongWork.MOST_SECONDS, own.get()::isStopped)
                        .run(() -> chain.doFilter(request, response));
                return;
            }
            Optional<LongWork.Job> there = request.getMethod().equals("GET") ? work.of(request) : Optional.empty();
            if (there.isPresent() && there.get().isDone()) {
                handOut(there.get(), response);
            } else if (there.isPresent()) {
                request.getRequestDispatcher("/work/" + there.get().ticket()).forward(request, response);
            } else {
                Budget.ofSeconds(seconds(request.getRequestURI())).run(() -> chain.doFilter(request, response));
            }
        } catch (IOException | ServletException | RuntimeException e) {
            throw e;
        } catch (Exception e) {
            throw new ServletException(e);
        }
    }

    /** Planning and proving over the interface are asked for by programs, which know that these take long. */
    private double seconds(String path) {
        return path.startsWith("/api/v1/prove") || path.startsWith("/api/v1/plan/") ? proofSeconds : pageSeconds;
    }

    private void handOut(LongWork.Job job, HttpServletResponse response) throws IOException {
        work.drop(job);
        HttpResponse<byte[]> answer = job.answer();
        response.setStatus(answer.statusCode());
        for (String name : new String[] {"Content-Type", "Content-Security-Policy", "Content-Disposition"}) {
            answer.headers().firstValue(name).ifPresent(value -> response.setHeader(name, value));
        }
        response.setHeader("Cache-Control", "no-store");
        response.getOutputStream().write(answer.body());
    }
}
