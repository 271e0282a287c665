package org.jagridge.core.format;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jagridge.core.part.Because;
import org.jagridge.core.part.Time;
import org.jagridge.core.run.Event;
import org.jagridge.core.run.Run;
import org.jagridge.core.run.RunProblem;

/** Writes runs as the HTTP interface gives them. Times in seconds. */
public final class RunWriter {
    private RunWriter() {}

    public static Map<String, Object> toMap(Run run) {
        Map<String, Object> m = new LinkedHashMap<>();
        m.put("events", run.events().stream().map(RunWriter::event).toList());
        Map<String, Object> signals = new LinkedHashMap<>();
        Map<String, Object> last = new LinkedHashMap<>();
        run.signals().forEach((part, steps) -> {
            List<List<Object>> list = new ArrayList<>();
            steps.forEach(s -> list.add(List.of(Time.seconds(s.micros()), s.value())));
            signals.put(part, list);
            last.put(part, steps.get(steps.size() - 1).value());
        });
        m.put("signals", signals);
        m.put("problems", run.problems().stream().map(RunWriter::problem).toList());
        m.put("final", last);
        return m;
    }

    private static Map<String, Object> event(Event e) {
        Map<String, Object> m = new LinkedHashMap<>();
        m.put("t", Time.seconds(e.micros()));
        m.put("part", e.part());
        m.put("signal", e.signal());
        m.put("from", e.from());
        m.put("to", e.to());
        m.put("because", because(e));
        m.put("path", e.path());
        if (e.backFeed()) {
            m.put("backFeed", true);
        }
        return m;
    }

    private static Map<String, Object> because(Event e) {
        Because b = e.because();
        Map<String, Object> m = new LinkedHashMap<>();
        m.put("kind", b.kind().word());
        m.put("text", b.text());
        if (b.volts() != null) {
            m.put(b.kind() == Because.Kind.AMPS ? "amps" : "volts", b.volts());
            m.put("threshold", b.threshold());
        }
        m.put("events", e.causes());
        return m;
    }

    private static Map<String, Object> problem(RunProblem p) {
        Map<String, Object> m = new LinkedHashMap<>();
        m.put("code", p.code());
        m.put("t", Time.seconds(p.micros()));
        m.put("parts", p.parts());
        m.put("loop", p.loop());
        m.put("message", p.message());
        return m;
    }
}
