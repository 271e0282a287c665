package org.jagridge.core.part;

import java.util.Map;
import org.jagridge.core.circuit.Input;

/**
 * Something that a control can be made to call for, and how. Everything it needs is set by hands and the room; whether
 * anything comes of it is the circuit's affair.
 *
 * @param key for addresses, unique among the calls of one control
 * @param name "Cooling", "Heating, first stage"
 * @param passesRooms whether it passes what the rooms ask for, and shows nothing while they ask for nothing
 * @param before what is set from the start, so that nothing else is called
 * @param begin what a hand or the room does to call
 * @param end what ends the call
 */
public record Call(
        String key,
        String name,
        Duty duty,
        boolean passesRooms,
        Map<Input, Object> before,
        Map<Input, Object> begin,
        Map<Input, Object> end) {
    /** What must come of a call. */
    public enum Duty {
        FAN,
        COOLING,
        HEATING,
        AUXILIARY_HEAT,
        EMERGENCY_HEAT,
        HOT_WATER,
        HOT_WATER_AND_HEATING
    }

    public static Call of(
            String key,
            String name,
            Duty duty,
            Map<Input, Object> before,
            Map<Input, Object> begin,
            Map<Input, Object> end) {
        return new Call(key, name, duty, false, before, begin, end);
    }

    /** The same, of a control that only lets through what rooms ask for. */
    public Call passingRooms() {
        return new Call(key, name, duty, true, before, begin, end);
    }
}
