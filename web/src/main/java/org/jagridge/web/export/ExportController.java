package org.jagridge.web.export;

import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.function.IntFunction;
import org.jagridge.core.drawing.Continuations;
import org.jagridge.core.drawing.Sheets;
import org.jagridge.core.format.CircuitWriter;
import org.jagridge.core.format.WireListCsv;
import org.jagridge.web.bench.HandOver;
import org.jagridge.web.circuits.CircuitRepository;
import org.jagridge.web.circuits.CircuitRepository.Row;
import org.jagridge.web.circuits.CircuitStore;
import org.jagridge.web.circuits.CircuitStore.Drawn;
import org.jagridge.web.settings.Settings;
import org.jagridge.web.svg.ConnectionSvg;
import org.jagridge.web.svg.LadderSvg;
import org.jagridge.web.svg.Look;
import org.jagridge.web.svg.PaperSheet;
import org.jagridge.web.svg.StandAlone;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;

/** Files and print pages of a stored circuit's newest revision. */
@Controller
class ExportController {
    /** Room on a landscape sheet within the margins and above the title block, in pixels of 1/96 inch. */
    private static final double A4_WIDTH = 1040;

    private static final double LETTER_WIDTH = 970;
    private static final double A4_HEIGHT = 610;
    private static final double LETTER_HEIGHT = 632;

    private final CircuitRepository circuits;
    private final CircuitStore store;
    private final Settings settings;
    private final Clock clock;
    private final HandOver handOver;

    ExportController(
            CircuitRepository circuits, CircuitStore store, Settings settings, Clock clock, HandOver handOver) {
        this.handOver = handOver;
        this.circuits = circuits;
        this.store = store;
        this.settings = settings;
        this.clock = clock;
    }

    private Drawn drawn(String slug) {
        return store.revision(circuits.require(slug).revisionId());
    }

    @GetMapping("/circuits/{slug}/circuit.json")
    ResponseEntity<byte[]> json(@PathVariable String slug) {
        return Downloads.file(
                slug + ".json",
                MediaType.APPLICATION_JSON,
                CircuitWriter.write(drawn(slug).circuit()));
    }

    @GetMapping("/circuits/{slug}/wires.csv")
    ResponseEntity<byte[]> wires(@PathVariable String slug) {
        return Downloads.csv(
                slug + "-wires.csv",
                WireListCsv.write(drawn(slug).circuit(), settings.units().feet()));
    }

    @GetMapping("/circuits/{slug}/parts.csv")
    ResponseEntity<byte[]> parts(@PathVariable String slug) {
        return Downloads.csv(
                slug + "-parts.csv", WireListCsv.writeParts(drawn(slug).circuit()));
    }

    @GetMapping("/circuits/{slug}/ladder.svg")
    ResponseEntity<byte[]> ladder(@PathVariable String slug) {
        Drawn d = drawn(slug);
        Look look = new Look(settings.look().symbols(), true);
        return Downloads.svg(
                slug + "-ladder.svg",
                LadderSvg.write(d.ladder(), null, look, d.circuit().name(), StandAlone.style()));
    }

    @GetMapping("/circuits/{slug}/connections.svg")
    ResponseEntity<byte[]> connections(@PathVariable String slug) {
        Drawn d = drawn(slug);
        return Downloads.svg(
                slug + "-connections.svg",
                ConnectionSvg.forPaper(d.connection(), d.assembly(), d.ladder(), StandAlone.style()));
    }

    /** One sheet of paper: a drawing or a table. */
    record Sheet(String title, String svg, PaperLists.Table table, int number) {}

    @GetMapping("/circuits/{slug}/print")
    String print(@PathVariable String slug, Model model) {
        Row row = circuits.require(slug);
        Drawn d = drawn(slug);
        boolean a4 = settings.get(Settings.Choice.PAPER).equals("a4");
        double width = a4 ? A4_WIDTH : LETTER_WIDTH;
        double height = a4 ? A4_HEIGHT : LETTER_HEIGHT;
        Look look = new Look(settings.look().symbols(), true);
        String ladder = LadderSvg.write(d.ladder(), null, look, d.circuit().name(), null);
        String connection = ConnectionSvg.forPaper(d.connection(), d.assembly(), d.ladder(), null);
        List<Sheet> sheets = new ArrayList<>();
        List<Sheets.Window> ladderSheets = Sheets.of(d.ladder(), width, height);
        add(sheets, "Ladder diagram", ladder, ladderSheets, i -> Continuations.of(d.ladder(), ladderSheets, i));
        List<Sheets.Window> wireSheets = Sheets.of(d.connection(), width, height);
        add(sheets, "Connection diagram", connection, wireSheets, i -> Continuations.of(d.connection(), wireSheets, i));
        for (PaperLists.Table table : new PaperLists(d.assembly(), d.ladder()).all()) {
            sheets.add(new Sheet(table.title(), null, table, sheets.size() + 1));
        }
        model.addAttribute("circuit", row);
        model.addAttribute("left", handOver.words(slug));
        model.addAttribute("sheets", sheets);
        model.addAttribute("paper", a4 ? "a4" : "letter");
        model.addAttribute("symbols", look.symbols().title());
        model.addAttribute("today", LocalDate.now(clock));
        model.addAttribute("optional", d.circuit().parts().stream().anyMatch(p -> !p.fitted()));
        return "export/print";
    }

    private static void add(
            List<Sheet> sheets,
            String title,
            String svg,
            List<Sheets.Window> windows,
            IntFunction<List<Continuations.Mark>> marks) {
        int first = sheets.size() + 1;
        for (int i = 0; i < windows.size(); i++) {
            sheets.add(new Sheet(
                    title, PaperSheet.of(svg, windows.get(i), marks.apply(i), first, first + i), null, first + i));
        }
    }
}
