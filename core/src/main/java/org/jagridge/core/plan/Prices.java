package org.jagridge.core.plan;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Set;

/** What ways out cost: money in units of one relay, and minutes of work. */
public record Prices(Map<String, Price> of) {
    private static final Prices USUAL = read();

    /** The price of one piece, metre or run. */
    public record Price(double parts, double minutes) {
        static final Price NOTHING = new Price(0, 0);

        Price plus(Price other) {
            return new Price(parts + other.parts, minutes + other.minutes);
        }

        Price times(double n) {
            return new Price(parts * n, minutes * n);
        }
    }

    public Prices {
        of = Map.copyOf(of);
    }

    public static Prices usual() {
        return USUAL;
    }

    public static Set<String> names() {
        return USUAL.of.keySet();
    }

    public Price of(String name) {
        return of.getOrDefault(name, Price.NOTHING);
    }

    /** The same with some of them changed. */
    Prices with(Map<String, Price> changed) {
        Map<String, Price> all = new LinkedHashMap<>(of);
        all.putAll(changed);
        return new Prices(all);
    }

    @SuppressWarnings("unchecked")
    private static Prices read() {
        Map<String, Price> all = new LinkedHashMap<>();
        ((Map<String, Map<String, Number>>) Board.resource("prices.json"))
                .forEach((k, v) -> all.put(
                        k,
                        new Price(v.get("parts").doubleValue(), v.get("minutes").doubleValue())));
        return new Prices(all);
    }
}
