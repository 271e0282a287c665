package org.jagridge.core.check;

import static org.jagridge.core.check.Finding.Severity.DANGER;
import static org.jagridge.core.check.Finding.Severity.ERROR;
import static org.jagridge.core.check.Finding.Severity.NOTE;
import static org.jagridge.core.check.Finding.Severity.WARNING;

/** Everything that a circuit can be told, worst first. docs/findings.md is made from it. */
public enum FindingKind {
    SHORT_CIRCUIT(
            DANGER,
            "short-circuit",
            "wires alone join the hot pole of a source to its return",
            "Find the wire that is landed wrong before power is put on. R never goes to C."),
    SAFETY_BYPASSED(
            DANGER,
            "safety-bypassed",
            "a wire joins both terminals of a safety",
            "Take the link out. Never leave a safety bypassed."),
    SUPPLIES_TIED(
            DANGER,
            "supplies-tied",
            "two transformers are tied at both poles: a unit that is off is live backwards",
            "Take the tie out. Each unit keeps its own transformer."),
    BACKFED_TRANSFORMER(
            DANGER,
            "backfed-transformer",
            "in a run, or tried with its supply off, a primary is switched off and yet live",
            "Take the tie out, and treat both units as live until it is."),
    FED_BACKWARDS(
            DANGER,
            "fed-backwards",
            "tried with one supply or disconnect off and the others on, a terminal behind it is at 30 V to earth or more",
            "Open both together, with one handle or one lock, or take the tie out. Prove dead before you touch."),
    JUMPER_LEFT(
            DANGER,
            "jumper-left",
            "RH and RC are joined and two transformers come to them",
            "Take the jumper out. With a second path between the systems one feeds the other backwards."),
    B_ON_COMMON(
            DANGER,
            "b-on-common",
            "the wire on B goes to a common: a heat call shorts R to C",
            "On older equipment B is the common. Move it to C."),
    RECTIFIER_MINUS_TIED(
            DANGER,
            "rectifier-minus-tied",
            "the minus of a rectifier is tied to its AC side: a shorted diode",
            "Keep the DC loop apart from C."),
    HEAT_WITH_OPENING(
            DANGER,
            "heat-with-opening",
            "tried, an opening that stops heat while it moves or stands open lets it come back half open",
            "Prove shut with a contact that is made only when it is shut; a signal of its travel says nothing of where it stands."),
    HEAT_WITHOUT_AIR(
            DANGER,
            "heat-without-air",
            "in a run strips heat for over a minute without a blower",
            "Start the blower with the heat: land G, or use a contact of the heat relay."),
    TRANSFORMER_PAIR_REVERSED(
            DANGER,
            "transformer-pair-reversed",
            "two joined transformers are out of phase: twice the volts between their other poles",
            "Take the tie out, or turn one secondary round."),
    TIMER_SETTING_LINE(
            DANGER,
            "timer-setting",
            "a timer is set to 24 V and line voltage can reach it",
            "Set it to line, or wire it to the control voltage."),
    OVER_VOLTAGE(
            DANGER,
            "over-voltage",
            "a coil or load can get more than 1.3 times its rated volts",
            "It burns out in seconds. Check which wire comes to it."),
    TWO_TAPS(
            DANGER,
            "two-taps",
            "two speed taps of a motor are on one wire",
            "One tap at a time; park the others on an unused terminal."),
    BURNS_OUT(
            DANGER,
            "burns-out",
            "in a run a part burnt out, blew or tripped",
            "Something has the wrong volts or too much current."),
    SHORT_REACHABLE(
            ERROR,
            "short-reachable",
            "hot meets return through contacts and fuses only, once these close",
            "There must be a load in that way. See which terminal of it was missed."),
    CALL_CROSSED(
            ERROR,
            "call-crossed",
            "tried, a call starts what it mustn't: heat on cooling, cold on heating, a compressor on emergency heat",
            "Look for crossed wires between the control and the equipment, and which way the reversing valve is set."),
    RUNS_UNCALLED(
            ERROR,
            "runs-uncalled",
            "tried with nothing calling, a compressor runs or something heats",
            "Look for what feeds it past its control: a link, or a wire on the wrong side of a contact."),
    SAFETY_IN_WRONG_LINE(
            ERROR,
            "safety-in-wrong-line",
            "tried, a safety stops the air and lets what heats or cools go on",
            "Put it in the line of what it has to stop, not in the fan's."),
    CONDUCTOR_OVERLOADED(
            ERROR,
            "conductor-overloaded",
            "in a run a conductor carries more than its size may for over a second",
            "A larger conductor, as the local code says, or less on it."),
    TIMER_SETTING_LOW(
            ERROR, "timer-setting", "a timer is set to line voltage and gets 24 V: it never times", "Set it to 24 V."),
    UNDER_VOLTAGE(
            ERROR,
            "under-voltage",
            "a coil or load gets less than 0.7 of its rated volts at the most, or in a run a coil that is fed doesn't pull in",
            "It won't work. Check its coil or the transformer's tap."),
    COMMON_MISSING(
            ERROR,
            "common-missing",
            "a thermostat that lives on R and C has no C",
            "Bring a common to it, or choose one with batteries."),
    BOTH_O_AND_B(
            ERROR,
            "both-o-and-b",
            "both reversing valve terminals are landed",
            "Use the one that the outdoor unit asks for."),
    JUMPER_MISSING(
            ERROR, "jumper-missing", "RH or RC has no feed: one transformer wants the jumper", "Put the jumper in."),
    PARALLELED_PAIRS(
            ERROR,
            "paralleled-pairs",
            "the 24 V pairs of two heaters are joined",
            "Give each heater its own relay contact."),
    MIXED_VOLTAGE_CABLE(
            ERROR,
            "mixed-voltage-cable",
            "one cable carries line and low voltage",
            "Run them apart, as the local code says."),
    TIMER_OUT_OF_RANGE(
            ERROR, "timer-out-of-range", "the time isn't on the timer's dial", "Choose another timer or another time."),
    CONTACT_OVERLOADED(
            ERROR,
            "contact-overloaded",
            "in a run a contact carries more than its rating for over a second",
            "Put a contactor of enough rating between."),
    TRANSFORMER_OVERLOADED(
            ERROR,
            "transformer-overloaded",
            "in a run a transformer gives more than 1.2 times its VA",
            "Take a larger transformer, or move loads to another."),
    CHATTER(ERROR, "chatter", "a relay cuts its own coil", "Break the loop: no relay may cut its own coil."),
    FUSE_OVER_WIRE(
            ERROR,
            "fuse-over-wire",
            "a fuse or breaker lets more through than a conductor on it may carry",
            "A smaller fuse or breaker, or a larger conductor, as the local code says."),
    COIL_KIND(
            ERROR,
            "coil-kind",
            "an AC coil that only DC can reach, or the other way round",
            "Choose a relay for that kind of current."),
    CURRENT_SWITCH_ON_DC(
            ERROR,
            "current-switch-on-dc",
            "in a run a current switch senses direct current",
            "A current switch works on AC only."),
    FUSE_TOO_LARGE(
            ERROR,
            "fuse-too-large",
            "a control fuse is over 3.2 times its transformer's amps: the winding burns out first",
            "Use a smaller fuse."),
    CURRENT_SWITCH_TOO_FEW_TURNS(
            ERROR,
            "current-switch-too-few-turns",
            "in a run a current switch stays open though current flows",
            "Pass the conductor through it more often."),
    CALL_WITHOUT_EFFECT(
            WARNING,
            "call-without-effect",
            "tried, a call that is landed brings nothing on",
            "Follow the call from the control: the Sequence page tells what it waits for."),
    TIMER_LOAD(
            WARNING,
            "timer-load",
            "in a run a series timer holds a load of under 20 mA, less than its maker asks for",
            "Put a resistor or a larger load beside it, or take a timer with a relay."),
    SUPPLIES_TIED_ONCE(
            WARNING,
            "supplies-tied-once",
            "two transformers are tied at one pole: nothing flows until a second path joins them",
            "Two transformers want no jumper between RH and RC."),
    SAFETY_IN_RETURN(
            WARNING,
            "safety-in-return",
            "a safety sits between load and return: an earth fault goes around it",
            "Move it to the feed side of what it protects."),
    SWITCHED_NEUTRAL(
            WARNING,
            "switched-neutral",
            "a contact switches the neutral: the load stays live when off",
            "Switch the live side."),
    SOLID_POLE(
            WARNING,
            "solid-pole",
            "a contactor pole is a solid bar: live to the load with the contactor out",
            "Open the disconnect and prove dead before you touch the load."),
    OPEN_TERMINAL(
            WARNING,
            "open-terminal",
            "one end of a coil, winding or machine has no wire",
            "Land its wire, or take the part out of the circuit."),
    HEAT_WITHOUT_FAN_WIRE(
            WARNING,
            "heat-without-fan-wire",
            "electric heat is called and G isn't landed",
            "Land G, or start the fan by a contact of the heat relay."),
    EMERGENCY_UNSERVED(WARNING, "emergency-unserved", "emergency heat goes nowhere", "Bridge E to AUX, or land it."),
    NO_PROTECTION_LINE(
            WARNING,
            "no-protection",
            "nothing that opens on too much current is between the mains and a load",
            "Draw the breaker or fuse that feeds it; if there is none, put one in."),
    CONTACT_DROP(
            WARNING,
            "contact-drop",
            "in a run a closed contact loses over half a volt, or a series timer that carries current over two",
            "A burnt contact, or a series timer with too large a load. Replace it, do not file it."),
    COIL_UNDERVOLTED(
            WARNING,
            "coil-undervolted",
            "in a run a coil holds with under 85 % of its rating",
            "Shorten the run, take a larger size, or a larger transformer."),
    RESTARTS_AFTER_POWER(
            NOTE,
            "restarts-after-power",
            "tried, what a safety has stopped for good starts by itself after a power failure",
            "Whoever puts power on again must know: ask why it had stopped first."),
    NO_PROTECTION(
            NOTE,
            "no-protection",
            "nothing that opens on too much current is between a transformer and its loads",
            "A fuse is cheaper than a transformer."),
    EARTH_MISSING(
            NOTE,
            "earth-missing",
            "nothing is landed on a supply's PE",
            "Draw the earth as it is; flame sensing and fuses depend on it."),
    OPTION_NOT_FITTED(
            NOTE,
            "option-not-fitted",
            "an option is drawn and not there",
            "Look for it at the unit before you trust the drawing."),
    BATTERIES_ONLY(
            NOTE,
            "batteries-only",
            "a thermostat has no C and lives on its batteries",
            "Land a C, or put the change of batteries on the list."),
    WIRE_TWICE(
            NOTE,
            "wire-twice",
            "two wires join the same two terminals",
            "Take one out of the drawing, unless two conductors are meant to share the current."),
    COLOUR_TWICE(
            NOTE,
            "colour-twice",
            "a cable has more than one core of one colour",
            "Mark both ends of each; the colour doesn't tell them apart."),
    COLOUR_CHANGES(
            NOTE,
            "colour-changes",
            "a wire or splice has two colours: there is a splice between",
            "Colours help, they never prove. Mark both ends.");

    private final Finding.Severity severity;
    private final String code;
    private final String meaning;
    private final String advice;

    FindingKind(Finding.Severity severity, String code, String meaning, String advice) {
        this.severity = severity;
        this.code = code;
        this.meaning = meaning;
        this.advice = advice;
    }

    public Finding.Severity severity() {
        return severity;
    }

    /** Stable, like {@code safety-bypassed}; two kinds of different severity may share one. */
    public String code() {
        return code;
    }

    /** What it means in any circuit, as a clause. */
    public String meaning() {
        return meaning;
    }

    /** What to do. */
    public String advice() {
        return advice;
    }

    /** The table of docs/findings.md. */
    public static String table() {
        StringBuilder table =
                new StringBuilder("| code | severity | what it means | what to do |\n|---|---|---|---|\n");
        for (FindingKind k : values()) {
            table.append("| `%s` | %s | %s | %s |\n".formatted(k.code, k.severity.word(), k.meaning, k.advice));
        }
        return table.toString();
    }
}
