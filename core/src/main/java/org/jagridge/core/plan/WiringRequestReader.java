package org.jagridge.core.plan;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jagridge.core.circuit.ConductorSize;
import org.jagridge.core.format.MalformedException;
import org.jagridge.core.plan.WiringRequest.Accessory;
import org.jagridge.core.plan.WiringRequest.CableRun;
import org.jagridge.core.plan.WiringRequest.Indoor;
import org.jagridge.core.plan.WiringRequest.IndoorKind;
import org.jagridge.core.plan.WiringRequest.Landing;
import org.jagridge.core.plan.WiringRequest.Outdoor;
import org.jagridge.core.plan.WiringRequest.Power;
import org.jagridge.core.plan.WiringRequest.Thermostat;
import org.jagridge.core.plan.WiringRequest.Way;

/** Reads what is asked of the wiring planner; all mistakes come at once, each with its path. */
public final class WiringRequestReader {
    private static final String ID = "[A-Za-z][A-Za-z0-9_-]{0,31}";
    private static final int MOST_CORES = 40;
    private static final int MOST_CABLES = 12;

    private static final String THERMOSTAT = Kit.THERMOSTAT;
    private static final String TRANSFORMER = Worded.Spot.TRANSFORMER.word();

    /** Articles by the ways out that they serve. */
    private static final Map<String, String> ALSO_CALLED = Map.of(
            Way.RELAY.word(),
            "relay-24V",
            Way.LOCAL_TRANSFORMER.word(),
            "transformer-24V",
            Way.NEW_CABLE.word(),
            "cable-metres");

    private final Fields fields = new Fields();
    private final List<String> assumed = new ArrayList<>();

    private WiringRequestReader() {}

    /**
     * @param plain the request as plain values, as {@link org.jagridge.core.format.JsonText#plainValue} gives them
     * @throws MalformedException with every mistake
     */
    public static WiringRequest read(Object plain) {
        WiringRequestReader reader = new WiringRequestReader();
        WiringRequest request = reader.request(plain);
        if (!reader.fields.problems().isEmpty()) {
            throw new MalformedException(reader.fields.problems());
        }
        return request;
    }

    private WiringRequest request(Object plain) {
        Map<String, Object> m = fields.object(plain, "");
        fields.known(
                m,
                "",
                "indoor",
                "outdoor",
                "hydronics",
                THERMOSTAT,
                "transformers",
                "cables",
                "accessories",
                "stock",
                "allow",
                "answers",
                "landings",
                "prices");
        Indoor indoor = indoor(m);
        Outdoor outdoor = outdoor(m);
        Map<String, Object> water = fields.object(m.get("hydronics"), "/hydronics");
        fields.known(water, "/hydronics", "kind");
        String hydronics = m.get("hydronics") == null
                ? null
                : fields.choice(water, "kind", "/hydronics", WiringRequest.HYDRONICS_KINDS, "one-valve");
        if (m.get("indoor") == null && m.get("outdoor") == null && hydronics == null) {
            fields.wrong("", "name the equipment: \"indoor\", \"outdoor\" or \"hydronics\"");
        }
        if (hydronics != null && (indoor.isThere() || outdoor.isThere())) {
            fields.wrong("/hydronics", "plan water heating on its own: leave \"indoor\" and \"outdoor\" out");
        }
        Map<String, Object> transformers = fields.object(m.get("transformers"), "/transformers");
        fields.known(transformers, "/transformers", "count", "inPhase");
        int count = (int) fields.number(transformers, "count", "/transformers", 1, 1, 2);
        boolean inPhase = fields.flag(transformers, "inPhase", "/transformers", true);
        Thermostat thermostat = thermostat(m, indoor, outdoor, hydronics);
        return new WiringRequest(
                indoor,
                outdoor,
                hydronics,
                thermostat,
                count,
                inPhase,
                cables(m),
                constants(
                        Accessory.class, fields.choices(m, "accessories", "", Worded.all(Accessory.class), List.of())),
                stock(m),
                m.get("allow") == null
                        ? null
                        : constants(Way.class, fields.choices(m, "allow", "", Worded.all(Way.class), List.of())),
                answers(m),
                landings(m),
                prices(m),
                assumed);
    }

    private static <E extends Enum<E> & Worded> Set<E> constants(Class<E> kind, Set<String> words) {
        Set<E> all = EnumSet.noneOf(kind);
        words.forEach(w -> all.add(Worded.of(kind, w)));
        return all;
    }

    private Indoor indoor(Map<String, Object> root) {
        Map<String, Object> m = fields.object(root.get("indoor"), "/indoor");
        fields.known(m, "/indoor", "kind", "posts", "stripsKw", "fanRunsItself", "transformerVa");
        IndoorKind kind = root.get("indoor") == null
                ? IndoorKind.NONE
                : Worded.of(IndoorKind.class, fields.choice(m, "kind", "/indoor", Worded.all(IndoorKind.class), null));
        List<String> usual = usualPosts(kind);
        Set<String> posts = new LinkedHashSet<>(fields.texts(m, "posts", "/indoor", usual));
        if (m.get("posts") == null && !usual.isEmpty() && root.get("indoor") != null) {
            assumed.add("the indoor board has the posts " + String.join(" ", usual));
        }
        double va = fields.number(m, "transformerVa", "/indoor", 40, 5, 500);
        if (m.get("transformerVa") == null && root.get("indoor") != null && kind != IndoorKind.MILLIVOLT) {
            assumed.add("the control transformer is rated 40 VA");
        }
        return new Indoor(
                kind,
                posts,
                fields.number(m, "stripsKw", "/indoor", 0, 0, 60),
                fields.flag(m, "fanRunsItself", "/indoor", false),
                va);
    }

    private static List<String> usualPosts(IndoorKind kind) {
        return switch (kind) {
            case GAS_FURNACE -> List.of("R", "C", "W", "Y", "G");
            case AIR_HANDLER, HYDRONIC_COIL -> List.of("R", "C", "W", "Y", "G", "O");
            case FAN_CENTRE_BOILER -> List.of("R", "C", "G");
            case ZONE_PANEL -> List.of("R", "W", "C");
            default -> List.of();
        };
    }

    private Outdoor outdoor(Map<String, Object> root) {
        Map<String, Object> m = fields.object(root.get("outdoor"), "/outdoor");
        fields.known(m, "/outdoor", "kind", "stages", "valve", "w2", TRANSFORMER);
        String kind = root.get("outdoor") == null
                ? WiringRequest.NONE
                : fields.choice(m, "kind", "/outdoor", WiringRequest.OUTDOOR_KINDS, null);
        boolean told = m.get("valve") != null;
        String valve = fields.choice(m, "valve", "/outdoor", List.of("O", "B"), "O");
        boolean w2 = fields.flag(m, "w2", "/outdoor", false);
        boolean heatPump = kind.equals("heat-pump");
        if ((told || w2) && !heatPump) {
            assumed.add("what is said of a valve or of W2 doesn't count: only a heat pump has them");
        }
        return new Outdoor(
                kind,
                (int) fields.number(m, "stages", "/outdoor", 1, 1, 2),
                valve,
                told,
                w2 && heatPump,
                fields.flag(m, TRANSFORMER, "/outdoor", false));
    }

    private Thermostat thermostat(Map<String, Object> root, Indoor indoor, Outdoor outdoor, String hydronics) {
        Map<String, Object> m = fields.object(root.get(THERMOSTAT), "/thermostat");
        fields.known(m, "/thermostat", "terminals", "power", "kind");
        if (root.get(THERMOSTAT) == null && hydronics == null) {
            fields.wrong("/thermostat", "say which terminals the thermostat has, like {\"terminals\": [\"R\",\"W\"]}");
        }
        List<String> terminals = new ArrayList<>(new LinkedHashSet<>(
                fields.texts(m, "terminals", "/thermostat", hydronics == null ? List.of() : List.of("1", "3", "N"))));
        for (int i = 0; i < terminals.size(); i++) {
            if (!WiringRequest.TERMINALS.contains(terminals.get(i))) {
                fields.wrong(
                        "/thermostat/terminals/" + i,
                        "there is no terminal \"" + terminals.get(i) + "\"; expected some of "
                                + String.join(" ", WiringRequest.TERMINALS));
            }
        }
        boolean kindTold = m.get("kind") != null;
        String usual = outdoor.isHeatPump() ? "heat-pump" : "conventional";
        String kind = fields.choice(
                m,
                "kind",
                "/thermostat",
                List.of("conventional", "heat-pump", "dual-fuel", "line", "millivolt"),
                usual);
        boolean bare =
                terminals.stream().allMatch(t -> List.of("1", "2", "3", "N").contains(t));
        if (!kindTold && bare && hydronics == null) {
            kind = indoor.is(IndoorKind.LINE_VOLTAGE) ? "line" : "millivolt";
        } else if (!kindTold && hydronics == null) {
            assumed.add("the thermostat can be set as " + usual);
        }
        if (hydronics == null
                && !bare
                && terminals.stream().noneMatch(t -> List.of("R", "RH", "RC").contains(t))
                && root.get(THERMOSTAT) != null) {
            fields.wrong("/thermostat/terminals", "a thermostat is fed at R, RH or RC; none of them is in the list");
        }
        Power usualPower = terminals.contains("C") ? Power.EITHER : Power.BATTERY;
        Power power = Worded.of(
                Power.class, fields.choice(m, "power", "/thermostat", Worded.all(Power.class), usualPower.word()));
        if (power == Power.COMMON && !terminals.contains("C") && !bare) {
            fields.wrong(
                    "/thermostat/power",
                    "a thermostat that lives on the common has a terminal C; it isn't in the list");
        }
        return new Thermostat(List.copyOf(terminals), power, kind, kindTold);
    }

    private List<CableRun> cables(Map<String, Object> root) {
        List<CableRun> cables = new ArrayList<>();
        List<Object> list = fields.list(root, "cables", "");
        if (list.size() > MOST_CABLES) {
            fields.wrong("/cables", "at most " + MOST_CABLES + " cables");
            return cables;
        }
        Set<String> ids = new LinkedHashSet<>();
        for (int i = 0; i < list.size(); i++) {
            String path = "/cables/" + i;
            Map<String, Object> m = fields.object(list.get(i), path);
            fields.known(m, path, "id", "from", "to", "cores", "dead", "lengthMetres", "size");
            String id = fields.text(m, "id", path, "CABLE" + (i + 1));
            if (!id.matches(ID)) {
                fields.wrong(path + "/id", "\"" + id + "\" is no id: letters, digits, - and _, a letter first");
            }
            if (!ids.add(id)) {
                fields.wrong(path + "/id", "there are two cables " + id);
            }
            List<String> places = List.copyOf(Kit.placeIds());
            String from = fields.choice(m, "from", path, places, null);
            String to = fields.choice(m, "to", path, places, null);
            if (from.equals(to)) {
                fields.wrong(path + "/to", "a cable goes from one place to another");
            }
            List<String> cores = fields.texts(m, "cores", path, null);
            if (cores.size() > MOST_CORES || new LinkedHashSet<>(cores).size() < cores.size()) {
                fields.wrong(path + "/cores", "at most " + MOST_CORES + " cores, each named once");
            }
            List<String> dead = fields.texts(m, "dead", path, List.of());
            for (int d = 0; d < dead.size(); d++) {
                if (!cores.contains(dead.get(d))) {
                    fields.wrong(path + "/dead/" + d, "\"" + dead.get(d) + "\" is none of its cores");
                }
            }
            double metres = fields.number(m, "lengthMetres", path, 15, 0.1, 500);
            if (m.get("lengthMetres") == null) {
                assumed.add("cable " + id + " is 15 m long");
            }
            cables.add(new CableRun(id, from, to, cores, Set.copyOf(dead), metres, size(m, path)));
        }
        return cables;
    }

    private ConductorSize size(Map<String, Object> m, String path) {
        String word = fields.text(m, "size", path, "18AWG");
        return ConductorSize.of(word).orElseGet(() -> {
            fields.wrong(path + "/size", "\"" + word + "\" is no conductor size; write it like 18AWG or 1.5mm2");
            return ConductorSize.AWG18;
        });
    }

    private Map<String, Integer> stock(Map<String, Object> root) {
        if (root.get("stock") == null) {
            return null;
        }
        Map<String, Object> m = fields.object(root.get("stock"), "/stock");
        Map<String, Integer> stock = new LinkedHashMap<>();
        for (String name : m.keySet()) {
            String article = ALSO_CALLED.getOrDefault(name, name);
            if (!WiringRequest.STOCK.contains(article)) {
                fields.wrong(
                        "/stock/" + name,
                        "there is no article \"" + name + "\"; expected some of "
                                + String.join(", ", WiringRequest.STOCK));
            } else {
                stock.merge(article, (int) fields.number(m, name, "/stock", 0, 0, 1000), Integer::sum);
            }
        }
        // an empty list says nothing about the van
        return stock.isEmpty() ? null : stock;
    }

    private Map<String, String> answers(Map<String, Object> root) {
        Map<String, Object> m = fields.object(root.get("answers"), "/answers");
        Map<String, String> answers = new LinkedHashMap<>();
        m.keySet().forEach(k -> answers.put(k, fields.text(m, k, "/answers", "")));
        return answers;
    }

    private List<Landing> landings(Map<String, Object> root) {
        List<Landing> landings = new ArrayList<>();
        List<Object> list = fields.list(root, "landings", "");
        for (int i = 0; i < list.size(); i++) {
            String path = "/landings/" + i;
            Map<String, Object> m = fields.object(list.get(i), path);
            fields.known(m, path, "cable", "core", "at", "other");
            landings.add(new Landing(
                    fields.text(m, "cable", path, null),
                    fields.text(m, "core", path, null),
                    fields.text(m, "at", path, null),
                    fields.text(m, "other", path, "")));
        }
        return landings;
    }

    private Prices prices(Map<String, Object> root) {
        Map<String, Object> m = fields.object(root.get("prices"), "/prices");
        Map<String, Prices.Price> changed = new LinkedHashMap<>();
        for (String name : m.keySet()) {
            String path = "/prices/" + name;
            Map<String, Object> p = fields.object(m.get(name), path);
            fields.known(p, path, "parts", "minutes");
            if (!Prices.names().contains(name)) {
                fields.wrong(path, "nothing has this price; expected some of " + String.join(", ", Prices.names()));
            } else {
                Prices.Price usual = Prices.usual().of(name);
                changed.put(
                        name,
                        new Prices.Price(
                                fields.number(p, "parts", path, usual.parts(), 0, 1000),
                                fields.number(p, "minutes", path, usual.minutes(), 0, 10_000)));
            }
        }
        return Prices.usual().with(changed);
    }
}
