package org.jagridge.core.check;

import java.util.List;
import java.util.Locale;

/**
 * One thing that is wrong, risky or worth knowing.
 *
 * @param message where and why
 * @param advice what to do here; mostly what the kind says
 * @param trial what showed it; null for what the wiring shows by itself
 */
public record Finding(
        FindingKind kind, List<String> parts, List<String> wires, String message, String advice, Trial trial) {

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

    public Severity severity() {
        return kind.severity();
    }

    /** Stable, like {@code safety-bypassed}; all are listed in docs/findings.md. */
    public String code() {
        return kind.code();
    }
}
