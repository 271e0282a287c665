package org.jagridge.core.plan;

import java.util.EnumMap;
import java.util.Map;

/** The nets of water heating at line voltage: every conductor lands on a numbered post of the wiring centre. */
final class WaterNets {
    private static final int SPARE_POSTS = 2;

    private WaterNets() {}

    static void compose(Composition c) {
        Kit kit = c.kit;
        kit.add(c.request.hydronics());
        kit.add("wiring-centre");
        kit.add("thermostat-room");
        Map<Line, Net> nets = new EnumMap<>(Line.class);
        for (Post p : kit.posts()) {
            Net net = nets.get(p.line());
            if (net == null) {
                net = c.net(p.line(), Integer.toString(nets.size() + 1), "WC." + (nets.size() + 1));
                nets.put(p.line(), net);
            }
            net.join(p.at());
        }
        nets.get(Line.HEATING_ON).join("TH.1");
        nets.get(Line.VALVE_HEATING).join("TH.3");
        if (c.has(Move.N_LEFT_OFF)) {
            c.unused.add(new WiringPlan.Unused(
                    "TH.N", "it only warms the thermostat's accelerator: without it the room swings a little more"));
        } else {
            nets.get(Line.NEUTRAL).join("TH.N");
        }
        kit.set("WC", "posts", nets.size() + SPARE_POSTS);
        Ways.route(c);
    }
}
