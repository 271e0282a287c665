package org.jagridge.benchmarks;

import java.util.Collection;
import org.openjdk.jmh.results.RunResult;
import org.openjdk.jmh.runner.Runner;
import org.openjdk.jmh.runner.RunnerException;
import org.openjdk.jmh.runner.options.OptionsBuilder;
import org.openjdk.jmh.runner.options.TimeValue;

/** Runs all benchmarks in one go and prints the figures that the design names, as ratios where it names ratios. */
public final class Ratios {
    private Ratios() {}

    public static void main(String[] args) throws RunnerException {
        Collection<RunResult> results = new Runner(new OptionsBuilder()
                        .include("org.jagridge.benchmarks.*")
                        .forks(1)
                        .warmupIterations(4)
                        .warmupTime(TimeValue.seconds(2))
                        .measurementIterations(5)
                        .measurementTime(TimeValue.seconds(2))
                        .build())
                .run();
        System.out.println();
        for (String nodes : new String[] {"120", "400"}) {
            double ours = score(results, "sparse", nodes);
            double library = score(results, "denseLibrary", nodes);
            System.out.printf(
                    "solver, %s nodes: %.1f us against %.0f us of the dense library: %.0f times%n",
                    nodes, ours, library, library / ours);
        }
        double step = score(results, "step", null);
        System.out.printf(
                "a step without telling: %.0f us; the call replayed: %.1f times that%n",
                1000 * step, score(results, "replayedCall", null) / step);
        double day = score(results, "oneDay", null);
        System.out.printf("24 h of the heat pump demo: %.1f ms%n", day);
        System.out.printf("48 h against 24 h: %.2f times%n", score(results, "twoDays", null) / day);
        System.out.printf(
                "fault table of the heat pump demo (each fault in 6 calls): %.0f ms%n",
                score(results, "faultTable", null));
        System.out.printf(
                "layout of 64 parts: ladder %.1f ms, connection diagram %.1f ms%n",
                score(results, "ladder", null), score(results, "connection", null));
    }

    private static double score(Collection<RunResult> results, String benchmark, String nodes) {
        return results.stream()
                .filter(r -> r.getParams().getBenchmark().endsWith("." + benchmark))
                .filter(r -> nodes == null || nodes.equals(r.getParams().getParam("nodes")))
                .findFirst()
                .orElseThrow()
                .getPrimaryResult()
                .getScore();
    }
}
