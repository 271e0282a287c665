package org.jagridge.web.svg;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.Base64;
import org.springframework.core.io.ClassPathResource;

/** What makes an SVG element a file of its own: the style sheet inside, and the policy that allows just that one. */
public final class StandAlone {
    private static final String STYLE = read();

    private StandAlone() {}

    private static String read() {
        try {
            return new ClassPathResource("static/css/drawing.css").getContentAsString(StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** The style sheet to put into a file. */
    public static String style() {
        return STYLE;
    }

    /** A content security policy under which the file shows its own style and nothing else. */
    public static String policy() {
        try {
            byte[] digest = MessageDigest.getInstance("SHA-256").digest(STYLE.getBytes(StandardCharsets.UTF_8));
            return "default-src 'none'; style-src 'sha256-"
                    + Base64.getEncoder().encodeToString(digest) + "'";
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }

    static void open(Svg svg, double width, double height, String css, String name, String style) {
        svg.open(
                "svg",
                "xmlns",
                "http://www.w3.org/2000/svg",
                "class",
                "drawing " + css,
                "viewBox",
                "0 0 " + Svg.number(width) + " " + Svg.number(height),
                "width",
                Math.ceil(width),
                "height",
                Math.ceil(height),
                "role",
                "group",
                "aria-label",
                name);
        if (style != null) {
            svg.raw("<style>" + style + "</style>");
            svg.element("rect", "class", "paper", "width", width, "height", height);
        }
    }
}
