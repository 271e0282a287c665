package org.jagridge.core.meter;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Numbers;
import org.jagridge.core.part.Role;
import org.jagridge.core.run.Reach.Side;
import org.jagridge.core.world.World;
import org.jagridge.core.world.Worlds;

/**
 * What a voltage reading proves: what holds in every world that fits it. Nothing of the truth comes in but the display,
 * so two situations that show the same are told the same.
 */
final class VoltsProof {
    /** More things that a reading may be are counted. */
    private static final int MOST_LOOKS = 3;

    private final Worlds worlds;
    private final Request request;
    private final double shown;
    /** What the sources give that the leads hang on in the sound circuit. */
    private final double full;
    /** The contact, breaker or fuse whose two terminals the leads are on, or null. */
    private final Branch contact;

    private final List<Seen> fitting = new ArrayList<>();
    private final Map<Look, List<Seen>> looks;

    /**
     * A world that fits, as seen from the two leads.
     *
     * @param live by lead, whether it is joined to a hot pole
     * @param dangerous by lead, whether it stands at 30 V to earth or more
     * @param closed whether the contact right between the leads is; of no matter where there is none
     */
    private record Seen(World world, Look look, List<Boolean> live, List<Boolean> dangerous, boolean closed) {}

    /** @param shown on the display, volts */
    VoltsProof(Worlds worlds, Request request, double shown) {
        this.worlds = worlds;
        this.request = request;
        this.shown = shown;
        boolean drawn = leads().stream().allMatch(l -> nodeInSound(l).isPresent());
        full = drawn ? VoltsLook.full(worlds.sound(), request) : 0;
        contact = contactBetween();
        List<World> such = Fit.of(worlds, request, shown);
        VoltsLook.Sound sound = new VoltsLook.Sound(
                full,
                Math.abs(Fit.value(worlds.sound(), request).orElse(0)),
                !such.isEmpty() && such.get(0).isSound());
        for (World w : such) {
            Gauge gauge = new Gauge(w.frame(), w.reach());
            List<Integer> nodes =
                    leads().stream().map(l -> gauge.node(l).orElseThrow()).toList();
            fitting.add(new Seen(
                    w,
                    VoltsLook.of(w, request, shown, sound),
                    nodes.stream().map(n -> isHot(w.reach().sideOf(n))).toList(),
                    nodes.stream()
                            .map(n -> w.frame().voltsToEarth(n) >= VoltsAt.DANGEROUS)
                            .toList(),
                    contact != null && isClosed(contact, w)));
        }
        looks = fitting.stream().collect(Collectors.groupingBy(Seen::look, LinkedHashMap::new, Collectors.toList()));
    }

    private static boolean isHot(Side side) {
        return side == Side.HOT || side == Side.SECOND_HOT;
    }

    private Branch contactBetween() {
        return worlds.assembly().branches().stream()
                .filter(b -> b.role() == Role.CONTACT || b.role() == Role.PROTECTION)
                .filter(b -> leads().equals(Arrays.asList(b.a(), b.b())) || leads().equals(Arrays.asList(b.b(), b.a())))
                .findFirst()
                .orElse(null);
    }

    private static boolean isClosed(Branch contact, World w) {
        return w.frame().assembly().branchesOf(contact.owner()).stream()
                .anyMatch(b -> b.label().equals(contact.label()) && w.reach().isMade(b));
    }

    private List<Terminal> leads() {
        return List.of(request.plus(), request.minus());
    }

    String says() {
        if (fitting.isEmpty()) {
            return between() + soundShows()
                    + " No single fault that was tried explains it: there is more than one, it is of another kind, or it isn't wired as drawn. "
                    + "Take both points for live until each is measured to earth.";
        }
        boolean sound = fitting.get(0).world().isSound();
        StringBuilder says = new StringBuilder(looks.size() == 1 && !isCalledDead() ? one() : several(sound));
        if (!sound) {
            says.append(soundShows())
                    .append(Naming.faults(fitting.stream().map(Seen::world).toList()));
        }
        if (looks.size() > 1) {
            List<World> rivals =
                    looks.values().stream().map(l -> l.get(0).world()).toList();
            NextReading.apart(worlds, request, rivals).ifPresent(says::append);
        }
        return says.append(danger()).toString();
    }

    /** Whether "dead" would be said of a lead that may stand at 30 V to earth. */
    private boolean isCalledDead() {
        return fitting.stream()
                .anyMatch(
                        s -> s.look().kind() == Look.Kind.UNFED && s.dangerous().contains(true));
    }

    /** It can be one thing only. */
    private String one() {
        Look look = looks.keySet().iterator().next();
        boolean same = fitting.stream().allMatch(s -> s.look().detail().equals(look.detail()));
        return look.says() + (same ? look.detail() : "");
    }

    /** What it may be, when it may be several things. */
    private String several(boolean sound) {
        StringBuilder says = new StringBuilder(head());
        for (int lead = 0; lead < 2; lead++) {
            says.append(fact(lead));
        }
        List<String> clauses =
                looks.keySet().stream().map(Look::clause).distinct().toList();
        if (!sound) {
            return says + (clauses.size() == 1 ? " " + upper(clauses.get(0)) : " Either " + listed(clauses, "or "))
                    + ".";
        }
        says.append(" If all is sound, ").append(clauses.get(0)).append('.');
        boolean alsoDead = false;
        Map<String, Integer> others = new LinkedHashMap<>();
        for (Map.Entry<Look, List<Seen>> e : looks.entrySet()) {
            String clause = e.getKey().clause();
            if (e.getKey().kind() == Look.Kind.UNFED) {
                alsoDead = !clause.equals(clauses.get(0));
            } else if (!clause.equals(clauses.get(0))) {
                others.merge(clause, e.getValue().size(), Integer::sum);
            }
        }
        if (alsoDead) {
            says.append(" A dead supply reads 0 V as well: check the source first.");
        }
        if (!others.isEmpty()) {
            List<String> likelyFirst = others.entrySet().stream()
                    .sorted(Map.Entry.<String, Integer>comparingByValue().reversed())
                    .map(Map.Entry::getKey)
                    .toList();
            says.append(alsoDead ? " It is the same if " : " It shows the same if ")
                    .append(listed(likelyFirst, "or if "))
                    .append('.');
        }
        return says.toString();
    }

    /** What the number is, as far as that is the same in all that fits. */
    private String head() {
        if (contact != null && fitting.stream().allMatch(Seen::closed)) {
            return "About 0 V across a closed contact, " + contact.title() + ".";
        }
        if (contact != null && fitting.stream().noneMatch(Seen::closed) && Math.abs(shown) >= VoltsLook.FULL * full) {
            return "Full voltage across an open switch, " + contact.title() + ".";
        }
        return between();
    }

    private static String upper(String clause) {
        return clause.substring(0, 1).toUpperCase(Locale.ROOT) + clause.substring(1);
    }

    /** What holds of a lead in every fitting world. */
    private String fact(int lead) {
        boolean returned = nodeInSound(leads().get(lead))
                .map(n -> worlds.sound().reach().sideOf(n) == Side.RETURN)
                .orElse(false);
        if (fitting.stream().allMatch(s -> s.live().get(lead))) {
            return " " + leads().get(lead) + " is live.";
        }
        boolean idle = fitting.stream()
                .noneMatch(s -> s.live().get(lead) || s.dangerous().get(lead));
        return idle && !returned ? " " + leads().get(lead) + " is not powered." : "";
    }

    private Optional<Integer> nodeInSound(Terminal lead) {
        return new Gauge(worlds.sound().frame(), worlds.sound().reach()).node(lead);
    }

    /** @param last "or " or "or if " */
    private static String listed(List<String> clauses, String last) {
        int named = clauses.size() > MOST_LOOKS ? MOST_LOOKS - 1 : clauses.size();
        List<String> list = new ArrayList<>(clauses.subList(0, named));
        if (named < clauses.size()) {
            list.add("or in " + (clauses.size() - named) + " other ways");
        } else if (named > 1) {
            list.set(named - 1, last + list.get(named - 1));
        }
        return String.join(", ", list);
    }

    private String soundShows() {
        OptionalDouble value = Fit.value(worlds.sound(), request);
        return value.isEmpty()
                ? ""
                : " A sound circuit shows " + Numbers.threeFigures(Math.abs(value.getAsDouble())) + " V here.";
    }

    /** Where next to nothing between the leads doesn't mean that they are harmless. */
    private String danger() {
        if (Math.abs(shown) >= VoltsAt.DANGEROUS) {
            return "";
        }
        List<String> dangerous = new ArrayList<>();
        boolean always = true;
        for (int i = 0; i < 2; i++) {
            int lead = i;
            long times = fitting.stream().filter(s -> s.dangerous().get(lead)).count();
            if (times > 0) {
                dangerous.add(leads().get(lead).toString());
                always &= times == fitting.size();
            }
        }
        return dangerous.isEmpty()
                ? ""
                : " Danger: " + String.join(" and ", dangerous)
                        + (always ? (dangerous.size() > 1 ? " are" : " is") : " may be")
                        + " at more than 30 V to earth.";
    }

    private String between() {
        return (Math.abs(shown) < VoltsAt.NOTHING ? "0" : Numbers.threeFigures(Math.abs(shown)))
                + (request.mode() == Request.Mode.DC_VOLTS ? " V DC" : " V") + " between " + request.plus() + " and "
                + request.minus() + ".";
    }
}
