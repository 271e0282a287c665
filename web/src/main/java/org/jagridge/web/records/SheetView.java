package org.jagridge.web.records;

import java.util.ArrayList;
import java.util.List;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Place;
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

    /** @param place where one stands; empty where it is the section before's */
    record Section(String place, String title, List<Line> lines, List<String> notes) {}

    /**
     * @param number from 1 through the whole sheet
     * @param red where the red lead goes, or the wire in the clamp
     * @param range what is right, like "25.3 to 27.4"
     */
    record Line(
            int number,
            String key,
            String what,
            String dial,
            String red,
            String black,
            String expected,
            String range,
            String unit) {}

    static SheetView of(KeptSheet kept, Circuit circuit) {
        List<Section> sections = new ArrayList<>();
        int number = 0;
        String before = "";
        for (CheckSheet.Section s : kept.sheet().sections()) {
            List<Line> lines = new ArrayList<>();
            for (CheckSheet.Line l : s.lines()) {
                lines.add(line(++number, l, circuit));
            }
            String place = circuit.place(s.place()).map(Place::name).orElse(s.place());
            sections.add(new Section(place.equals(before) ? "" : place, s.circuit(), lines, s.notes()));
            before = place;
        }
        return new SheetView(kept.scenario(), kept.load(), Clock.of(kept.micros()), sections);
    }

    private static Line line(int number, CheckSheet.Line l, Circuit circuit) {
        Request r = l.request();
        boolean clamp = r.mode().clamps();
        return new Line(
                number,
                l.key(),
                circuit.withMarks(l.what()),
                r.mode().title(),
                circuit.withMarks(
                        clamp ? "clamp " + wire(r.wire(), circuit) : r.plus().toString()),
                clamp ? "" : circuit.withMarks(r.minus().toString()),
                Numbers.threeFigures(l.expected()),
                Numbers.threeFigures(l.low()) + " to " + Numbers.threeFigures(l.high()),
                l.unit());
    }

    private static String wire(String id, Circuit circuit) {
        Wire w = circuit.wire(id).orElseThrow();
        String colour = circuit.colourOf(w);
        return id + (colour == null ? "" : ", " + colour) + ", " + w.from() + " to " + w.to();
    }
}
