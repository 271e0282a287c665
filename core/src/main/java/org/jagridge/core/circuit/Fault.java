package org.jagridge.core.circuit;

import java.util.LinkedHashMap;
import java.util.Map;

/**
 * A defect of one circuit, with the time for which it is there.
 *
 * @param atSeconds when it begins, or null for the start of the step or run that names it
 * @param untilSeconds when it goes away again, or null for never
 */
public record Fault(Defect defect, Double atSeconds, Double untilSeconds) {
    /** A defect that is there from the start of what names it. */
    public Fault(Defect defect) {
        this(defect, null, null);
    }

    /** A fault by its kind and the details that this needs, as the file has them. */
    public Fault(FaultKind kind, Map<String, ?> details, Double atSeconds, Double untilSeconds) {
        this(kind.read(details), atSeconds, untilSeconds);
    }

    /** The same with keys and values in turn, for all the time. */
    public static Fault of(FaultKind kind, Object... keysAndValues) {
        Map<String, Object> details = new LinkedHashMap<>();
        for (int i = 0; i < keysAndValues.length; i += 2) {
            details.put((String) keysAndValues[i], keysAndValues[i + 1]);
        }
        return new Fault(kind.read(details));
    }

    /** The same defect at another time. */
    public Fault during(Double from, Double to) {
        return new Fault(defect, from, to);
    }

    public FaultKind kind() {
        return defect.kind();
    }

    /** The fault in words, like "coil open K1". */
    public String words() {
        return defect.words();
    }

    /** The part it sits in, or null for a fault of the wiring. */
    public String part() {
        return defect.part();
    }

    /** The one wire it sits in, or null. */
    public String wire() {
        return defect.wire();
    }
}
