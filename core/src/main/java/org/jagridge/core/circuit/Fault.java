package org.jagridge.core.circuit;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * A named defect of one circuit.
 *
 * @param details where it sits, by the keys of {@link FaultKind#details()}
 * @param atSeconds when it begins, or null for the start of the step or run that names it
 * @param untilSeconds when it goes away again, or null for never
 */
public record Fault(FaultKind kind, Map<String, Object> details, Double atSeconds, Double untilSeconds) {
    public Fault {
        details = Collections.unmodifiableMap(new LinkedHashMap<>(details));
    }

    public static Fault of(FaultKind kind, Object... keysAndValues) {
        Map<String, Object> details = new LinkedHashMap<>();
        for (int i = 0; i < keysAndValues.length; i += 2) {
            details.put((String) keysAndValues[i], keysAndValues[i + 1]);
        }
        return new Fault(kind, details, null, null);
    }

    /** The same defect without times of its own. */
    public Fault always() {
        return atSeconds == null && untilSeconds == null ? this : new Fault(kind, details, null, null);
    }

    public String text(FaultKind.Detail detail) {
        return (String) details.get(detail.key());
    }

    public double number(FaultKind.Detail detail, double otherwise) {
        return details.get(detail.key()) instanceof Number n ? n.doubleValue() : otherwise;
    }

    public List<String> texts(FaultKind.Detail detail) {
        return ((List<?>) details.get(detail.key()))
                .stream().map(String.class::cast).toList();
    }

    /** The part it sits in, or null for a fault of the wiring. */
    public String part() {
        return details.get("part") instanceof String s ? s : null;
    }

    /** The fault in words, like "coil open, K1". */
    public String words() {
        StringBuilder words = new StringBuilder(kind.word().replace('-', ' '));
        for (FaultKind.Detail detail : kind.details()) {
            Object value = details.get(detail.key());
            if (value instanceof List<?> list) {
                words.append(' ').append(list.get(0)).append(" to ").append(list.get(1));
            } else if (value != null) {
                words.append(' ').append(value);
                words.append(detail == FaultKind.Detail.OHMS || detail == FaultKind.Detail.OHMS_OPTIONAL ? " Ω" : "");
            }
        }
        return words.toString();
    }
}
