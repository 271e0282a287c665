package org.jagridge.core.select;

import java.util.ArrayList;
import java.util.List;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Params;

/** A thermistor sensor: ohms at a temperature, and the temperature for ohms that were measured. */
final class SensorSelector implements Selector {
    private static final double KELVIN = 273.15;
    private static final double AT = 298.15;

    @Override
    public String key() {
        return "sensors";
    }

    @Override
    public String title() {
        return "Sensor, 10 kΩ";
    }

    @Override
    public String about() {
        return "What a thermistor reads at a temperature, and how warm it is for the ohms measured.";
    }

    @Override
    public List<Ask> asks() {
        return List.of(
                new Ask("at 25 °C", Field.positive("ohms25", 10_000.0, "Ω").within(100, 1_000_000)),
                new Ask("B", Field.positive("kelvinB", 3977.0, "K").within(1000, 8000)),
                new Ask("temperature", Field.number("celsius", 0.0, "°C").within(-60, 150)),
                new Ask("measured", Field.positive("measured", 12_000.0, "Ω").within(1, 10_000_000)));
    }

    @Override
    public Result choose(Params p) {
        double b = p.number("kelvinB");
        double r25 = p.number("ohms25");
        double kelvin = p.number("celsius") + KELVIN;
        double ohms = r25 * Math.exp(b * (1 / kelvin - 1 / AT));
        double celsius = 1 / (1 / AT + Math.log(p.number("measured") / r25) / b) - KELVIN;
        List<Working> working = new ArrayList<>();
        working.add(new Working(
                "at %.1f °C".formatted(p.number("celsius")),
                "%.0f Ω × exp(%.0f × (1/%.2f − 1/%.2f))".formatted(r25, b, kelvin, AT),
                "%,.0f Ω".formatted(ohms)));
        working.add(new Working(
                "for %,.0f Ω".formatted(p.number("measured")),
                "1 / (1/%.2f + ln(%.0f/%.0f)/%.0f) − %s".formatted(AT, p.number("measured"), r25, b, KELVIN),
                "%.1f °C".formatted(celsius)));
        for (int t = -20; t <= 60; t += 20) {
            working.add(new Working(
                    "at %d °C".formatted(t),
                    "the same curve",
                    "%,.0f Ω".formatted(r25 * Math.exp(b * (1 / (t + KELVIN) - 1 / AT)))));
        }
        return new Result(
                "%,.0f Ω at %.1f °C; %,.0f Ω mean %.1f °C."
                        .formatted(ohms, p.number("celsius"), p.number("measured"), celsius),
                true,
                working,
                List.of(
                        "Take it off its terminals before its ohms are measured. Another curve has another B: see its label."),
                null);
    }
}
