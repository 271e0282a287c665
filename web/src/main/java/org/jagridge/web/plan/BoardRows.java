package org.jagridge.web.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.plan.WiringPlan;

/** What stands on the boards and lies in the cables: of the form, and of the plan that is drawn. */
final class BoardRows {
    private static final List<String> INDOOR_POSTS = List.of("R", "C", "W", "Y", "G", "O");
    private static final List<String> LETTERS =
            List.of("R", "RH", "RC", "C", "W", "Y", "Y2", "G", "O", "B", "AUX", "E");

    /**
     * A line of a board.
     *
     * @param terminal null where nothing of the plan lands there
     * @param toggle the address that switches it, or null
     */
    record PostRow(String letter, String terminal, boolean there, String toggle) {}

    /** A core of a cable, with what it carries in the plan, or null. */
    record Core(String cable, String name, boolean dead, WiringPlan.Conductor carries, String toggle) {}

    private final PlanForm form;
    private final WiringPlan plan;

    /** @param plan null where there is none */
    BoardRows(PlanForm form, WiringPlan plan) {
        this.form = form;
        this.plan = plan;
    }

    List<Core> cores(String from, String to) {
        List<Core> cores = new ArrayList<>();
        for (PlanForm.CableField f : PlanForm.CABLES) {
            if (f.from().equals(from) && f.to().equals(to)) {
                List<String> dead = form.words(f.name() + "d");
                for (String name : form.words(f.name())) {
                    cores.add(new Core(
                            f.id(),
                            name,
                            dead.contains(name),
                            carried(f.id(), name),
                            form.toggled(f.name() + "d", name)));
                }
            }
        }
        if (plan != null) {
            plan.circuit().cables().stream()
                    .filter(k -> k.from().equals(from) && k.to().equals(to))
                    .filter(k -> PlanForm.CABLES.stream().noneMatch(f -> f.id().equals(k.id())))
                    .forEach(k -> k.cores()
                            .forEach(name -> cores.add(new Core(k.id(), name, false, carried(k.id(), name), null))));
        }
        return cores;
    }

    private WiringPlan.Conductor carried(String cable, String core) {
        return plan == null
                ? null
                : plan.schedule().stream()
                        .filter(k -> k.cable().equals(cable) && k.core().equals(core))
                        .findFirst()
                        .orElse(null);
    }

    List<PostRow> rowsOf(String place) {
        List<PostRow> list = new ArrayList<>();
        Set<String> landed = landed(place);
        boolean water = !form.text("water").isEmpty();
        if (place.equals(PlanForm.THERMOSTAT) && !water) {
            List<String> has = form.words("terminals");
            List<String> all = new ArrayList<>(has);
            LETTERS.stream().filter(t -> !all.contains(t)).forEach(all::add);
            for (String t : all) {
                String terminal = landed.remove("TH." + t) ? "TH." + t : null;
                list.add(new PostRow(t, terminal, has.contains(t), form.toggled("terminals", t)));
            }
        }
        if (place.equals("indoor") && hasPosts()) {
            for (String letter : INDOOR_POSTS) {
                String terminal = landed.stream()
                        .filter(t -> t.endsWith("." + letter) && t.indexOf('.') == 2 && !t.startsWith("RM"))
                        .findFirst()
                        .orElse(null);
                landed.remove(terminal);
                boolean there = form.words("posts").contains(letter);
                list.add(new PostRow(letter, terminal, there, form.toggled("posts", letter)));
            }
        }
        if (water) {
            landed.removeIf(t -> place.equals("indoor") && !t.startsWith("WC."));
        }
        List<String> ordered = new ArrayList<>(landed);
        if (water) {
            ordered.sort(Comparator.naturalOrder());
        }
        ordered.forEach(t -> list.add(new PostRow(Terminal.parse(t).name(), t, true, null)));
        return list;
    }

    private boolean hasPosts() {
        return List.of("gas-furnace", "air-handler", "hydronic-coil").contains(form.text("indoor"));
    }

    /** Terminals of a place on which the plan lands something, in the order of the schedule. */
    private Set<String> landed(String place) {
        Set<String> landed = new LinkedHashSet<>();
        if (plan != null) {
            plan.schedule().forEach(k -> {
                add(landed, k.from(), place);
                add(landed, k.to(), place);
            });
            plan.fit().forEach(j -> {
                add(landed, j.from(), place);
                add(landed, j.to(), place);
            });
        }
        return landed;
    }

    private void add(Set<String> landed, String terminal, String place) {
        boolean here = plan.circuit()
                .part(Terminal.parse(terminal).part())
                .map(p -> p.place().equals(place))
                .orElse(false);
        if (here) {
            landed.add(terminal);
        }
    }

    String placeOf(String terminal) {
        return plan.circuit()
                .part(Terminal.parse(terminal).part())
                .orElseThrow()
                .place();
    }
}
