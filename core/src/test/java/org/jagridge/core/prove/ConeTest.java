package org.jagridge.core.prove;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertNotEquals;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.FaultKind;
import org.jagridge.core.circuit.Rule;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.prove.Openings.Design;
import org.testng.annotations.Test;

/** What a claim depends on, and the slice that is made of it. */
public class ConeTest {
    private final Circuit circuit = Openings.of(4, 2, Design.SHUT);
    private final Assembly assembly = Assembly.of(circuit);
    private final Cone.Trunk trunk = new Cone.Trunk(assembly);

    private Slice slice(String... parts) {
        Cone cone = Cone.of(trunk, List.of(parts));
        return new Slice(assembly, cone, cone.inSeriesWithSource());
    }

    @Test
    public void aHeaterAndAnOpeningNeedOnlyWhatLiesBetweenThem() {
        Cone cone = Cone.of(trunk, List.of("H1", "V2"));
        assertEquals(cone.parts, Set.of("H1", "V2", "K2", "LS2", "OP2", "M", "BR"));
        assertEquals(cone.feeding, Set.of("M", "BR"));
        assertEquals(cone.contacts.keySet(), Set.of("T1", "K1", "K3", "K4"));
        assertEquals(cone.inSeriesWithSource(), Set.of("BR"));
    }

    @Test
    public void contactsInARowAreOneSwitchThatStandsForAllOfThem() {
        Slice s = slice("H1", "V2");
        assertEquals(s.frees.size(), 1);
        assertEquals(
                s.frees.values().iterator().next().stream()
                        .map(Slice.Free::part)
                        .collect(Collectors.toSet()),
                Set.of("T1", "K1", "K3", "K4"));
        assertTrue(s.circuit.part("K2").isPresent() && s.circuit.part("K3").isEmpty());
    }

    @Test
    public void slicesOfOpeningsThatAreAlikeReadAlikeAndOthersDont() {
        Rule never = circuit.rules().get(0);
        String of1 = slice("H1", "V1").key(claim(never, "V1"), List.of());
        assertEquals(slice("H1", "V3").key(claim(never, "V3"), List.of()), of1);
        assertEquals(slice("H1", "V4").key(claim(never, "V4"), List.of()), of1);
        Circuit other = other();
        Assembly otherAssembly = Assembly.of(other);
        Cone cone = Cone.of(new Cone.Trunk(otherAssembly), List.of("H1", "V1"));
        assertNotEquals(
                new Slice(otherAssembly, cone, cone.inSeriesWithSource()).key(claim(never, "V1"), List.of()),
                of1,
                "a relay of other volts is another thing");
    }

    private Circuit other() {
        Circuit.Builder b = circuit.toBuilder();
        b.parts().replaceAll(p -> p.id().equals("K1") ? p.with("coilVolts", 12.0) : p);
        return b.build();
    }

    private static Rule claim(Rule rule, String opening) {
        return Claims.of(rule).stream()
                .filter(c -> c.claim().conditions().get(0).parts().contains(opening))
                .findFirst()
                .orElseThrow();
    }

    @Test
    public void aRuleOverSeveralOpeningsIsAsManyClaims() {
        assertEquals(Claims.of(circuit.rules().get(0)).size(), 4);
    }

    @Test
    public void faultsBesideASliceDontTouchIt() {
        Slice s = slice("H1", "V2");
        assertTrue(s.isTouchedBy(Fault.of(FaultKind.COIL_OPEN, "part", "K2")));
        assertFalse(
                s.isTouchedBy(Fault.of(FaultKind.COIL_OPEN, "part", "K3")), "K3 is opened and closed at will anyway");
        assertFalse(s.isTouchedBy(Fault.of(FaultKind.COIL_OPEN, "part", "H2")));
        String inner = wire("K3.14", "K4.11");
        Fault open = Fault.of(FaultKind.WIRE_OPEN, "wire", inner);
        assertTrue(s.isTouchedBy(open));
        assertTrue(s.circuit.wire(inner).isEmpty(), "the row has swallowed it");
        assertTrue(s.circuit.wire(s.inSlice(open).wire()).isPresent(), "one in series stands for it");
    }

    private String wire(String from, String to) {
        return circuit.wires().stream()
                .filter(w ->
                        w.from().toString().equals(from) && w.to().toString().equals(to))
                .findFirst()
                .orElseThrow()
                .id();
    }

    @Test
    public void aShortOfTheSupplyIsSeenAtItsPoles() {
        assertEquals(trunk.shorted(), Set.of());
        Circuit.Builder b = circuit.toBuilder();
        b.wires()
                .add(org.jagridge.core.circuit.Wire.between(
                        "short",
                        org.jagridge.core.circuit.Terminal.parse("BR.2"),
                        org.jagridge.core.circuit.Terminal.parse("M.N")));
        assertEquals(new Cone.Trunk(Assembly.of(b.build())).shorted(), Set.of("M.L M.N"));
    }

    @Test
    public void handsMoveOpeningsByDriveAndByHandAndNobodyHoldsAContactorIn() {
        Hands hands = new Hands(assembly, circuit.rules());
        Set<String> inputs =
                hands.dials().stream().map(d -> d.input().toString()).collect(Collectors.toSet());
        assertTrue(inputs.containsAll(Set.of("V1.target", "V1.movedBy", "M.on", "BR.closed", "T1.roomCelsius")));
        assertTrue(
                inputs.stream().noneMatch(i -> i.endsWith(".pressed") || i.endsWith(".setCelsius")), inputs.toString());
        List<Object> rooms = hands.dials().stream()
                .filter(d -> d.input().toString().equals("T1.roomCelsius"))
                .findFirst()
                .orElseThrow()
                .values();
        assertEquals(rooms, List.of(18.0, 19.5, 21.0), "one in each range between 19 and 20 °C");
        Subject subject = new Subject(circuit, circuit.rules());
        long both = subject.hands.moves(subject.engine.start(Map.of(), List.of())).stream()
                .filter(m ->
                        m.sets().keySet().stream().anyMatch(i -> i.toString().equals("V1.target")))
                .count();
        assertEquals(both, 4, "half and open, by its drive and by hand");
    }
}
