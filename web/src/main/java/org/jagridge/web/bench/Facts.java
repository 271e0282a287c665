package org.jagridge.web.bench;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jagridge.core.circuit.BareEnd;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.circuit.Wire;
import org.jagridge.core.drawing.Net;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Numbers;
import org.jagridge.core.part.PartTypes;
import org.jagridge.core.run.Frame;
import org.jagridge.core.run.Reach;
import org.jagridge.web.svg.LiveState;

/** What the inspector says of each part, terminal, wire and net at the instant shown. */
final class Facts {
    private final Frame frame;
    private final Assembly assembly;
    private final Circuit circuit;
    private final List<Net> nets;
    private final Reach reach;

    private Facts(BenchState state, LiveState live) {
        frame = state.frame();
        assembly = frame.assembly();
        circuit = state.drawn().circuit();
        nets = state.drawn().ladder().nets();
        reach = live.reach();
    }

    /** By {@code part:K1}, {@code terminal:K1.A1}, {@code wire:w4}, {@code net:203}: one line each. */
    static Map<String, String> of(BenchState state, LiveState live) {
        Facts f = new Facts(state, live);
        Map<String, String> facts = new LinkedHashMap<>();
        f.circuit.parts().forEach(p -> facts.put("part:" + p.id(), f.part(p)));
        for (Net net : f.nets) {
            if (net.number() > 0) {
                facts.put("net:" + net.number(), f.net(net));
            }
            net.terminals().forEach(t -> facts.put("terminal:" + t, t + " · " + f.net(net)));
        }
        f.circuit.wires().forEach(w -> facts.put("wire:" + w.id(), f.wire(w)));
        f.bareEnds().forEach(t -> facts.put("terminal:" + t, f.bareEnd(t)));
        return facts;
    }

    private String part(Part part) {
        StringBuilder s = new StringBuilder(part.id());
        if (part.name() != null) {
            s.append(" · ").append(part.name());
        }
        s.append(" · ").append(PartTypes.catalogue().require(part).title().toLowerCase(Locale.ROOT));
        String signal = frame.signals().get(part.id());
        if (signal != null) {
            s.append(" · ").append(signal);
        }
        for (Branch b : assembly.branchesOf(part.id())) {
            if (b.role().consumes()) {
                s.append(" · ")
                        .append(b.label().replace('-', '–'))
                        .append(' ')
                        .append(Numbers.threeFigures(frame.volts(b)))
                        .append(" V, ")
                        .append(Numbers.threeFigures(frame.amps(b)))
                        .append(" A");
            }
        }
        return s.toString();
    }

    private List<Terminal> bareEnds() {
        return assembly.circuit().wires().stream()
                .flatMap(w -> Stream.of(w.from(), w.to()))
                .filter(t -> BareEnd.of(t).isPresent())
                .toList();
    }

    private String bareEnd(Terminal t) {
        BareEnd end = BareEnd.of(t).orElseThrow();
        Terminal off = circuit.wire(end.wire()).orElseThrow().end(end.end());
        return end.words() + ", off " + off + " · " + volts(assembly.node(t).orElseThrow());
    }

    private String net(Net net) {
        String others = net.terminals().stream().map(Terminal::toString).collect(Collectors.joining(", "));
        String number = net.number() > 0 ? "wire " + net.number() : "not wired";
        return number + " · " + volts(net.nodes().get(0)) + " · " + others;
    }

    private String volts(int node) {
        Reach.ThroughLoad way = reach.throughLoads(node);
        if (way == null) {
            return "joined to nothing live";
        }
        for (Branch b : assembly.branchesOf(way.pole().source())) {
            if (b.role().gives() && b.b() != null) {
                String side = reach.sideOf(node) == null
                        ? "through a load"
                        : reach.sideOf(node) == Reach.Side.RETURN ? "return side" : "hot";
                return side + ", "
                        + Numbers.threeFigures(frame.ac().volts(node, b.nodeB()).abs()) + " V to " + b.b();
            }
        }
        return "live";
    }

    private String wire(Wire w) {
        StringBuilder s = new StringBuilder(w.id()).append(" · ");
        String colour = circuit.colourOf(w);
        if (colour != null) {
            s.append(colour).append(" · ");
        }
        if (w.cable() != null) {
            s.append("cable ").append(w.cable()).append(" · ");
        }
        s.append(w.from()).append(" to ").append(w.to());
        Branch b = assembly.branchesOf(w.id()).get(0);
        return s.append(" · ")
                .append(Numbers.threeFigures(frame.amps(b)))
                .append(" A")
                .toString();
    }
}
