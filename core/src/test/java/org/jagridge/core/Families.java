package org.jagridge.core;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.jagridge.core.circuit.Cable;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Place;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.circuit.Wire;
import org.jagridge.core.format.CircuitWriter;

/**
 * Circuits as they are built in the field, of any size: relay panels, hydronic zones, rooftop units, interlocks. Wires
 * between two places are cores of a cable, wires within one go from terminal to terminal as a hand would daisy-chain them.
 */
public final class Families {
    /** The kinds, in the order of {@link #all}. */
    public enum Kind {
        RELAYS,
        HYDRONICS,
        ROOFTOPS,
        INTERLOCKS
    }

    public static final List<Integer> SIZES = List.of(10, 20, 35, 50, 75, 100, 150, 200);
    private static final List<String> COLOURS =
            List.of("red", "white", "green", "yellow", "blue", "orange", "brown", "black", "grey", "purple");

    private final Random random;
    private final Circuit.Builder builder;
    private final Map<String, String> placeOf = new HashMap<>();
    /** The terminal that the next wire of a net begins at, by net, and by net and place. */
    private final Map<String, String> last = new HashMap<>();

    private final Map<String, String> cores = new HashMap<>();
    private final Map<String, String> colourAt = new HashMap<>();

    private final boolean second;

    private Families(Kind kind, int parts, long seed) {
        second = seed % 2 == 0;
        random = new Random(seed * 31 + kind.name().length());
        builder = Circuit.builder(kind.name().toLowerCase(java.util.Locale.ROOT) + " " + parts + "/" + seed);
    }

    /** A named circuit. */
    public record Drawn(String name, Circuit circuit) {}

    /** Two circuits of each kind and size. */
    public static List<Drawn> all() {
        List<Drawn> all = new ArrayList<>();
        for (Kind kind : Kind.values()) {
            for (int size : SIZES) {
                for (int seed = 1; seed <= 2; seed++) {
                    Circuit c = of(kind, size, seed);
                    all.add(new Drawn(c.name(), c));
                }
            }
        }
        return all;
    }

    /** Prints one as a file: its kind, its number of parts, its seed. */
    public static void main(String[] args) {
        Circuit circuit = of(Kind.valueOf(args[0]), Integer.parseInt(args[1]), Long.parseLong(args[2]));
        System.out.println(CircuitWriter.write(circuit));
    }

    /** A circuit of about {@code parts} parts, the same every time. */
    public static Circuit of(Kind kind, int parts, long seed) {
        Families f = new Families(kind, parts, seed);
        switch (kind) {
            case RELAYS -> f.relays(parts);
            case HYDRONICS -> f.hydronics(parts);
            case ROOFTOPS -> f.rooftops(parts);
            case INTERLOCKS -> f.interlocks(parts);
        }
        return f.builder.build();
    }

    // ---- the kinds

    /** A panel: chains of switches and contacts in front of coils and lamps, some with a seal or a way around. */
    private void relays(int parts) {
        place("panel", "Relay panel");
        place("room", "Class room");
        control("panel", "", "single-120");
        int n = 1;
        List<String> coils = new ArrayList<>();
        List<String> nodes = new ArrayList<>();
        while (builder.parts().size() + 3 < parts) {
            String k = part("K" + n, "relay", "panel", "sets", 3.0);
            String s = part("S" + n, n % 3 == 0 ? "temperature-switch" : "switch", n % 2 == 0 ? "room" : "panel");
            // some rungs branch off from within an earlier one
            String from = nodes.isEmpty() || random.nextInt(4) > 0 ? hot("") : nodes.get(random.nextInt(nodes.size()));
            wire(from, s + ".1");
            String at = s + ".2";
            List<String> own = new ArrayList<>(List.of(at));
            int contacts = random.nextInt(4);
            for (int i = 0; i < contacts && !coils.isEmpty(); i++) {
                String other = coils.get(random.nextInt(coils.size()));
                String set = free(other);
                if (set != null) {
                    wire(at, other + "." + set + "1");
                    at = other + "." + set + (random.nextInt(3) == 0 ? "2" : "4");
                    own.add(at);
                }
            }
            if (own.size() > 2 && random.nextInt(2) == 0) {
                String around = part("BY" + n, "switch", "panel");
                wire(own.get(0), around + ".1");
                wire(around + ".2", own.get(2));
            }
            nodes.addAll(own);
            wire(at, k + ".A1");
            wire(k + ".A2", ret(""));
            if (random.nextInt(3) == 0) {
                // seals itself in around its switch
                String set = free(k);
                wire(hot(""), k + "." + set + "1");
                wire(k + "." + set + "4", s + ".2");
            }
            String set = free(k);
            String lamp = part("LP" + n, random.nextInt(4) == 0 ? "buzzer" : "lamp", "panel");
            wire(hot(""), k + "." + set + "1");
            wire(k + "." + set + "4", lamp + ".1");
            wire(lamp + ".2", ret(""));
            coils.add(k);
            n++;
        }
    }

    private final Map<String, Integer> used = new HashMap<>();

    /** The number of a relay's next free set of three; null where all are taken. */
    private String free(String relay) {
        int set = used.merge(relay, 1, Integer::sum);
        return set > 3 ? null : Integer.toString(set);
    }

    /** Zone valves with their thermostats, end switches that call the boiler, a circulator a zone. */
    private void hydronics(int parts) {
        place("boiler", "Boiler room");
        control("boiler", "", "single-120");
        part("B", "boiler", "boiler", "volts", 120.0, "form", second ? "dry" : "switched-live");
        wire(hot("M"), "B.L");
        wire("B.N", ret("M"));
        part("KB", "relay", "boiler", "sets", 1.0);
        wire("KB.A2", ret(""));
        int n = 1;
        while (builder.parts().size() + 4 < parts) {
            String floor = "floor" + (n + 2) / 3;
            if (builder.places().stream().noneMatch(p -> p.id().equals(floor))) {
                place(floor, "Floor " + (n + 2) / 3);
            }
            String th = part("TH" + n, "line-thermostat", floor);
            String zv = part("ZV" + n, "zone-valve", "boiler");
            wire(hot(""), th + ".1");
            wire(th + ".2", zv + ".1");
            wire(zv + ".2", ret(""));
            if (n % 2 == 0) {
                String k = part("KP" + n, "relay", "boiler", "sets", 1.0);
                String p = part("P" + n, "motor", "boiler");
                wire(hot(""), zv + ".3");
                wire(zv + ".4", k + ".A1");
                wire(k + ".A2", ret(""));
                wire(hot("M"), k + ".11");
                wire(k + ".14", p + ".1");
                wire(p + ".2", ret("M"));
            } else {
                wire(hot(""), zv + ".3");
                net("call", zv + ".4");
            }
            n++;
        }
        net("call", "KB.A1");
        wire(second ? "B.1" : hot("M"), "KB.11");
        wire("KB.14", second ? "B.2" : "B.SL");
    }

    /** Rooftop units, each with its supply, transformer, thermostat, safeties in series, compressor and fans. */
    private void rooftops(int parts) {
        int n = 1;
        do {
            String roof = "roof" + n;
            String room = "room" + n;
            place(roof, "Rooftop unit " + n);
            place(room, "Room " + n);
            String u = Integer.toString(n);
            part("M" + u, "supply", roof, "system", "split-120-240");
            part("DS" + u, "disconnect", roof);
            wire("M" + u + ".L1", "DS" + u + ".L1");
            wire("M" + u + ".L2", "DS" + u + ".L2");
            start("L1" + u, "DS" + u + ".T1");
            start("L2" + u, "DS" + u + ".T2");
            part("T" + u, "transformer", roof, "primaryVolts", 240.0);
            net("L1" + u, "T" + u + ".P1");
            net("L2" + u, "T" + u + ".P2");
            part("F" + u, "fuse", roof);
            wire("T" + u + ".X1", "F" + u + ".1");
            start("R" + u, "F" + u + ".2");
            start("C" + u, "T" + u + ".X2");
            String th =
                    part("TH" + u, "thermostat", room, "terminals", List.of("R", "W", "Y", "G"), "power", "battery");
            wire(hot(u), th + ".R");
            compressor(u, roof, th);
            fan(u, roof, th);
            if (parts >= 20) {
                heat(u, roof, th);
            }
            n++;
        } while (builder.parts().size() + 8 < parts);
    }

    private void compressor(String u, String roof, String th) {
        String cc = part("CC" + u, "contactor", roof, "poles", List.of("contact", "contact"));
        String hps = part("HP" + u, "safety-switch", roof, "kind", "high-pressure");
        String lps = part("LP" + u, "safety-switch", roof, "kind", "low-pressure");
        String cmp = part("CMP" + u, "compressor", roof);
        String cap = part("CAP" + u, "capacitor", roof);
        String of = part("OF" + u, "psc-motor", roof);
        wire(th + ".Y", hps + ".1");
        wire(hps + ".2", lps + ".1");
        wire(lps + ".2", cc + ".A1");
        wire(cc + ".A2", ret(u));
        net("L1" + u, cc + ".L1");
        net("L2" + u, cc + ".L2");
        wire(cc + ".T1", cap + ".C");
        wire(cap + ".C", cmp + ".R");
        wire(cmp + ".R", of + ".R");
        wire(cap + ".HERM", cmp + ".S");
        wire(cap + ".FAN", of + ".S");
        wire(cc + ".T2", cmp + ".C");
        wire(cmp + ".C", of + ".C");
    }

    private void fan(String u, String roof, String th) {
        String k = part("KF" + u, "relay", roof, "sets", 1.0);
        String blw = part("BLW" + u, "motor", roof, "volts", 240.0);
        wire(th + ".G", k + ".A1");
        wire(k + ".A2", ret(u));
        net("L1" + u, k + ".11");
        wire(k + ".14", blw + ".1");
        net("L2" + u, blw + ".2");
    }

    private void heat(String u, String roof, String th) {
        String lim = part("LIM" + u, "safety-switch", roof, "kind", "limit");
        String ro = part("RO" + u, "safety-switch", roof, "kind", "rollout", "reset", "manual");
        String gv = part("GV" + u, "solenoid", roof);
        wire(th + ".W", lim + ".1");
        wire(lim + ".2", ro + ".1");
        wire(ro + ".2", gv + ".1");
        wire(gv + ".2", ret(u));
    }

    /** Openings with a limit switch and a relay each; a heater a bay, stopped while any opening of its bay isn't shut. */
    private void interlocks(int parts) {
        place("panel", "Interlock panel");
        control("panel", "", "single-120");
        int bay = 1;
        while (builder.parts().size() + 5 < parts) {
            String wall = "bay" + bay;
            place(wall, "Bay " + bay);
            int openings = 2 + random.nextInt(3);
            String chain = null;
            for (int i = 1; i <= openings && builder.parts().size() + 5 < parts; i++) {
                String id = bay + "" + (char) ('A' + i - 1);
                part("OP" + id, "opening", wall);
                String ls = part("LS" + id, "limit-switch", wall, "opening", "OP" + id);
                String k = part("K" + id, "relay", "panel", "sets", 2.0);
                wire(hot(""), ls + ".C");
                wire(ls + ".NO", k + ".A1");
                wire(k + ".A2", ret(""));
                wire(chain == null ? hot("") : chain, k + ".11");
                if (i == 2) {
                    // a key that leaves the second opening out, and a lamp that says which one stands open
                    String key = part("BY" + bay, "switch", "panel");
                    String lamp = part("LP" + id, "lamp", "panel");
                    wire(chain, key + ".1");
                    wire(key + ".2", k + ".14");
                    wire(k + ".12", lamp + ".1");
                    wire(lamp + ".2", ret(""));
                }
                chain = k + ".14";
            }
            String th = part("TH" + bay, "line-thermostat", wall);
            String kh = part("KH" + bay, "relay", "panel", "sets", 1.0);
            wire(chain == null ? hot("") : chain, th + ".1");
            wire(th + ".2", kh + ".A1");
            wire(kh + ".A2", ret(""));
            String heater = part("UH" + bay, "unit-heater", wall);
            wire(hot("M"), heater + ".L");
            wire(heater + ".N", ret("M"));
            wire(heater + ".R", kh + ".11");
            wire(kh + ".14", heater + ".W");
            bay++;
        }
    }

    // ---- nets

    private void control(String place, String unit, String system) {
        part("M" + unit, "supply", place, "system", system);
        part("T" + unit, "transformer", place);
        start("LM" + unit, "M" + unit + ".L");
        start("NM" + unit, "M" + unit + ".N");
        net("LM" + unit, "T" + unit + ".P1");
        net("NM" + unit, "T" + unit + ".P2");
        start("R" + unit, "T" + unit + ".X1");
        start("C" + unit, "T" + unit + ".X2");
    }

    private String hot(String unit) {
        return unit.equals("M") ? "*LM" : "*R" + unit;
    }

    private String ret(String unit) {
        return unit.equals("M") ? "*NM" : "*C" + unit;
    }

    private void start(String net, String terminal) {
        last.put(net, terminal);
        last.put(net + "@" + placeOf(terminal), terminal);
    }

    private String placeOf(String terminal) {
        return placeOf.get(Terminal.parse(terminal).part());
    }

    /** Joins a terminal to the one that was wired last in its place, or first of its place to where the net comes from. */
    private void net(String net, String terminal) {
        String from = last.put(net + "@" + placeOf(terminal), terminal);
        String home = last.get(net);
        if (from == null) {
            from = home == null ? null : last.get(net + "@" + placeOf(home));
        }
        last.putIfAbsent(net, terminal);
        if (from != null) {
            join(from, terminal);
        }
    }

    private void wire(String from, String to) {
        if (from.startsWith("*")) {
            net(from.substring(1), to);
        } else if (to.startsWith("*")) {
            net(to.substring(1), from);
        } else {
            join(from, to);
        }
    }

    private void join(String from, String to) {
        Terminal a = Terminal.parse(from);
        Terminal b = Terminal.parse(to);
        String id = "w" + (builder.wires().size() + 1);
        String here = placeOf.get(a.part());
        String there = placeOf.get(b.part());
        if (here.equals(there)) {
            // a net keeps its colour within a place
            String colour = colourAt.getOrDefault(
                    from, colourAt.getOrDefault(to, COLOURS.get(builder.wires().size() % COLOURS.size())));
            colourAt.put(from, colour);
            colourAt.put(to, colour);
            builder.wires().add(new Wire(id, a, b, colour, null, null, Wire.Run.FACTORY, null, null, List.of()));
            return;
        }
        String pair = here.compareTo(there) < 0 ? here + "-" + there : there + "-" + here;
        String cable = cores.compute(
                pair, (k, v) -> v == null || isFull(v) ? "C" + (builder.cables().size() + 1) : v);
        if (builder.cables().stream().noneMatch(c -> c.id().equals(cable))) {
            builder.cables().add(new Cable(cable, here, there, 12.0, null, COLOURS));
        }
        long taken =
                builder.wires().stream().filter(w -> cable.equals(w.cable())).count();
        String core = COLOURS.get((int) taken);
        builder.wires().add(new Wire(id, a, b, null, null, null, Wire.Run.FIELD, cable, core, List.of()));
    }

    private boolean isFull(String cable) {
        return builder.wires().stream().filter(w -> cable.equals(w.cable())).count() >= COLOURS.size();
    }

    private void place(String id, String name) {
        builder.place(id, name, Place.Access.PANEL);
    }

    private String part(String id, String type, String place, Object... params) {
        builder.part(id, type, place, params);
        placeOf.put(id, place);
        return id;
    }
}
