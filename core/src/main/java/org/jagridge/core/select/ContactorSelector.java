package org.jagridge.core.select;

import java.util.ArrayList;
import java.util.List;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Params;

/** A contactor: poles and ratings for a load. */
final class ContactorSelector implements Selector {
    private static final double[] RATINGS = {20, 25, 30, 40, 50, 60, 75, 90};
    private static final double STARTING = 5;
    private static final String MOTOR = "electric motor";

    @Override
    public String key() {
        return "contactors";
    }

    @Override
    public String title() {
        return "Contactor";
    }

    @Override
    public String about() {
        return "Poles and contact ratings of a contactor for a compressor, a motor or electric heat.";
    }

    @Override
    public List<Ask> asks() {
        return List.of(
                new Ask("load", Field.choice("load", MOTOR, MOTOR, "heater")),
                new Ask("running amps", Field.positive("amps", 18.0, "A").within(0.1, 90)),
                new Ask(
                        "fed by",
                        Field.choice("feed", "two hot legs", "two hot legs", "one hot and neutral", "three phases")),
                new Ask("contactor has", Field.choice("poles", "2", "1", "2", "3")));
    }

    @Override
    public Result choose(Params p) {
        double amps = p.number("amps");
        int hot = p.is("feed", "two hot legs") ? 2 : p.is("feed", "three phases") ? 3 : 1;
        int poles = Integer.parseInt(p.text("poles"));
        boolean motor = p.is("load", MOTOR);
        double rating = rating(amps);
        List<Working> working = new ArrayList<>();
        working.add(new Working(
                motor ? "motor rating (full-load amps)" : "resistive rating",
                "the next over %.1f A".formatted(amps),
                rating < 0 ? "none" : "%.0f A".formatted(rating)));
        if (motor) {
            working.add(new Working(
                    "it has to make and break, locked",
                    "%.0f × %.1f A".formatted(STARTING, amps),
                    "%.0f A".formatted(STARTING * amps)));
        }
        working.add(new Working(
                "conductors that stay live with it out",
                "%d hot − %d poles".formatted(hot, poles),
                poles >= hot ? "none" : Integer.toString(hot - poles)));
        List<String> notes = new ArrayList<>();
        if (poles < hot) {
            notes.add(
                    "A leg goes straight through: that side of the load is live to earth with the contactor out. Dead means"
                            + " disconnected and proved at the load.");
        }
        if (motor) {
            notes.add("A contact's resistive amps are no motor amps: read the right line of its label.");
        }
        notes.add("Its coil: look at the transformer, whether it pulls in at the inrush.");
        boolean fits = rating > 0 && poles >= Math.min(hot, 2) && (hot < 3 || poles == 3);
        return new Result(
                rating < 0
                        ? "More than %.0f A: a contactor of a panel builder, not one for this equipment."
                                .formatted(RATINGS[RATINGS.length - 1])
                        : fits
                                ? "A contactor with %d %s for %.0f A%s."
                                        .formatted(
                                                poles,
                                                poles == 1 ? "pole" : "poles",
                                                rating,
                                                motor ? " of motor load" : "")
                                : "%d %s for %d hot legs: a pole that is missing keeps the load live%s."
                                        .formatted(
                                                poles,
                                                poles == 1 ? "pole" : "poles",
                                                hot,
                                                hot == 3 ? " and a motor on two phases" : ""),
                fits,
                working,
                notes,
                null);
    }

    private static double rating(double amps) {
        for (double r : RATINGS) {
            if (r >= amps) {
                return r;
            }
        }
        return -1;
    }
}
