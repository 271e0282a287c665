package org.jagridge.web.bench;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.jagridge.web.bench.BenchRepository.Hand;
import org.jagridge.web.bench.BenchRepository.Settled;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/**
 * What was put in for a test at a circuit and hasn't been taken out, over all benches and all their branches: an act or an
 * undo in an older tab leads the bench elsewhere, but the link that a newer tab put in is still there until somebody takes
 * it out or says so.
 */
@Component
public class HandOver {
    private final BenchRepository benches;
    private final Acts acts;
    private final JsonMapper json;

    HandOver(BenchRepository benches, Acts acts, JsonMapper json) {
        this.benches = benches;
        this.acts = acts;
        this.json = json;
    }

    /**
     * Something that is left.
     *
     * @param url where it can be seen and taken out
     */
    record Left(long action, String words, String reason, String url) {}

    /** In words, each once. */
    public List<String> words(String slug) {
        return left(slug).stream().map(Left::words).distinct().toList();
    }

    /** All that is left at a circuit, oldest first. */
    List<Left> left(String slug) {
        List<Hand> hands = benches.hands(slug);
        Map<Long, Set<Long>> chains = new HashMap<>();
        Map<Long, List<Hand>> clears = hands.stream()
                .filter(h -> h.action().kind() == Action.Kind.CLEAR)
                .collect(Collectors.groupingBy(this::cleared));
        List<Left> left = new ArrayList<>();
        for (Hand h : hands) {
            if (!h.action().kind().isTemporary() || h.settled() == Settled.CARRIED) {
                continue;
            }
            Set<Long> chain = chains.computeIfAbsent(h.bench(), b -> chain(h));
            boolean inSight = chain.contains(h.action().id());
            boolean out = clears.getOrDefault(h.action().id(), List.of()).stream()
                    .anyMatch(c -> inSight ? chain.contains(c.action().id()) : c.settled() == null);
            if (!out && (inSight || h.settled() == null)) {
                Temporary t = acts.temporary(h.action());
                left.add(new Left(
                        h.action().id(),
                        t.words(),
                        t.why().words(),
                        BenchState.url(h.bench(), h.action().id(), h.action().shownAt())));
            }
        }
        return left;
    }

    /** What an act took out again. */
    private long cleared(Hand clear) {
        return json.readTree(clear.action().body()).get("action").longValue();
    }

    /** The acts of the state in which a bench was left. */
    private Set<Long> chain(Hand h) {
        return h.benchHead() == null
                ? new HashSet<>()
                : benches.chain(h.bench(), h.benchHead()).stream()
                        .map(Action::id)
                        .collect(Collectors.toSet());
    }

    /** What is left at a bench's circuit and isn't part of the state shown. */
    List<Left> elsewhere(BenchState state) {
        return left(state.bench().slug()).stream()
                .filter(l -> !state.temporaries().containsKey(l.action()))
                .toList();
    }

    /**
     * Somebody says that something was taken out.
     *
     * @throws BadActException where it isn't left at this bench's circuit
     */
    void takenOut(BenchState state, long action) {
        if (elsewhere(state).stream().noneMatch(l -> l.action() == action)) {
            throw new BadActException("That is not on the list any more.");
        }
        benches.settle(List.of(action), Settled.OUT);
    }
}
