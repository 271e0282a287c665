package org.jagridge.web.bench;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jagridge.core.circuit.BareEnd;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.meter.Request;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Role;
import tools.jackson.databind.JsonNode;

/**
 * Where the bench's meter is: its dial, both leads, and the clamp, which stay where they are while the dial turns.
 *
 * @param wire the conductor in the clamp; empty for none yet
 */
record Leads(String mode, String plus, String minus, String wire, double turns, boolean lowImpedance) {
    private static final double MOST_TURNS = 100;

    static Leads of(Request r) {
        return new Leads(
                r.mode().word(), r.plus().toString(), r.minus().toString(), r.wire(), r.turns(), r.lowImpedance());
    }

    static Leads read(JsonNode body) {
        return new Leads(
                body.get("mode").stringValue(),
                body.get("plus").stringValue(),
                body.get("minus").stringValue(),
                body.has("wire") ? body.get("wire").stringValue() : "",
                body.has("turns") ? body.get("turns").doubleValue() : 1,
                body.get("lowImpedance").booleanValue());
    }

    Map<String, Object> toMap() {
        Map<String, Object> m = new LinkedHashMap<>();
        m.put("mode", mode);
        m.put("plus", plus);
        m.put("minus", minus);
        m.put("wire", wire);
        m.put("turns", turns);
        m.put("lowImpedance", lowImpedance);
        return m;
    }

    /** The leads across the first control supply, or the first supply; the clamp around the first wire. */
    static Leads starting(Assembly assembly) {
        Branch source = assembly.branches().stream()
                .filter(b -> b.role() == Role.SECONDARY && b.isDrawn())
                .findFirst()
                .or(() -> assembly.branches().stream()
                        .filter(b -> b.role() == Role.SOURCE && b.isDrawn())
                        .findFirst())
                .orElse(null);
        Terminal any = assembly.nodes().keySet().iterator().next();
        return new Leads(
                Request.Mode.AC_VOLTS.word(),
                (source == null ? any : source.a()).toString(),
                (source == null ? any : source.b()).toString(),
                "",
                1,
                false);
    }

    /** The same with ends of wires, which people write as {@code w7 TH.G}, by the names of bare ends. */
    Leads named(Circuit circuit) {
        return new Leads(mode, named(plus, circuit), named(minus, circuit), wire, turns, lowImpedance);
    }

    private static String named(String lead, Circuit circuit) {
        return BareEnd.read(lead, circuit).map(e -> e.terminal().toString()).orElse(lead);
    }

    /** Where a lead is, as people write it. */
    static String written(Terminal lead, Circuit circuit) {
        return BareEnd.of(lead).map(e -> e.written(circuit)).orElse(lead.toString());
    }

    /** Why they can't be there, in words; empty where they can. */
    Optional<String> misfit(Assembly assembly) {
        if (Request.Mode.of(mode).isEmpty()) {
            return Optional.of("The meter has no range \"" + mode + "\".");
        }
        for (String lead : List.of(plus, minus)) {
            if (!Terminal.isWellFormed(lead)
                    || assembly.node(BareEnd.landed(named(lead, assembly), assembly.circuit()))
                            .isEmpty()) {
                return Optional.of("There is no terminal \"" + lead
                        + "\" in this circuit. Type part and terminal, like "
                        + assembly.nodes().keySet().iterator().next() + ".");
            }
        }
        if (!wire.isEmpty() && assembly.circuit().wire(wire).isEmpty()) {
            return Optional.of("There is no wire \"" + wire + "\" to clamp in this circuit.");
        }
        return turns >= 1 && turns <= MOST_TURNS
                ? Optional.empty()
                : Optional.of("Pass the conductor through the clamp 1 to 100 times.");
    }

    private static Terminal named(String lead, Assembly assembly) {
        return assembly.circuit().named(lead, t -> assembly.node(t).isPresent());
    }

    /** The reading asked for. A clamp that lies on no wire yet lies on the circuit's first one. */
    Request request(Assembly assembly) {
        String clamped = wire.isEmpty() && !assembly.circuit().wires().isEmpty()
                ? assembly.circuit().wires().get(0).id()
                : wire;
        return new Request(
                Request.Mode.of(mode).orElseThrow(),
                named(plus, assembly),
                named(minus, assembly),
                clamped,
                turns,
                lowImpedance);
    }
}
