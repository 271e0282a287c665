package org.jagridge.core.check;

import static org.jagridge.core.check.FindingKind.COLOUR_CHANGES;
import static org.jagridge.core.check.FindingKind.COLOUR_TWICE;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import org.jagridge.core.circuit.Cable;
import org.jagridge.core.circuit.Wire;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Trait;

/** Colours that say less than they seem to. */
final class Colours implements WiringCheck {
    private final Wiring wiring;
    private final Findings findings;

    Colours(Wiring wiring, Findings findings) {
        this.wiring = wiring;
        this.findings = findings;
    }

    @Override
    public void look() {
        colours();
    }

    private void colours() {
        for (Cable cable : wiring.assembly().circuit().cables()) {
            Set<String> seen = new HashSet<>();
            for (String core : cable.cores()) {
                String colour = core.replaceAll("-\\d+$", "");
                if (!seen.add(colour)) {
                    findings.add(
                            COLOUR_TWICE, List.of(), "Cable " + cable.id() + " has more than one " + colour + " core.");
                }
            }
        }
        for (Assembly.Member m : wiring.parts(Trait.JOINT)) {
            Set<String> at = new TreeSet<>();
            for (Wire w : wiring.assembly().circuit().wires()) {
                String colour = wiring.assembly().circuit().colourOf(w);
                if (colour != null
                        && (w.from().part().equals(m.part().id())
                                || w.to().part().equals(m.part().id()))) {
                    at.add(colour);
                }
            }
            if (at.size() > 1) {
                findings.add(
                        COLOUR_CHANGES,
                        List.of(m.part().id()),
                        "The colour changes at " + m.part().id() + ": " + String.join(", ", at) + ".");
            }
        }
        for (Wire w : wiring.assembly().circuit().wires()) {
            if (w.colourAtEnds().size() == 2
                    && !w.colourAtEnds().get(0).equals(w.colourAtEnds().get(1))) {
                findings.add(
                        COLOUR_CHANGES,
                        List.of(),
                        List.of(w.id()),
                        w.id() + " is " + w.colourAtEnds().get(0) + " at one end and "
                                + w.colourAtEnds().get(1) + " at the other: there is a splice between.");
            }
        }
    }
}
