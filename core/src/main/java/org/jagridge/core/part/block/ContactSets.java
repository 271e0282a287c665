package org.jagridge.core.part.block;

import java.util.ArrayList;
import java.util.List;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.PartDraft;
import org.jagridge.core.part.Shape;
import org.jagridge.core.part.Stamp;

/** The contact sets 11–12–14, 21–22–24 … of a relay. */
public final class ContactSets {
    private final List<Branch> normallyClosed = new ArrayList<>();
    private final List<Branch> normallyOpen = new ArrayList<>();

    public ContactSets(PartDraft draft, int sets) {
        for (int i = 1; i <= sets; i++) {
            normallyClosed.add(draft.contact(i + "1", i + "2", Shape.CONTACT_CLOSED, true));
            normallyOpen.add(draft.contact(i + "1", i + "4", Shape.CONTACT_OPEN, false));
        }
    }

    public static List<String> terminals(int sets) {
        List<String> names = new ArrayList<>();
        for (int i = 1; i <= sets; i++) {
            names.addAll(List.of(i + "1", i + "2", i + "4"));
        }
        return names;
    }

    public void stamp(boolean in, Stamp stamp) {
        normallyClosed.forEach(b -> stamp.contact(b, !in));
        normallyOpen.forEach(b -> stamp.contact(b, in));
    }
}
