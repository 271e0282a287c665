package org.jagridge.web.config;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Lets in only who asks for this machine by its own name. A page of another site may lead a browser here under a name that
 * it controls, or send a form here; both carry the other name.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class AskedAs extends OncePerRequestFilter {
    private final Set<String> names;

    AskedAs(@Value("${jagridge.hosts}") String others) {
        names = Stream.concat(Stream.of("127.0.0.1", "localhost", "[::1]"), Arrays.stream(others.split(",")))
                .map(s -> s.strip().toLowerCase(Locale.ROOT))
                .filter(s -> !s.isEmpty())
                .collect(Collectors.toSet());
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        String host = request.getHeader("Host");
        String origin = request.getHeader("Origin");
        if (host == null || !names.contains(name(host))) {
            refuse(
                    response,
                    421,
                    "Jagridge is asked for here under a name that it doesn't go by. Use 127.0.0.1 or localhost, or list the"
                            + " name in JAGRIDGE_HOSTS before it is started.");
        } else if (origin != null && !isOurs(origin)) {
            refuse(response, 403, "This was sent by a page of another site, so nothing was done.");
        } else {
            chain.doFilter(request, response);
        }
    }

    private static String name(String host) {
        return host.replaceFirst(":\\d*$", "").toLowerCase(Locale.ROOT);
    }

    private boolean isOurs(String origin) {
        try {
            URI uri = URI.create(origin);
            return uri.getHost() != null && names.contains(uri.getHost().toLowerCase(Locale.ROOT));
        } catch (IllegalArgumentException e) {
            return false;
        }
    }

    private static void refuse(HttpServletResponse response, int status, String words) throws IOException {
        response.setStatus(status);
        response.setContentType(MediaType.TEXT_PLAIN_VALUE);
        response.setCharacterEncoding(StandardCharsets.UTF_8.name());
        response.getWriter().write(words);
    }
}
