package org.jagridge.core.check;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/** Collects findings. */
final class Findings {
    private final List<Finding> findings = new ArrayList<>();
    private final Set<String> once = new HashSet<>();

    void add(FindingKind kind, List<String> parts, String message) {
        add(kind, parts, List.of(), message);
    }

    void add(FindingKind kind, List<String> parts, List<String> wires, String message) {
        findings.add(new Finding(kind, parts, wires, message, kind.advice(), null));
    }

    /** Says something of a part only at the first time that it is found. */
    void once(FindingKind kind, String part, String message) {
        tried(kind, part, message, kind.advice(), null);
    }

    /** The same of what a trial showed. */
    void tried(FindingKind kind, String part, String message, Trial trial) {
        tried(kind, part, message, kind.advice(), trial);
    }

    void tried(FindingKind kind, String part, String message, String advice, Trial trial) {
        if (once.add(kind.code() + " " + part)) {
            findings.add(new Finding(kind, List.of(part), List.of(), message, advice, trial));
        }
    }

    /** What was found on the wires alone, and now shown by a trial as well: it is told once, with the trial. */
    void shown(FindingKind kind, String part, String message, Trial trial) {
        findings.removeIf(f -> f.code().equals(kind.code()) && f.parts().equals(List.of(part)));
        tried(kind, part, message, trial);
    }

    /** The same of a wire. */
    void triedWire(FindingKind kind, String wire, String message, Trial trial) {
        if (once.add(kind.code() + " " + wire)) {
            findings.add(new Finding(kind, List.of(), List.of(wire), message, kind.advice(), trial));
        }
    }

    /** Worst first; those of one severity in the order of their codes and parts. */
    List<Finding> sorted() {
        findings.sort(Comparator.comparing(Finding::severity)
                .thenComparing(Finding::code)
                .thenComparing(f -> String.join(" ", f.parts())));
        return List.copyOf(findings);
    }
}
