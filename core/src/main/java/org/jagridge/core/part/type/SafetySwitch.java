package org.jagridge.core.part.type;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.FaultKind;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Problem;
import org.jagridge.core.circuit.Signal;
import org.jagridge.core.network.Complex;
import org.jagridge.core.part.Because;
import org.jagridge.core.part.Behaviour;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Instant;
import org.jagridge.core.part.Moment;
import org.jagridge.core.part.PartDraft;
import org.jagridge.core.part.PartType;
import org.jagridge.core.part.Reaction;
import org.jagridge.core.part.Shape;
import org.jagridge.core.part.Stamp;
import org.jagridge.core.part.Time;
import org.jagridge.core.part.Trait;
import org.jagridge.core.part.block.Burnable;
import org.jagridge.core.part.block.Trip;

/**
 * {@code safety-switch} and {@code powered-safety}: a normally closed switch that opens by hand ({@code tripped}) or by
 * its trips, and closes by itself or only after a push on its reset. The powered one also opens without its supply.
 */
final class SafetySwitch extends PartType {
    private static final double LEAST_SUPPLY = 16;

    private final boolean powered;

    SafetySwitch(boolean powered) {
        super(
                powered ? "powered-safety" : "safety-switch",
                powered ? "Powered safety" : "Safety switch",
                powered
                        ? "A safety that lives on R and C, such as a probe for low water. Opens without its supply."
                        : "Opens on pressure, heat, flame roll-out or water. Some close by themselves, some by hand.");
        this.powered = powered;
    }

    @Override
    public List<Field> params() {
        return List.of(
                Field.choice(
                        "kind",
                        powered ? "low-water" : "limit",
                        "low-pressure",
                        "high-pressure",
                        "limit",
                        "fusible-link",
                        "rollout",
                        "spill",
                        "low-water",
                        "float",
                        "discharge-temperature",
                        "freeze"),
                Field.choice("reset", "auto", "auto", "manual"),
                Field.trips("trips"));
    }

    @Override
    public List<Problem> mistakesIn(Params params) {
        return Trip.mistakes(params);
    }

    @Override
    public List<Reference> references(Params params) {
        return Trip.of(params).stream()
                .flatMap(t -> t.parts().stream())
                .distinct()
                .map(id -> new Reference("trips", id, false))
                .toList();
    }

    @Override
    public List<String> terminals(Params params) {
        return powered ? List.of("R", "C", "1", "2") : List.of("1", "2");
    }

    @Override
    public List<Field> inputs(Params params) {
        return List.of(Field.flag("tripped", false), Field.momentary("reset"));
    }

    @Override
    public List<String> cautions() {
        return List.of("Never leave it bypassed. Find out why it opened.");
    }

    @Override
    public List<Fault> ownFaults(Part part, Params params) {
        List<String> world = Trip.of(params).stream()
                .map(Trip::world)
                .filter(Objects::nonNull)
                .distinct()
                .toList();
        return each(part, FaultKind.CONDITION, "condition", world);
    }

    @Override
    public Set<Trait> traits(Params params) {
        return Set.of(Trait.SAFETY);
    }

    @Override
    public List<Held> conditions(Params params) {
        return Trip.held(params);
    }

    @Override
    public Signal signal(Params params) {
        return powered ? Signal.of("closed", "open", Burnable.BURNT) : Signal.of("closed", "open");
    }

    @Override
    protected Map<String, String> jobs() {
        return Map.of("R-C", "power");
    }

    @Override
    public Behaviour<?> build(PartDraft draft) {
        Branch contact = draft.contact("1", "2", shape(draft.params().text("kind")), true);
        Branch supply = powered ? draft.load("R", "C", Shape.BOX) : null;
        Element element = new Element(
                contact, supply, Trip.of(draft.params()), draft.params().is("reset", "manual"));
        return powered ? Burnable.lowVoltage(element, supply) : element;
    }

    private static Shape shape(String kind) {
        return switch (kind) {
            case "low-pressure" -> Shape.LOW_PRESSURE;
            case "high-pressure" -> Shape.HIGH_PRESSURE;
            case "fusible-link" -> Shape.FUSIBLE_LINK;
            case "rollout", "spill" -> Shape.ROLLOUT;
            case "low-water", "float" -> Shape.FLOAT;
            case "freeze" -> Shape.FREEZE;
            default -> Shape.LIMIT;
        };
    }

    /**
     * @param openSince since when each trip has driven it open, or never
     * @param closeSince since when it has been driven closed, or never
     * @param fed whether a powered one has its supply
     */
    record State(boolean open, List<Instant> openSince, Instant closeSince, boolean fed) {}

    private record Element(Branch contact, Branch supply, List<Trip> trips, boolean manual)
            implements Behaviour<State> {
        @Override
        public State start(Moment m) {
            return new State(m.flag("tripped"), Collections.nCopies(trips.size(), Instant.NEVER), Instant.NEVER, true);
        }

        @Override
        public void stamp(State s, Stamp stamp) {
            stamp.contact(contact, !s.open() && s.fed());
            if (supply != null) {
                stamp.load(supply, Complex.real(24 * 24 / 2.0));
            }
        }

        @Override
        public Reaction<State> react(State s, Moment m) {
            boolean fed = supply == null || m.acVolts(supply) >= LEAST_SUPPLY;
            Instant wake = Instant.NEVER;
            List<Instant> since = new ArrayList<>();
            Trip due = null;
            Because arms = null;
            boolean driven = m.flag("tripped");
            for (int i = 0; i < trips.size(); i++) {
                Trip t = trips.get(i);
                boolean opens = t.drivesOpen(m);
                Instant from = opens ? begun(s.openSince().get(i), m) : Instant.NEVER;
                since.add(from);
                if (opens && from.plus(t.after()).hasCome(m.now())) {
                    due = t;
                } else if (opens && !s.open()) {
                    wake = Instant.earliest(wake, from.plus(t.after()));
                    arms = s.openSince().get(i).isNever() ? Because.link(words(t)) : arms;
                }
            }
            driven |= due != null;
            if (!s.open()) {
                return new Reaction<>(
                        new State(driven, since, Instant.NEVER, fed), wake, reasonWhileClosed(fed, due, m), arms);
            }
            boolean closes = !driven && trips.stream().allMatch(t -> t.drivesClosed(m));
            if (manual) {
                boolean reset = m.pushed("reset") && !driven;
                return new Reaction<>(
                        new State(!reset, since, Instant.NEVER, fed), wake, Because.input("reset was pushed"), null);
            }
            Instant from = closes ? begun(s.closeSince(), m) : Instant.NEVER;
            long pause = trips.stream().mapToLong(Trip::recloseAfter).max().orElse(0);
            boolean close = closes && from.plus(pause).hasCome(m.now());
            if (closes && !close) {
                wake = Instant.earliest(wake, from.plus(pause));
            }
            Because gone = Because.input("what opened it is gone");
            Because because = pause == 0
                    ? gone
                    : Because.link(() -> "what opened it has been gone for " + Time.words(pause))
                            .afterDelay();
            boolean armed = closes && !close && s.closeSince().isNever();
            return new Reaction<>(
                    new State(!close, since, close ? Instant.NEVER : from, fed), wake, because, armed ? gone : null);
        }

        @Override
        public State canonical(State s, Instant now) {
            List<Instant> since = new ArrayList<>();
            for (int i = 0; i < trips.size(); i++) {
                since.add(s.openSince().get(i).notBefore(now.minus(trips.get(i).after())));
            }
            return new State(s.open(), since, s.closeSince(), s.fed());
        }

        private static Instant begun(Instant since, Moment m) {
            return since.isNever() ? m.now() : since;
        }

        private Because reasonWhileClosed(boolean fed, Trip due, Moment m) {
            if (!fed) {
                return Because.fallen(supply, m.acVolts(supply), LEAST_SUPPLY);
            }
            if (m.flag("tripped")) {
                return Because.input("it opens");
            }
            return due != null
                    ? tripped(due)
                    : supply == null ? null : Because.risen(supply, m.acVolts(supply), LEAST_SUPPLY);
        }

        private static Because tripped(Trip t) {
            Because because = Because.link(words(t));
            return t.after() == 0 ? because : because.afterDelay();
        }

        private static String words(Trip t) {
            String world = t.world() == null ? "" : t.world().replace('-', ' ');
            return t.after() == 0
                    ? "opens: " + world
                    : "opens after " + Time.words(t.after()) + (world.isEmpty() ? "" : ": " + world);
        }

        @Override
        public String signal(State s) {
            return s.open() || !s.fed() ? "open" : "closed";
        }
    }
}
