package org.jagridge.core.trace;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Because;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Numbers;
import org.jagridge.core.part.Role;
import org.jagridge.core.part.Shape;
import org.jagridge.core.part.Time;
import org.jagridge.core.run.Event;
import org.jagridge.core.run.Frame;
import org.jagridge.core.run.Run;

/**
 * The sequence of operation of a run: the start-up chain, then for each thing that a hand or the world did the numbered
 * steps that followed from it.
 */
public final class Sequence {
    /** A wait that is worth telling. */
    private static final long WORTH_TELLING = Time.SECOND / 2;

    /**
     * One step.
     *
     * @param number from 1 within its group
     * @param event index of its event in the run
     * @param after how long after what it came, in words; empty where it came at once
     * @param path parts and wires from the hot pole through the load and back
     * @param enables what this step led to, in words
     * @param stops whether something ends with it
     */
    public record Step(
            int number,
            int event,
            long micros,
            String part,
            String title,
            String name,
            String why,
            String after,
            List<String> path,
            List<String> enables,
            boolean stops,
            boolean backFeed) {}

    /**
     * What followed from one act, or from what the weather or a room did.
     *
     * @param title the act, like "TH mode: heat", or "TH: room 19.4 °C ≤ set 20.0 °C − 0.6 K"; "Power on" for what happens
     *     before any act
     * @param like index of the first group that told the same steps, or −1: a heating day is one hour over and over
     */
    public record Group(String title, long micros, List<Step> steps, int like) {}

    /** One link of the start-up chain, like "T1 gives 26.9 V at X1–X2", and whether it is alive. */
    public record Link(String part, String words, boolean alive) {}

    private final Run run;
    private final Narrator narrator;
    private final Map<Integer, List<Event>> ledTo = new HashMap<>();
    private final Map<Integer, Event> ownBefore = new HashMap<>();

    private Sequence(Run run) {
        this.run = run;
        narrator = new Narrator(run.circuit());
        Map<String, Event> last = new HashMap<>();
        for (Event e : run.events()) {
            e.causes()
                    .forEach(c ->
                            ledTo.computeIfAbsent(c, i -> new ArrayList<>()).add(e));
            if (!e.isInput()) {
                ownBefore.put(e.index(), last.put(e.part(), e));
            }
        }
    }

    /** The groups in order of time; a group without steps stays, since nothing happening is an answer too. */
    public static List<Group> of(Run run) {
        return new Sequence(run).groups();
    }

    private List<Group> groups() {
        Chapters chapters = new Chapters();
        for (Event e : run.events()) {
            if (e.isInput()) {
                chapters.begin(narrator.title(e), e.micros(), true);
            } else {
                if (e.because().kind() == Because.Kind.TEMPERATURE) {
                    chapters.begin(e.part() + ": " + e.because().text(), e.micros(), false);
                }
                chapters.steps.add(step(chapters.steps.size() + 1, e));
            }
        }
        chapters.end();
        return chapters.told;
    }

    /** The groups while they are told. */
    private static final class Chapters {
        private final List<Group> told = new ArrayList<>();
        private final Map<List<String>, Integer> first = new HashMap<>();
        private String title = "Power on";
        private long at;
        private List<Step> steps = new ArrayList<>();
        private boolean act;

        /** Acts at one time make one chapter; what a room does at the time of an act follows from the act. */
        void begin(String words, long micros, boolean isAct) {
            if (micros == at && (act || micros == 0) && !isAct) {
                return;
            }
            if (isAct && act && micros == at && steps.isEmpty()) {
                title += ", " + words;
                return;
            }
            end();
            title = words;
            at = micros;
            steps = new ArrayList<>();
            act = true;
        }

        void end() {
            if (act || !steps.isEmpty()) {
                List<String> words = steps.stream().map(Step::title).toList();
                List<String> signature = words.isEmpty() ? List.of(title) : words;
                Integer known = first.putIfAbsent(signature, told.size());
                told.add(new Group(title, at, List.copyOf(steps), known == null ? -1 : known));
            }
        }
    }

    private Step step(int number, Event e) {
        List<String> enables = ledTo.getOrDefault(e.index(), List.of()).stream()
                .filter(n -> !n.isInput())
                .map(narrator::title)
                .distinct()
                .toList();
        return new Step(
                number,
                e.index(),
                e.micros(),
                e.part(),
                narrator.title(e),
                narrator.name(e),
                e.because().text(),
                after(e),
                e.path(),
                enables,
                !Lanes.isActive(run.circuit(), e),
                e.backFeed());
    }

    /** "17 s after IGN on" where it had to wait for its latest cause. */
    private String after(Event e) {
        Event cause = latestCause(e);
        if (cause == null || e.micros() - cause.micros() < WORTH_TELLING) {
            return "";
        }
        return Time.words(e.micros() - cause.micros()) + " after " + narrator.title(cause);
    }

    /** The last of an event's causes; for what a part does by its own clock, what it did before. */
    private Event latestCause(Event e) {
        Event cause = null;
        for (int c : e.causes()) {
            Event candidate = run.events().get(c);
            if (cause == null || candidate.micros() >= cause.micros()) {
                cause = candidate;
            }
        }
        if (cause == null && e.because().kind() == Because.Kind.TIMER) {
            cause = ownBefore.get(e.index());
        }
        return cause;
    }

    /** From each supply over its transformers to the controls that live on them, with the volts at each link. */
    public static List<Link> startUp(Frame frame) {
        Assembly assembly = frame.assembly();
        List<Link> chain = new ArrayList<>();
        for (Role role : new Role[] {Role.SOURCE, Role.PRIMARY, Role.SECONDARY}) {
            for (Branch b : assembly.branches()) {
                if (b.role() == role && b.b() != null) {
                    String verb = role == Role.PRIMARY ? " takes " : " gives ";
                    chain.add(link(b.owner(), b.owner() + verb, frame.volts(b), b.a(), b.b()));
                }
            }
        }
        for (Assembly.Member m : assembly.members()) {
            String id = m.part().id();
            Terminal c = new Terminal(id, "C");
            for (String hot : new String[] {"R", "RC", "RH"}) {
                Terminal r = new Terminal(id, hot);
                boolean control = assembly.node(r).isPresent()
                        && assembly.node(c).isPresent()
                        && assembly.branchesOf(id).stream()
                                // the R of a motor is its run winding
                                .noneMatch(b ->
                                        b.role().gives() || b.shape() == Shape.MOTOR || b.shape() == Shape.UNIT_HEATER);
                if (control) {
                    double volts = frame.acVolts(
                            assembly.node(r).orElseThrow(), assembly.node(c).orElseThrow());
                    chain.add(link(id, id + " has ", volts, r, c));
                    break;
                }
            }
        }
        return chain;
    }

    private static Link link(String part, String words, double volts, Terminal a, Terminal b) {
        return new Link(part, words + Numbers.threeFigures(volts) + " V at " + a.name() + "–" + b.name(), volts > 0.3);
    }
}
