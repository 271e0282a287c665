package org.jagridge.core.plan;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jagridge.core.plan.WiringRequest.Power;

/** Turns a draft into boards and nets: what must be joined with what, with these moves and this set-up. */
final class Composer {
    private final Composition c;
    private final Kit kit;
    private final WiringRequest r;
    private final Face face;
    private final Map<String, Set<String>> byRadio = new HashMap<>();
    private Net feed;
    private Net common;
    /** The outdoor unit's return where it is a net of its own, else that of all. */
    private Net outdoorCommon;

    private boolean pair;

    private Composer(Composition c) {
        this.c = c;
        kit = c.kit;
        r = c.request;
        face = c.face;
    }

    /** @return with {@link Composition#why} set where it can't be put together */
    static Composition compose(WiringRequest request, Face face, Set<Move> moves) {
        Composition c = new Composition(request, face, moves);
        if (request.hydronics() != null) {
            WaterNets.compose(c);
        } else {
            new Composer(c).compose();
        }
        return c;
    }

    private void compose() {
        Equipment.install(kit, r);
        if (c.has(Move.LOCAL_INDOOR)) {
            kit.add("local-transformer-indoor");
            kit.posts().add(new Post("R", Line.FEED, "FL.2", "indoor", Post.How.FEED));
            kit.posts().add(new Post("C", Line.COMMON, "TL.X2", "indoor", Post.How.COMMON));
            localTransformer();
        }
        kit.add(r.thermostat().isBare() ? "thermostat-" + r.thermostat().kind() : "thermostat-24V");
        if (r.thermostat().isBare()) {
            bareSwitch();
        } else {
            thermostat();
        }
        if (c.why == null) {
            c.nets.removeIf(n -> n.ends().size() < 2);
            Ways.route(c);
        }
    }

    private void localTransformer() {
        c.buys(
                "transformer-24V",
                1,
                "transformer 24 V 40 VA with fuse and its own means of isolation",
                "it feeds what has no feed and return of its own");
        c.pay("local-transformer", 1);
    }

    private Optional<Post> post(Line line, Post.How how) {
        return kit.post(line, how);
    }

    /** Two terminals in the loop of the heater. */
    private void bareSwitch() {
        boolean lineVoltage = post(Line.LINE_FEED, Post.How.FEED).isPresent();
        if (lineVoltage != r.thermostat().kind().equals("line") && lineVoltage) {
            c.why = "a millivolt thermostat can't break line voltage";
            return;
        }
        if (r.outdoor().isThere()) {
            c.why = "a thermostat that is one switch can't call for heat and for an outdoor unit";
            return;
        }
        Post from = post(lineVoltage ? Line.LINE_FEED : Line.HEAT_FEED, Post.How.FEED)
                .or(() -> post(Line.FEED, Post.How.FEED))
                .orElse(null);
        Post to = post(lineVoltage ? Line.LINE_HEAT : Line.HEAT, Post.How.NEEDS).orElse(null);
        if (from == null || to == null) {
            c.why = "a thermostat that is one switch has one loop to break, and there is none here";
            return;
        }
        c.net(from.line(), from.letter(), from.at(), "TH.1");
        c.net(to.line(), to.letter(), "TH.2", to.at());
    }

    private void thermostat() {
        Optional<Post> own = post(Line.FEED, Post.How.FEED);
        Optional<Post> heat = post(Line.HEAT_FEED, Post.How.FEED);
        if (own.or(() -> heat).isEmpty()) {
            c.why = post(Line.LINE_FEED, Post.How.FEED).isPresent()
                    ? "a 24 V thermostat can't break line voltage, and nothing here gives 24 V"
                    : "nothing here feeds a thermostat";
            return;
        }
        pair = own.isPresent() && heat.isPresent();
        Post feeds = own.or(() -> heat).orElseThrow();
        Optional<Post> returns = kit.post(own.isPresent() ? Line.COMMON : Line.HEAT_COMMON, "indoor");
        feed = c.net(Line.FEED, "R", feeds.at());
        common = c.net(Line.COMMON, "C");
        returns.ifPresent(p -> common.join(p.at()));
        set();
        outdoorSupply();
        modules();
        if (c.why != null) {
            return;
        }
        new Calls(c, this).join();
        thermostatFeed(heat.orElse(null));
        if (returns.isEmpty() && !common.ends().isEmpty()) {
            c.why = "nothing here gives a return (C) for " + String.join(" and ", common.ends());
        }
        kitThermostat();
    }

    private boolean isWired() {
        return face.has("C") && r.thermostat().power() != Power.BATTERY && !c.has(Move.BATTERIES);
    }

    private void set() {
        if (isWired()) {
            common.join("TH.C");
        } else if (face.has("C")) {
            if (c.has(Move.BATTERIES)) {
                c.buys("batteries", 1, "set of batteries", "the thermostat lives on them");
                c.pay("batteries", 1);
            }
            c.unused.add(new WiringPlan.Unused(
                    "TH.C",
                    c.has(Move.BATTERIES)
                            ? "the thermostat runs on its batteries; what it calls has a return of its own"
                            : "a thermostat on batteries doesn't need it"));
        }
    }

    private void kitThermostat() {
        Face set = c.has(Move.SHARING_PAIR) ? face.sharing() : face;
        kit.set("TH", "kind", set.kind());
        kit.set("TH", "terminals", set.terminals());
        kit.set("TH", "heatSource", set.heatSource());
        kit.set("TH", "power", (isWired() ? r.thermostat().power() : Power.BATTERY).word());
        if (set.kind().equals("dual-fuel")) {
            kit.set("TH", "changeoverCelsius", 2.0);
            if (kit.has("OS")) {
                kit.set("TH", "outdoors", "OS");
            }
        }
        if (!set.labels().isEmpty()) {
            kit.label("TH", set.labels());
        }
    }

    /** The terminal at which the thermostat is fed, and whether RC and RH must be joined for it. */
    private void thermostatFeed(Post heatFeed) {
        List<String> landed = c.nets.stream()
                .flatMap(n -> n.ends().stream())
                .filter(e -> e.startsWith("TH."))
                .map(e -> e.substring(3))
                .toList();
        boolean heats = landed.stream().anyMatch(List.of("W", "W2", "AUX", "E")::contains);
        boolean others = landed.stream().anyMatch(List.of("Y", "Y2", "G", "O", "B", "SH", "C")::contains);
        boolean apart = face.has("RH") && face.has("RC");
        if (pair && heats && !c.has(Move.ISOLATING_RELAY)) {
            feed.join("TH." + face.feed());
            c.net(Line.HEAT_FEED, apart ? "RH" : "R", heatFeed.at(), "TH." + face.heatFeed());
            if (apart) {
                c.takeOut.add(new WiringPlan.Joint(
                        "TH.RC",
                        "TH.RH",
                        "two transformers: with the jumper in, one that is switched off is fed backwards by the other wherever their "
                                + "returns meet, at the chassis for one"));
            }
            return;
        }
        if (others) {
            feed.join("TH." + face.feed());
        }
        if (heats) {
            feed.join("TH." + face.heatFeed());
        }
        if (apart && !(others && heats) && !landed.isEmpty()) {
            String left = others ? "RH" : "RC";
            c.unused.add(new WiringPlan.Unused(
                    "TH." + left, "nothing that is called is fed from it, so no jumper is needed"));
        }
    }

    /** The outdoor unit's feed and return. */
    private void outdoorSupply() {
        outdoorCommon = common;
        if (!r.outdoor().isThere()) {
            return;
        }
        boolean radio = c.has(Move.WIRELESS_OUTDOOR);
        if (c.has(Move.LOCAL_OUTDOOR)) {
            kit.add("local-transformer-outdoor");
            kit.posts().add(new Post("R", Line.OUT_FEED, "FL.2", "outdoor", Post.How.FEED));
            localTransformer();
        }
        Optional<Post> ownFeed = post(Line.OUT_FEED, Post.How.FEED);
        Post unitCommon = kit.post(Line.COMMON, "outdoor").orElseThrow();
        Optional<Post> unitFeed = post(Line.FEED, Post.How.NEEDS);
        if (ownFeed.isEmpty()) {
            common.join(unitCommon.at());
            unitFeed.ifPresent(p -> feed.join(p.at()));
            return;
        }
        // called by radio or through relays only, it has nothing in common with the indoor unit
        outdoorCommon = radio || c.has(Move.RELAYS_OUTDOOR)
                ? c.net(Line.COMMON, "C", unitCommon.at())
                : common.join(unitCommon.at());
        if (c.has(Move.LOCAL_OUTDOOR)) {
            outdoorCommon.join("TL.X2");
            Net local = c.net(Line.OUT_FEED, "R", "FL.2");
            unitFeed.ifPresent(p -> local.join(p.at()));
        }
    }

    private void modules() {
        if (c.has(Move.SHARING_PAIR)) {
            kit.add("sharing-pair");
            feed.join("SM.R");
            common.join("SM.C");
            c.net(Line.SHARED, "SH", "TH.SH", "SM.SH");
            c.buys(
                    "sharing-pair",
                    1,
                    "conductor-sharing pair",
                    "one conductor carries Y as one half-wave and G as the other");
            c.pay("sharing-pair", 1);
        }
        if (c.has(Move.WIRELESS_INDOOR)) {
            module("wireless-indoor", "RM", feed, common);
        }
        if (c.has(Move.WIRELESS_OUTDOOR)) {
            Net outdoorFeed = c.net(Line.OUT_FEED)
                    .orElseGet(() -> post(Line.OUT_FEED, Post.How.FEED)
                            .map(p -> c.net(Line.OUT_FEED, "R", p.at()))
                            .orElse(feed));
            module("wireless-outdoor", "RMO", outdoorFeed, outdoorCommon);
        }
    }

    private void module(String board, String id, Net itsFeed, Net itsCommon) {
        kit.add(board);
        itsFeed.join(id + ".R");
        itsCommon.join(id + ".C");
        c.buys(
                "wireless-module",
                1,
                "wireless relay module with its thermostat part",
                "its outputs follow the thermostat by radio");
        c.pay("wireless-module", 1);
    }

    /** Where a call comes from at a place: the thermostat's terminal, or the module that repeats it. */
    String origin(String output, String place) {
        if (place.equals("outdoor") && c.has(Move.WIRELESS_OUTDOOR)) {
            return repeated("RMO", output);
        }
        if (c.has(Move.WIRELESS_INDOOR)) {
            return repeated("RM", output);
        }
        boolean shared = c.has(Move.SHARING_PAIR) && (output.equals("Y") || output.equals("G"));
        return (shared ? "SM." : "TH.") + output;
    }

    private String repeated(String module, String output) {
        Set<String> outputs = byRadio.computeIfAbsent(module, k -> new LinkedHashSet<>());
        outputs.add(output);
        kit.set(module, "outputs", new ArrayList<>(outputs));
        return module + "." + output;
    }

    Net feed() {
        return feed;
    }

    Net common() {
        return common;
    }

    Net outdoorCommon() {
        return outdoorCommon;
    }

    boolean isPair() {
        return pair;
    }
}
