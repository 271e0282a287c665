package org.jagridge.core.run;

import org.jagridge.core.network.Solution;
import org.jagridge.core.part.Because;

/** The currents of one round of reactions, and those before: where the path that a reason names is looked for. */
record Scene(CurrentPath paths, Solution ac, Solution dc, Solution acBefore, Solution dcBefore) {
    CurrentPath.Path path(Because because) {
        if (because.focus() == null) {
            return CurrentPath.Path.NONE;
        }
        Solution solution = because.lost() && acBefore != null ? acBefore : ac;
        CurrentPath.Path path = isHere(solution) ? paths.through(because.focus(), solution) : CurrentPath.Path.NONE;
        Solution direct = because.lost() ? dcBefore : dc;
        if (path.owners().isEmpty() && direct != null && isHere(direct)) {
            path = paths.through(because.focus(), direct);
        }
        return path.owners().isEmpty() && because.lost() && isHere(ac) ? paths.through(because.focus(), ac) : path;
    }

    /** Whether a solution belongs to this assembly and not to the circuit before a fault changed it. */
    private boolean isHere(Solution solution) {
        return paths.isOf(solution.network());
    }
}
