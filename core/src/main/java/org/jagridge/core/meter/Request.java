package org.jagridge.core.meter;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.UnaryOperator;
import org.jagridge.core.circuit.Terminal;

/**
 * Where the meter is put.
 *
 * @param plus the red lead; a terminal of the part for a temperature; null for a clamp
 * @param minus the black lead, or null for a clamp or a temperature
 * @param wire the conductor in the clamp, or null; several with commas between, "-" before one that passes the other way
 * @param turns how often the conductor passes through the clamp
 * @param lowImpedance whether the meter loads the circuit with 3 kΩ instead of 10 MΩ
 */
public record Request(Mode mode, Terminal plus, Terminal minus, String wire, double turns, boolean lowImpedance) {

    /** What the meter's dial stands on. */
    public enum Mode {
        AC_VOLTS("AC volts"),
        DC_VOLTS("DC volts"),
        AMPS("AC amps"),
        DC_AMPS("DC amps"),
        OHMS("ohms"),
        CONTINUITY("continuity"),
        CAPACITANCE("capacitance"),
        CELSIUS("temperature");

        private final String title;

        Mode(String title) {
            this.title = title;
        }

        public String title() {
            return title;
        }

        /** The word of the HTTP interface, like {@code ac-volts}. */
        public String word() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-');
        }

        public boolean clamps() {
            return this == AMPS || this == DC_AMPS;
        }

        public boolean isVolts() {
            return this == AC_VOLTS || this == DC_VOLTS;
        }

        /** Whether the meter feeds the circuit, which must be dead. */
        public boolean needsDead() {
            return this == OHMS || this == CONTINUITY || this == CAPACITANCE;
        }

        public static Optional<Mode> of(String word) {
            return Arrays.stream(values()).filter(m -> m.word().equals(word)).findFirst();
        }
    }

    /** What names a reading in records: {@code ac-volts TH.G T1.X2}, {@code amps w14}. */
    public String key() {
        return mode.word() + " " + (mode.clamps() ? wire : plus + " " + minus);
    }

    /** The same with the leads changed over. */
    @SuppressWarnings("ArgumentSelectionDefectChecker")
    public Request turned() {
        return new Request(mode, minus, plus, wire, turns, lowImpedance);
    }

    /** The same with each lead where a function says. */
    public Request at(UnaryOperator<Terminal> where) {
        return new Request(
                mode,
                plus == null ? null : where.apply(plus),
                minus == null ? null : where.apply(minus),
                wire,
                turns,
                lowImpedance);
    }

    /** A conductor in the clamp, and whether it passes the other way round. */
    public record Conductor(String wire, boolean turned) {}

    /** What is in the clamp. */
    public List<Conductor> conductors() {
        return Arrays.stream(wire.split(","))
                .map(w -> w.startsWith("-") ? new Conductor(w.substring(1), true) : new Conductor(w, false))
                .toList();
    }

    /** Several conductors in one clamp, each as "w7" or "-w8". */
    public static Request clamp(Mode mode, List<String> wires, double turns) {
        return new Request(mode, null, null, String.join(",", wires), turns, false);
    }

    public static Request volts(String plus, String minus) {
        return new Request(Mode.AC_VOLTS, Terminal.parse(plus), Terminal.parse(minus), null, 1, false);
    }

    public static Request amps(String wire) {
        return new Request(Mode.AMPS, null, null, wire, 1, false);
    }
}
