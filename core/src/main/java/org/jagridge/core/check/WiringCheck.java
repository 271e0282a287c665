package org.jagridge.core.check;

/** One look at a circuit's parts and wires. */
interface WiringCheck {
    void look();
}
