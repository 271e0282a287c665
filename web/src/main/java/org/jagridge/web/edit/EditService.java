package org.jagridge.web.edit;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Problem;
import org.jagridge.core.drawing.Arrangement;
import org.jagridge.core.edit.CircuitDiff;
import org.jagridge.core.edit.Edit;
import org.jagridge.core.edit.Edits;
import org.jagridge.core.format.CircuitReader;
import org.jagridge.core.format.CircuitWriter;
import org.jagridge.core.format.MalformedException;
import org.jagridge.core.part.Assembly;
import org.jagridge.web.circuits.CircuitRepository;
import org.jagridge.web.circuits.CircuitRepository.Revision;
import org.jagridge.web.circuits.CircuitRepository.Row;
import org.jagridge.web.circuits.CircuitStore;
import org.jagridge.web.circuits.NotFoundException;
import org.jagridge.web.circuits.Slugs;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.stereotype.Service;

/** Stores every change of a circuit as a revision; never over somebody else's. */
@Service
public class EditService {
    private static final int LONGEST_NAME = 200;

    private final CircuitRepository circuits;
    private final CircuitStore store;

    EditService(CircuitRepository circuits, CircuitStore store) {
        this.circuits = circuits;
        this.store = store;
    }

    /** What was changed since a revision that a change was meant for. */
    public static final class StaleException extends RuntimeException {
        private static final long serialVersionUID = 1L;
        private final transient Row row;
        private final transient List<CircuitDiff.Line> since;

        StaleException(Row row, List<CircuitDiff.Line> since) {
            super("the circuit has been changed since");
            this.row = row;
            this.since = since;
        }

        Row row() {
            return row;
        }

        public List<CircuitDiff.Line> since() {
            return since;
        }
    }

    /**
     * Applies what a form asks for to the revision it was filled in for.
     *
     * @throws StaleException where that revision isn't the newest any more
     */
    public void apply(String slug, int base, String what, Map<String, String> fields) {
        change(slug, base, before -> FormEdits.read(what, fields, before));
    }

    /**
     * Makes a change to the revision that it was meant for.
     *
     * @throws StaleException where that revision isn't the newest any more
     */
    public void change(String slug, int base, Function<Circuit, Edit> change) {
        Row row = circuits.require(slug);
        if (row.revision() != base) {
            throw stale(row, base);
        }
        CircuitStore.Drawn drawn = store.revision(row.revisionId());
        Circuit before = drawn.circuit();
        Edit edit = change.apply(before);
        Circuit after = steady(drawn.assembly(), edit.applyTo(before));
        boolean arranged = !after.layout().equals(before.layout());
        if (arranged || !CircuitDiff.between(before, after).isEmpty()) {
            store(row, null, content(row).content(), after, edit.words());
        }
    }

    /** With its boxes where they were drawn. */
    private static Circuit steady(Assembly before, Circuit after) {
        Circuit.Builder b = after.toBuilder();
        Map<String, Object> layout = Arrangement.steady(before, after);
        b.layout().clear();
        b.layout().putAll(layout);
        return b.build();
    }

    private StaleException stale(Row row, int base) {
        Circuit then = revision(row, base)
                .map(r -> store.revision(r.id()).circuit())
                .orElseThrow(() -> new NotFoundException("There is no revision " + base + "."));
        return new StaleException(
                row, CircuitDiff.between(then, store.revision(row.revisionId()).circuit()));
    }

    private static void requireShort(Circuit circuit) {
        if (circuit.name().length() > LONGEST_NAME) {
            throw new MalformedException(List.of(new Problem(
                    "/name",
                    "a circuit's name has up to " + LONGEST_NAME + " letters; this has "
                            + circuit.name().length())));
        }
    }

    private void store(Row row, Integer content, Integer madeFrom, Circuit circuit, String words) {
        requireShort(circuit);
        String body = CircuitWriter.write(circuit);
        if (!circuits.addRevision(row.id(), row.revision() + 1, content, madeFrom, circuit.name(), body, words)) {
            throw stale(circuits.require(row.slug()), row.revision());
        }
    }

    private Revision content(Row row) {
        return circuits.revisions(row.id()).get(0);
    }

    private Optional<Revision> revision(Row row, int number) {
        return circuits.revisions(row.id()).stream()
                .filter(r -> r.number() == number)
                .findFirst();
    }

    /** The revision whose content undo brings back. */
    private Optional<Revision> undoable(Row row) {
        int content = content(row).content();
        return revision(row, content).map(Revision::madeFrom).flatMap(from -> revision(row, from));
    }

    /** What undo would undo, or empty where there is nothing. */
    Optional<String> undoWords(Row row) {
        return undoable(row).flatMap(r -> revision(row, content(row).content())).map(Revision::words);
    }

    /** The revision whose content redo brings back: the newest that was made of what is there now. */
    Optional<Revision> redoable(Row row) {
        int content = content(row).content();
        return circuits.revisions(row.id()).stream()
                .filter(r -> r.number() == r.content() && r.madeFrom() != null && r.madeFrom() == content)
                .findFirst();
    }

    /** Brings an earlier content back as a new revision. */
    public void bringBack(String slug, int base, String verb) {
        Row row = circuits.require(slug);
        if (row.revision() != base) {
            throw stale(row, base);
        }
        Optional<Revision> target = verb.equals("undo") ? undoable(row) : redoable(row);
        Revision r = target.orElseThrow(() -> new NotFoundException("There is nothing to " + verb + "."));
        Revision undone =
                verb.equals("undo") ? revision(row, content(row).content()).orElseThrow() : r;
        store(row, r.content(), null, store.revision(r.id()).circuit(), verb + ": " + undone.words());
    }

    /** Brings any revision back as a new one. */
    void restore(String slug, int number) {
        Row row = circuits.require(slug);
        Revision r =
                revision(row, number).orElseThrow(() -> new NotFoundException("There is no revision " + number + "."));
        store(row, null, content(row).content(), store.revision(r.id()).circuit(), "as it was at revision " + number);
    }

    /** A revision's circuit. */
    Circuit circuit(Row row, int number) {
        return revision(row, number)
                .map(r -> store.revision(r.id()).circuit())
                .orElseThrow(() -> new NotFoundException("There is no revision " + number + "."));
    }

    List<Revision> revisions(Row row) {
        return circuits.revisions(row.id());
    }

    /** Keeps both: applies a form to the revision it was filled in for, and stores that as a circuit of its own. */
    String copyWith(String slug, int base, String what, Map<String, String> fields) {
        Row row = circuits.require(slug);
        Circuit before = circuit(row, base);
        Edit edit = FormEdits.read(what, fields, before);
        Circuit named =
                Edits.name(before.name() + " (second version)", before.notes()).applyTo(edit.applyTo(before));
        return add(
                named, edit.words() + ", kept apart from " + row.name() + " revision " + row.revision(), row.siteId());
    }

    /** Stores a new circuit of a site under a slug of its own. */
    public String add(Circuit circuit, String words, long site) {
        requireShort(circuit);
        String body = CircuitWriter.write(circuit);
        while (true) {
            String slug = Slugs.free(circuit.name(), "circuit", circuits::isTaken);
            try {
                circuits.add(slug, circuit.name(), body, words, site);
                return slug;
            } catch (DuplicateKeyException e) {
                // somebody else took that address in the meantime; the next one is free
            }
        }
    }

    /** Reads a circuit file and stores it. */
    String addFile(String json, long site) {
        return add(CircuitReader.read(json), "read in from a file", site);
    }
}
