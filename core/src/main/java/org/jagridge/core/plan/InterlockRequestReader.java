package org.jagridge.core.plan;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jagridge.core.format.MalformedException;
import org.jagridge.core.plan.InterlockRequest.Control;
import org.jagridge.core.plan.InterlockRequest.Heater;
import org.jagridge.core.plan.InterlockRequest.Opening;
import org.jagridge.core.plan.InterlockRequest.Signal;

/** Reads what an interlock is planned for; tells all mistakes at once. */
public final class InterlockRequestReader {
    /** More would be no plan that one person wires. */
    private static final int MOST_OPENINGS = 24;

    private static final int MOST_HEATERS = 8;
    private static final int LONGEST_PLACE = 60;
    private static final String ID = "[A-Za-z][A-Za-z0-9_-]{0,27}";

    private final Fields fields = new Fields();

    private InterlockRequestReader() {}

    /** @throws MalformedException with every mistake */
    public static InterlockRequest read(Object tree) {
        InterlockRequestReader r = new InterlockRequestReader();
        InterlockRequest request = r.request(tree);
        if (!r.fields.problems().isEmpty()) {
            throw new MalformedException(r.fields.problems());
        }
        return request;
    }

    private InterlockRequest request(Object tree) {
        Map<String, Object> m = fields.object(tree, "");
        fields.known(m, "", "openings", "heaters", "matrix", "stock", "frost", "place");
        Set<String> ids = new HashSet<>();
        List<Opening> openings = new ArrayList<>();
        List<Object> list = fields.list(m, "openings", "");
        for (int i = 0; i < list.size(); i++) {
            openings.add(opening(list.get(i), "/openings/" + i, ids));
        }
        List<Heater> heaters = new ArrayList<>();
        list = fields.list(m, "heaters", "");
        for (int i = 0; i < list.size(); i++) {
            heaters.add(heater(list.get(i), "/heaters/" + i, ids));
        }
        count(openings.size(), MOST_OPENINGS, "/openings");
        count(heaters.size(), MOST_HEATERS, "/heaters");
        Map<String, Double> stock = new LinkedHashMap<>();
        Map<String, Object> s = fields.object(m.get("stock"), "/stock");
        s.keySet().forEach(k -> stock.put(k, fields.number(s, k, "/stock", 0, 0, 1000)));
        return new InterlockRequest(
                List.copyOf(openings),
                List.copyOf(heaters),
                matrix(m, openings, heaters),
                stock,
                fields.flag(m, "frost", "", false),
                place(m));
    }

    private String place(Map<String, Object> m) {
        String place = fields.text(m, "place", "", "").strip();
        if (place.length() > LONGEST_PLACE) {
            fields.wrong("/place", "it has " + place.length() + " letters; there is room for " + LONGEST_PLACE);
        }
        return place;
    }

    private void count(int count, int most, String path) {
        if (count == 0) {
            fields.wrong(path, "at least one is needed");
        } else if (count > most) {
            fields.wrong(path, "at most " + most + " are planned at once");
        }
    }

    private String id(Map<String, Object> m, String path, Set<String> ids) {
        String id = fields.text(m, "id", path, null);
        if (!id.isEmpty() && !id.matches(ID)) {
            fields.wrong(path + "/id", "\"" + id + "\" is no id: a letter, then up to 27 letters, digits, - or _");
        } else if (!id.isEmpty() && !ids.add(id)) {
            fields.wrong(path + "/id", "\"" + id + "\" is there twice");
        }
        return id;
    }

    private Opening opening(Object value, String path, Set<String> ids) {
        Map<String, Object> m = fields.object(value, path);
        fields.known(m, path, "id", "signal", "volts", "limitSwitch", "byHand", "metres");
        String id = id(m, path, ids);
        Signal signal = Worded.of(Signal.class, fields.choice(m, "signal", path, Worded.all(Signal.class), null));
        return new Opening(
                id,
                signal,
                fields.number(m, "volts", path, signal == Signal.DC_ALWAYS ? 28 : 24, 5, 48),
                fields.flag(m, "limitSwitch", path, false),
                fields.flag(m, "byHand", path, true),
                fields.number(m, "metres", path, 10, 0, 500));
    }

    private Heater heater(Object value, String path, Set<String> ids) {
        Map<String, Object> m = fields.object(value, path);
        fields.known(m, path, "id", "control", "amps");
        return new Heater(
                id(m, path, ids),
                Worded.of(Control.class, fields.choice(m, "control", path, Worded.all(Control.class), null)),
                fields.number(m, "amps", path, 2, 0.1, 60));
    }

    private Map<String, List<String>> matrix(Map<String, Object> m, List<Opening> openings, List<Heater> heaters) {
        List<String> all = openings.stream().map(Opening::id).toList();
        Map<String, Object> given = fields.object(m.get("matrix"), "/matrix");
        Map<String, List<String>> matrix = new LinkedHashMap<>();
        for (Heater h : heaters) {
            List<String> of = m.get("matrix") == null ? all : fields.texts(given, h.id(), "/matrix", List.of());
            for (int i = 0; i < of.size(); i++) {
                if (!all.contains(of.get(i))) {
                    fields.wrong("/matrix/" + h.id() + "/" + i, "there is no opening \"" + of.get(i) + "\"");
                }
            }
            matrix.put(h.id(), List.copyOf(of));
        }
        given.keySet().stream()
                .filter(k -> heaters.stream().noneMatch(h -> h.id().equals(k)))
                .forEach(k -> fields.wrong("/matrix/" + k, "there is no heater \"" + k + "\""));
        return matrix;
    }
}
