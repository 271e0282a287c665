package org.jagridge.core.circuit;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/**
 * Conductor sizes with the resistance of solid copper at 20 °C in Ω/km (ASTM B258, IEC 60228 class 1), the amps that one
 * may carry for long (copper at 75 °C, NEC table 310.16 from 14 AWG on; IEC 60364-5-52, method B), and the largest fuse
 * or breaker that usually protects it (NEC 240.4(D); the next standard size below). Local codes come first.
 */
public enum ConductorSize {
    AWG22("22AWG", 52.96, 3, 3),
    AWG20("20AWG", 33.31, 5, 5),
    AWG18("18AWG", 20.95, 7, 7),
    AWG16("16AWG", 13.17, 10, 10),
    AWG14("14AWG", 8.286, 20, 15),
    AWG12("12AWG", 5.211, 25, 20),
    AWG10("10AWG", 3.277, 35, 30),
    AWG8("8AWG", 2.061, 50, 50),
    MM2_0_5("0.5mm2", 36.0, 5, 5),
    MM2_0_75("0.75mm2", 24.5, 7, 7),
    MM2_1("1.0mm2", 18.1, 10, 10),
    MM2_1_5("1.5mm2", 12.1, 18, 16),
    MM2_2_5("2.5mm2", 7.41, 25, 25),
    MM2_4("4mm2", 4.61, 34, 32),
    MM2_6("6mm2", 3.08, 44, 40);

    private final String word;
    private final double ohmsPerKilometre;

    private final double amps;
    private final double protectionAmps;

    ConductorSize(String word, double ohmsPerKilometre, double amps, double protectionAmps) {
        this.word = word;
        this.amps = amps;
        this.protectionAmps = protectionAmps;
        this.ohmsPerKilometre = ohmsPerKilometre;
    }

    /** As it is printed on the conductor: {@code 18 AWG}, {@code 1.5 mm²}. */
    public String marked() {
        return isMetric() ? word.replace("mm2", " mm²") : word.replace("AWG", " AWG");
    }

    /**
     * Its size as it is told otherwise, to two figures or the nearest number: 18 AWG is 0.82 mm², 1.5 mm² about 15 AWG. The
     * diameter of AWG n is 0.127 mm · 92^((36 − n)/39) (ASTM B258).
     */
    public String otherwise() {
        double number = Double.parseDouble(word.replaceAll("[A-Zm].*", ""));
        if (isMetric()) {
            double diameter = Math.sqrt(4 * number / Math.PI);
            return "about " + Math.round(36 - 39 * Math.log(diameter / 0.127) / Math.log(92)) + " AWG";
        }
        double diameter = 0.127 * Math.pow(92, (36 - number) / 39);
        double area = Math.PI * diameter * diameter / 4;
        return String.format(Locale.ROOT, area < 1 ? "%.2f mm²" : "%.1f mm²", area);
    }

    private boolean isMetric() {
        return word.endsWith("mm2");
    }

    /** The word of the file format, like {@code 18AWG}. */
    public String word() {
        return word;
    }

    public double ohmsPerKilometre() {
        return ohmsPerKilometre;
    }

    /** What it may carry for long. */
    public double amps() {
        return amps;
    }

    /** The largest fuse or breaker that protects it where nothing else limits the current. */
    public double protectionAmps() {
        return protectionAmps;
    }

    public static Optional<ConductorSize> of(String word) {
        return Arrays.stream(values()).filter(s -> s.word.equals(word)).findFirst();
    }
}
