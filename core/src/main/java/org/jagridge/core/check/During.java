package org.jagridge.core.check;

import org.jagridge.core.circuit.Scenario;

/** In which run something was seen; as a string the end of a sentence. */
record During(Scenario hands) {
    Trial at(long micros) {
        return new Trial(hands, micros);
    }

    @Override
    public String toString() {
        return " in \"" + hands.name() + "\"";
    }
}
