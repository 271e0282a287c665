package org.jagridge.web.records;

import java.util.ArrayList;
import java.util.List;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Place;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.circuit.Wire;
import org.jagridge.core.meter.CheckSheet;
import org.jagridge.core.meter.Request;
import org.jagridge.core.part.Numbers;
import org.jagridge.web.svg.Clock;

/**
 * A check sheet as page and paper show it.
 *
 * @param at the instant of the call that it is for
 */
record SheetView(String scenario, String load, String at, List<Section> sections) {

    record Section(String title, List<Line> lines) {}

    /**
     * @param number from 1 through the whole sheet
     * @param where the place that one stands at; empty where it is the line before's
     * @param red where the red lead goes, or the wire in the clamp
     * @param range what is right, like "25.3 to 27.4"
     */
    record Line(
            int number,
            String key,
            String where,
            String what,
            String dial,
            String red,
            String black,
            String expected,
            String range,
            String unit,
            String otherwise) {}

    static SheetView of(SheetPlans.Plan plan) {
        Circuit circuit = plan.run().circuit();
        List<Section> sections = new ArrayList<>();
        int number = 0;
        String before = "";
        for (CheckSheet.Section s : plan.sheet().sections()) {
            List<Line> lines = new ArrayList<>();
            for (CheckSheet.Line l : s.lines()) {
                String where = where(l, circuit);
                lines.add(line(++number, l, where.equals(before) ? "" : where, circuit));
                before = where;
            }
            sections.add(new Section(s.title(), lines));
        }
        return new SheetView(plan.scenario(), plan.load().title().replace('-', '–'), Clock.of(plan.at()), sections);
    }

    private static Line line(int number, CheckSheet.Line l, String where, Circuit circuit) {
        Request r = l.request();
        boolean clamp = r.mode().clamps();
        return new Line(
                number,
                l.key(),
                where,
                l.what(),
                r.mode().title(),
                clamp ? "clamp " + wire(r.wire(), circuit) : r.plus().toString(),
                clamp ? "" : r.minus().toString(),
                Numbers.threeFigures(l.expected()),
                Numbers.threeFigures(l.low()) + " to " + Numbers.threeFigures(l.high()),
                l.unit(),
                l.otherwise());
    }

    private static String wire(String id, Circuit circuit) {
        Wire w = circuit.wire(id).orElseThrow();
        String colour = circuit.colourOf(w);
        return id + (colour == null ? "" : ", " + colour) + ", " + w.from() + " to " + w.to();
    }

    /** The place of the terminal that the line is about. */
    private static String where(CheckSheet.Line l, Circuit circuit) {
        Request r = l.request();
        Terminal at = r.mode().clamps()
                ? circuit.wire(r.wire()).orElseThrow().to()
                : l.what().equals(r.minus().toString()) ? r.minus() : r.plus();
        return circuit.part(at.part())
                .flatMap(p -> circuit.place(p.place()))
                .map(Place::name)
                .orElse("");
    }
}
