package org.jagridge.core.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/** Letters that mean two things on different makes are asked about before anything is landed on them. */
final class Questions {
    private Questions() {}

    static List<WiringAnswer.Question> of(WiringRequest r) {
        List<WiringAnswer.Question> questions = new ArrayList<>();
        WiringRequest.Thermostat t = r.thermostat();
        boolean heatPump = r.outdoor().isHeatPump();
        if (heatPump && !r.outdoor().valveTold()) {
            ask(
                    r,
                    questions,
                    t.has("O") || !t.has("B") ? "TH.O" : "TH.B",
                    "O or B? The outdoor unit's label says whether its valve is energised to cool (O) or to heat (B). "
                            + "Landed the wrong way, each call does the opposite.",
                    "O",
                    "B");
        }
        if (t.has("B")
                && !(heatPump && r.outdoor().valveTold() && r.outdoor().valve().equals("O"))) {
            ask(
                    r,
                    questions,
                    "TH.B",
                    "On some thermostats B is the reversing valve (energised to heat), on others the common. A conductor "
                            + "landed on the wrong one shorts R to C in a heat call.",
                    "reversing valve",
                    "common");
        }
        if (t.has("L")) {
            ask(
                    r,
                    questions,
                    "TH.L",
                    "L is a fault lamp on some thermostats, a line or a lockout on others.",
                    "fault lamp",
                    "other");
        }
        if (t.has("E") && !t.kindTold() && !heatPump) {
            ask(
                    r,
                    questions,
                    "TH.E",
                    "E is emergency heat on a heat pump's thermostat, and plain heat (W) on some others.",
                    "emergency heat",
                    "heat");
        }
        for (String post : r.indoor().posts()) {
            if (Set.of("B", "E", "L", "X").contains(post)) {
                ask(
                        r,
                        questions,
                        "indoor." + post,
                        "A post marked " + post + " means different things on different boards: a common on some.",
                        "common",
                        "something else");
            }
        }
        return questions;
    }

    private static void ask(
            WiringRequest r, List<WiringAnswer.Question> questions, String about, String why, String... answers) {
        boolean asked = questions.stream().anyMatch(q -> q.about().equals(about));
        if (!asked && !r.answers().containsKey(about)) {
            questions.add(new WiringAnswer.Question(about, why, List.of(answers)));
        }
    }

    /** The request with its answers taken in. */
    static WiringRequest answered(WiringRequest r) {
        WiringRequest.Thermostat t = r.thermostat();
        List<String> terminals = new ArrayList<>(t.terminals());
        if ("common".equals(r.answers().get("TH.B")) && terminals.remove("B") && !terminals.contains("C")) {
            terminals.add("C");
        }
        return r.withThermostat(
                new WiringRequest.Thermostat(List.copyOf(terminals), t.power(), t.kind(), t.kindTold()));
    }
}
