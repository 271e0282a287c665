package org.jagridge.web.svg;

/** Writes elements of SVG, and of HTML where a template takes too long; escapes what it is given. */
public final class Svg {
    private final StringBuilder out = new StringBuilder(32_768);

    /** An element without content; attributes as alternating names and values, nulls left out. */
    public Svg element(String name, Object... attributes) {
        return start(name, "/>", attributes);
    }

    public Svg open(String name, Object... attributes) {
        return start(name, ">", attributes);
    }

    private Svg start(String name, String end, Object... attributes) {
        out.append('<').append(name);
        for (int i = 0; i < attributes.length; i += 2) {
            if (attributes[i + 1] != null) {
                out.append(' ')
                        .append(attributes[i])
                        .append("=\"")
                        .append(escape(show(attributes[i + 1])))
                        .append('"');
            }
        }
        out.append(end);
        return this;
    }

    public Svg close(String name) {
        out.append("</").append(name).append('>');
        return this;
    }

    public Svg title(String text) {
        return open("title").words(text).close("title");
    }

    /** Text between an element's tags. */
    public Svg words(String text) {
        out.append(escape(text));
        return this;
    }

    public Svg text(double x, double y, String text, String anchor, String cssClass, Object... attributes) {
        Object[] all = new Object[attributes.length + 8];
        System.arraycopy(new Object[] {"x", x, "y", y, "text-anchor", anchor, "class", cssClass}, 0, all, 0, 8);
        System.arraycopy(attributes, 0, all, 8, attributes.length);
        return open("text", all).words(text).close("text");
    }

    Svg raw(String svg) {
        out.append(svg);
        return this;
    }

    private static String show(Object value) {
        return value instanceof Double d ? number(d) : String.valueOf(value);
    }

    /** A coordinate with one decimal at the most. */
    public static String number(double d) {
        long tenths = Math.round(d * 10);
        if (tenths % 10 == 0) {
            return Long.toString(tenths / 10);
        }
        long whole = Math.abs(tenths) / 10;
        return (tenths < 0 ? "-" : "") + whole + "." + Math.abs(tenths) % 10;
    }

    static String escape(String text) {
        StringBuilder b = new StringBuilder(text.length() + 8);
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            switch (c) {
                case '<' -> b.append("&lt;");
                case '>' -> b.append("&gt;");
                case '&' -> b.append("&amp;");
                case '"' -> b.append("&quot;");
                default -> b.append(c < ' ' && c != '\n' && c != '\t' ? ' ' : c);
            }
        }
        return b.toString();
    }

    @Override
    public String toString() {
        return out.toString();
    }
}
