package org.jagridge.core.select;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.Scenario;

/** A relay: its coil by the supply, its contact by what it switches, its box by where it hangs. */
final class RelaySelector implements Selector {
    private static final double[] COILS = {6, 12, 24, 48, 120, 208, 230, 240};
    private static final double[] RATINGS = {3, 5, 10, 15, 20, 30, 40, 60};
    private static final int MOST_SETS = 4;
    private static final double AC_IN = 0.78;
    private static final double DC_IN = 0.75;
    private static final double BURNS = 1.3;
    /** A motor draws that much more at its start, an open armature about that. */
    private static final double STARTING = 5;

    private static final double LIVE = 50;

    @Override
    public String key() {
        return "relays";
    }

    @Override
    public String title() {
        return "Relay";
    }

    @Override
    public String about() {
        return "Coil, sets, contact and box of a relay for one place.";
    }

    @Override
    public List<Ask> asks() {
        return List.of(
                new Ask(
                        "volts at its coil",
                        Field.positive("supplyVolts", 24.0, "V").within(1, 600)),
                new Ask("of that kind", Field.choice("supplyKind", "AC", "AC", "DC")),
                new Ask("what it switches", Field.choice("load", "resistance", "resistance", "coil", "electric motor")),
                new Ask("at", Field.positive("loadVolts", 120.0, "V").within(1, 600)),
                new Ask("drawing", Field.positive("loadAmps", 2.0, "A").within(0.001, 200)),
                new Ask(
                        "things to switch apart from each other",
                        Field.positive("sets", 1.0, "").within(1, 12)),
                new Ask("where", Field.choice("where", "dry", "dry", "damp", "outdoors")));
    }

    @Override
    public Result choose(Params p) {
        double volts = p.number("supplyVolts");
        boolean dc = p.is("supplyKind", "DC");
        double least = dc ? DC_IN : AC_IN;
        double coil = coil(volts, least);
        double amps = p.number("loadAmps");
        double factor = p.is("load", "resistance") ? 1 : STARTING;
        double rating = rating(amps * factor);
        int sets = p.integer("sets");
        List<Working> working = new ArrayList<>();
        List<String> notes = new ArrayList<>();
        if (coil > 0) {
            working.add(new Working(
                    "it pulls in from",
                    "%s × %.0f V".formatted(least, coil),
                    "%.1f V; there are %.1f".formatted(least * coil, volts)));
            working.add(new Working(
                    "it burns out over", "%s × %.0f V".formatted(BURNS, coil), "%.1f V".formatted(BURNS * coil)));
        }
        working.add(new Working(
                "the contact makes and breaks",
                factor == 1 ? "%.2f A".formatted(amps) : "%.0f × %.2f A at a start".formatted(factor, amps),
                "%.1f A".formatted(amps * factor)));
        working.add(new Working("sets", "one each", Integer.toString(sets)));
        int relays = (sets + MOST_SETS - 1) / MOST_SETS;
        notes.add(box(p.text("where")));
        if (volts >= LIVE || p.number("loadVolts") >= LIVE) {
            notes.add(
                    "Line voltage at its terminals: keep it and its conductors apart from low voltage as the local code"
                            + " says.");
        }
        if (coil < 0 || rating < 0) {
            return new Result(
                    coil < 0
                            ? "No usual coil is for %.1f V: below it doesn't pull in, above it burns out."
                                    .formatted(volts)
                            : "That is more than a relay's contact takes: take a contactor.",
                    false,
                    working,
                    notes,
                    null);
        }
        Trial trial = trial(p, coil, rating, dc);
        Trials.Tried tried = new Trials.Tried(trial.circuit(), trial.scenario());
        boolean in = "in".equals(tried.signal("K", 3)) && "on".equals(tried.signal("LOAD", 3));
        working.add(new Working(
                "tried", "called for two seconds", in ? "it pulls in and the load runs" : "it doesn't pull in"));
        return new Result(
                "%s with a coil for %.0f V %s, %d change-over %s, contacts for %.0f A at %.0f V."
                        .formatted(
                                relays == 1 ? "A relay" : relays + " relays",
                                coil,
                                dc ? "DC" : "AC",
                                Math.min(sets, MOST_SETS),
                                sets == 1 ? "set" : "sets each",
                                rating,
                                contactVolts(p)),
                in,
                working,
                notes,
                trial);
    }

    private static double coil(double volts, double least) {
        double best = -1;
        for (double c : COILS) {
            if (volts >= c * least
                    && volts <= c * BURNS
                    && (best < 0 || Math.abs(c - volts) < Math.abs(best - volts))) {
                best = c;
            }
        }
        return best;
    }

    private static double rating(double amps) {
        for (double r : RATINGS) {
            if (r >= amps) {
                return r;
            }
        }
        return -1;
    }

    private static double contactVolts(Params p) {
        return p.number("loadVolts") <= 240 ? 240 : 600;
    }

    private static Trial trial(Params p, double coil, double rating, boolean dc) {
        Circuit circuit = Trials.circuit(
                dc ? "relay-DC" : "relay-AC",
                Map.of(
                        "SUPPLY_VOLTS",
                        p.number("supplyVolts"),
                        "COIL_VOLTS",
                        coil,
                        "RATED_VOLTS",
                        contactVolts(p),
                        "RATED_AMPS",
                        rating,
                        "LOAD_VOLTS",
                        p.number("loadVolts"),
                        "LOAD_WATTS",
                        p.number("loadVolts") * p.number("loadAmps")));
        Scenario s = new Scenario(
                "Called",
                Map.of(),
                List.of(new Scenario.Step(1, Map.of("CALL.closed", true), List.of())),
                List.of(),
                4);
        return new Trial(circuit, s, 3);
    }

    private static String box(String where) {
        return switch (where) {
            case "damp" -> "Damp: a box with a gasket, conductors in from below, no holes in its top.";
            case "outdoors" -> "Outdoors: a rainproof box with a gasket and a drain, conductors in from below.";
            default -> "Dry: a closed box that takes a tool to open.";
        };
    }
}
