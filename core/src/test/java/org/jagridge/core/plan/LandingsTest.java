package org.jagridge.core.plan;

import static org.testng.Assert.assertEquals;

import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.circuit.Wire;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Brute force: the thermostat's conductors are landed on the board in every order, and each order is run. */
public class LandingsTest {
    @DataProvider
    public Object[][] names() {
        return new Object[][] {
            {"furnace and cooling, one R"},
            {"strips alone"},
            {"hot water coil"},
            {"boiler with fan centre, thermostat on C"},
            {"zone panel with R, W and C"},
            {"furnace alone, thermostat on C"}
        };
    }

    @Test(dataProvider = "names")
    public void noOtherOrderHoldsThanTheOneThatIsPlanned(String name) throws IOException {
        WiringRequest request = WiringRequestReader.read(SetupsTest.request(name));
        Composition planned = Composer.compose(request, Faces.of(request).get(0), Set.of());
        List<Wire> cores = planned.circuit().wires().stream()
                .filter(w -> "TC".equals(w.cable()))
                .toList();
        List<Terminal> posts = cores.stream().map(Wire::to).toList();
        List<String> hold = new ArrayList<>();
        for (List<Terminal> order : orders(posts)) {
            if (new CallTrial(planned, landed(planned.circuit(), cores, order)).calls(null) == null) {
                hold.add(order.toString());
            }
        }
        assertEquals(hold, List.of(posts.toString()));
        assertEquals(
                WiringPlanner.plan(request).plans().get(0).schedule().stream()
                        .filter(k -> k.cable().equals("TC"))
                        .collect(Collectors.toMap(WiringPlan.Conductor::from, WiringPlan.Conductor::to)),
                cores.stream().collect(Collectors.toMap(w -> w.from().toString(), w -> w.to().toString())));
    }

    private static Circuit landed(Circuit circuit, List<Wire> cores, List<Terminal> order) {
        Map<String, Terminal> at = cores.stream().collect(Collectors.toMap(Wire::id, w -> order.get(cores.indexOf(w))));
        Circuit.Builder b = circuit.toBuilder();
        b.wires().replaceAll(w -> at.containsKey(w.id()) ? w.withEnd(1, at.get(w.id())) : w);
        return b.build();
    }

    private static <T> List<List<T>> orders(List<T> items) {
        if (items.isEmpty()) {
            return List.of(List.of());
        }
        List<List<T>> all = new ArrayList<>();
        for (int i = 0; i < items.size(); i++) {
            List<T> rest = new ArrayList<>(items);
            T first = rest.remove(i);
            for (List<T> order : orders(rest)) {
                List<T> one = new ArrayList<>(List.of(first));
                one.addAll(order);
                all.add(one);
            }
        }
        return all;
    }
}
