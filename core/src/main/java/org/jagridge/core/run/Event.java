package org.jagridge.core.run;

import java.util.List;
import org.jagridge.core.part.Because;

/** One change in a run. What led to it is worked out when first asked for: most events are never asked. */
public final class Event {
    private final int index;
    private final long micros;
    private final String part;
    private final String signal;
    private final String from;
    private final String to;
    private final Because because;
    private final Account account;

    Event(
            int index,
            long micros,
            String part,
            String signal,
            String from,
            String to,
            Because because,
            Account account) {
        this.index = index;
        this.micros = micros;
        this.part = part;
        this.signal = signal;
        this.from = from;
        this.to = to;
        this.because = because;
        this.account = account;
    }

    /** Its place in its run. */
    public int index() {
        return index;
    }

    /** When, from the start of the run. */
    public long micros() {
        return micros;
    }

    /** The part that changed, or the wire a fault sits in. */
    public String part() {
        return part;
    }

    /** The part's id for its main signal, {@code PART.input} for an input, {@code PART.fault} for a fault. */
    public String signal() {
        return signal;
    }

    public String from() {
        return from;
    }

    public String to() {
        return to;
    }

    /** Why. */
    public Because because() {
        return because;
    }

    /** Indices of the events whose switching led to this one. */
    public List<Integer> causes() {
        return account.told().causes();
    }

    /** Parts and wires from the source's hot pole through the load and back; empty where no current decides. */
    public List<String> path() {
        return account.told().path().owners();
    }

    /** Whether the path runs through another load or comes from a second supply. */
    public boolean backFeed() {
        return account.told().path().backFeed();
    }

    /** Whether a hand or the world did this, rather than a part. */
    public boolean isInput() {
        return !signal.equals(part);
    }

    @Override
    public String toString() {
        return "%d µs: %s %s → %s (%s)".formatted(micros, signal, from, to, because.text());
    }
}
