package org.jagridge.core.part;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.network.Network;

/** Gives a part type what it needs to put one part into a circuit's network. */
public final class PartDraft {
    private static final String HIDDEN = "_";
    /** Label of what stands in for a part that is not fitted. */
    static final String BYPASS = "bypass";

    private final Assembly.Draft assembly;
    private final Part part;
    private final Params params;
    private final Map<String, String> shownAs = new HashMap<>();

    PartDraft(Assembly.Draft assembly, Part part, Params params) {
        this.assembly = assembly;
        this.part = part;
        this.params = params;
    }

    public Part part() {
        return part;
    }

    public Params params() {
        return params;
    }

    /** Fitted parts of a type that name this one in a parameter. */
    public List<String> namedBy(String type, String param) {
        return assembly.circuit().parts().stream()
                .filter(p -> p.fitted()
                        && p.type().equals(type)
                        && part.id().equals(p.params().get(param)))
                .map(Part::id)
                .toList();
    }

    /** Whether a wire is landed on one of this part's terminals. */
    public boolean isWired(String terminal) {
        return assembly.isWired(new Terminal(part.id(), terminal));
    }

    /** The parameters of another part. */
    public Optional<Params> paramsOf(String id) {
        return assembly.paramsOf(id);
    }

    /** A contact between two terminals. */
    public Branch contact(String a, String b, Shape shape, boolean restClosed) {
        return branch(a, b, a + "-" + b, Role.CONTACT, shape, restClosed);
    }

    public Branch coil(String a, String b) {
        return branch(a, b, a + "-" + b, Role.COIL, Shape.COIL, false);
    }

    public Branch load(String a, String b, Shape shape) {
        return branch(a, b, a + "-" + b, Role.LOAD, shape, false);
    }

    public Branch branch(String a, String b, String label, Role role, Shape shape, boolean restClosed) {
        Terminal ta = new Terminal(part.id(), a);
        Terminal tb = new Terminal(part.id(), b);
        return assembly.add(
                part.id(),
                label.replace(HIDDEN, ""),
                assembly.node(ta),
                assembly.node(tb),
                shown(a),
                shown(b),
                label.equals(BYPASS) ? role : there(role),
                shape,
                restClosed,
                true);
    }

    /** Whether a name stands for a node inside the part, which no lead can touch: it begins with an underscore. */
    static boolean isHidden(String name) {
        return name.startsWith(HIDDEN);
    }

    private Terminal shown(String name) {
        String visible = isHidden(name) ? shownAs.get(name) : name;
        return visible == null ? null : new Terminal(part.id(), visible);
    }

    /** Lets drawings show a node inside the part at the terminal that it is joined to. Say so before its branches. */
    public void show(String hidden, String terminal) {
        shownAs.put(hidden, terminal);
    }

    /** A bar or link inside the part that is always joined. */
    public Branch link(String a, String b) {
        return branch(a, b, a + "-" + b, Role.CONDUCTOR, Shape.NONE, true);
    }

    /** A source between two terminals, hot pole first, that also tells the network its return pole. */
    public Branch source(String hot, String ret, Role role, Shape shape) {
        if (part.fitted()) {
            assembly.network.returnPole(assembly.node(new Terminal(part.id(), ret)));
        }
        return branch(hot, ret, hot + "-" + ret, role, shape, false);
    }

    /** A source whose second pole is a node inside the part. */
    public Branch hiddenSource(String hot, int inner) {
        Terminal ta = new Terminal(part.id(), hot);
        return assembly.add(
                part.id(), hot, assembly.node(ta), inner, ta, null, there(Role.SOURCE), Shape.SUPPLY, false, true);
    }

    /** What a branch is for, unless the part isn't there. */
    private Role there(Role role) {
        return part.fitted() || role == Role.EARTHING ? role : Role.ABSENT;
    }

    /** A node that no terminal reaches. */
    public int innerNode() {
        return assembly.network.node();
    }

    /** A branch from a terminal to earth that joins: a bond. */
    public Branch bond(String terminal) {
        Terminal t = new Terminal(part.id(), terminal);
        return assembly.add(
                part.id(), terminal, assembly.node(t), Network.EARTH, t, null, Role.EARTHING, Shape.NONE, false, true);
    }

    public Branch bondInner(int node) {
        return assembly.add(
                part.id(), "earth", node, Network.EARTH, null, null, Role.EARTHING, Shape.NONE, false, true);
    }

    /** A branch inside the part that no drawing shows and that joins nothing hard. */
    public Branch inside(String a, String b) {
        return branch(a, b, a + "-" + b, Role.EARTHING, Shape.NONE, false);
    }

    /** Stray capacitance from a terminal to earth. */
    public Branch stray(String terminal) {
        Terminal t = new Terminal(part.id(), terminal);
        return assembly.add(
                part.id(), terminal, assembly.node(t), Network.EARTH, t, null, Role.EARTHING, Shape.NONE, false, false);
    }

    public int coupling(Branch primary, Branch secondary) {
        return assembly.network.coupling(primary.index(), secondary.index());
    }

    /** Terminals of this part as declared. */
    public List<String> terminals() {
        return assembly.terminals(part);
    }
}
