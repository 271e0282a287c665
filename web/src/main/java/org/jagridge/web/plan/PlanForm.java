package org.jagridge.web.plan;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import org.jagridge.core.circuit.Quantity;
import org.jagridge.core.part.Numbers;
import org.jagridge.core.plan.Prices;
import org.jagridge.core.plan.Worded;

/**
 * What is asked, as the address of the page says it. The address is all there is: it can be kept, sent, reloaded, and
 * each click leads to another one.
 */
public final class PlanForm {
    static final String THERMOSTAT = Worded.Spot.THERMOSTAT.word();

    /** The cables of the form: parameter, id in the plan, from, to. */
    static final List<CableField> CABLES = List.of(
            new CableField("tc", "TC", THERMOSTAT, "indoor", "thermostat – indoor"),
            new CableField("oc", "OC", "indoor", "outdoor", "indoor – outdoor"),
            new CableField("to", "TO", THERMOSTAT, "outdoor", "thermostat – outdoor"));

    static final String START =
            "indoor=air-handler&posts=R+C+W+Y+G+O&kw=7.5&va=75&outdoor=heat-pump&stages=1&valve=O&w2=on&terminals=R+C+Y+O+G+AUX&kind=heat-pump"
                    + "&power=either&tc=red+white+green+blue&tcm=14&oc=red+blue&ocm=22&asked=1"
                    + "&allow=batteries&allow=sharing-pair&allow=wireless-module&allow=local-transformer&allow=new-cable&allow=relay";

    public record CableField(String name, String id, String from, String to, String title) {}

    private static final String CABLE_METRE = "cable-metre";
    private static final String ANSWER = "answer.";

    private final Map<String, List<String>> values;

    PlanForm(Map<String, List<String>> values) {
        this.values = values;
    }

    /** The form that an address names; without any of it the first example. */
    static PlanForm of(Map<String, List<String>> parameters) {
        if (parameters.containsKey("asked")) {
            return new PlanForm(parameters);
        }
        Map<String, List<String>> start = parsed(START);
        parameters.forEach(start::putIfAbsent);
        return new PlanForm(start);
    }

    private static Map<String, List<String>> parsed(String query) {
        Map<String, List<String>> map = new LinkedHashMap<>();
        for (String pair : query.split("&", -1)) {
            int eq = pair.indexOf('=');
            map.computeIfAbsent(pair.substring(0, eq), k -> new ArrayList<>())
                    .add(pair.substring(eq + 1).replace('+', ' '));
        }
        return map;
    }

    /** The first value of a field; empty where there is none. */
    public String text(String name) {
        List<String> list = values.get(name);
        return list == null || list.isEmpty() ? "" : list.get(0).strip();
    }

    /** The first value, or another where there is none. */
    public String text(String name, String otherwise) {
        String text = text(name);
        return text.isEmpty() ? otherwise : text;
    }

    public boolean has(String name, String value) {
        return values.getOrDefault(name, List.of()).contains(value);
    }

    public List<CableField> cables() {
        return CABLES;
    }

    /** Whether any accessory is chosen. */
    public boolean isAccessories() {
        return !values.getOrDefault("acc", List.of()).isEmpty();
    }

    /** A price as it stands in the form: the usual one where nobody changed it. */
    public String price(String name, String part) {
        Prices.Price usual = Prices.usual().of(name);
        double value = part.equals("parts") ? usual.parts() : usual.minutes();
        return text("price." + name + "." + part, Numbers.plain(value));
    }

    public List<String> priced() {
        return Prices.names().stream().sorted().toList();
    }

    private Map<String, Object> prices() {
        Map<String, Object> prices = new LinkedHashMap<>();
        for (String name : priced()) {
            Map<String, Object> price = new LinkedHashMap<>();
            for (String part : List.of("parts", "minutes")) {
                if (!text("price." + name + "." + part).isEmpty()) {
                    String unit = name.equals(CABLE_METRE) ? Quantity.PER_METRE : "";
                    price.put(part, number("price." + name + "." + part, unit, 0));
                }
            }
            if (!price.isEmpty()) {
                prices.put(name, price);
            }
        }
        return prices;
    }

    /** Answers to questions, by field. */
    public Map<String, String> answered() {
        Map<String, String> answers = new LinkedHashMap<>();
        values.forEach((k, v) -> {
            if (k.startsWith(ANSWER) && !v.get(0).isBlank()) {
                answers.put(k, v.get(0));
            }
        });
        return answers;
    }

    List<String> words(String name) {
        String text = text(name);
        return text.isEmpty() ? List.of() : Arrays.asList(text.split("[\\s,]+", -1));
    }

    /** The address with one field changed, relative to the site. */
    String with(String name, String value) {
        Map<String, List<String>> changed = new LinkedHashMap<>(values);
        changed.put(name, List.of(value));
        return "/plan?" + query(changed);
    }

    /** With a word put into a list of words, or taken out of it. */
    String toggled(String name, String word) {
        List<String> words = new ArrayList<>(words(name));
        if (!words.remove(word)) {
            words.add(word);
        }
        Map<String, List<String>> changed = new LinkedHashMap<>(values);
        changed.remove("card");
        changed.put(name, List.of(String.join(" ", words)));
        return "/plan?" + query(changed);
    }

    String query() {
        return query(values);
    }

    private static String query(Map<String, List<String>> map) {
        return map.entrySet().stream()
                .filter(e -> !e.getKey().startsWith("_"))
                .flatMap(e -> e.getValue().stream().map(v -> encoded(e.getKey()) + "=" + encoded(v)))
                .collect(Collectors.joining("&"));
    }

    private static String encoded(String text) {
        return URLEncoder.encode(text, StandardCharsets.UTF_8);
    }

    /** As the planner's interface takes it. */
    Map<String, Object> request() {
        Map<String, Object> m = new LinkedHashMap<>();
        if (!text("water").isEmpty()) {
            m.put("hydronics", Map.of("kind", text("water")));
        } else {
            indoor(m);
            outdoor(m);
            thermostat(m);
        }
        if (text("count").equals("2")) {
            Map<String, Object> t = new LinkedHashMap<>();
            t.put("count", 2);
            t.put("inPhase", !text("phase").equals("off"));
            m.put("transformers", t);
        }
        m.put("cables", cableRuns());
        m.put("accessories", values.getOrDefault("acc", List.of()));
        m.put("allow", values.getOrDefault("allow", List.of()));
        if (!words("old").isEmpty()) {
            m.put("landings", landings());
        }
        Map<String, Object> answers = new LinkedHashMap<>();
        answered().forEach((k, v) -> answers.put(k.substring(ANSWER.length()), v));
        m.put("answers", answers);
        m.put("prices", prices());
        return m;
    }

    private void indoor(Map<String, Object> m) {
        if (text("indoor").isEmpty() || text("indoor").equals("none")) {
            return;
        }
        Map<String, Object> in = new LinkedHashMap<>();
        in.put("kind", text("indoor"));
        if (!words("posts").isEmpty()) {
            in.put("posts", words("posts"));
        }
        in.put("stripsKw", number("kw", 0));
        in.put("fanRunsItself", has("self", "on"));
        in.put("transformerVa", number("va", 40));
        m.put("indoor", in);
    }

    private void outdoor(Map<String, Object> m) {
        String kind = text("outdoor");
        if (kind.isEmpty() || kind.equals("none")) {
            return;
        }
        Map<String, Object> out = new LinkedHashMap<>();
        out.put("kind", kind);
        out.put("stages", number("stages", 1));
        if (kind.equals("heat-pump")) {
            if (!text("valve").isEmpty()) {
                out.put("valve", text("valve"));
            }
            out.put("w2", has("w2", "on"));
        }
        out.put(Worded.Spot.TRANSFORMER.word(), has("own", "on"));
        m.put("outdoor", out);
    }

    private void thermostat(Map<String, Object> m) {
        Map<String, Object> th = new LinkedHashMap<>();
        th.put("terminals", words("terminals"));
        if (!text("kind").isEmpty()) {
            th.put("kind", text("kind"));
        }
        if (!text("power").isEmpty()) {
            th.put("power", text("power"));
        }
        m.put(THERMOSTAT, th);
    }

    private List<Object> cableRuns() {
        List<Object> cables = new ArrayList<>();
        for (CableField f : CABLES) {
            boolean outdoors = f.name().equals("tc")
                    || !(text("outdoor").isEmpty() || text("outdoor").equals("none"));
            if (!words(f.name()).isEmpty()
                    && outdoors
                    && !(text("water").length() > 0 && !f.name().equals("tc"))) {
                Map<String, Object> k = new LinkedHashMap<>();
                k.put("id", f.id());
                k.put("from", f.from());
                k.put("to", f.to());
                k.put("cores", words(f.name()));
                k.put(
                        "dead",
                        words(f.name() + "d").stream()
                                .filter(words(f.name())::contains)
                                .toList());
                k.put("lengthMetres", number(f.name() + "m", Quantity.METRES, 15));
                cables.add(k);
            }
        }
        return cables;
    }

    /** Written {@code red=R blue=C>CC.A1}: core, letter, and where its other end lands if somebody looked. */
    private List<Object> landings() {
        List<Object> landings = new ArrayList<>();
        for (String word : words("old")) {
            int eq = word.indexOf('=');
            int to = word.indexOf('>');
            Map<String, Object> l = new LinkedHashMap<>();
            l.put("cable", "TC");
            l.put("core", eq < 0 ? word : word.substring(0, eq));
            l.put("at", eq < 0 ? "" : word.substring(eq + 1, to < 0 ? word.length() : to));
            l.put("other", to < 0 ? "" : word.substring(to + 1));
            landings.add(l);
        }
        return landings;
    }

    /** A number where the text is one, else the text, for the planner to refuse it. */
    private Object number(String name, double otherwise) {
        return number(name, "", otherwise);
    }

    private Object number(String name, String unit, double otherwise) {
        OptionalDouble number = Quantity.read(text(name), unit);
        return text(name).isEmpty() ? (Object) otherwise : number.isPresent() ? number.getAsDouble() : text(name);
    }
}
