package org.jagridge.web.records;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.format.JsonText;
import org.jagridge.core.meter.CheckSheet;
import org.jagridge.core.meter.Request;
import tools.jackson.databind.JsonNode;

/**
 * A record's sheet as it was computed when the record was begun: what is expected doesn't change under readings that are
 * there already, whatever a later edition of the program would compute.
 *
 * @param scenario name of the call
 * @param load title of the load
 * @param micros the instant in the call
 */
record KeptSheet(String scenario, String load, long micros, CheckSheet sheet) {

    static KeptSheet of(SheetPlans.Plan plan) {
        return new KeptSheet(plan.scenario(), plan.load().title().replace('-', '–'), plan.at(), plan.sheet());
    }

    String text() {
        Map<String, Object> m = new LinkedHashMap<>();
        m.put("scenario", scenario);
        m.put("load", load);
        m.put("micros", micros);
        m.put("sections", sheet.sections().stream().map(KeptSheet::section).toList());
        return JsonText.write(m);
    }

    private static Map<String, Object> section(CheckSheet.Section s) {
        Map<String, Object> m = new LinkedHashMap<>();
        m.put("place", s.place());
        m.put("circuit", s.circuit());
        m.put("notes", s.notes());
        m.put("lines", s.lines().stream().map(KeptSheet::line).toList());
        return m;
    }

    private static Map<String, Object> line(CheckSheet.Line l) {
        Map<String, Object> m = new LinkedHashMap<>();
        Request r = l.request();
        m.put("what", l.what());
        m.put("mode", r.mode().word());
        if (r.mode().clamps()) {
            m.put("wire", r.wire());
        } else {
            m.put("plus", r.plus().toString());
            m.put("minus", r.minus().toString());
        }
        m.put("order", l.order());
        m.put("expected", l.expected());
        m.put("low", l.low());
        m.put("high", l.high());
        m.put("supply", l.supply());
        m.put("otherwise", l.otherwise());
        return m;
    }

    static KeptSheet read(String text) {
        JsonNode m = JsonText.parse(text);
        List<CheckSheet.Section> sections = new ArrayList<>();
        for (JsonNode s : m.get("sections")) {
            String circuit = s.get("circuit").asString();
            sections.add(new CheckSheet.Section(
                    s.get("place").asString(),
                    circuit,
                    s.get("lines").valueStream().map(l -> line(l, circuit)).toList(),
                    s.get("notes").valueStream().map(JsonNode::asString).toList()));
        }
        return new KeptSheet(
                m.get("scenario").asString(),
                m.get("load").asString(),
                m.get("micros").longValue(),
                new CheckSheet(sections));
    }

    private static CheckSheet.Line line(JsonNode l, String circuit) {
        Request.Mode mode = Request.Mode.of(l.get("mode").asString()).orElseThrow();
        Request request = mode.clamps()
                ? new Request(mode, null, null, l.get("wire").asString(), 1, false)
                : new Request(
                        mode,
                        Terminal.parse(l.get("plus").asString()),
                        Terminal.parse(l.get("minus").asString()),
                        null,
                        1,
                        false);
        return new CheckSheet.Line(
                l.get("what").asString(),
                request,
                circuit,
                l.get("order").intValue(),
                null,
                l.get("expected").doubleValue(),
                l.get("low").doubleValue(),
                l.get("high").doubleValue(),
                l.get("supply").booleanValue(),
                l.get("otherwise").asString());
    }
}
