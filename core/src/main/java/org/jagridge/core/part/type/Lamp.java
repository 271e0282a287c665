package org.jagridge.core.part.type;

import java.util.List;
import java.util.Set;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.Signal;
import org.jagridge.core.network.Complex;
import org.jagridge.core.part.Behaviour;
import org.jagridge.core.part.PartDraft;
import org.jagridge.core.part.PartType;
import org.jagridge.core.part.Shape;
import org.jagridge.core.part.block.Load;

/** {@code lamp} and {@code buzzer}: work at 70 % of its rated volts, burn out over 130 %. */
final class Lamp extends PartType {
    private final Shape shape;

    private Lamp(String type, String title, Shape shape, String summary) {
        super(type, title, summary);
        this.shape = shape;
    }

    static Lamp lamp() {
        return new Lamp("lamp", "Pilot lamp", Shape.LAMP, "Shows that its two terminals have volts between them.");
    }

    static Lamp buzzer() {
        return new Lamp("buzzer", "Buzzer", Shape.BUZZER, "Sounds while its two terminals have volts between them.");
    }

    @Override
    public String letters() {
        return type().equals("lamp") ? "LP" : "BZ";
    }

    @Override
    public List<Field> params() {
        return List.of(Field.positive("volts", 24.0, "V"), Field.positive("watts", 1.0, "W"));
    }

    @Override
    public List<String> terminals(Params params) {
        return List.of("1", "2");
    }

    @Override
    public Signal signal(Params params) {
        return Signal.of("off", "on", "burnt");
    }

    @Override
    public Set<String> above(Params params) {
        return Set.copyOf(terminals(params));
    }

    @Override
    public Behaviour<?> build(PartDraft draft) {
        double volts = draft.params().number("volts");
        Complex z = Complex.real(volts * volts / draft.params().number("watts"));
        return new Load(draft.load("1", "2", shape), z, volts, Load.ON, true);
    }
}
