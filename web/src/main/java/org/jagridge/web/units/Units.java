package org.jagridge.web.units;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.MatchResult;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jagridge.core.circuit.ConductorSize;
import org.jagridge.core.circuit.Quantity;

/**
 * The units that pages are shown in. Everything is kept and told in °C, metres and the size that is printed on a conductor;
 * pages are put into other units on their way out, wherever a number stands before its unit. What somebody has typed
 * ({@code value="…"}, a text area) stays as it is, but for fields that say in which unit they are ({@code data-unit}).
 *
 * @param fahrenheit °F instead of °C
 * @param feet feet instead of metres
 * @param sizes which size of a conductor is told first
 */
public record Units(boolean fahrenheit, boolean feet, Sizes sizes) {
    /** Sizes of conductors as they are marked, or both with one of them first. */
    public enum Sizes {
        MARKED,
        AWG,
        MM2
    }

    private static final String NUMBER = "[-−]?[0-9]+(?:\\.[0-9]+)?";
    /** What is passed over, then fields with a unit, then what is put into other units. */
    private static final Pattern PLACES = Pattern.compile(
            "<(?<skipped>textarea|script|style)\\b.*?</\\k<skipped>>"
                    + "|<input\\b[^>]*\\bdata-unit=\"(?<unit>°C|m|per m)\"[^>]*>"
                    + "|(?<ratings><input\\b[^>]*\\bdata-unit=\"ratings\"[^>]*>|\\bdata-ratings=\"[^\"]*\")"
                    + "|\\b(?:value|href|hx-vals|hx-post|hx-get|name|id)=\"[^\"]*\""
                    + "|(?<![\\w.,])(?<celsius>" + NUMBER + ") °C"
                    + "|(?<=[−+±>] ?|\\b(?:differential|on|off) )(?<kelvin>[0-9]+(?:\\.[0-9]+)?) K\\b(?!\\.)"
                    + "|(?<![\\w.,])(?<metres>[0-9]+(?:\\.[0-9]+)?) (?:m\\b(?![\\w²³/])|metres\\b)"
                    + "|(?<![\\w.,])(?<perKm>[0-9]+(?:\\.[0-9]+)?) Ω/km"
                    + "|(?<=class=\"unit-word\">)(?<word>°C|m|cable metre)(?=<)"
                    + "|(?<=class=\"rating-name\">)(?<name>[a-z]\\w*?(?:Celsius|Metres|K))(?=<)"
                    + "|(?<=>)(?<face>" + NUMBER + ")(?<gap></span><span class=\"unit\">)°C(?=<)"
                    + "|(?<![\\w.])(?<awg>[0-9]{1,2}) ?AWG\\b"
                    + "|(?<![\\w.])(?<mm>[0-9]+(?:\\.[0-9]+)?) ?mm[2²]",
            Pattern.DOTALL);

    private static final Pattern IN_FIELD = Pattern.compile("\\b(value|min|max|placeholder)=\"(" + NUMBER + ")\"");
    private static final Pattern TYPED = Pattern.compile("\\bvalue=\"([^\"]*)\"");
    private static final Pattern RATING =
            Pattern.compile("(?<=[\\s\"])([a-z]\\w*?)(Celsius|Metres|K)(?:=(" + NUMBER + "))?(?=[\\s\"])");
    private static final Pattern UNIT = Pattern.compile("\\bdata-unit=\"[^\"]*\"");

    /** Whether all is as it is kept. */
    public boolean areKept() {
        return !fahrenheit && !feet && sizes == Sizes.MARKED;
    }

    /** A page in these units. */
    public String page(String html) {
        return areKept() ? html : PLACES.matcher(html).replaceAll(m -> Matcher.quoteReplacement(place((Matcher) m)));
    }

    private String place(Matcher m) {
        if (m.group("unit") != null) {
            return field(m.group(), m.group("unit"));
        }
        if (m.group("ratings") != null) {
            return ratings(m.group());
        }
        if (m.group("name") != null) {
            return ratings('"' + m.group("name") + '"').replace("\"", "");
        }
        if (m.group("perKm") != null && feet) {
            return hundredths(Double.parseDouble(m.group("perKm")) * Quantity.METRES_PER_FOOT) + " Ω/1000 ft";
        }
        if (m.group("celsius") != null && fahrenheit) {
            return degrees(m.group("celsius")) + " °F";
        }
        if (m.group("kelvin") != null && fahrenheit) {
            return tenths(Quantity.fahrenheitBetween(Double.parseDouble(m.group("kelvin")))) + " °F";
        }
        if (m.group("metres") != null && feet) {
            return feet(Double.parseDouble(m.group("metres"))) + " ft";
        }
        if (m.group("face") != null && fahrenheit) {
            return degrees(m.group("face")) + m.group("gap") + "°F";
        }
        if (m.group("word") != null) {
            return word(m.group("word"));
        }
        if (m.group("awg") != null && sizes == Sizes.MM2) {
            return beside(m, m.group("awg") + "AWG");
        }
        if (m.group("mm") != null && sizes == Sizes.AWG) {
            return beside(m, m.group("mm") + "mm2");
        }
        return m.group();
    }

    private String word(String kept) {
        return switch (kept) {
            case Quantity.CELSIUS -> fahrenheit ? "°F" : kept;
            case Quantity.METRES -> feet ? "ft" : kept;
            default -> feet ? "cable foot" : kept;
        };
    }

    /** A field with a number that is typed: its page sends the unit along, and what is kept where nothing else was typed. */
    private String field(String input, String unit) {
        if (unit.equals(Quantity.CELSIUS) ? !fahrenheit : !feet) {
            return input;
        }
        String other = IN_FIELD.matcher(input).replaceAll((MatchResult m) -> {
            String shown =
                    m.group(1) + "=\"" + typed(Double.parseDouble(m.group(2).replace('−', '-')), unit) + "\"";
            return m.group(1).equals("value") ? shown + " data-kept=\"" + m.group(2) + "\"" : shown;
        });
        String otherUnit = unit.equals(Quantity.CELSIUS) ? "°F" : unit.equals(Quantity.METRES) ? "ft" : "per ft";
        return UNIT.matcher(other).replaceFirst("data-unit=\"" + otherUnit + "\"");
    }

    private static String typed(double number, String unit) {
        return switch (unit) {
            case Quantity.CELSIUS -> tenths(Quantity.fahrenheit(number));
            case Quantity.METRES -> feet(number);
            default -> thousandths(number * Quantity.METRES_PER_FOOT);
        };
    }

    /** A part's ratings as they are typed in a line: {@code opensAt=42.8°F} for {@code opensAtCelsius=6}. */
    private String ratings(String tag) {
        Matcher value = TYPED.matcher(tag);
        boolean typed = value.find();
        String shown = RATING.matcher(tag).replaceAll(m -> {
            boolean length = m.group(2).equals("Metres");
            if (length ? !feet : !fahrenheit) {
                return Matcher.quoteReplacement(m.group());
            }
            return m.group(1) + (m.group(3) == null ? "" : "=" + rating(Double.parseDouble(m.group(3)), m.group(2)));
        });
        return typed && !shown.equals(tag)
                ? shown.replaceFirst(
                        "<input\\b", "<input data-kept=\"" + Matcher.quoteReplacement(value.group(1)) + "\"")
                : shown;
    }

    private static String rating(double number, String kept) {
        return switch (kept) {
            case "Metres" -> thousandths(number / Quantity.METRES_PER_FOOT) + "ft";
            case "K" -> thousandths(Quantity.fahrenheitBetween(number)) + "°F";
            default -> thousandths(Quantity.fahrenheit(number)) + "°F";
        };
    }

    /** "0.82 mm² (18 AWG)": what is marked stays, since that is what one finds on the cable. */
    private static String beside(Matcher m, String word) {
        Optional<ConductorSize> size = ConductorSize.of(word)
                .or(() -> Arrays.stream(ConductorSize.values())
                        .filter(s -> s.word().equals(word.replace("mm2", ".0mm2")))
                        .findFirst());
        return size.map(s -> s.otherwise() + " (" + s.marked() + ")").orElse(m.group());
    }

    private static String degrees(String celsius) {
        return tenths(Quantity.fahrenheit(Double.parseDouble(celsius.replace('−', '-'))));
    }

    private static String feet(double metres) {
        return tenths(metres / Quantity.METRES_PER_FOOT);
    }

    private static String tenths(double number) {
        return plain(number, "%.1f");
    }

    private static String hundredths(double number) {
        return plain(number, "%.2f");
    }

    /** So exact that what was kept with two places is what is read again. */
    private static String thousandths(double number) {
        return plain(number, "%.3f");
    }

    private static String plain(double number, String format) {
        String text = String.format(Locale.ROOT, format, number).replaceFirst("\\.?0+$", "");
        return text.equals("-0") ? "0" : text;
    }
}
