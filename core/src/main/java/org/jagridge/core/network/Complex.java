package org.jagridge.core.network;

/** A complex number: a phasor (RMS, reference 0°), an impedance or an admittance. */
public record Complex(double re, double im) {
    public static final Complex ZERO = new Complex(0, 0);

    public static Complex real(double re) {
        return new Complex(re, 0);
    }

    /** Magnitude and angle in degrees. */
    public static Complex polar(double magnitude, double degrees) {
        double rad = Math.toRadians(degrees);
        return new Complex(magnitude * Math.cos(rad), magnitude * Math.sin(rad));
    }

    /**
     * An inductive impedance of {@code ohms} magnitude at the power factor {@code pf} (cos φ): R = |Z|·pf,
     * X = |Z|·√(1 − pf²). Example: a coil of 6 VA at 24 V and 0.6 has |Z| = 24²/6 = 96 Ω = 57.6 + j76.8 Ω.
     */
    public static Complex impedance(double ohms, double pf) {
        return new Complex(ohms * pf, ohms * Math.sqrt(Math.max(0, 1 - pf * pf)));
    }

    /**
     * √(x² + y²), also for RMS values of different frequencies. Volts, amps and ohms are far from where the squares would
     * overflow, and the library's careful function takes ten times as long.
     */
    public static double length(double x, double y) {
        return y == 0 ? Math.abs(x) : Math.sqrt(x * x + y * y);
    }

    public double abs() {
        return length(re, im);
    }

    public Complex plus(Complex o) {
        return new Complex(re + o.re, im + o.im);
    }

    public Complex minus(Complex o) {
        return new Complex(re - o.re, im - o.im);
    }

    public Complex times(Complex o) {
        return new Complex(re * o.re - im * o.im, re * o.im + im * o.re);
    }

    public Complex times(double k) {
        return new Complex(re * k, im * k);
    }

    public Complex over(Complex o) {
        double d = o.re * o.re + o.im * o.im;
        return new Complex((re * o.re + im * o.im) / d, (im * o.re - re * o.im) / d);
    }

    public Complex conjugate() {
        return new Complex(re, -im);
    }

    /** 1/z: an admittance from an impedance and back. */
    public Complex inverse() {
        double d = re * re + im * im;
        return new Complex(re / d, -im / d);
    }
}
