package org.jagridge.web.bench;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Wire;
import org.jagridge.web.svg.Look;
import org.springframework.web.util.HtmlUtils;

/** What stays on the bench page while the bench is open. */
record BenchPlace(
        String circuit,
        String slug,
        long revisionId,
        int revision,
        int newestRevision,
        HandsView hands,
        String faultOptions,
        Look look,
        String drawingNote,
        List<String> terminals,
        List<String> wires,
        List<WalkView.Choice> loads,
        List<String> leftOut,
        String about) {

    static BenchPlace of(BenchState state, Look look) {
        BenchRepository.Row bench = state.bench();
        Circuit circuit = state.drawn().circuit();
        return new BenchPlace(
                bench.name(),
                bench.slug(),
                bench.revisionId(),
                bench.revision(),
                bench.newestRevision(),
                HandsView.of(state.drawn()),
                options(circuit, state.drawn().faults()),
                look,
                circuit.places().size() + " places · " + circuit.wires().size() + " wires",
                state.drawn().assembly().nodes().keySet().stream()
                        .map(Object::toString)
                        .toList(),
                circuit.wires().stream().map(Wire::id).toList(),
                WalkView.choices(state),
                bench.leftOut() == null ? List.of() : bench.leftOut().lines().toList(),
                bench.about());
    }

    /**
     * The choices as HTML, part by part, those of wires last; a template would take longer over them than over all the rest.
     */
    private static String options(Circuit circuit, List<Fault> faults) {
        Map<String, StringBuilder> groups = new LinkedHashMap<>();
        circuit.parts().forEach(p -> groups.put(p.id(), new StringBuilder()));
        groups.put("", new StringBuilder());
        for (int i = 0; i < faults.size(); i++) {
            String part = faults.get(i).part();
            groups.get(part == null ? "" : part)
                    .append("<option value=\"")
                    .append(i)
                    .append("\">")
                    .append(HtmlUtils.htmlEscape(faults.get(i).words()))
                    .append("</option>");
        }
        StringBuilder html = new StringBuilder();
        groups.forEach((id, options) -> {
            if (!options.isEmpty()) {
                String name = circuit.part(id).map(Part::name).map(n -> " " + n).orElse("");
                String title = id.isEmpty() ? "wires and cores" : id + name;
                html.append("<optgroup label=\"")
                        .append(HtmlUtils.htmlEscape(title))
                        .append("\">")
                        .append(options)
                        .append("</optgroup>");
            }
        });
        return html.toString();
    }
}
