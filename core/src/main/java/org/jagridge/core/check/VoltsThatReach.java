package org.jagridge.core.check;

import static org.jagridge.core.check.FindingKind.OVER_VOLTAGE;
import static org.jagridge.core.check.FindingKind.UNDER_VOLTAGE;

import java.util.List;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Numbers;
import org.jagridge.core.part.Rating;
import org.jagridge.core.part.Role;
import org.jagridge.core.part.SourceRating;

/** Coils and loads against the supplies that could reach both of their ends. */
final class VoltsThatReach implements WiringCheck {
    private static final double TOO_MUCH = 1.3;
    private static final double TOO_LITTLE = 0.7;

    private final Wiring wiring;
    private final Findings findings;

    VoltsThatReach(Wiring wiring, Findings findings) {
        this.wiring = wiring;
        this.findings = findings;
    }

    @Override
    public void look() {
        voltsThatReach();
    }

    /** Every coil and low-voltage load against the supplies that could reach both of its ends. */
    private void voltsThatReach() {
        for (Branch b : wiring.branches(Role.COIL, Role.LOAD, Role.PRIMARY)) {
            double rated = ratedVolts(b, wiring.member(b.owner()).rating());
            if (rated <= 0 || !b.isDrawn()) {
                continue;
            }
            double reach = voltsAcross(b);
            if (reach > TOO_MUCH * rated) {
                findings.add(
                        OVER_VOLTAGE,
                        List.of(b.owner()),
                        "%s is made for %s V and can get %s V."
                                .formatted(b.title(), Numbers.plain(rated), Numbers.plain(reach)));
            } else if (reach > 0 && reach < TOO_LITTLE * rated) {
                findings.add(
                        UNDER_VOLTAGE,
                        List.of(b.owner()),
                        "%s is made for %s V and gets %s V at the most."
                                .formatted(b.title(), Numbers.plain(rated), Numbers.plain(reach)));
            }
        }
    }

    private static double ratedVolts(Branch b, Rating rating) {
        if (b.role() == Role.COIL) {
            return rating.coilVolts();
        }
        if (b.role() == Role.PRIMARY) {
            return rating.primaryVolts();
        }
        boolean plain = b.label().equals("1-2") || b.label().endsWith("-COM");
        return plain ? rating.loadVolts() : 0;
    }

    /** The most nominal volts that the poles within reach of a branch's two ends can put across it; 0 for none. */
    private double voltsAcross(Branch b) {
        double most = 0;
        for (Wiring.Reached x : wiring.polesWithinReach(wiring.net(b.nodeA()))) {
            for (Wiring.Reached y : wiring.polesWithinReach(wiring.net(b.nodeB()))) {
                if (x.source().owner().equals(y.source().owner())) {
                    most = Math.max(most, volts(x, y));
                }
            }
        }
        return most;
    }

    private double volts(Wiring.Reached x, Wiring.Reached y) {
        Assembly.Member m = wiring.member(x.source().owner());
        SourceRating gives = m.type().source(m.params());
        if (x.source().index() == y.source().index()) {
            return x.hot() == y.hot() ? 0 : gives.volts();
        }
        // two legs of one supply
        return x.hot() && y.hot() ? gives.betweenHots() : x.hot() || y.hot() ? gives.volts() : 0;
    }
}
