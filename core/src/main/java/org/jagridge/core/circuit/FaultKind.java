package org.jagridge.core.circuit;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** Every named defect, with the details that say where it sits. */
public enum FaultKind {
    WIRE_OPEN(Detail.WIRE),
    WIRE_RESISTIVE(Detail.WIRE, Detail.OHMS),
    WIRE_EARTHED(Detail.WIRE),
    SHORT(Detail.BETWEEN, Detail.OHMS_OPTIONAL),
    LINK(Detail.BETWEEN),
    SWAPPED(Detail.WIRES, Detail.END),
    LANDED(Detail.WIRE, Detail.END, Detail.AT),
    /** A wire's end off its terminal, {@code at}, and in the air. */
    LIFTED(Detail.WIRE, Detail.AT),
    /** Two wires off their terminals and twisted together; {@code between} says off which. */
    TWISTED(Detail.WIRES, Detail.BETWEEN),
    LINK_MISSING(Detail.WIRE),
    CONTACT_OPEN(Detail.PART, Detail.CONTACT),
    CONTACT_WELDED(Detail.PART, Detail.CONTACT),
    CONTACT_RESISTIVE(Detail.PART, Detail.CONTACT, Detail.OHMS),
    COIL_OPEN(Detail.PART),
    COIL_SHORTED(Detail.PART),
    ARMATURE_STUCK(Detail.PART),
    LOAD_OPEN(Detail.PART),
    LOAD_SHORTED(Detail.PART),
    WINDING_OPEN(Detail.PART, Detail.WINDING),
    CAPACITOR_OPEN(Detail.PART, Detail.SECTION),
    CAPACITOR_WEAK(Detail.PART, Detail.SECTION),
    MOTOR_SEIZED(Detail.PART),
    STUCK(Detail.PART, Detail.POSITION),
    OUTPUT_DEAD(Detail.PART, Detail.OUTPUT),
    OUTPUT_STUCK(Detail.PART, Detail.OUTPUT),
    WRONG_SETTING(Detail.PART, Detail.PARAM, Detail.VALUE),
    CONDITION(Detail.PART, Detail.CONDITION);

    /** A key of a fault in the file, and what its value is. */
    public enum Detail {
        WIRE("wire"),
        WIRES("wires"),
        BETWEEN("between"),
        AT("at"),
        END("end"),
        OHMS("ohms"),
        OHMS_OPTIONAL("ohms"),
        PART("part"),
        CONTACT("contact"),
        WINDING("winding"),
        SECTION("section"),
        POSITION("at"),
        OUTPUT("output"),
        PARAM("param"),
        VALUE("value"),
        CONDITION("condition");

        private final String key;

        Detail(String key) {
            this.key = key;
        }

        public String key() {
            return key;
        }

        public boolean optional() {
            return this == OHMS_OPTIONAL || this == SECTION;
        }
    }

    private final List<Detail> details;

    FaultKind(Detail... details) {
        this.details = List.of(details);
    }

    public List<Detail> details() {
        return details;
    }

    /** Whether {@code at} is a terminal; elsewhere it is a position. */
    public boolean isAtATerminal() {
        return this == LANDED || this == LIFTED;
    }

    /** The word of the file format, like {@code wire-open}. */
    public String word() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    public static Optional<FaultKind> of(String word) {
        return Arrays.stream(values()).filter(k -> k.word().equals(word)).findFirst();
    }
}
