package org.jagridge.web.api;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.util.List;
import java.util.Map;
import org.jagridge.core.format.JsonText;
import org.springframework.http.InvalidMediaTypeException;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Refuses what isn't JSON on the JSON interface with 415, which keeps forms of other sites out, and bodies over 5 MB with
 * 413, whether or not they announce their length.
 */
@Component
class UploadLimit extends OncePerRequestFilter {
    private static final int MOST = 5 * 1024 * 1024;

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        return !request.getRequestURI().startsWith("/api/");
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        if (!request.getMethod().equals("GET") && !isJson(request)) {
            refuse(
                    response,
                    HttpServletResponse.SC_UNSUPPORTED_MEDIA_TYPE,
                    "Send a body of the type application/json.");
            return;
        }
        byte[] body = request.getContentLengthLong() > MOST ? null : read(request.getInputStream());
        if (body == null) {
            refuse(
                    response,
                    HttpServletResponse.SC_REQUEST_ENTITY_TOO_LARGE,
                    "A request may have 5 MB at the most; split the circuit or leave out its layout.");
            return;
        }
        chain.doFilter(new Read(request, body), response);
    }

    private static boolean isJson(HttpServletRequest request) {
        try {
            return request.getContentType() != null
                    && MediaType.parseMediaType(request.getContentType())
                            .equalsTypeAndSubtype(MediaType.APPLICATION_JSON);
        } catch (InvalidMediaTypeException e) {
            return false;
        }
    }

    private static void refuse(HttpServletResponse response, int status, String message) throws IOException {
        response.setStatus(status);
        response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
        response.getWriter()
                .write(JsonText.write(Map.of(
                        "title",
                        "This can't be taken",
                        "status",
                        status,
                        "detail",
                        message,
                        "problems",
                        List.of(Map.of("path", "", "message", message)))));
    }

    /** The whole body, or null where it is too large. */
    private static byte[] read(InputStream in) throws IOException {
        byte[] body = in.readNBytes(MOST + 1);
        return body.length > MOST ? null : body;
    }

    /** The request with its body already read. */
    private static final class Read extends HttpServletRequestWrapper {
        private final byte[] body;

        Read(HttpServletRequest request, byte[] body) {
            super(request);
            this.body = body;
        }

        @Override
        public ServletInputStream getInputStream() {
            ByteArrayInputStream in = new ByteArrayInputStream(body);
            return new ServletInputStream() {
                @Override
                public boolean isFinished() {
                    return in.available() == 0;
                }

                @Override
                public boolean isReady() {
                    return true;
                }

                @Override
                public void setReadListener(ReadListener listener) {
                    throw new UnsupportedOperationException("this body is read at once");
                }

                @Override
                public int read() {
                    return in.read();
                }

                @Override
                public int read(byte[] into, int offset, int length) {
                    return in.read(into, offset, length);
                }
            };
        }
    }
}
