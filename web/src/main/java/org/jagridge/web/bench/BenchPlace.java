package org.jagridge.web.bench;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Wire;
import org.jagridge.web.svg.Json;
import org.jagridge.web.svg.Look;
import tools.jackson.databind.json.JsonMapper;

/**
 * What stays on the bench page while the bench is open.
 *
 * @param terminals all terminals, and the ends of all wires as {@code w7 TH.G}: where hands and leads can go
 */
record BenchPlace(
        String circuit,
        String slug,
        long revisionId,
        int revision,
        int newestRevision,
        HandsView hands,
        String faultsJson,
        Look look,
        String drawingNote,
        List<String> terminals,
        List<String> wires,
        List<WalkView.Choice> loads,
        List<String> leftOut,
        String about) {

    /** The faults that a part can have, or those of the wiring, each by its place in the circuit's list of faults. */
    record Faults(String title, List<Choice> faults) {}

    record Choice(int index, String words) {}

    static BenchPlace of(BenchState state, Look look, JsonMapper json) {
        BenchRepository.Row bench = state.bench();
        Circuit circuit = state.drawn().circuit();
        return new BenchPlace(
                bench.name(),
                bench.slug(),
                bench.revisionId(),
                bench.revision(),
                bench.newestRevision(),
                HandsView.of(state.drawn()),
                Json.inPage(faults(circuit, state.drawn().faults()), json),
                look,
                circuit.places().size() + " places · " + circuit.wires().size() + " wires",
                Stream.concat(
                                state.drawn().assembly().nodes().keySet().stream()
                                        .map(Object::toString),
                                circuit.wires().stream()
                                        .flatMap(w -> Stream.of(w.id() + " " + w.from(), w.id() + " " + w.to())))
                        .toList(),
                circuit.wires().stream().map(Wire::id).toList(),
                WalkView.choices(state),
                bench.leftOut() == null ? List.of() : bench.leftOut().lines().toList(),
                bench.about());
    }

    private static String title(Part part) {
        return part.name() == null ? part.id() : part.id() + " " + part.name();
    }

    private static List<Faults> faults(Circuit circuit, List<Fault> all) {
        Map<String, Faults> groups = new LinkedHashMap<>();
        circuit.parts().forEach(p -> groups.put(p.id(), new Faults(title(p), new ArrayList<>())));
        groups.put("", new Faults("wires and cores", new ArrayList<>()));
        for (int i = 0; i < all.size(); i++) {
            String part = all.get(i).part();
            groups.get(part == null ? "" : part)
                    .faults()
                    .add(new Choice(i, all.get(i).words()));
        }
        return groups.values().stream().filter(g -> !g.faults().isEmpty()).toList();
    }
}
