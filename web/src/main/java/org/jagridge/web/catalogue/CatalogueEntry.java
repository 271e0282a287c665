package org.jagridge.web.catalogue;

import java.util.List;
import java.util.Map;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.Place;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Numbers;
import org.jagridge.core.part.PartType;
import org.jagridge.core.run.FaultList;
import org.jagridge.web.svg.SymbolSet;
import org.jagridge.web.svg.SymbolSvg;

/** One part type as the catalogue shows it, taken from its declaration and from one such part put together. */
record CatalogueEntry(
        String type,
        String title,
        String summary,
        List<String> cautions,
        List<String> terminals,
        List<Row> ratings,
        List<Row> inputs,
        List<SymbolSvg.Named> symbols,
        List<SymbolSvg.Named> iecSymbols,
        List<String> faults) {

    /**
     * A parameter or input.
     *
     * @param value what it is without one, with its unit; empty where there is none
     */
    record Row(String name, String value, String unit) {}

    static CatalogueEntry of(PartType type) {
        Params params = new Params(type.params(), Map.of());
        Circuit one = Circuit.builder(type.title())
                .place("place", "Place", Place.Access.PANEL)
                .part("X", type.type(), "place")
                .build();
        List<Branch> branches = Assembly.of(one).branchesOf("X").stream()
                .filter(Branch::isDrawn)
                .toList();
        return new CatalogueEntry(
                type.type(),
                type.title(),
                type.summary(),
                type.cautions(),
                type.terminals(params),
                type.params().stream().map(CatalogueEntry::row).toList(),
                type.inputs(params).stream().map(CatalogueEntry::row).toList(),
                SymbolSvg.of(branches, SymbolSet.NORTH_AMERICAN),
                SymbolSvg.of(branches, SymbolSet.IEC),
                FaultList.faultsOf(one).stream()
                        .map(Fault::words)
                        .map(w -> w.replace(" X", ""))
                        .distinct()
                        .toList());
    }

    private static Row row(Field f) {
        Object v = f.initial();
        String value = v == null
                ? ""
                : v instanceof Number n ? Numbers.plain(n.doubleValue()) + " " + f.unit() : String.valueOf(v);
        String choices = f.choices().isEmpty() || v instanceof List ? "" : " of " + String.join(", ", f.choices());
        // a rating that names a part has the unit of what that part measures, which is none of its own
        boolean measured = f.kind() == Field.Kind.NUMBER || f.kind() == Field.Kind.NUMBERS;
        return new Row(f.name(), value + choices, measured ? f.unit() : "");
    }
}
