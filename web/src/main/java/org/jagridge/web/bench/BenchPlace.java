package org.jagridge.web.bench;

import java.util.List;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Fault;
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
                options(state.drawn().faults()),
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

    /** The choices as HTML; a template would take longer over them than over all the rest. */
    private static String options(List<Fault> faults) {
        StringBuilder html = new StringBuilder();
        for (int i = 0; i < faults.size(); i++) {
            html.append("<option value=\"")
                    .append(i)
                    .append("\">")
                    .append(HtmlUtils.htmlEscape(faults.get(i).words()))
                    .append("</option>");
        }
        return html.toString();
    }
}
