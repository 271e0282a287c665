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
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import org.jagridge.core.circuit.Problem;

/**
 * A table with a header as CSV (RFC 4180): commas, semicolons or tabs, told by the header. Cells that a spreadsheet
 * would take for a formula are written with an apostrophe before them and refused on the way in; numbers are no
 * formulas.
 */
public final class CsvTable {
    private static final int MOST_PROBLEMS = 50;
    private static final int LONGEST_CELL = 200;

    private final List<String> known;
    private final List<Problem> problems = new ArrayList<>();
    private final List<Row> rows = new ArrayList<>();

    /**
     * A row that could be read.
     *
     * @param cells by the names in the header
     */
    public record Row(long line, Map<String, String> cells) {
        /** A cell, empty where the table hasn't that column. */
        public String cell(String column) {
            return cells.getOrDefault(column, "");
        }
    }

    private CsvTable(List<String> known) {
        this.known = known;
    }

    /**
     * Reads a table; what is wrong with single rows is kept for {@link #problems()}.
     *
     * @param known the columns that there may be
     * @param needed those that there must be
     * @param most how many rows at most
     * @throws MalformedException where it is no CSV, the header doesn't fit or there are too many rows
     */
    public static CsvTable read(String text, List<String> known, List<String> needed, int most) {
        CsvTable table = new CsvTable(known);
        table.read(text.startsWith("\uFEFF") ? text.substring(1) : text, needed, most);
        return table;
    }

    private void read(String text, List<String> needed, int most) {
        CSVFormat format = CSVFormat.RFC4180
                .builder()
                .setDelimiter(delimiter(text.split("\\R", 2)[0]))
                .setIgnoreSurroundingSpaces(true)
                .setIgnoreEmptyLines(true)
                .get();
        try (CSVParser parser = CSVParser.parse(new StringReader(text), format)) {
            List<String> header = null;
            for (CSVRecord row : parser) {
                if (header == null) {
                    header = header(row, needed);
                    continue;
                }
                if (rows.size() >= most) {
                    throw only("there are more than " + most + " rows; at most " + most + " can be read in at once");
                }
                add(row, header, parser.getCurrentLineNumber());
                if (problems.size() > MOST_PROBLEMS) {
                    break;
                }
            }
        } catch (IOException | UncheckedIOException | IllegalStateException e) {
            throw only(broken(String.valueOf(e.getMessage())));
        }
    }

    /** What the parser stumbled over, in words: it names the line where a quote was opened. */
    private static String broken(String message) {
        Matcher line = Pattern.compile("line:? (\\d+)").matcher(message);
        String where = line.find() ? " in line " + line.group(1) : "";
        return message.contains("EOF")
                ? "a quote that is opened" + where + " is never closed; every \" needs another one"
                : "this is no CSV" + where + ": after a closing \" must come the next cell or the next line";
    }

    private static MalformedException only(String words) {
        return new MalformedException(List.of(new Problem("", words)));
    }

    private static char delimiter(String header) {
        return header.indexOf('\t') >= 0 ? '\t' : header.indexOf(';') >= 0 ? ';' : ',';
    }

    private List<String> header(CSVRecord row, List<String> needed) {
        List<String> names = new ArrayList<>();
        row.forEach(cell -> names.add(cell.strip().toLowerCase(Locale.ROOT)));
        for (String name : names) {
            if (!known.contains(name)) {
                say(1, "there is no column \"" + name + "\"; known are " + String.join(", ", known));
            }
        }
        if (!names.containsAll(needed)) {
            say(1, "the header must have the columns " + String.join(" and ", needed));
        }
        if (!problems.isEmpty()) {
            throw new MalformedException(problems);
        }
        return names;
    }

    private void add(CSVRecord row, List<String> header, long line) {
        Map<String, String> cells = new LinkedHashMap<>();
        for (int i = 0; i < row.size(); i++) {
            String cell = row.get(i).strip();
            if (i >= header.size()) {
                if (!cell.isEmpty()) {
                    say(line, "there are more cells than columns");
                    return;
                }
            } else if (cell.length() > LONGEST_CELL) {
                say(line, header.get(i) + " has more than " + LONGEST_CELL + " letters");
            } else {
                cells.put(header.get(i), plain(cell, header.get(i), line));
            }
        }
        rows.add(new Row(line, cells));
    }

    /** A cell without the apostrophe that made it harmless. */
    private String plain(String cell, String column, long line) {
        if (isFormula(cell)) {
            say(line, column + " begins with " + cell.charAt(0) + ", as a formula does; write plain text");
            return "";
        }
        return cell.length() > 1 && cell.charAt(0) == '\'' && isFormula(cell.substring(1)) ? cell.substring(1) : cell;
    }

    private static boolean isFormula(String cell) {
        return !cell.isEmpty()
                && "=+-@\t\r".indexOf(cell.charAt(0)) >= 0
                && !cell.matches("[+-]\\d+([.,]\\d+)?([eE][+-]?\\d+)?");
    }

    /** Adds something that is wrong with a row; after fifty nothing more. */
    public void say(long line, String message) {
        if (problems.size() <= MOST_PROBLEMS) {
            String words = problems.size() == MOST_PROBLEMS ? "and perhaps more; mend these first" : message;
            problems.add(new Problem("/" + line, "line " + line + ": " + words));
        }
    }

    public List<Row> rows() {
        return List.copyOf(rows);
    }

    /** What is wrong, line by line. */
    public List<Problem> problems() {
        return List.copyOf(problems);
    }

    /** @throws MalformedException where anything is wrong */
    public void require() {
        if (!problems.isEmpty()) {
            throw new MalformedException(problems);
        }
    }

    /** Writes a table, its header first. */
    public static String write(List<List<String>> table) {
        StringBuilder out = new StringBuilder();
        try {
            for (List<String> row : table) {
                CSVFormat.RFC4180.printRecord(
                        out, row.stream().map(c -> isFormula(c) ? "'" + c : c).toArray());
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toString();
    }

    /**
     * The text of a file: UTF-8, or UTF-16 with a byte order mark.
     *
     * @throws MalformedException where it is neither
     */
    public static String decode(byte[] file) {
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
            throw only("the file is not UTF-8 text; save it from the spreadsheet as \"CSV UTF-8\" and try again");
        }
    }
}
