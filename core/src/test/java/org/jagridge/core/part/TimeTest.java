package org.jagridge.core.part;

import static org.testng.Assert.assertEquals;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Times as clocks show them and as people say them. */
public class TimeTest {
    @DataProvider
    public Object[][] clocks() {
        return new Object[][] {
            {0L, 0, 6, "0:00"},
            {0L, 3, 3, "0:00.000"},
            {15_000L, 3, 3, "0:00.015"},
            {43_000_000L, 3, 3, "0:43.000"},
            {9_500_000L, 0, 6, "0:09.5"},
            {10_000_001L, 0, 6, "0:10.000001"},
            {59_999_600L, 3, 3, "1:00.000"},
            {60_000_000L, 0, 0, "1:00"},
            {3_599_000_000L, 0, 0, "59:59"},
            {3_600_000_000L, 0, 6, "1:00:00"},
            {3_661_250_000L, 0, 3, "1:01:01.25"},
            {90_000_000_000L, 0, 0, "25:00:00"},
        };
    }

    @Test(dataProvider = "clocks")
    public void anInstantIsShownWithAsManyDecimalsAsAskedFor(long micros, int least, int most, String shown) {
        assertEquals(Time.clock(micros, least, most), shown);
    }

    @DataProvider
    public Object[][] spans() {
        return new Object[][] {
            {15_000L, "15 ms"},
            {3_500_000L, "3.5 s"},
            {119_000_000L, "119 s"},
            {300_000_000L, "5 min"},
            {330_000_000L, "5 min 30 s"},
            {5_400_000_000L, "1 h 30 min"},
            {7_200_000_000L, "2 h"},
        };
    }

    @Test(dataProvider = "spans")
    public void aSpanIsSaidAsPeopleSayIt(long micros, String words) {
        assertEquals(Time.words(micros), words);
    }

    @Test
    public void secondsBecomeMicrosecondsThatHaveSurelyPassed() {
        assertEquals(Time.micros(1.5), 1_500_000L);
        assertEquals(Time.micros(0.1 + 0.2), 300_000L);
        assertEquals(Time.micros(1.0000001), 1_000_001L);
        assertEquals(Time.seconds(1_500_000L), 1.5, 0);
    }
}
