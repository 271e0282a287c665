package org.jagridge.web.svg;

import tools.jackson.databind.json.JsonMapper;

/** Writes what a page's script reads. */
public final class Json {
    private Json() {}

    /** JSON that may stand inside a script element: no text in it can close the element. */
    public static String inPage(Object value, JsonMapper json) {
        return json.writeValueAsString(value).replace("<", "\\u003c");
    }
}
