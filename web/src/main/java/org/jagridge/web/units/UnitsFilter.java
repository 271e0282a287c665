package org.jagridge.web.units;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import org.jagridge.web.settings.Settings;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import org.springframework.web.util.ContentCachingResponseWrapper;

/** Puts pages and their drawings into the units that are chosen; files, data and the HTTP interface stay in those that all is kept in. */
@Component
class UnitsFilter extends OncePerRequestFilter {
    private static final MediaType DRAWING = new MediaType("image", "svg+xml");

    private final ObjectProvider<Settings> settings;

    /** @param settings asked for with the first page: filters are made before the database is looked at */
    UnitsFilter(ObjectProvider<Settings> settings) {
        this.settings = settings;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        Units units = settings.getObject().units();
        if (units.areKept()) {
            chain.doFilter(request, response);
            return;
        }
        ContentCachingResponseWrapper kept = new ContentCachingResponseWrapper(response);
        chain.doFilter(request, kept);
        if (isPage(kept.getContentType(), request.getRequestURI())) {
            String html = new String(kept.getContentAsByteArray(), StandardCharsets.UTF_8);
            kept.resetBuffer();
            kept.getOutputStream().write(units.page(html).getBytes(StandardCharsets.UTF_8));
        }
        kept.copyBodyToResponse();
    }

    private static boolean isPage(String type, String address) {
        if (type == null || address.startsWith("/api/")) {
            return false;
        }
        MediaType media = MediaType.parseMediaType(type);
        return MediaType.TEXT_HTML.isCompatibleWith(media) || DRAWING.isCompatibleWith(media);
    }
}
