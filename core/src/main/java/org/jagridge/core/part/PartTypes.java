package org.jagridge.core.part;

import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jagridge.core.circuit.Catalogue;
import org.jagridge.core.circuit.Part;

/** The register of part types, in the order of the catalogue. A new type is added here. */
public final class PartTypes implements Catalogue {
    private static final PartTypes CATALOGUE = new PartTypes(List.of(
            new Supply(),
            new Transformer(),
            new Breaker(),
            new Fuse(),
            new Splice(),
            new TerminalStrip(),
            new Switch(),
            new Relay(),
            new Contactor(),
            new Thermostat(),
            new ResistiveLoad(),
            new Lamp(),
            new Solenoid(),
            new Motor()));

    private final Map<String, PartType> byType = new LinkedHashMap<>();

    private PartTypes(List<PartType> types) {
        types.forEach(t -> byType.put(t.type(), t));
    }

    public static PartTypes catalogue() {
        return CATALOGUE;
    }

    @Override
    public Optional<PartType> find(String type) {
        return Optional.ofNullable(byType.get(type));
    }

    @Override
    public Collection<PartType> all() {
        return byType.values();
    }

    @Override
    public PartType require(Part part) {
        return find(part.type())
                .orElseThrow(() ->
                        new IllegalArgumentException("part " + part.id() + " has the unknown type " + part.type()));
    }
}
