package org.jagridge.core.circuit;

import java.util.Arrays;
import java.util.Optional;

/** Conductor sizes with the resistance of solid copper at 20 °C in Ω/km (ASTM B258, IEC 60228 class 1). */
public enum ConductorSize {
    AWG22("22AWG", 52.96),
    AWG20("20AWG", 33.31),
    AWG18("18AWG", 20.95),
    AWG16("16AWG", 13.17),
    AWG14("14AWG", 8.286),
    AWG12("12AWG", 5.211),
    AWG10("10AWG", 3.277),
    AWG8("8AWG", 2.061),
    MM2_0_5("0.5mm2", 36.0),
    MM2_0_75("0.75mm2", 24.5),
    MM2_1("1.0mm2", 18.1),
    MM2_1_5("1.5mm2", 12.1),
    MM2_2_5("2.5mm2", 7.41),
    MM2_4("4mm2", 4.61),
    MM2_6("6mm2", 3.08);

    private final String word;
    private final double ohmsPerKilometre;

    ConductorSize(String word, double ohmsPerKilometre) {
        this.word = word;
        this.ohmsPerKilometre = ohmsPerKilometre;
    }

    /** The word of the file format, like {@code 18AWG}. */
    public String word() {
        return word;
    }

    public double ohmsPerKilometre() {
        return ohmsPerKilometre;
    }

    public static Optional<ConductorSize> of(String word) {
        return Arrays.stream(values()).filter(s -> s.word.equals(word)).findFirst();
    }
}
