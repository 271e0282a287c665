package org.jagridge.core.run;

import java.util.List;

/** A run went over its limits: names the parts that kept moving. */
public final class RunLimitException extends RuntimeException {
    private static final long serialVersionUID = 1L;
    private final transient List<String> parts;

    RunLimitException(String message, List<String> parts) {
        super(message);
        this.parts = List.copyOf(parts);
    }

    public List<String> parts() {
        return parts;
    }
}
