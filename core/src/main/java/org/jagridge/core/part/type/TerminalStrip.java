package org.jagridge.core.part.type;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.Problem;
import org.jagridge.core.circuit.Signal;
import org.jagridge.core.part.Behaviour;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.PartDraft;
import org.jagridge.core.part.PartType;
import org.jagridge.core.part.Role;
import org.jagridge.core.part.Shape;
import org.jagridge.core.part.Trait;
import org.jagridge.core.part.block.Fixed;

/** {@code terminal-strip}: numbered posts, each its own but for the links put between some. */
final class TerminalStrip extends PartType {
    TerminalStrip() {
        super("terminal-strip", "Terminal strip", "Numbered posts. Each is its own unless a link joins two.");
    }

    @Override
    public List<Field> params() {
        return List.of(Field.number("posts", 10.0, "").within(1, 200), Field.structure("links"));
    }

    @Override
    public Set<Trait> traits(Params params) {
        return Set.of(Trait.POSTS);
    }

    @Override
    public List<String> terminals(Params params) {
        return numbered(params.integer("posts"));
    }

    static List<String> numbered(int posts) {
        return IntStream.rangeClosed(1, posts).mapToObj(Integer::toString).toList();
    }

    @Override
    public List<Problem> mistakesIn(Params params) {
        List<String> posts = terminals(params);
        return links(params).stream()
                .filter(link -> link.size() != 2 || !posts.containsAll(link))
                .map(link ->
                        new Problem("links", String.join("-", link) + " joins no two posts; write a link like \"3-4\""))
                .toList();
    }

    /** The links, each written {@code "3-4"} or {@code ["3", "4"]}, as pairs of posts. */
    private static List<List<String>> links(Params params) {
        List<List<String>> pairs = new ArrayList<>();
        for (Object link : params.list("links")) {
            pairs.add(
                    link instanceof List<?> pair
                            ? pair.stream().map(String::valueOf).toList()
                            : List.of(String.valueOf(link).split("-")));
        }
        return pairs;
    }

    @Override
    public Signal signal(Params params) {
        return Signal.none();
    }

    @Override
    public Set<String> above(Params params) {
        return Set.copyOf(terminals(params));
    }

    @Override
    public Behaviour<?> build(PartDraft draft) {
        List<Branch> links = new ArrayList<>();
        for (List<String> link : links(draft.params())) {
            String a = link.get(0);
            String b = link.get(1);
            links.add(draft.branch(a, b, a + "-" + b, Role.CONDUCTOR, Shape.NONE, true));
        }
        return new Fixed(stamp -> links.forEach(b -> stamp.contact(b, true)));
    }
}
