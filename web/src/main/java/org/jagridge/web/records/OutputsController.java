package org.jagridge.web.records;

import java.util.List;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.meter.OutputSheet;
import org.jagridge.core.meter.Reading;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Time;
import org.jagridge.web.circuits.CircuitRepository;
import org.jagridge.web.circuits.CircuitRepository.Row;
import org.jagridge.web.circuits.CircuitStore;
import org.jagridge.web.circuits.Kept;
import org.jagridge.web.circuits.NotFoundException;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;

/** A control checked at the board, output by output. */
@Controller
class OutputsController {
    private static final int MEGABYTES = 8;
    private static final int SHEET_KILOBYTES = 64;
    private static final double NOTHING = 0.05;
    private static final long AT_ONCE = Time.SECOND / 10;

    private final CircuitRepository circuits;
    private final CircuitStore store;
    private final Kept<Key, OutputSheet> sheets = new Kept<>(MEGABYTES, s -> SHEET_KILOBYTES);

    private record Key(long revisionId, String control) {}

    OutputsController(CircuitRepository circuits, CircuitStore store) {
        this.circuits = circuits;
        this.store = store;
    }

    /**
     * A row as it is shown.
     *
     * @param across the contact by which the control makes the call, like "TH R–Y"
     * @param waits in words
     * @param then what comes on after that
     */
    record Line(
            int index, String call, String at, String before, String waits, String after, String across, String then) {}

    @GetMapping("/circuits/{slug}/outputs")
    String outputs(@PathVariable String slug, @RequestParam(required = false) String control, Model model) {
        Row row = circuits.require(slug);
        List<Part> controls =
                OutputSheet.controls(store.revision(row.revisionId()).circuit());
        model.addAttribute("circuit", row);
        model.addAttribute("controls", controls);
        if (!controls.isEmpty()) {
            OutputSheet sheet = sheet(row, control == null ? controls.get(0).id() : control);
            model.addAttribute("control", sheet.control());
            model.addAttribute("bare", sheet.bare());
            model.addAttribute(
                    "lines",
                    sheet.rows().stream()
                            .map(r -> line(sheet.rows().indexOf(r), sheet.control(), r))
                            .toList());
        }
        return "records/outputs";
    }

    /** What it means if nothing is read at an output, as plain text: it takes up to a second. */
    @GetMapping(path = "/circuits/{slug}/outputs/nothing", produces = MediaType.TEXT_PLAIN_VALUE + ";charset=UTF-8")
    @ResponseBody
    String nothing(@PathVariable String slug, @RequestParam String control, @RequestParam int row) {
        Row circuit = circuits.require(slug);
        List<OutputSheet.Row> rows = sheet(circuit, control).rows();
        if (row < 0 || row >= rows.size()) {
            throw new NotFoundException("This sheet has no row " + row + ".");
        }
        return rows.get(row).ifNothing(assembly(circuit));
    }

    private Assembly assembly(Row row) {
        return store.revision(row.revisionId()).assembly();
    }

    private OutputSheet sheet(Row row, String control) {
        Part part = OutputSheet.controls(assembly(row).circuit()).stream()
                .filter(p -> p.id().equals(control))
                .findFirst()
                .orElseThrow(() -> new NotFoundException("There is no control \"" + control + "\" in this circuit."));
        return sheets.get(new Key(row.revisionId(), control), () -> OutputSheet.of(assembly(row), part));
    }

    private static Line line(int index, Part control, OutputSheet.Row r) {
        String then = String.join(
                ", ",
                r.follows().stream()
                        .map(f -> f.part() + " " + f.value()
                                + (f.after() < AT_ONCE ? "" : " after " + Time.words(f.after())))
                        .toList());
        return new Line(
                index,
                r.call().name(),
                r.at() + " to " + r.to(),
                display(r.before()),
                r.waits() < AT_ONCE ? "at once" : Time.words(r.waits()),
                display(r.after()),
                control.id() + " " + r.made().replace('-', '–'),
                then.isEmpty() ? "nothing comes on by it" : then);
    }

    /** What leaks through an open contact is no reading on a paper. */
    private static String display(Reading r) {
        return Math.abs(r.value()) < NOTHING ? "0" : r.display();
    }
}
