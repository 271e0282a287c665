package org.jagridge.web.settings;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.jagridge.web.svg.Look;
import org.jagridge.web.svg.SymbolSet;
import org.jagridge.web.units.Units;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** The table setting: one word for each choice that there is. */
@Repository
public class Settings {
    /** A choice with the words it takes; the first is where it starts from. */
    @SuppressWarnings("ImmutableEnumChecker") // List.of is
    public enum Choice {
        SYMBOLS("north-american", "iec"),
        LADDER("live", "at-rest"),
        SCHOOL("common", "across"),
        PAPER("a4", "letter"),
        DEGREES("c", "f"),
        LENGTHS("m", "ft"),
        SIZES("marked", "awg", "mm2");

        private final List<String> words;

        Choice(String... words) {
            this.words = List.of(words);
        }

        public List<String> words() {
            return words;
        }

        /** Its name in addresses and in the table. */
        public String key() {
            return name().toLowerCase(Locale.ROOT);
        }

        static Choice of(String key) {
            return Arrays.stream(values())
                    .filter(c -> c.key().equals(key))
                    .findFirst()
                    .orElseThrow(() -> new IllegalArgumentException("there is no setting \"" + key + "\""));
        }
    }

    private final JdbcClient jdbc;
    private final Map<Choice, String> known = new ConcurrentHashMap<>();

    Settings(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** What is chosen. */
    public String get(Choice choice) {
        return known.computeIfAbsent(
                choice,
                c -> jdbc.sql("select word from setting where name = ?")
                        .param(c.key())
                        .query(String.class)
                        .optional()
                        .filter(c.words()::contains)
                        .orElse(c.words().get(0)));
    }

    /**
     * Chooses.
     *
     * @throws IllegalArgumentException where there is no such setting or it doesn't take that word
     */
    public void set(String key, String word) {
        Choice choice = Choice.of(key);
        if (!choice.words().contains(word)) {
            throw new IllegalArgumentException("\"" + word + "\" is none of " + String.join(", ", choice.words()));
        }
        jdbc.sql("merge into setting (name, word) key (name) values (?, ?)")
                .params(key, word)
                .update();
        known.put(choice, word);
    }

    /** The units of pages. */
    public Units units() {
        return new Units(
                get(Choice.DEGREES).equals("f"),
                get(Choice.LENGTHS).equals("ft"),
                Units.Sizes.valueOf(get(Choice.SIZES).toUpperCase(Locale.ROOT)));
    }

    /** How ladders are drawn. */
    public Look look() {
        return new Look(
                get(Choice.SYMBOLS).equals("iec") ? SymbolSet.IEC : SymbolSet.NORTH_AMERICAN,
                get(Choice.LADDER).equals("at-rest"));
    }
}
