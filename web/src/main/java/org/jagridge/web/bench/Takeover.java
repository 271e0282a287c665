package org.jagridge.web.bench;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jagridge.core.circuit.BareEnd;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Fault;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.Input;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.circuit.WiringDefect;
import org.jagridge.core.format.CircuitReader;
import org.jagridge.core.format.CircuitWriter;
import org.jagridge.core.format.JsonText;
import org.jagridge.core.format.MalformedException;
import org.jagridge.core.part.Assembly;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Tells whether what was done at a bench can still be done with a changed circuit. */
final class Takeover {
    private final Assembly assembly;
    private final JsonMapper json;

    Takeover(Assembly assembly, JsonMapper json) {
        this.assembly = assembly;
        this.json = json;
    }

    /** Why an act no longer fits, in words; empty where it does. */
    Optional<String> misfit(Action action) {
        JsonNode body = json.readTree(action.body());
        return switch (action.kind()) {
            case SET -> input(body);
            case FAULT -> fault(body);
            case LINK -> link(body.get("change"));
            case LIFT, MOVE, TWIST -> fault(body.get("change"));
            case METER -> leads(body);
            case CLEAR -> Optional.empty();
        };
    }

    private Optional<String> input(JsonNode body) {
        String key = body.get("key").stringValue();
        Optional<Field> field = assembly.input(Input.parse(key));
        if (field.isEmpty()) {
            return Optional.of(key + " isn't there any more to be set");
        }
        JsonNode value = body.get("value");
        Object plain = value.isBoolean()
                ? (Object) value.booleanValue()
                : value.isNumber() ? (Object) value.doubleValue() : value.stringValue();
        return field.get().mistakeIn(plain) == null
                ? Optional.empty()
                : Optional.of(key + " doesn't take " + plain + " any more");
    }

    /** A jumper may be clipped to a bare end. */
    private Optional<String> link(JsonNode body) {
        WiringDefect.Link link =
                (WiringDefect.Link) CircuitReader.readFault(body).defect();
        return fault(CircuitWriter.fault(new Fault(link.landed(assembly.circuit()))));
    }

    private Optional<String> fault(JsonNode body) {
        return fault(JsonText.plainValue(body.toString()));
    }

    private Optional<String> fault(Object written) {
        Circuit circuit = assembly.circuit();
        String words =
                CircuitReader.readFault(JsonText.parse(JsonText.write(written))).words();
        try {
            Map<String, Object> scenario = Map.of("untilSeconds", 1, "faults", List.of(written));
            Scenario checked = CircuitReader.readScenario(JsonText.parse(JsonText.write(scenario)), "", circuit);
            return checked.faults().isEmpty() ? Optional.of(words) : Optional.empty();
        } catch (MalformedException e) {
            return Optional.of(
                    "the fault \"" + words + "\": " + e.problems().get(0).message());
        }
    }

    private Optional<String> leads(JsonNode body) {
        Leads leads = Leads.read(body);
        for (String lead : List.of(leads.plus(), leads.minus())) {
            if (assembly.node(BareEnd.landed(Terminal.parse(lead), assembly.circuit()))
                    .isEmpty()) {
                return Optional.of("a lead was on " + lead + ", which isn't there any more");
            }
        }
        boolean gone =
                !leads.wire().isEmpty() && assembly.circuit().wire(leads.wire()).isEmpty();
        return gone
                ? Optional.of("the clamp was on " + leads.wire() + ", which isn't there any more")
                : Optional.empty();
    }
}
