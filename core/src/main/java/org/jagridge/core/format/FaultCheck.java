package org.jagridge.core.format;

import java.util.HashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jagridge.core.circuit.Defect;
import org.jagridge.core.circuit.FaultKind;
import org.jagridge.core.circuit.Field;
import org.jagridge.core.circuit.PartDefect;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.run.FaultList;
import tools.jackson.databind.JsonNode;

/** Whether the faults of a file are of a known kind, complete, about things that are there, and possible. */
final class FaultCheck {
    /** Checks the address of a terminal. */
    interface TerminalCheck {
        void check(JsonNode value, String path);
    }

    private final Map<String, CircuitCheck.Known> parts;
    private final Map<String, Set<String>> wires;
    private final TerminalCheck terminal;
    private final Mistakes say;

    /** @param wires the ends of each wire, as far as they are known */
    FaultCheck(
            Map<String, CircuitCheck.Known> parts,
            Map<String, Set<String>> wires,
            TerminalCheck terminal,
            Mistakes say) {
        this.parts = parts;
        this.wires = wires;
        this.terminal = terminal;
        this.say = say;
    }

    /** One fault of a scenario. */
    void fault(JsonNode node, String path) {
        Optional<FaultKind> kind =
                Optional.ofNullable(JsonText.text(node, "kind")).flatMap(FaultKind::of);
        if (kind.isEmpty()) {
            return;
        }
        Set<String> known = new HashSet<>(Set.of("kind", "atSeconds", "untilSeconds"));
        for (FaultKind.Detail detail : kind.get().details()) {
            known.add(detail.key());
            if (!node.has(detail.key()) && !detail.optional()) {
                say.at(path, "a fault " + kind.get().word() + " needs \"" + detail.key() + "\"");
            }
        }
        node.properties().forEach(e -> {
            if (!known.contains(e.getKey())) {
                say.at(path + "/" + e.getKey(), "a fault " + kind.get().word() + " has no \"" + e.getKey() + "\"");
            }
        });
        int before = say.count();
        faultPlace(node, kind.get(), path);
        if (say.count() == before) {
            fits(node, kind.get(), path);
        }
    }

    private void faultPlace(JsonNode node, FaultKind kind, String path) {
        String part = JsonText.text(node, "part");
        if (part != null && !parts.containsKey(part)) {
            say.at(path + "/part", "there is no part " + part);
        }
        wireExists(JsonText.text(node, "wire"), path + "/wire");
        JsonNode pair = node.get("wires");
        for (int i = 0; pair != null && i < pair.size(); i++) {
            wireExists(pair.get(i).asString(), path + "/wires/" + i);
        }
        JsonNode between = node.get("between");
        for (int i = 0; between != null && i < between.size(); i++) {
            terminal.check(between.get(i), path + "/between/" + i);
        }
        if (kind == FaultKind.TWISTED && pair != null && between != null) {
            twistFits(pair, between, path);
        } else {
            two(pair, "wires", kind, path);
            two(between, "terminals", kind, path);
        }
        if (kind.isAtATerminal() && node.has("at")) {
            String at = node.get("at").asString();
            String wire = JsonText.text(node, "wire");
            if (Terminal.isWellFormed(at)) {
                terminal.check(node.get("at"), path + "/at");
                if (kind == FaultKind.LIFTED) {
                    endsThere(wire, at, path + "/at");
                }
            } else {
                say.at(path + "/at", "\"" + at + "\" is not a terminal; write PART.TERMINAL");
            }
        }
        String contact = JsonText.text(node, "contact");
        if (contact != null && part != null && parts.containsKey(part)) {
            contactExists(part, contact, path + "/contact");
        }
        if (kind == FaultKind.WRONG_SETTING && part != null && parts.containsKey(part)) {
            settingFits(node, parts.get(part), path);
        }
    }

    private void two(JsonNode list, String what, FaultKind kind, String path) {
        if (list != null && list.size() > 2) {
            say.at(path, "a fault " + kind.word() + " is about two " + what + ", not " + list.size());
        }
    }

    private void twistFits(JsonNode twisted, JsonNode between, String path) {
        Set<String> once = new HashSet<>();
        twisted.forEach(w -> {
            if (!once.add(w.asString())) {
                say.at(path + "/wires", "a wire can't be twisted with itself");
            }
        });
        if (twisted.size() != between.size()) {
            say.at(
                    path,
                    "each twisted wire needs the terminal that it is taken off: there are " + twisted.size()
                            + " wires and " + between.size() + " terminals");
        }
        for (int i = 0; i < Math.min(twisted.size(), between.size()); i++) {
            endsThere(twisted.get(i).asString(), between.get(i).asString(), path + "/between/" + i);
        }
    }

    private void endsThere(String wire, String terminal, String path) {
        if (wires.containsKey(wire) && !wires.get(wire).contains(terminal)) {
            say.at(path, wire + " doesn't end at " + terminal);
        }
    }

    private void wireExists(String wire, String path) {
        if (wire != null && !wires.containsKey(wire)) {
            say.at(path, "there is no wire " + wire);
        }
    }

    /** A contact is named by its two terminals, as 11-14. */
    private void contactExists(String part, String contact, String path) {
        Set<String> terminals = parts.get(part).terminals();
        int dash = contact.indexOf('-');
        if (terminals != null
                && (dash < 0
                        || !terminals.contains(contact.substring(0, dash))
                        || !terminals.contains(contact.substring(dash + 1)))) {
            say.at(
                    path,
                    part + " has no contact " + contact + "; name it by two of its terminals "
                            + CircuitCheck.list(terminals));
        }
    }

    private void settingFits(JsonNode node, CircuitCheck.Known part, String path) {
        String param = JsonText.text(node, "param");
        if (param == null || part.params() == null) {
            return;
        }
        Field field = part.params().get(param);
        String mistake = field == null
                ? "there is no parameter " + param + "; known are "
                        + CircuitCheck.list(part.params().keySet())
                : node.has("value") ? field.mistakeIn(JsonText.plain(node.get("value"))) : null;
        if (mistake != null) {
            say.at(path + (field == null ? "/param" : "/value"), mistake);
        }
    }

    /** Whether the part can have such a fault at all; asked only where the rest is as it should be. */
    private void fits(JsonNode node, FaultKind kind, String path) {
        CircuitCheck.Known part = parts.get(JsonText.text(node, "part"));
        boolean complete = kind.details().stream().allMatch(d -> d.optional() || node.has(d.key()));
        if (part != null && part.isUnderstood() && complete) {
            Defect defect = kind.read(JsonText.map(node));
            FaultList.misfit(part.alone(), (PartDefect) defect).ifPresent(m -> say.at(path, m));
        }
    }
}
