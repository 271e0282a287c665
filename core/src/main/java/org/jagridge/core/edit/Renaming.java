package org.jagridge.core.edit;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.jagridge.core.circuit.Cable;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.PartDeclaration;
import org.jagridge.core.circuit.Rename;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.part.PartTypes;

/** A new id for a part, a place or a wire, that everything which named it by the old one takes over. */
final class Renaming {
    /** What it is that gets a new id. */
    enum Thing {
        PART,
        PLACE,
        WIRE
    }

    /** What is said of a rule, and conditions of the world, which are no ids. */
    private static final Set<String> PLAIN = Set.of("id", "text", "condition");

    private final Thing thing;
    private final String old;
    private final String now;
    private final Rename names = new Rename() {
        @Override
        public String part(String id) {
            return thing == Thing.WIRE ? id : id(id);
        }

        @Override
        public String wire(String id) {
            return thing == Thing.WIRE ? id(id) : id;
        }
    };

    private Renaming(Thing thing, String old, String now) {
        this.thing = thing;
        this.old = old;
        this.now = now;
    }

    /**
     * Renames in all but the thing itself.
     *
     * @param old the old id, or null for a thing that is new
     */
    static void in(Circuit.Builder b, Thing thing, String old, String now) {
        if (old != null && !old.equals(now)) {
            new Renaming(thing, old, now).in(b);
        }
    }

    private void in(Circuit.Builder b) {
        if (thing == Thing.PLACE) {
            b.parts().replaceAll(p -> p.place().equals(old) ? p.withPlace(now) : p);
            b.cables()
                    .replaceAll(
                            k -> new Cable(k.id(), id(k.from()), id(k.to()), k.lengthMetres(), k.size(), k.cores()));
        } else {
            b.parts().replaceAll(this::parameters);
        }
        if (thing != Thing.WIRE) {
            b.wires().replaceAll(w -> w.withEnd(0, end(w.from())).withEnd(1, end(w.to())));
        }
        if (thing == Thing.PART) {
            b.rules().replaceAll(r -> r.renamed(names));
        }
        b.scenarios().replaceAll(this::scenario);
        b.layout().replaceAll((key, value) -> arrangement(value));
    }

    private String id(String id) {
        return id.equals(old) ? now : id;
    }

    private Terminal end(Terminal t) {
        return new Terminal(id(t.part()), t.name());
    }

    // ---- parameters

    private Part parameters(Part part) {
        PartDeclaration declared = PartTypes.catalogue().require(part);
        Map<String, Object> changed = new LinkedHashMap<>(part.params());
        for (PartDeclaration.Reference r : declared.references(new Params(declared.params(), part.params()))) {
            if (r.id().equals(old) && r.wire() == (thing == Thing.WIRE)) {
                changed.computeIfPresent(r.path(), (name, value) -> value(value));
            }
        }
        return part.withParams(changed);
    }

    /** A tree with the id in it, alone or before what is said of it, as in {@code CC=in}. */
    private Object value(Object value) {
        if (value instanceof String s) {
            return text(s);
        }
        if (value instanceof List<?> list) {
            return list.stream().map(this::value).toList();
        }
        return value instanceof Map<?, ?> map ? map(map) : value;
    }

    private Map<String, Object> map(Map<?, ?> map) {
        Map<String, Object> changed = new LinkedHashMap<>();
        map.forEach((key, v) -> changed.put(key.toString(), PLAIN.contains(key.toString()) ? v : value(v)));
        return changed;
    }

    private String text(String s) {
        boolean whole = s.startsWith(old) && (s.length() == old.length() || "=!.".indexOf(s.charAt(old.length())) >= 0);
        return whole ? now + s.substring(old.length()) : s;
    }

    // ---- scenarios

    private Scenario scenario(Scenario s) {
        return new Scenario(
                s.name(),
                keys(s.start()),
                s.steps().stream()
                        .map(t -> new Scenario.Step(t.atSeconds(), keys(t.set()), faults(t.faults())))
                        .toList(),
                faults(s.faults()),
                s.untilSeconds());
    }

    private Map<String, Object> keys(Map<String, Object> inputs) {
        Map<String, Object> changed = new LinkedHashMap<>();
        inputs.forEach((key, value) -> changed.put(thing == Thing.PART ? text(key) : key, value));
        return changed;
    }

    private List<Fault> faults(List<Fault> faults) {
        return faults.stream().map(this::fault).toList();
    }

    private Fault fault(Fault f) {
        return new Fault(f.defect().renamed(names), f.atSeconds(), f.untilSeconds());
    }

    // ---- drawings

    /** What a drawing keeps is by ids under "parts", "places" and "wires". */
    private Object arrangement(Object kept) {
        if (!(kept instanceof Map<?, ?> map)) {
            return kept;
        }
        Map<String, Object> changed = new LinkedHashMap<>();
        String mine = thing.name().toLowerCase(Locale.ROOT) + "s";
        map.forEach((key, value) -> {
            if (key.equals(mine) && value instanceof Map<?, ?> byId) {
                Map<String, Object> renamed = new LinkedHashMap<>();
                byId.forEach((id, v) -> renamed.put(id(id.toString()), v));
                changed.put(mine, renamed);
            } else {
                changed.put(key.toString(), value);
            }
        });
        return changed;
    }
}
