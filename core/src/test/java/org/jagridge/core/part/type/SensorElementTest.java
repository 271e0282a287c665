package org.jagridge.core.part.type;

import static org.testng.Assert.assertEquals;

import org.testng.annotations.Test;

public class SensorElementTest {
    @Test
    public void theSensorCurveGivesTenKilohmAtTwentyFiveDegrees() {
        assertEquals(SensorElement.ohms(25, 3977), 10_000, 1e-6);
        assertEquals(SensorElement.ohms(0, 3977), 33_900, 200);
    }
}
