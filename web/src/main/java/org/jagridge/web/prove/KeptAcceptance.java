package org.jagridge.web.prove;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jagridge.core.format.JsonText;
import org.jagridge.core.prove.Acceptance;
import tools.jackson.databind.JsonNode;

/** An acceptance sheet as text: what must be seen doesn't change under somebody who goes through it. */
public final class KeptAcceptance {
    private KeptAcceptance() {}

    public static String text(Acceptance.Sheet sheet) {
        List<Map<String, Object>> lines = new ArrayList<>();
        for (Acceptance.Line l : sheet.lines()) {
            Map<String, Object> m = new LinkedHashMap<>();
            m.put("number", l.number());
            m.put("act", l.act());
            m.put("see", l.see());
            m.put("within", l.within());
            lines.add(m);
        }
        return JsonText.write(Map.of("lines", lines, "notCovered", sheet.notCovered()));
    }

    static Acceptance.Sheet read(String text) {
        JsonNode m = JsonText.parse(text);
        List<Acceptance.Line> lines = m.get("lines")
                .valueStream()
                .map(l -> new Acceptance.Line(
                        l.get("number").intValue(),
                        l.get("act").asString(),
                        texts(l.get("see")),
                        l.get("within").asString()))
                .toList();
        return new Acceptance.Sheet(lines, texts(m.get("notCovered")));
    }

    private static List<String> texts(JsonNode list) {
        return list.valueStream().map(JsonNode::asString).toList();
    }
}
