package org.jagridge.core.format;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.ConductorSize;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Problem;
import org.jagridge.core.circuit.Quantity;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.circuit.Wire;

/**
 * The wire list as CSV (RFC 4180) with the header names {@code wire, from, to, colour, size, length_m, run, cable, core,
 * colour_from, colour_to}, or {@code length_ft}; only {@code from} and {@code to} are needed.
 */
public final class WireListCsv {
    private static final List<String> HEADER = List.of(
            "wire", "from", "to", "colour", "size", "length_m", "run", "cable", "core", "colour_from", "colour_to");
    private static final String FEET = "length_ft";
    private static final double TEN_THOUSAND = 10_000;
    private static final int LENGTH = HEADER.indexOf("length_m");
    private static final List<String> KNOWN =
            Stream.concat(HEADER.stream(), Stream.of(FEET)).toList();
    private static final int MOST_ROWS = 5000;

    private final CsvTable table;

    private WireListCsv(CsvTable table) {
        this.table = table;
    }

    /** The wire list of a circuit, with its lengths in metres. */
    public static String write(Circuit circuit) {
        return write(circuit, false);
    }

    /** @param feet whether lengths are in feet, which the header says */
    public static String write(Circuit circuit, boolean feet) {
        List<List<String>> rows = new ArrayList<>();
        List<String> header = new ArrayList<>(HEADER);
        if (feet) {
            header.set(LENGTH, FEET);
        }
        rows.add(header);
        for (Wire w : circuit.wires()) {
            rows.add(List.of(
                    w.id(),
                    w.from().toString(),
                    w.to().toString(),
                    text(w.colour()),
                    w.size() == null ? "" : w.size().word(),
                    w.lengthMetres() == null ? "" : length(w.lengthMetres(), feet),
                    w.run() == Wire.Run.FACTORY ? "factory" : "field",
                    text(w.cable()),
                    text(w.core()),
                    w.colourAtEnds().isEmpty() ? "" : w.colourAtEnds().get(0),
                    w.colourAtEnds().isEmpty() ? "" : w.colourAtEnds().get(1)));
        }
        return CsvTable.write(rows);
    }

    /** The parts list of a circuit, for a spreadsheet. */
    public static String writeParts(Circuit circuit) {
        List<List<String>> rows = new ArrayList<>();
        rows.add(List.of("part", "name", "type", "place", "fitted", "ratings"));
        for (Part p : circuit.parts()) {
            rows.add(List.of(
                    p.id(),
                    text(p.name()),
                    p.type(),
                    p.place(),
                    p.fitted() ? "yes" : "no",
                    p.params().isEmpty() ? "" : JsonText.write(p.params())));
        }
        return CsvTable.write(rows);
    }

    private static String text(String s) {
        return s == null ? "" : s;
    }

    private static String length(double metres, boolean feet) {
        return number(feet ? Math.round(metres / Quantity.METRES_PER_FOOT * TEN_THOUSAND) / TEN_THOUSAND : metres);
    }

    private static String number(double d) {
        return d == Math.rint(d) ? Long.toString((long) d) : Double.toString(d);
    }

    /**
     * Reads a wire list for the parts and cables of a circuit. Wires without an id get the empty one.
     *
     * @throws MalformedException with every mistake, each with its line
     */
    public static List<Wire> read(byte[] file) {
        return read(CsvTable.decode(file));
    }

    /** Reads a wire list that is text already. */
    public static List<Wire> read(String text) {
        return new WireListCsv(CsvTable.read(text, KNOWN, List.of("from", "to"), MOST_ROWS)).wires();
    }

    private List<Wire> wires() {
        List<Wire> wires = new ArrayList<>();
        table.rows().forEach(row -> wires.add(wire(row)));
        table.require();
        if (wires.isEmpty()) {
            throw new MalformedException(List.of(
                    new Problem("", "there is no wire in it; the first line must be a header with from and to")));
        }
        return wires;
    }

    /** A row's wire; null where something in it can't be read, which is told. */
    private Wire wire(CsvTable.Row row) {
        long line = row.line();
        int before = table.problems().size();
        Terminal from = terminal(row.cell("from"), "from", line);
        Terminal to = terminal(row.cell("to"), "to", line);
        ConductorSize size = size(row.cell("size"), line);
        Double metres = length(row.cell("length_m"), line);
        Double feet = length(row.cell(FEET), line);
        Double length = feet == null ? metres : Double.valueOf(Quantity.metres(feet));
        Wire.Run run = run(row.cell("run"), line);
        if (table.problems().size() > before) {
            return null;
        }
        String one = row.cell("colour_from");
        String two = row.cell("colour_to");
        return new Wire(
                row.cell("wire"),
                from,
                to,
                blankToNull(row.cell("colour")),
                size,
                length,
                run,
                blankToNull(row.cell("cable")),
                blankToNull(row.cell("core")),
                blankToNull(one) == null || blankToNull(two) == null ? List.of() : List.of(one, two));
    }

    private void say(long line, String message) {
        table.say(line, message);
    }

    private Terminal terminal(String cell, String column, long line) {
        if (!Terminal.isWellFormed(cell)) {
            say(line, column + " \"" + cell + "\" is not a terminal; write PART.TERMINAL, like K1.A1");
            return null;
        }
        return Terminal.parse(cell);
    }

    private ConductorSize size(String cell, long line) {
        if (cell.isEmpty()) {
            return null;
        }
        return ConductorSize.of(cell).orElseGet(() -> {
            say(line, "\"" + cell + "\" is no conductor size; write it like 18AWG or 1.5mm2");
            return null;
        });
    }

    private Double length(String cell, long line) {
        if (cell.isEmpty()) {
            return null;
        }
        try {
            return Double.valueOf(cell.replace(',', '.'));
        } catch (NumberFormatException e) {
            say(line, "the length \"" + cell + "\" is not a number of metres");
            return null;
        }
    }

    private Wire.Run run(String cell, long line) {
        if (cell.isEmpty() || cell.equalsIgnoreCase("field")) {
            return Wire.Run.FIELD;
        }
        if (!cell.equalsIgnoreCase("factory")) {
            say(line, "run \"" + cell + "\" is neither field nor factory");
        }
        return Wire.Run.FACTORY;
    }

    private static String blankToNull(String s) {
        return s.isEmpty() ? null : s;
    }
}
