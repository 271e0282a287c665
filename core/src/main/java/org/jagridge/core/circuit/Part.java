package org.jagridge.core.circuit;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * A device with terminals, in one place.
 *
 * @param name what people call it, or null
 * @param params only the parameters that differ from the catalogue's defaults
 * @param fitted false for an option that is drawn but not there
 * @param whenNotFitted what stands in for a part that is not fitted
 * @param labels what the maker prints on a terminal, by terminal name
 */
public record Part(
        String id,
        String type,
        String place,
        String name,
        Map<String, Object> params,
        boolean fitted,
        WhenNotFitted whenNotFitted,
        Map<String, String> labels) {

    /** What an option that isn't fitted leaves behind. */
    public enum WhenNotFitted {
        OPEN,
        BYPASS
    }

    public Part {
        params = Collections.unmodifiableMap(new LinkedHashMap<>(params));
        labels = Collections.unmodifiableMap(new LinkedHashMap<>(labels));
    }

    /** The part's name, or its id where it has none. */
    public String title() {
        return name == null ? id : name;
    }

    public Part withPlace(String changed) {
        return new Part(id, type, changed, name, params, fitted, whenNotFitted, labels);
    }

    /** The same part without some of its parameters. */
    public Part without(String... names) {
        Map<String, Object> fewer = new LinkedHashMap<>(params);
        fewer.keySet().removeAll(List.of(names));
        return withParams(fewer);
    }

    /** The same part with one parameter set. */
    public Part with(String param, Object value) {
        Map<String, Object> more = new LinkedHashMap<>(params);
        more.put(param, value);
        return withParams(more);
    }

    public Part withParams(Map<String, Object> changed) {
        return new Part(id, type, place, name, changed, fitted, whenNotFitted, labels);
    }
}
