package org.jagridge.core.plan;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Wire;

/** A draft put together: what is joined by which conductor, and what has to be fitted, bought and left alone for it. */
final class Composition {
    final WiringRequest request;
    final Face face;
    final Set<Move> moves;
    final Kit kit = new Kit();
    final List<Net> nets = new ArrayList<>();
    final List<WiringPlan.Conductor> schedule = new ArrayList<>();
    final List<WiringPlan.Joint> fit = new ArrayList<>();
    final List<WiringPlan.Joint> takeOut = new ArrayList<>();
    final List<WiringPlan.Unused> unused = new ArrayList<>();
    final Map<String, WiringPlan.Purchase> buy = new LinkedHashMap<>();
    final List<String> lost = new ArrayList<>();
    Prices.Price price = Prices.Price.NOTHING;
    /** Why it can't be put together; null where it can. */
    String why;

    private Circuit circuit;

    Composition(WiringRequest request, Face face, Set<Move> moves) {
        this.request = request;
        this.face = face;
        this.moves = moves.isEmpty() ? EnumSet.noneOf(Move.class) : EnumSet.copyOf(moves);
    }

    boolean has(Move move) {
        return moves.contains(move);
    }

    Net net(Line line, String letter, String... ends) {
        Net net = new Net(line, letter, ends);
        nets.add(net);
        return net;
    }

    Optional<Net> net(Line line) {
        return nets.stream().filter(n -> n.line == line).findFirst();
    }

    /** A wire between two terminals at one place. */
    void fit(String from, String to, String colour, String reason) {
        kit.wire(from, to, colour, Wire.Run.FIELD);
        fit.add(new WiringPlan.Joint(from, to, reason));
        pay("jumper", 1);
    }

    void buys(String article, int count, String what, String reason) {
        WiringPlan.Purchase had = buy.get(what);
        buy.put(what, new WiringPlan.Purchase(what, article, count + (had == null ? 0 : had.count()), reason));
    }

    void pay(String price, double times) {
        this.price = this.price.plus(request.prices().of(price).times(times));
    }

    Circuit circuit() {
        if (circuit == null) {
            circuit = kit.build("Planned wiring", null);
        }
        return circuit;
    }
}
