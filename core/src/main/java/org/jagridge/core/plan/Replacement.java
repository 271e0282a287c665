package org.jagridge.core.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** What the conductors of an old thermostat really are: told by where their other ends land, not by letter or colour. */
final class Replacement {
    private Replacement() {}

    /** The letter that a conductor deserves; empty where nobody knows where its other end lands. */
    static Optional<String> reallyIs(WiringRequest.Landing landing, Kit kit) {
        String other = landing.other();
        if (other.isBlank()) {
            return Optional.empty();
        }
        return kit.posts().stream()
                .filter(p -> p.at().equals(other) || p.letter().equals(other))
                .map(Post::letter)
                .findFirst();
    }

    /** Questions and corrections before anything is taken off. */
    static List<String> said(WiringRequest r, Kit kit) {
        List<String> said = new ArrayList<>();
        for (WiringRequest.Landing l : r.landings()) {
            String name = l.cable() + " " + l.core();
            Optional<String> is = reallyIs(l, kit);
            if (is.isEmpty()) {
                said.add(name + " was on " + l.at()
                        + "; where its other end lands isn't known, so it says nothing: look before you move it");
            } else if (!is.get().equals(l.at())) {
                said.add(name + " was on " + l.at() + ", but its other end is on " + l.other() + ": it is " + is.get());
            }
        }
        return said;
    }
}
