package org.jagridge.core.part;

import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jagridge.core.circuit.Catalogue;
import org.jagridge.core.circuit.Fittings;
import org.jagridge.core.circuit.Params;
import org.jagridge.core.circuit.Part;
import org.jagridge.core.circuit.Signal;

/** The register of part types, in the order of the catalogue. A new type is added here. */
public final class PartTypes implements Catalogue {
    private static final PartTypes CATALOGUE = new PartTypes(List.of(
            new Supply(),
            new DcSupply(),
            new Battery(),
            new Thermopile(),
            new Transformer(),
            new PlugSupply(),
            new Rectifier(),
            new Breaker(),
            new Fuse(),
            new Disconnect(),
            new Splice(),
            new TerminalStrip(),
            new Connector(),
            new Earth(),
            new Switch(),
            new ChangeoverSwitch(),
            new SafetySwitch(false),
            new SafetySwitch(true),
            new PressureSwitch(),
            new TemperatureSwitch(),
            new Opening(),
            new LimitSwitch(),
            new Opener(),
            new CurrentSwitch(),
            new Relay(),
            new Contactor(),
            new LockoutRelay(),
            new Timer(),
            new Sequencer(),
            new FanCentre(),
            new Thermostat(),
            RoomSwitch.line(),
            RoomSwitch.millivolt(),
            RoomSwitch.roomStat(),
            new CylinderStat(),
            new Programmer(),
            new FurnaceControl(),
            new AirHandlerBoard(),
            new DefrostControl(),
            new CoilSensor(),
            new ZonePanel(),
            new SharingModule(),
            new RemoteModule(),
            new SensorElement(),
            new DiagnosticModule(),
            new ResistiveLoad(),
            Lamp.lamp(),
            Lamp.buzzer(),
            new Solenoid(),
            new Motor(),
            new PscMachine(false),
            new PscMachine(true),
            new Capacitor(),
            new StartRelay(),
            new StartThermistor(),
            new ZoneValve(),
            new MidPositionValve(),
            new VentDamper(),
            new Boiler(),
            new UnitHeater(),
            new Room(),
            new Outdoors()));

    private final Map<String, PartType> byType = new LinkedHashMap<>();

    private PartTypes(List<PartType> types) {
        types.forEach(t -> byType.put(t.type(), t));
    }

    public static PartTypes catalogue() {
        return CATALOGUE;
    }

    /** Whether a part is one of these. */
    public static boolean is(Part part, Trait trait) {
        return traitsOf(part).contains(trait);
    }

    /** Fittings that hands and defects put into a circuit. */
    public static Fittings fittings() {
        return new Fittings() {
            @Override
            public Part splice(String id, String place, String name, int posts) {
                return fitting(id, "splice", place, name, posts);
            }

            @Override
            public Part strip(String id, String place, int posts) {
                return fitting(id, "terminal-strip", place, null, posts);
            }
        };
    }

    private static Part fitting(String id, String type, String place, String name, int posts) {
        return new Part(
                id, type, place, name, Map.of("posts", (double) posts), true, Part.WhenNotFitted.OPEN, Map.of());
    }

    /** What a part is. */
    public static Set<Trait> traitsOf(Part part) {
        PartType type = CATALOGUE.require(part);
        return type.traits(new Params(type.params(), part.params()));
    }

    /** The values that a part's main signal can take. */
    public static Signal signalOf(Part part) {
        PartType type = CATALOGUE.require(part);
        return type.signal(new Params(type.params(), part.params()));
    }

    @Override
    public Optional<PartType> find(String type) {
        return Optional.ofNullable(byType.get(type));
    }

    @Override
    public Collection<PartType> all() {
        return byType.values();
    }

    @Override
    public PartType require(Part part) {
        return find(part.type())
                .orElseThrow(() ->
                        new IllegalArgumentException("part " + part.id() + " has the unknown type " + part.type()));
    }
}
