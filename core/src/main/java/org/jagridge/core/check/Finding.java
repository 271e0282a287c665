package org.jagridge.core.check;

import java.util.List;
import java.util.Locale;

/**
 * One thing that is wrong, risky or worth knowing.
 *
 * @param code stable, like {@code safety-bypassed}; all are listed in docs/findings.md
 * @param message where and why
 * @param advice what to do
 */
public record Finding(
        Severity severity, String code, List<String> parts, List<String> wires, String message, String advice) {

    /** How bad, worst first. */
    public enum Severity {
        DANGER,
        ERROR,
        WARNING,
        NOTE;

        public String word() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    public Finding {
        parts = List.copyOf(parts);
        wires = List.copyOf(wires);
    }

    static Finding of(Severity severity, String code, List<String> parts, String message, String advice) {
        return new Finding(severity, code, parts, List.of(), message, advice);
    }
}
