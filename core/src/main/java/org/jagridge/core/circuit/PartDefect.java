package org.jagridge.core.circuit;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.jagridge.core.circuit.Hold.Effect;
import org.jagridge.core.circuit.Hold.Which;

/** Defects of one part. */
public sealed interface PartDefect extends Defect {
    @Override
    String part();

    @Override
    default Set<String> touches() {
        return Set.of(part());
    }
    /** A contact, named by its two terminals, doesn't close. */
    record ContactOpen(String part, String contact) implements PartDefect {
        @Override
        public FaultKind kind() {
            return FaultKind.CONTACT_OPEN;
        }

        @Override
        public Map<String, Object> details() {
            return Defect.ordered("part", part, "contact", contact);
        }

        @Override
        public ContactOpen renamed(Rename names) {
            return new ContactOpen(names.part(part), contact);
        }

        @Override
        public List<Hold> holds() {
            return List.of(Hold.open(part, Which.CONTACT, contact));
        }
    }

    /** A contact doesn't open, and its opposite doesn't close. */
    record ContactWelded(String part, String contact) implements PartDefect {
        @Override
        public FaultKind kind() {
            return FaultKind.CONTACT_WELDED;
        }

        @Override
        public Map<String, Object> details() {
            return Defect.ordered("part", part, "contact", contact);
        }

        @Override
        public ContactWelded renamed(Rename names) {
            return new ContactWelded(names.part(part), contact);
        }

        @Override
        public List<Hold> holds() {
            return List.of(Hold.closed(part, contact), Hold.open(part, Which.OPPOSITE, contact));
        }
    }

    /** A contact is worn. */
    record ContactResistive(String part, String contact, double ohms) implements PartDefect {
        @Override
        public FaultKind kind() {
            return FaultKind.CONTACT_RESISTIVE;
        }

        @Override
        public Map<String, Object> details() {
            return Defect.ordered("part", part, "contact", contact, "ohms", ohms);
        }

        @Override
        public ContactResistive renamed(Rename names) {
            return new ContactResistive(names.part(part), contact, ohms);
        }

        @Override
        public List<Hold> holds() {
            return List.of(Hold.ohms(part, Which.CONTACT, contact, ohms, Effect.AT_MOST));
        }
    }

    /** A coil's wire is broken. */
    record CoilOpen(String part) implements PartDefect {
        @Override
        public FaultKind kind() {
            return FaultKind.COIL_OPEN;
        }

        @Override
        public Map<String, Object> details() {
            return Defect.ordered("part", part);
        }

        @Override
        public CoilOpen renamed(Rename names) {
            return new CoilOpen(names.part(part));
        }

        @Override
        public List<Hold> holds() {
            return List.of(Hold.open(part, Which.COIL, null));
        }
    }

    /** A coil's turns touch. */
    record CoilShorted(String part) implements PartDefect {
        @Override
        public FaultKind kind() {
            return FaultKind.COIL_SHORTED;
        }

        @Override
        public Map<String, Object> details() {
            return Defect.ordered("part", part);
        }

        @Override
        public CoilShorted renamed(Rename names) {
            return new CoilShorted(names.part(part));
        }

        @Override
        public List<Hold> holds() {
            return List.of(Hold.shorted(part, Which.COIL));
        }
    }

    /** An armature stays where it is. */
    record ArmatureStuck(String part) implements PartDefect {
        @Override
        public FaultKind kind() {
            return FaultKind.ARMATURE_STUCK;
        }

        @Override
        public Map<String, Object> details() {
            return Defect.ordered("part", part);
        }

        @Override
        public ArmatureStuck renamed(Rename names) {
            return new ArmatureStuck(names.part(part));
        }
    }

    /** A load takes no current. */
    record LoadOpen(String part) implements PartDefect {
        @Override
        public FaultKind kind() {
            return FaultKind.LOAD_OPEN;
        }

        @Override
        public Map<String, Object> details() {
            return Defect.ordered("part", part);
        }

        @Override
        public LoadOpen renamed(Rename names) {
            return new LoadOpen(names.part(part));
        }

        @Override
        public List<Hold> holds() {
            return List.of(Hold.open(part, Which.LOAD, null));
        }
    }

    /** A load is a short. */
    record LoadShorted(String part) implements PartDefect {
        @Override
        public FaultKind kind() {
            return FaultKind.LOAD_SHORTED;
        }

        @Override
        public Map<String, Object> details() {
            return Defect.ordered("part", part);
        }

        @Override
        public LoadShorted renamed(Rename names) {
            return new LoadShorted(names.part(part));
        }

        @Override
        public List<Hold> holds() {
            return List.of(Hold.shorted(part, Which.LOAD));
        }
    }

    /** Which winding of a transformer. */
    enum Winding {
        PRIMARY,
        SECONDARY;

        /** The word of the file format. */
        public String word() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /** A transformer's winding is broken. */
    record WindingOpen(String part, Winding winding) implements PartDefect {
        @Override
        public FaultKind kind() {
            return FaultKind.WINDING_OPEN;
        }

        @Override
        public Map<String, Object> details() {
            return Defect.ordered("part", part, "winding", winding.word());
        }

        @Override
        public WindingOpen renamed(Rename names) {
            return new WindingOpen(names.part(part), winding);
        }

        @Override
        public List<Hold> holds() {
            return List.of(Hold.open(part, winding == Winding.PRIMARY ? Which.PRIMARY : Which.SECONDARY, null));
        }
    }

    /**
     * A capacitor, or one section of it, has no capacity.
     *
     * @param section or null for all
     */
    record CapacitorOpen(String part, String section) implements PartDefect {
        @Override
        public FaultKind kind() {
            return FaultKind.CAPACITOR_OPEN;
        }

        @Override
        public Map<String, Object> details() {
            return Defect.ordered("part", part, "section", section);
        }

        @Override
        public CapacitorOpen renamed(Rename names) {
            return new CapacitorOpen(names.part(part), section);
        }

        @Override
        public List<Hold> holds() {
            return List.of(Hold.open(part, Which.SECTION, section));
        }
    }

    /**
     * A capacitor, or one section of it, has half of what is printed on it.
     *
     * @param section or null for all
     */
    record CapacitorWeak(String part, String section) implements PartDefect {
        @Override
        public FaultKind kind() {
            return FaultKind.CAPACITOR_WEAK;
        }

        @Override
        public Map<String, Object> details() {
            return Defect.ordered("part", part, "section", section);
        }

        @Override
        public CapacitorWeak renamed(Rename names) {
            return new CapacitorWeak(names.part(part), section);
        }

        @Override
        public List<Hold> holds() {
            return List.of(new Hold(part, Which.SECTION, section, Effect.SHARE, 0.5));
        }
    }

    /** A rotor doesn't turn. */
    record MotorSeized(String part) implements PartDefect {
        @Override
        public FaultKind kind() {
            return FaultKind.MOTOR_SEIZED;
        }

        @Override
        public Map<String, Object> details() {
            return Defect.ordered("part", part);
        }

        @Override
        public MotorSeized renamed(Rename names) {
            return new MotorSeized(names.part(part));
        }
    }

    /** Something that travels stops at a place. */
    record Stuck(String part, String position) implements PartDefect {
        @Override
        public FaultKind kind() {
            return FaultKind.STUCK;
        }

        @Override
        public Map<String, Object> details() {
            return Defect.ordered("part", part, "at", position);
        }

        @Override
        public Stuck renamed(Rename names) {
            return new Stuck(names.part(part), position);
        }
    }

    /** A control doesn't close one of its outputs. */
    record OutputDead(String part, String output) implements PartDefect {
        @Override
        public FaultKind kind() {
            return FaultKind.OUTPUT_DEAD;
        }

        @Override
        public Map<String, Object> details() {
            return Defect.ordered("part", part, "output", output);
        }

        @Override
        public OutputDead renamed(Rename names) {
            return new OutputDead(names.part(part), output);
        }
    }

    /** A control doesn't open one of its outputs. */
    record OutputStuck(String part, String output) implements PartDefect {
        @Override
        public FaultKind kind() {
            return FaultKind.OUTPUT_STUCK;
        }

        @Override
        public Map<String, Object> details() {
            return Defect.ordered("part", part, "output", output);
        }

        @Override
        public OutputStuck renamed(Rename names) {
            return new OutputStuck(names.part(part), output);
        }
    }

    /** A parameter is set to another value than the part needs. */
    record WrongSetting(String part, String param, Object value) implements PartDefect, Rewiring {
        @Override
        public FaultKind kind() {
            return FaultKind.WRONG_SETTING;
        }

        @Override
        public Map<String, Object> details() {
            return Defect.ordered("part", part, "param", param, "value", value);
        }

        @Override
        public WrongSetting renamed(Rename names) {
            return new WrongSetting(names.part(part), param, value);
        }

        @Override
        public void rewire(Circuit circuit, Circuit.Builder b, Fittings fittings) {
            b.parts().replaceAll(p -> p.id().equals(part) ? set(p) : p);
        }

        private Part set(Part p) {
            Map<String, Object> params = new LinkedHashMap<>(p.params());
            params.put(param, value);
            return p.withParams(params);
        }
    }

    /** The world around a part is in a bad way, like {@code low-charge}. */
    record World(String part, String condition) implements PartDefect {
        @Override
        public FaultKind kind() {
            return FaultKind.CONDITION;
        }

        @Override
        public Map<String, Object> details() {
            return Defect.ordered("part", part, "condition", condition);
        }

        @Override
        public World renamed(Rename names) {
            return new World(names.part(part), condition);
        }
    }
}
