package org.jagridge.core.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.NodeGroups;
import org.jagridge.core.part.Rating;
import org.jagridge.core.part.Role;
import org.jagridge.core.run.Frame;

/** What each transformer gives in each call, as it was run: sealed, at the worst instant, and at the farthest coil. */
final class BudgetMeter {
    /** A coil pulls in from here on, as a share of its volts. */
    private static final double PULLS_IN = 0.78;

    private final Assembly assembly;
    private final List<Branch> secondaries;
    private final List<Branch> coils;
    private final Map<String, Row> rows = new LinkedHashMap<>();
    /** What hangs together by anything but a bond to earth. */
    private final NodeGroups islands;

    private String call = "";

    private static final class Row {
        double sealed;
        double inrush;
        double leastVolts = Double.MAX_VALUE;
        double farVolts = Double.MAX_VALUE;
        double sealedVolts;
        String farthest = "";
    }

    BudgetMeter(Assembly assembly) {
        this.assembly = assembly;
        secondaries = assembly.branches().stream()
                .filter(b -> b.role() == Role.SECONDARY)
                .toList();
        coils = assembly.branches().stream()
                .filter(b -> b.role() == Role.COIL && b.isDrawn())
                .toList();
        islands = NodeGroups.of(assembly, b -> b.role() != Role.EARTHING);
    }

    /** What follows belongs to this call. */
    void during(String name) {
        call = name;
    }

    /** A call begins, or the mains come back under one: armatures are open. */
    void begins(String name, Frame frame) {
        during(name);
        passes(frame);
    }

    void passes(Frame frame) {
        for (Branch s : secondaries) {
            double va = frame.amps(s) * rating(s).secondaryVolts();
            Row row = row(s);
            if (va > row.inrush) {
                row.inrush = va;
                row.leastVolts = Math.min(row.leastVolts, frame.volts(s));
            }
        }
    }

    void settles(String name, Frame frame) {
        during(name);
        for (Branch s : secondaries) {
            Row row = row(s);
            row.sealed = frame.amps(s) * rating(s).secondaryVolts();
            row.sealedVolts = frame.volts(s);
        }
        for (Branch coil : coils) {
            double volts = frame.volts(coil);
            Branch s = secondaries.stream()
                    .filter(x -> islands.together(x.nodeA(), coil.nodeA()))
                    .max(Comparator.comparingDouble(frame::amps))
                    .orElse(null);
            if (s != null && volts > PULLS_IN * rating(s).secondaryVolts() / 2) {
                Row row = row(s);
                if (volts < row.farVolts) {
                    row.farVolts = volts;
                    row.farthest = coil.a().toString();
                }
            }
        }
    }

    private Rating rating(Branch s) {
        return assembly.member(s.owner()).orElseThrow().rating();
    }

    private Row row(Branch s) {
        return rows.computeIfAbsent(s.owner() + " " + call, k -> new Row());
    }

    List<WiringPlan.Budget> rows() {
        List<WiringPlan.Budget> list = new ArrayList<>();
        rows.forEach((key, row) -> {
            String owner = key.substring(0, key.indexOf(' '));
            String name = key.substring(key.indexOf(' ') + 1);
            Branch s = secondaries.stream()
                    .filter(b -> b.owner().equals(owner))
                    .findFirst()
                    .orElseThrow();
            Rating rating = rating(s);
            if (row.sealed < 0.5 && row.farthest.isEmpty()) {
                return;
            }
            double least = row.leastVolts == Double.MAX_VALUE ? row.sealedVolts : row.leastVolts;
            boolean overloaded = row.sealed > rating.voltAmperes();
            boolean sags = least < PULLS_IN * rating.secondaryVolts();
            double amps = row.sealed / rating.secondaryVolts();
            String working = String.format(
                    Locale.ROOT,
                    "%.2f A × %.0f V = %.1f VA of %.0f VA; at the worst instant %.1f VA leave %.1f V (coils pull in from %.1f V)",
                    amps,
                    rating.secondaryVolts(),
                    row.sealed,
                    rating.voltAmperes(),
                    row.inrush,
                    least,
                    PULLS_IN * rating.secondaryVolts());
            list.add(new WiringPlan.Budget(
                    owner,
                    rating.voltAmperes(),
                    name,
                    row.sealed,
                    row.inrush,
                    row.farthest,
                    row.farVolts == Double.MAX_VALUE ? row.sealedVolts : row.farVolts,
                    least,
                    overloaded || sags,
                    working));
        });
        return list;
    }
}
