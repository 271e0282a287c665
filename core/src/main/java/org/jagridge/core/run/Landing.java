package org.jagridge.core.run;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Call;
import org.jagridge.core.part.PartTypes;
import org.jagridge.core.part.Role;
import org.jagridge.core.part.Time;

/** Which contacts a control makes in a call, and whether wires are on their terminals. */
public enum Landing {
    /** A wire is on one that is made at least. */
    LANDED,
    /** Contacts are made, no wire is on any of them, and nothing moves. */
    BARE,
    /** No contact is made, or none with a wire: the call goes another way, or nowhere. */
    NO_CONTACT;

    private static final double BEGINS = 5;
    private static final double LOOKED = 15;

    /** What a call moves: the contacts that the control makes, and the other parts that do something else than before. */
    private record Moved(List<Branch> made, Set<String> parts) {
        static Moved by(Assembly assembly, Part control, Call call) {
            Scenario hands = Tale.around(assembly.circuit(), control, call)
                    .start(call.before())
                    .begin(call, BEGINS)
                    .until(call.name(), LOOKED + 1);
            Engine engine = Engine.of(assembly);
            Configuration before = engine.follow(hands, List.of(), Time.micros(BEGINS) - 1);
            Frame now = engine.follow(before, hands, Time.micros(LOOKED)).frame();
            Map<String, String> was = before.frame().signals();
            Set<String> parts = new HashSet<>(now.signals().keySet());
            parts.removeIf(p -> p.equals(control.id()) || now.signals().get(p).equals(was.get(p)));
            return new Moved(Landing.made(control, before.frame(), now), parts);
        }
    }

    /** Found by making the call; what the control's fan call does as well doesn't count for another. */
    public static Landing of(Assembly assembly, Part control, Call call) {
        Moved moved = Moved.by(assembly, control, call);
        if (call.duty() != Call.Duty.FAN) {
            PartTypes.callsOf(control).stream()
                    .filter(c -> c.duty() == Call.Duty.FAN)
                    .findFirst()
                    .map(fan -> Moved.by(assembly, control, fan))
                    .ifPresent(fan -> {
                        moved.made().removeAll(fan.made());
                        moved.parts().removeAll(fan.parts());
                    });
        }
        Landing landing = of(moved.made(), assembly.circuit());
        // a module may hear the call without a wire on the contact
        return landing == BARE && !moved.parts().isEmpty() ? NO_CONTACT : landing;
    }

    /** Of a control before a call and in it. */
    public static Landing of(Part control, Frame before, Frame now) {
        return of(made(control, before, now), now.assembly().circuit());
    }

    private static List<Branch> made(Part control, Frame before, Frame now) {
        return now.assembly().branchesOf(control.id()).stream()
                .filter(b -> b.role() == Role.CONTACT && b.b() != null && now.conducts(b) && !before.conducts(b))
                .collect(Collectors.toCollection(ArrayList::new));
    }

    private static Landing of(List<Branch> made, Circuit circuit) {
        if (made.isEmpty()) {
            return NO_CONTACT;
        }
        return made.stream().anyMatch(b -> isWired(b.b(), circuit)) ? LANDED : BARE;
    }

    private static boolean isWired(Terminal t, Circuit circuit) {
        return circuit.wires().stream().anyMatch(w -> w.from().equals(t) || w.to().equals(t));
    }
}
