package org.jagridge.web.svg;

import java.util.List;
import org.jagridge.core.drawing.Continuations.Mark;
import org.jagridge.core.drawing.Sheets.Window;

/** A sheet of paper: a written drawing that shows only a window of itself, with marks where lines go on elsewhere. */
public final class PaperSheet {
    private PaperSheet() {}

    /**
     * @param marks where lines leave the window
     * @param first the number of the drawing's first sheet among all that are printed
     * @param number that of this one
     */
    public static String of(String drawing, Window w, List<Mark> marks, int first, int number) {
        String size = Svg.number(w.width()) + "\" height=\"" + Svg.number(w.height()) + "\"";
        String framed = drawing.replaceFirst(
                "viewBox=\"[^\"]*\" width=\"[^\"]*\" height=\"[^\"]*\"",
                "viewBox=\"" + Svg.number(w.x()) + " " + Svg.number(w.y()) + " " + Svg.number(w.width()) + " "
                        + Svg.number(w.height()) + "\" width=\"" + size);
        int begin = framed.indexOf('>') + 1;
        int end = framed.lastIndexOf("</svg>");
        Svg clip = new Svg();
        String id = "sheet-" + number;
        clip.open("clipPath", "id", id);
        clip.element("rect", "x", w.x(), "y", w.y(), "width", w.width(), "height", w.height());
        clip.close("clipPath").open("g", "clip-path", "url(#" + id + ")");
        return framed.substring(0, begin) + clip + framed.substring(begin, end) + "</g>" + write(marks, first)
                + framed.substring(end);
    }

    private static String write(List<Mark> marks, int first) {
        Svg svg = new Svg();
        svg.open("g", "class", "goes-on");
        for (Mark m : marks) {
            int sheet = first + m.sheet();
            switch (m.side()) {
                case LEFT -> svg.text(m.x() + 2, m.y() - 2, "◂" + sheet, "start", "t-goes-on");
                case RIGHT -> svg.text(m.x() - 2, m.y() - 2, sheet + "▸", "end", "t-goes-on");
                case TOP -> svg.text(m.x() + 2, m.y() + 8, "▴" + sheet, "start", "t-goes-on");
                case BOTTOM -> svg.text(m.x() + 2, m.y() - 3, "▾" + sheet, "start", "t-goes-on");
            }
        }
        return svg.close("g").toString();
    }
}
