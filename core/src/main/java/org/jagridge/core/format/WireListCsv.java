package org.jagridge.core.format;

import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.ConductorSize;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Problem;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.circuit.Wire;

/**
 * The wire list as CSV (RFC 4180) with the header names {@code wire, from, to, colour, size, length_m, run, cable, core,
 * colour_from, colour_to}; only {@code from} and {@code to} are needed. Commas, semicolons or tabs, told by the header.
 * Cells that a spreadsheet would take for a formula are written with an apostrophe before them and refused on the way
 * in.
 */
public final class WireListCsv {
    private static final List<String> HEADER = List.of(
            "wire", "from", "to", "colour", "size", "length_m", "run", "cable", "core", "colour_from", "colour_to");
    private static final int MOST_ROWS = 5000;
    private static final int MOST_PROBLEMS = 50;
    private static final int LONGEST_CELL = 200;

    private final List<Problem> problems = new ArrayList<>();

    private WireListCsv() {}

    /** The wire list of a circuit. */
    public static String write(Circuit circuit) {
        List<List<String>> rows = new ArrayList<>();
        rows.add(HEADER);
        for (Wire w : circuit.wires()) {
            rows.add(List.of(
                    w.id(),
                    w.from().toString(),
                    w.to().toString(),
                    text(w.colour()),
                    w.size() == null ? "" : w.size().word(),
                    w.lengthMetres() == null ? "" : number(w.lengthMetres()),
                    w.run() == Wire.Run.FACTORY ? "factory" : "field",
                    text(w.cable()),
                    text(w.core()),
                    w.colourAtEnds().isEmpty() ? "" : w.colourAtEnds().get(0),
                    w.colourAtEnds().isEmpty() ? "" : w.colourAtEnds().get(1)));
        }
        return print(rows);
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
        return print(rows);
    }

    private static String print(List<List<String>> rows) {
        StringBuilder out = new StringBuilder();
        try {
            for (List<String> row : rows) {
                CSVFormat.RFC4180.printRecord(
                        out, row.stream().map(WireListCsv::harmless).toArray());
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toString();
    }

    private static String text(String s) {
        return s == null ? "" : s;
    }

    private static String number(double d) {
        return d == Math.rint(d) ? Long.toString((long) d) : Double.toString(d);
    }

    private static boolean isFormula(String cell) {
        return !cell.isEmpty() && "=+-@\t\r".indexOf(cell.charAt(0)) >= 0;
    }

    private static String harmless(String cell) {
        return isFormula(cell) ? "'" + cell : cell;
    }

    /**
     * Reads a wire list for the parts and cables of a circuit. Wires without an id get the empty one.
     *
     * @throws MalformedException with every mistake, each with its line
     */
    public static List<Wire> read(byte[] file) {
        return read(decode(file));
    }

    /** Reads a wire list that is text already. */
    public static List<Wire> read(String text) {
        return new WireListCsv().wires(text.startsWith("\uFEFF") ? text.substring(1) : text);
    }

    /** UTF-8, or UTF-16 with a byte order mark. */
    private static String decode(byte[] file) {
        Charset charset = StandardCharsets.UTF_8;
        if (file.length >= 2
                && ((file[0] == (byte) 0xFF && file[1] == (byte) 0xFE)
                        || (file[0] == (byte) 0xFE && file[1] == (byte) 0xFF))) {
            charset = StandardCharsets.UTF_16;
        }
        try {
            return charset.newDecoder()
                    .onMalformedInput(CodingErrorAction.REPORT)
                    .decode(ByteBuffer.wrap(file))
                    .toString();
        } catch (CharacterCodingException e) {
            throw new MalformedException(List.of(new Problem(
                    "", "the file is not UTF-8 text; save it from the spreadsheet as \"CSV UTF-8\" and try again")));
        }
    }

    private List<Wire> wires(String text) {
        String[] firstLine = text.split("\\R", 2);
        char delimiter = delimiter(firstLine[0]);
        CSVFormat format = CSVFormat.RFC4180
                .builder()
                .setDelimiter(delimiter)
                .setIgnoreSurroundingSpaces(true)
                .setIgnoreEmptyLines(true)
                .get();
        List<Wire> wires = new ArrayList<>();
        try (CSVParser parser = CSVParser.parse(new StringReader(text), format)) {
            List<String> header = null;
            for (CSVRecord row : parser) {
                if (header == null) {
                    header = header(row);
                    continue;
                }
                if (wires.size() >= MOST_ROWS) {
                    throw tooMany();
                }
                Wire wire = wire(row, header, parser.getCurrentLineNumber());
                if (wire != null) {
                    wires.add(wire);
                }
                if (problems.size() >= MOST_PROBLEMS) {
                    say(parser.getCurrentLineNumber(), "and perhaps more; mend these first");
                    break;
                }
            }
        } catch (IOException | java.io.UncheckedIOException | IllegalStateException e) {
            problems.add(new Problem("", "this is no CSV: " + e.getMessage()));
        }
        if (problems.isEmpty() && wires.isEmpty()) {
            problems.add(new Problem("", "there is no wire in it; the first line must be a header with from and to"));
        }
        if (!problems.isEmpty()) {
            throw new MalformedException(problems);
        }
        return wires;
    }

    private static MalformedException tooMany() {
        return new MalformedException(List.of(new Problem(
                "", "there are more than " + MOST_ROWS + " rows; a circuit holds at most " + MOST_ROWS + " wires")));
    }

    private static char delimiter(String header) {
        return header.indexOf('\t') >= 0 ? '\t' : header.indexOf(';') >= 0 ? ';' : ',';
    }

    private List<String> header(CSVRecord row) {
        List<String> names = new ArrayList<>();
        row.forEach(cell -> names.add(cell.strip().toLowerCase(Locale.ROOT)));
        for (String name : names) {
            if (!HEADER.contains(name)) {
                problems.add(new Problem(
                        "/1", "line 1: there is no column \"" + name + "\"; known are " + String.join(", ", HEADER)));
            }
        }
        if (!names.contains("from") || !names.contains("to")) {
            problems.add(new Problem("/1", "line 1: the header must have the columns from and to"));
        }
        if (!problems.isEmpty()) {
            throw new MalformedException(problems);
        }
        return names;
    }

    private Wire wire(CSVRecord row, List<String> header, long line) {
        Map<String, String> cells = new LinkedHashMap<>();
        int before = problems.size();
        for (int i = 0; i < row.size(); i++) {
            String cell = row.get(i).strip();
            if (i >= header.size()) {
                if (!cell.isEmpty()) {
                    say(line, "there are more cells than columns");
                    return null;
                }
            } else if (cell.length() > LONGEST_CELL) {
                say(line, header.get(i) + " has more than " + LONGEST_CELL + " letters");
            } else {
                cells.put(header.get(i), plain(cell, header.get(i), line));
            }
        }
        Terminal from = terminal(cells.get("from"), "from", line);
        Terminal to = terminal(cells.get("to"), "to", line);
        ConductorSize size = size(cells.get("size"), line);
        Double length = length(cells.get("length_m"), line);
        Wire.Run run = run(cells.get("run"), line);
        if (problems.size() > before) {
            return null;
        }
        String one = cells.get("colour_from");
        String two = cells.get("colour_to");
        return new Wire(
                text(cells.get("wire")),
                from,
                to,
                blankToNull(cells.get("colour")),
                size,
                length,
                run,
                blankToNull(cells.get("cable")),
                blankToNull(cells.get("core")),
                blankToNull(one) == null || blankToNull(two) == null ? List.of() : List.of(one, two));
    }

    /** A cell without the apostrophe that made it harmless. */
    private String plain(String cell, String column, long line) {
        if (isFormula(cell)) {
            say(line, column + " begins with " + cell.charAt(0) + ", as a formula does; write plain text");
            return "";
        }
        return cell.length() > 1 && cell.charAt(0) == '\'' && isFormula(cell.substring(1)) ? cell.substring(1) : cell;
    }

    private void say(long line, String message) {
        problems.add(new Problem("/" + line, "line " + line + ": " + message));
    }

    private Terminal terminal(String cell, String column, long line) {
        if (cell == null || !Terminal.isWellFormed(cell)) {
            say(line, column + " \"" + text(cell) + "\" is not a terminal; write PART.TERMINAL, like K1.A1");
            return null;
        }
        return Terminal.parse(cell);
    }

    private ConductorSize size(String cell, long line) {
        if (cell == null || cell.isEmpty()) {
            return null;
        }
        return ConductorSize.of(cell).orElseGet(() -> {
            say(line, "\"" + cell + "\" is no conductor size; write it like 18AWG or 1.5mm2");
            return null;
        });
    }

    private Double length(String cell, long line) {
        if (cell == null || cell.isEmpty()) {
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
        if (cell == null || cell.isEmpty() || cell.equalsIgnoreCase("field")) {
            return Wire.Run.FIELD;
        }
        if (!cell.equalsIgnoreCase("factory")) {
            say(line, "run \"" + cell + "\" is neither field nor factory");
        }
        return Wire.Run.FACTORY;
    }

    private static String blankToNull(String s) {
        return s == null || s.isEmpty() ? null : s;
    }
}
