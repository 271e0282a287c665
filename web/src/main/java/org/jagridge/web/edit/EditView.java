package org.jagridge.web.edit;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jagridge.core.circuit.Cable;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.ConductorSize;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.PartDeclaration;
import org.jagridge.core.circuit.Place;
import org.jagridge.core.circuit.Wire;
import org.jagridge.core.edit.MarksText;
import org.jagridge.core.edit.PartText;
import org.jagridge.core.part.PartTypes;
import org.jagridge.web.circuits.CircuitRepository.Row;
import org.jagridge.web.circuits.CircuitStore.Drawn;

/** Everything the editor shows of one revision. */
record EditView(
        String slug,
        String name,
        String notes,
        int revision,
        long revisionId,
        String undo,
        String redo,
        List<WireRow> wires,
        List<PartRow> parts,
        List<CableRow> cables,
        List<Place> places,
        List<String> terminals,
        List<String> colours,
        List<TypeChoice> types,
        List<String> sizes) {

    private static final List<String> COLOURS =
            List.of("red", "white", "blue", "yellow", "green", "orange", "brown", "black", "purple", "grey", "pink");

    record WireRow(
            String id,
            String from,
            String to,
            String colour,
            String cable,
            String size,
            String length,
            boolean factory) {}

    record PartRow(
            String id,
            String type,
            String place,
            String name,
            String params,
            String marks,
            String fitted,
            String hint) {}

    record CableRow(String id, String from, String to, String length, String size, String cores) {}

    /** @param ratings the parameters with their defaults, as a reminder */
    record TypeChoice(String type, String title, String ratings) {}

    /** Whether there is nothing in the circuit yet. */
    public boolean isEmpty() {
        return parts.isEmpty();
    }

    static EditView of(Row row, Drawn drawn, String undo, String redo) {
        Circuit c = drawn.circuit();
        Set<String> colours = new LinkedHashSet<>(COLOURS);
        c.cables().forEach(k -> colours.addAll(k.cores()));
        return new EditView(
                row.slug(),
                c.name(),
                c.notes(),
                row.revision(),
                row.revisionId(),
                undo,
                redo,
                c.wires().stream().map(w -> wire(w, c)).toList(),
                c.parts().stream().map(EditView::part).toList(),
                c.cables().stream().map(EditView::cable).toList(),
                c.places(),
                drawn.assembly().nodes().keySet().stream().map(Object::toString).toList(),
                new ArrayList<>(colours),
                PartTypes.catalogue().all().stream()
                        .map(t -> new TypeChoice(t.type(), t.title(), hint(t)))
                        .toList(),
                Arrays.stream(ConductorSize.values()).map(ConductorSize::word).toList());
    }

    private static WireRow wire(Wire w, Circuit c) {
        return new WireRow(
                w.id(),
                w.from().toString(),
                w.to().toString(),
                text(c.colourOf(w)),
                text(w.cable()),
                w.size() == null ? "" : w.size().word(),
                number(w.lengthMetres()),
                w.run() == Wire.Run.FACTORY);
    }

    private static PartRow part(Part p) {
        PartDeclaration type = PartTypes.catalogue().require(p);
        String fitted = p.fitted() ? "yes" : p.whenNotFitted() == Part.WhenNotFitted.BYPASS ? "bypassed" : "no";
        return new PartRow(
                p.id(),
                p.type(),
                p.place(),
                text(p.name()),
                PartText.write(p.params(), PartTypes.catalogue().require(p)),
                MarksText.write(p.labels()),
                fitted,
                hint(type));
    }

    private static CableRow cable(Cable k) {
        return new CableRow(
                k.id(),
                k.from(),
                k.to(),
                number(k.lengthMetres()),
                k.size() == null ? "" : k.size().word(),
                String.join(", ", k.cores()));
    }

    private static String hint(PartDeclaration type) {
        List<String> words = new ArrayList<>();
        type.params()
                .forEach(f -> words.add(f.name()
                        + (f.initial() == null
                                ? ""
                                : "=" + PartText.write(Map.of("", f.initial())).substring(1))));
        return String.join(" ", words);
    }

    private static String text(String s) {
        return s == null ? "" : s;
    }

    private static String number(Double d) {
        return d == null ? "" : d == Math.rint(d) ? Long.toString(d.longValue()) : Double.toString(d);
    }
}
