package org.jagridge.web.site;

import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jagridge.web.bench.HandOver;
import org.jagridge.web.circuits.CircuitRepository;
import org.jagridge.web.circuits.SiteRepository;
import org.jagridge.web.records.RecordRepository;
import org.springframework.stereotype.Component;

/** A site as its page shows it: the survey place by place, the circuits, and what is still to be undone. */
@Component
class SiteView {
    private final CircuitRepository circuits;
    private final SiteRepository sites;
    private final EquipmentRepository equipment;
    private final RecordRepository records;
    private final HandOver handOver;

    SiteView(
            CircuitRepository circuits,
            SiteRepository sites,
            EquipmentRepository equipment,
            RecordRepository records,
            HandOver handOver) {
        this.circuits = circuits;
        this.sites = sites;
        this.equipment = equipment;
        this.records = records;
        this.handOver = handOver;
    }

    /** A site on the list of all. */
    record Card(String slug, String name, String address, String holds, int left) {}

    /** @param left what is still linked, lifted, moved or twisted at the circuit's bench, in words */
    record Circuit(long id, String slug, String name, int records, List<String> left) {}

    /** @param circuit the circuit that it belongs to, or null */
    record Equipment(EquipmentRepository.Row row, Circuit circuit) {}

    /** A place with what stands there. */
    record Place(SiteRepository.Place row, List<Equipment> equipment) {}

    /** @param left how many links and wires are to be undone before the hand-over */
    record Page(List<Place> places, List<Circuit> circuits, int left) {}

    Card card(SiteRepository.Row site) {
        Page page = of(site);
        int machines =
                page.places().stream().mapToInt(p -> p.equipment().size()).sum();
        return new Card(
                site.slug(),
                site.name(),
                site.address(),
                count(page.places().size(), "place") + ", " + machines + " of equipment, "
                        + count(page.circuits().size(), "circuit"),
                page.left());
    }

    private static String count(int number, String what) {
        return number + " " + what + (number == 1 ? "" : "s");
    }

    Page of(SiteRepository.Row site) {
        List<Circuit> all = circuits.all().stream()
                .filter(c -> c.siteId() == site.id())
                .map(c -> new Circuit(
                        c.id(), c.slug(), c.name(), records.ofCircuit(c.slug()).size(), handOver.words(c.slug())))
                .toList();
        Map<Long, Circuit> byId = all.stream().collect(Collectors.toMap(Circuit::id, Function.identity()));
        List<EquipmentRepository.Row> machines = equipment.ofSite(site.id());
        List<Place> places = sites.places(site.id()).stream()
                .map(p -> new Place(
                        p,
                        machines.stream()
                                .filter(e -> e.placeId() == p.id())
                                .map(e -> new Equipment(e, byId.get(e.circuitId())))
                                .toList()))
                .toList();
        return new Page(places, all, all.stream().mapToInt(c -> c.left().size()).sum());
    }
}
