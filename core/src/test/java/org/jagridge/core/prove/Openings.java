package org.jagridge.core.prove;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.format.CircuitReader;
import org.jagridge.core.format.JsonText;

/** Interlocks of openings and heaters for tests, put together part by part. */
final class Openings {
    /** What holds the heat off. */
    enum Design {
        /** DC relay through a limit switch, in only while shut. */
        SHUT,
        /** AC relay that is in while open, its normally closed contact in the loop. */
        OPEN_NC,
        /** The same on a signal that is there only while the opener moves. */
        MOVING_NC,
        /** As the first, with a second limit switch in series. */
        TWO_LIMITS
    }

    private final List<Object> parts = new ArrayList<>();
    private final List<Object> wires = new ArrayList<>();
    private final List<Object> rules = new ArrayList<>();

    private Openings() {}

    static Circuit of(int openings, int heaters, Design design) {
        Openings o = new Openings();
        o.part("M", "supply", Map.of("system", "single-120"));
        o.part("BR", "breaker", Map.of("amps", 15));
        o.wire("M.L", "BR.1");
        for (int i = 1; i <= openings; i++) {
            o.opening(i, heaters, design);
        }
        for (int j = 1; j <= heaters; j++) {
            o.heater(j, openings, design);
        }
        return o.circuit();
    }

    private void opening(int i, int heaters, Design design) {
        boolean direct = design == Design.SHUT || design == Design.TWO_LIMITS;
        String signal = direct ? "dc-always" : design == Design.OPEN_NC ? "ac-while-open" : "ac-while-moving";
        part("V" + i, "opening", Map.of());
        part("OP" + i, "opener", Map.of("opening", "V" + i, "signal", signal));
        wire("BR.2", "OP" + i + ".L");
        wire("OP" + i + ".N", "M.N");
        Map<String, Object> relay = new LinkedHashMap<>(Map.of("sets", heaters, "coilVolts", 24));
        if (direct) {
            relay.put("coilKind", "DC");
            part("LS" + i, "limit-switch", Map.of("opening", "V" + i));
            wire("OP" + i + ".S1", "LS" + i + ".C");
            if (design == Design.TWO_LIMITS) {
                part("LX" + i, "limit-switch", Map.of("opening", "V" + i));
                wire("LS" + i + ".NO", "LX" + i + ".C");
                wire("LX" + i + ".NO", "K" + i + ".A1");
            } else {
                wire("LS" + i + ".NO", "K" + i + ".A1");
            }
        } else {
            wire("OP" + i + ".S1", "K" + i + ".A1");
        }
        part("K" + i, "relay", relay);
        wire("K" + i + ".A2", "OP" + i + ".S2");
    }

    private void heater(int j, int openings, Design design) {
        part("H" + j, "unit-heater", Map.of());
        part("T" + j, "line-thermostat", Map.of());
        wire("BR.2", "H" + j + ".L");
        wire("H" + j + ".N", "M.N");
        wire("H" + j + ".R", "T" + j + ".1");
        String at = "T" + j + ".2";
        List<String> any = new ArrayList<>();
        for (int i = 1; i <= openings; i++) {
            wire(at, "K" + i + "." + j + "1");
            at = "K" + i + "." + j + (design == Design.SHUT || design == Design.TWO_LIMITS ? "4" : "2");
            any.add("V" + i + "!=shut");
        }
        wire(at, "H" + j + ".W");
        rules.add(Map.of(
                "id",
                "shut-H" + j,
                "text",
                "H" + j + " never burns while an opening is not shut",
                "never",
                Map.of("all", List.of("H" + j + "=burning", Map.of("any", any))),
                "graceSeconds",
                1));
    }

    private void part(String id, String type, Map<String, Object> params) {
        parts.add(Map.of("id", id, "type", type, "place", "panel", "params", params));
    }

    private void wire(String from, String to) {
        wires.add(Map.of("id", "w" + (wires.size() + 1), "ends", List.of(from, to)));
    }

    private Circuit circuit() {
        return read(parts, wires, rules);
    }

    static Circuit read(List<Object> parts, List<Object> wires, List<Object> rules) {
        return CircuitReader.read(
                JsonText.tree(Map.of(
                        "format",
                        "jagridge-circuit",
                        "version",
                        1,
                        "name",
                        "Interlock",
                        "places",
                        List.of(Map.of("id", "panel", "name", "Panel")),
                        "parts",
                        parts,
                        "wires",
                        wires,
                        "rules",
                        rules)),
                "");
    }
}
