package org.jagridge.core.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jagridge.core.plan.WiringRequest.IndoorKind;

/** The ways in which a thermostat can be set up for the boards that are there, the likeliest first. */
final class Faces {
    private Faces() {}

    static List<Face> of(WiringRequest r) {
        WiringRequest.Thermostat t = r.thermostat();
        List<String> terminals = t.terminals();
        if (t.isBare() || r.hydronics() != null) {
            return List.of(new Face("conventional", terminals, Map.of(), "gas", ""));
        }
        boolean airBeside = r.indoor().is(IndoorKind.AIR_HANDLER) || r.indoor().is(IndoorKind.HYDRONIC_COIL);
        boolean asksFan = airBeside && !r.indoor().fanRunsItself();
        List<String> sources = asksFan ? List.of("electric", "gas") : List.of("gas", "electric");
        List<Face> faces = new ArrayList<>();
        for (String source : sources) {
            faces.add(new Face(t.kind(), terminals, Map.of(), source, electric(t.kind(), source)));
        }
        if (!t.kind().equals("conventional") && !r.outdoor().isHeatPump()) {
            for (String source : sources) {
                conventional(r, source, faces);
            }
        }
        return faces;
    }

    private static String electric(String kind, String source) {
        return kind.equals("conventional") && source.equals("electric")
                ? "Set the thermostat for electric heat: G comes with W."
                : "";
    }

    /** Set as conventional, with its E or AUX as W: what a heat pump's Y would do here is cool. */
    private static void conventional(WiringRequest r, String source, List<Face> faces) {
        List<String> terminals = r.thermostat().terminals();
        String heat = terminals.contains("W")
                ? "W"
                : terminals.contains("E") ? "E" : terminals.contains("AUX") ? "AUX" : null;
        if (heat == null) {
            return;
        }
        List<String> renamed =
                terminals.stream().map(x -> x.equals(heat) ? "W" : x).toList();
        faces.add(new Face(
                "conventional",
                renamed,
                heat.equals("W") ? Map.of() : Map.of("W", heat),
                source,
                "Set the thermostat as conventional, for " + (source.equals("gas") ? "gas" : "electric")
                        + " heat" + (heat.equals("W") ? "" : ": its terminal " + heat + " is then its W")
                        + "."
                        + (r.outdoor().isThere() && terminals.contains("Y")
                                ? " Set for a heat pump, it calls the compressor for heat, and that cools."
                                : "")));
    }
}
