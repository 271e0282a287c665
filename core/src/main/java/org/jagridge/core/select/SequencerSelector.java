package org.jagridge.core.select;

import java.util.ArrayList;
import java.util.List;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Params;

/** Sequencers for electric heat: how many, and what comes on when. */
final class SequencerSelector implements Selector {
    private static final double[] ON = {20, 40, 60};
    private static final double[] OFF = {40, 20, 10};

    @Override
    public String key() {
        return "sequencers";
    }

    @Override
    public String title() {
        return "Sequencer";
    }

    @Override
    public String about() {
        return "How many thermal sequencers a bank of elements takes, and the amps from step to step.";
    }

    @Override
    public List<Ask> asks() {
        return List.of(
                new Ask("elements", Field.positive("elements", 3.0, "").within(1, 8)),
                new Ask("each", Field.positive("kw", 5.0, "kW").within(0.1, 20)),
                new Ask("rated at", Field.positive("ratedVolts", 240.0, "V").within(100, 600)),
                new Ask("volts there", Field.positive("volts", 240.0, "V").within(100, 600)),
                new Ask("fan on a contact of it", Field.flag("fan", true)));
    }

    @Override
    public Result choose(Params p) {
        int elements = p.integer("elements");
        double ohms = p.number("ratedVolts") * p.number("ratedVolts") / (1000 * p.number("kw"));
        double amps = p.number("volts") / ohms;
        int contacts = elements + (p.flag("fan") ? 1 : 0);
        int sequencers = (contacts + ON.length - 1) / ON.length;
        List<Working> working = new ArrayList<>();
        working.add(new Working(
                "an element",
                "%.0f² V / %.1f kW".formatted(p.number("ratedVolts"), p.number("kw")),
                "%.2f Ω, %.1f A at %.0f V".formatted(ohms, amps, p.number("volts"))));
        int on = 0;
        for (int i = 0; i < contacts; i++) {
            int stage = i % ON.length;
            boolean fan = p.flag("fan") && i == 0;
            on += fan ? 0 : 1;
            String which = sequencers > 1 ? "sequencer " + (i / ON.length + 1) + ", " : "";
            working.add(new Working(
                    "%scontact %d".formatted(which, stage + 1),
                    "on after %.0f s, off %.0f s after the call%s"
                            .formatted(ON[stage], OFF[stage], i >= ON.length ? ", counted from its own heater" : ""),
                    fan ? "the fan: first on, last off" : "%.1f A together".formatted(on * amps)));
        }
        List<String> notes = new ArrayList<>();
        notes.add("Each element with a limit on one leg and a fusible link, and the contact in the other.");
        if (sequencers > 1) {
            notes.add("The heater of sequencer 2 is fed through a contact of sequencer 1, or both start together.");
        }
        if (!p.flag("fan")) {
            notes.add(
                    "The fan has to run before the first element: thermostat's G, an auxiliary contact or the board.");
        }
        notes.add("Wire, breakers and their sizes: the local code's tables decide.");
        return new Result(
                "%d %s with %d contacts for %.0f A each; %.1f A when all are on."
                        .formatted(
                                sequencers,
                                sequencers == 1 ? "thermal sequencer" : "thermal sequencers",
                                contacts,
                                Math.ceil(amps / 5) * 5,
                                elements * amps),
                true,
                working,
                notes,
                null);
    }
}
