package org.jagridge.web.sequence;

import org.jagridge.core.drawing.Timing;
import org.jagridge.core.run.Run;
import org.jagridge.core.trace.Lanes;
import org.jagridge.web.svg.TimingSvg;

/**
 * The timing chart of the page.
 *
 * @param closer address with a wider time axis, or null
 * @param farther address with a narrower one, or null
 * @param file address of the chart as an SVG file
 */
record ChartView(String names, String plot, String closer, String farther, String file) {
    private static final double NAMES = 128;
    private static final double PLOT = 690;
    private static final double LEAST_PER_INSTANT = 7;
    private static final int WIDEST = 64;

    static ChartView of(Ask ask, Run run, long cursor) {
        int zoom = scale(ask, run);
        Timing timing = timing(ask, run, cursor);
        return new ChartView(
                TimingSvg.names(timing, run, cursor),
                TimingSvg.plot(timing, run, cursor),
                zoom < WIDEST ? ask.zoomed(zoom * 2, cursor) : null,
                zoom > 1 ? ask.zoomed(zoom / 2, cursor) : null,
                ask.file(zoom, cursor));
    }

    static Timing timing(Ask ask, Run run, long cursor) {
        Lanes lanes = Lanes.withSupplies(run).only(ask.parts(run.circuit()));
        return Timing.of(run, lanes, new Timing.Wish(cursor, PLOT * scale(ask, run), NAMES, true));
    }

    /** As wide as asked, or else so that two changes can be told apart. */
    private static int scale(Ask ask, Run run) {
        if (ask.zoom() > 0) {
            return ask.zoom();
        }
        long instants =
                run.events().stream().mapToLong(e -> e.micros()).distinct().count();
        int scale = 1;
        while (scale < WIDEST && PLOT * scale < instants * LEAST_PER_INSTANT) {
            scale *= 2;
        }
        return scale;
    }
}
