package org.jagridge.web.records;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.found.AsFound;
import org.jagridge.core.part.PartTypes;
import org.jagridge.core.part.Trait;

/**
 * A thermostat that could be replaced, with the planner's address that holds what was found at it: each conductor by its
 * colour, the letter it is landed on, and where its other end is. The boards are for the technician to say.
 */
public record Replaced(String id, String address) {
    static List<Replaced> of(AsFound found, Circuit circuit) {
        List<Replaced> all = new ArrayList<>();
        for (Part p : circuit.parts()) {
            if (PartTypes.is(p, Trait.THERMOSTAT)) {
                List<String> landings = new ArrayList<>();
                Set<String> cores = new LinkedHashSet<>();
                for (AsFound.Row row : found.rows()) {
                    boolean here = row.at().part().equals(p.id());
                    boolean there = row.to() != null && row.to().part().equals(p.id());
                    boolean coloured = row.colour() != null && !row.colour().isBlank();
                    if (here != there && coloured && cores.add(word(row.colour()))) {
                        Terminal own = here ? row.at() : row.to();
                        Terminal other = here ? row.to() : row.at();
                        landings.add(word(row.colour()) + "=" + own.name() + (other == null ? "" : ">" + other));
                    }
                }
                if (!landings.isEmpty()) {
                    all.add(new Replaced(
                            p.id(),
                            "/plan?asked=1&indoor=gas-furnace&terminals=" + encoded("R C W Y G") + "&tc="
                                    + encoded(String.join(" ", cores)) + "&old="
                                    + encoded(String.join(" ", landings))
                                    + "&allow=batteries&allow=relay&allow=sharing-pair&allow=wireless-module"
                                    + "&allow=local-transformer&allow=new-cable"));
                }
            }
        }
        return all;
    }

    private static String word(String colour) {
        return colour.strip().replaceAll("[\\s=>]+", "-");
    }

    private static String encoded(String text) {
        return URLEncoder.encode(text, StandardCharsets.UTF_8);
    }
}
