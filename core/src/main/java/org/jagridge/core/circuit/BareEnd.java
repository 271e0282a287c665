package org.jagridge.core.circuit;

import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/**
 * The end of a wire that was taken off its terminal: a place of its own for a meter's lead, called {@code ~w7.1} or {@code
 * ~w7.2} after the wire and which of its ends that is. No part of a user can have such an id.
 *
 * @param end 0 or 1
 */
public record BareEnd(String wire, int end) {
    private static final String MARK = "~";
    private static final Pattern NAME = Pattern.compile(MARK + "(\\w[\\w-]*?)\\.([12])");
    /** A post of the splice that stands for ends which are twisted together. */
    private static final Pattern TWIST = Pattern.compile("twist (\\w[\\w-]*(?: \\w[\\w-]*)+)\\.\\d+");
    /** How it was called at benches and in records that are older. */
    private static final Pattern OLD_NAME = Pattern.compile("bare-(\\w[\\w-]*?)\\.([12])");

    /** The bare end that a terminal's name stands for; empty for any other terminal. */
    public static Optional<BareEnd> of(Terminal terminal) {
        return Stream.of(NAME, OLD_NAME)
                .map(p -> p.matcher(terminal.toString()))
                .filter(Matcher::matches)
                .map(m -> new BareEnd(m.group(1), Integer.parseInt(m.group(2)) - 1))
                .findFirst();
    }

    /**
     * The end of a wire as people write it, the wire and the terminal where it belongs: {@code w7 TH.G}; empty where the
     * words are no such end of a wire in {@code circuit}.
     */
    public static Optional<BareEnd> read(String words, Circuit circuit) {
        String[] two = words.strip().split("\\s+", -1);
        if (two.length != 2) {
            return Optional.empty();
        }
        return circuit.wire(two[0])
                .flatMap(w -> IntStream.range(0, 2)
                        .filter(i -> w.end(i).toString().equalsIgnoreCase(two[1]))
                        .mapToObj(i -> new BareEnd(w.id(), i))
                        .findFirst());
    }

    /** As people write it, see {@link #read}; its own name where the circuit has no such wire. */
    public String written(Circuit circuit) {
        return circuit.wire(wire)
                .map(w -> wire + " " + w.end(end))
                .orElse(terminal().toString());
    }

    public Terminal terminal() {
        return new Terminal(MARK + wire, String.valueOf(end + 1));
    }

    /** "the bare end of w7". */
    public String words() {
        return "the bare end of " + wire;
    }

    /**
     * A lead that is clipped to a wire's end goes along with it: where it is in a circuit in which the end may be
     * landed or in a twist.
     */
    public static Terminal landed(Terminal lead, Circuit circuit) {
        // a part of a user may be called as bare ends once were
        return of(lead).filter(e ->
                        lead.equals(e.terminal()) || circuit.part(lead.part()).isEmpty())
                .flatMap(e -> circuit.wire(e.wire()).map(w -> w.end(e.end())))
                .orElse(lead);
    }

    /** Words in which bare ends and twists are called what they are. */
    public static String told(String words) {
        String bare = NAME.matcher(words).replaceAll(m -> "the bare end of " + m.group(1));
        return TWIST.matcher(bare).replaceAll(m -> "the twist of " + m.group(1).replace(" ", " and "));
    }

    /** The end that lies at a terminal which {@code drawn} doesn't have, like a post of a twist; empty where there is none. */
    public static Optional<BareEnd> at(Terminal terminal, Circuit now, Circuit drawn) {
        if (drawn.part(terminal.part()).isPresent()) {
            return Optional.empty();
        }
        return now.wires().stream()
                .filter(w -> drawn.wire(w.id()).isPresent())
                .flatMap(w -> IntStream.range(0, 2)
                        .filter(i -> w.end(i).equals(terminal))
                        .mapToObj(i -> new BareEnd(w.id(), i)))
                .findFirst();
    }

    /** Takes the end off in a circuit that is being built. */
    void takeOff(Circuit.Builder b, String place, Fittings fittings) {
        Terminal bare = terminal();
        if (b.parts().stream().noneMatch(p -> p.id().equals(bare.part()))) {
            b.parts().add(fittings.strip(bare.part(), place, 2));
        }
        b.wires().replaceAll(w -> w.id().equals(wire) ? w.withEnd(end, bare) : w);
    }
}
