package org.jagridge.core.meter;

import java.util.List;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import org.jagridge.core.part.Numbers;
import org.jagridge.core.world.World;
import org.jagridge.core.world.Worlds;

/**
 * What a clamp round several conductors proves: it shows the sum of their currents, each counted the way it passes, so
 * that what goes out and comes back is nothing.
 */
final class SumProof {
    private static final double NOTHING = 0.02;

    private SumProof() {}

    /** @param shown for one turn */
    static String says(Worlds worlds, Request request, double shown) {
        String sum = request.conductors().stream()
                .map(c -> (c.turned() ? "−" : "+") + " " + c.wire())
                .collect(Collectors.joining(" "))
                .replaceFirst("^\\+ ", "");
        List<World> fitting = Fit.of(worlds, request, shown);
        OptionalDouble expected = Fit.value(worlds.sound(), request);
        String is = "The sum of " + sum + (Math.abs(shown) < NOTHING ? " is nothing" : "") + ".";
        if (!fitting.isEmpty() && fitting.get(0).isSound()) {
            return is + " It is what a sound circuit has here"
                    + (Math.abs(shown) < NOTHING
                            ? ": the currents cancel, or none flows; clamp each alone to tell."
                            : ".");
        }
        return is
                + (expected.isPresent()
                        ? " A sound circuit has " + Numbers.threeFigures(Math.abs(expected.getAsDouble())) + " A here."
                        : "")
                + (fitting.isEmpty()
                        ? " No single fault that was tried explains it: there is more than one, it is of another kind, or it isn't wired as drawn."
                        : Naming.faults(fitting));
    }
}
