package org.jagridge.core.plan;

import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import org.jagridge.core.plan.WiringRequest.Indoor;
import org.jagridge.core.plan.WiringRequest.IndoorKind;

/** Puts the boards that were named into a kit. */
final class Equipment {
    /** What heats and moves no air for cooling; each has its own transformer or none. */
    private static final Set<IndoorKind> HEAT_ONLY = EnumSet.of(
            IndoorKind.OIL_FURNACE,
            IndoorKind.FAN_CENTRE_BOILER,
            IndoorKind.DRY_CONTACT_BOILER,
            IndoorKind.ZONE_PANEL,
            IndoorKind.MILLIVOLT,
            IndoorKind.LINE_VOLTAGE);

    private final Kit kit;
    private final WiringRequest r;

    private Equipment(Kit kit, WiringRequest r) {
        this.kit = kit;
        this.r = r;
    }

    static void install(Kit kit, WiringRequest request) {
        Equipment e = new Equipment(kit, request);
        e.indoor();
        if (request.outdoor().isThere()) {
            e.outdoor();
        }
    }

    /** Whether the air for cooling is moved by an air handler with a transformer of its own. */
    static boolean coolsApart(WiringRequest r) {
        return r.outdoor().isThere()
                && (HEAT_ONLY.contains(r.indoor().kind())
                        || (r.indoor().is(IndoorKind.GAS_FURNACE) && r.transformers() == 2));
    }

    /** Whether the outdoor unit's control has a transformer of its own. */
    static boolean outdoorFeedsItself(WiringRequest r) {
        return r.outdoor().isThere()
                && (r.outdoor().transformer()
                        || (r.transformers() == 2
                                && (r.indoor().is(IndoorKind.AIR_HANDLER)
                                        || r.indoor().is(IndoorKind.HYDRONIC_COIL))));
    }

    private void indoor() {
        Indoor in = r.indoor();
        switch (in.kind()) {
            case NONE -> {}
            case GAS_FURNACE -> furnace();
            case AIR_HANDLER -> airHandler();
            case HYDRONIC_COIL -> {
                airHandler();
                kit.add("coil");
                if (in.posts().contains("W")) {
                    kit.add("coil-on-post");
                }
                if (in.fanRunsItself()) {
                    kit.add("coil-fan");
                }
            }
            case ZONE_PANEL -> {
                kit.add(in.kind().word());
                if (in.posts().contains("C")) {
                    kit.add("zone-panel-common");
                }
            }
            default -> kit.add(in.kind().word());
        }
        if (kit.has("T1")) {
            kit.set("T1", "va", in.transformerVa());
        }
        if (coolsApart(r)) {
            kit.add("cooling-air-handler");
            if (!r.inPhase()) {
                kit.set("TA", "reversed", true);
            }
        }
    }

    private void furnace() {
        kit.add("gas-furnace");
        if (coolsApart(r)) {
            kit.posts().removeIf(p -> p.line() == Line.COOL || p.line() == Line.FAN);
            kit.posts().replaceAll(p -> switch (p.line()) {
                case FEED -> new Post(p.letter(), Line.HEAT_FEED, p.at(), p.place(), p.how());
                case COMMON -> new Post(p.letter(), Line.HEAT_COMMON, p.at(), p.place(), p.how());
                default -> p;
            });
        }
        onlyPosts();
    }

    private void airHandler() {
        Indoor in = r.indoor();
        kit.add("air-handler");
        boolean posts = in.posts().stream().anyMatch(List.of("Y", "W", "O")::contains);
        kit.set("AH", "posts", posts);
        if (posts) {
            kit.add("air-handler-posts");
        }
        onlyPosts();
        if (in.is(IndoorKind.AIR_HANDLER) && in.stripsKw() > 0) {
            kit.add("strips");
            kit.set("HTR", "watts", 1000 * in.stripsKw());
            kit.set("HTR", "volts", 240.0);
            if (in.posts().contains("W")) {
                kit.add("strips-on-post");
            }
            if (in.fanRunsItself()) {
                kit.add("strips-fan");
            }
        }
    }

    /** Posts that its board doesn't have aren't there; a common without a post is at the transformer's screw. */
    private void onlyPosts() {
        kit.posts()
                .removeIf(p -> !r.indoor().posts().contains(p.letter())
                        && p.line() != Line.COMMON
                        && p.line() != Line.FEED
                        && p.line() != Line.HEAT_FEED
                        && p.line() != Line.HEAT_COMMON);
        if (!r.indoor().posts().contains("C")) {
            kit.posts()
                    .replaceAll(p ->
                            p.how() == Post.How.COMMON ? new Post("X2", p.line(), "T1.X2", p.place(), p.how()) : p);
        }
    }

    private void outdoor() {
        boolean heatPump = r.outdoor().isHeatPump();
        kit.add(r.outdoor().kind());
        if (heatPump) {
            String valve = r.outdoor().valve();
            kit.set("DF", "valve", valve);
            kit.set("RV", "energised", valve.equals("O") ? "cools" : "heats");
            kit.add("valve-" + valve);
            if (r.outdoor().w2()) {
                kit.add("defrost-heat");
            }
        }
        if (r.outdoor().stages() == 2) {
            kit.add("second-stage");
            kit.add("second-stage-" + r.outdoor().kind());
        }
        if (outdoorFeedsItself(r)) {
            kit.add("own-transformer-" + r.outdoor().kind());
            if (!r.inPhase()) {
                kit.set("TO", "reversed", true);
            }
        }
    }
}
