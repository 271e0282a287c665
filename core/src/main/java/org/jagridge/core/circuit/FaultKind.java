package org.jagridge.core.circuit;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;

/** Every named defect, with the details that say where it sits. */
@SuppressWarnings("ImmutableEnumChecker")
public enum FaultKind {
    WIRE_OPEN(d -> new WiringDefect.WireOpen(d.text("wire")), Detail.WIRE),
    WIRE_RESISTIVE(d -> new WiringDefect.WireResistive(d.text("wire"), d.number("ohms")), Detail.WIRE, Detail.OHMS),
    WIRE_EARTHED(d -> new WiringDefect.WireEarthed(d.text("wire")), Detail.WIRE),
    SHORT(
            d -> new WiringDefect.Shorted(d.terminal("between", 0), d.terminal("between", 1), d.numberOrNull("ohms")),
            Detail.BETWEEN,
            Detail.OHMS_OPTIONAL),
    LINK(d -> new WiringDefect.Link(d.terminal("between", 0), d.terminal("between", 1)), Detail.BETWEEN),
    SWAPPED(
            d -> new WiringDefect.Swapped(d.text("wires", 0), d.text("wires", 1), (int) d.number("end")),
            Detail.WIRES,
            Detail.END),
    LANDED(
            d -> new WiringDefect.Landed(d.text("wire"), (int) d.number("end"), Terminal.parse(d.text("at"))),
            Detail.WIRE,
            Detail.END,
            Detail.AT),
    /** A wire's end off its terminal, {@code at}, and in the air. */
    LIFTED(d -> new WiringDefect.Lifted(d.text("wire"), Terminal.parse(d.text("at"))), Detail.WIRE, Detail.AT),
    /** Wires off their terminals and twisted together; {@code between} says off which. */
    TWISTED(
            d -> new WiringDefect.Twisted(
                    d.texts("wires"),
                    d.texts("between").stream().map(Terminal::parse).toList()),
            Detail.WIRES,
            Detail.BETWEEN),
    LINK_MISSING(d -> new WiringDefect.LinkMissing(d.text("wire")), Detail.WIRE),
    CONTACT_OPEN(d -> new PartDefect.ContactOpen(d.text("part"), d.text("contact")), Detail.PART, Detail.CONTACT),
    CONTACT_WELDED(d -> new PartDefect.ContactWelded(d.text("part"), d.text("contact")), Detail.PART, Detail.CONTACT),
    CONTACT_RESISTIVE(
            d -> new PartDefect.ContactResistive(d.text("part"), d.text("contact"), d.number("ohms")),
            Detail.PART,
            Detail.CONTACT,
            Detail.OHMS),
    COIL_OPEN(d -> new PartDefect.CoilOpen(d.text("part")), Detail.PART),
    COIL_SHORTED(d -> new PartDefect.CoilShorted(d.text("part")), Detail.PART),
    ARMATURE_STUCK(d -> new PartDefect.ArmatureStuck(d.text("part")), Detail.PART),
    LOAD_OPEN(d -> new PartDefect.LoadOpen(d.text("part")), Detail.PART),
    LOAD_SHORTED(d -> new PartDefect.LoadShorted(d.text("part")), Detail.PART),
    WINDING_OPEN(
            d -> new PartDefect.WindingOpen(
                    d.text("part"), PartDefect.Winding.valueOf(d.text("winding").toUpperCase(Locale.ROOT))),
            Detail.PART,
            Detail.WINDING),
    CAPACITOR_OPEN(d -> new PartDefect.CapacitorOpen(d.text("part"), d.text("section")), Detail.PART, Detail.SECTION),
    CAPACITOR_WEAK(d -> new PartDefect.CapacitorWeak(d.text("part"), d.text("section")), Detail.PART, Detail.SECTION),
    MOTOR_SEIZED(d -> new PartDefect.MotorSeized(d.text("part")), Detail.PART),
    STUCK(d -> new PartDefect.Stuck(d.text("part"), d.text("at")), Detail.PART, Detail.POSITION),
    OUTPUT_DEAD(d -> new PartDefect.OutputDead(d.text("part"), d.text("output")), Detail.PART, Detail.OUTPUT),
    OUTPUT_STUCK(d -> new PartDefect.OutputStuck(d.text("part"), d.text("output")), Detail.PART, Detail.OUTPUT),
    WRONG_SETTING(
            d -> new PartDefect.WrongSetting(d.text("part"), d.text("param"), d.value("value")),
            Detail.PART,
            Detail.PARAM,
            Detail.VALUE),
    CONDITION(d -> new PartDefect.World(d.text("part"), d.text("condition")), Detail.PART, Detail.CONDITION);

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

    /** The details of one fault by their keys. */
    private record Details(Map<String, ?> values) {
        Object value(String key) {
            return values.get(key);
        }

        String text(String key) {
            return (String) values.get(key);
        }

        String text(String key, int index) {
            return (String) ((List<?>) values.get(key)).get(index);
        }

        List<String> texts(String key) {
            return ((List<?>) values.get(key)).stream().map(String.class::cast).toList();
        }

        Terminal terminal(String key, int index) {
            return Terminal.parse(text(key, index));
        }

        double number(String key) {
            return ((Number) values.get(key)).doubleValue();
        }

        Double numberOrNull(String key) {
            return values.containsKey(key) ? number(key) : null;
        }
    }

    private final List<Detail> details;
    private final Function<Details, Defect> reader;

    FaultKind(Function<Details, Defect> reader, Detail... details) {
        this.details = List.of(details);
        this.reader = reader;
    }

    /** The defect of this kind with {@code details} that have been checked. */
    public Defect read(Map<String, ?> details) {
        return reader.apply(new Details(details));
    }

    public List<Detail> details() {
        return details;
    }

    /** Whether only hands do it, and whoever measures knows of it. */
    public boolean isHandWork() {
        return this == LIFTED || this == TWISTED;
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
