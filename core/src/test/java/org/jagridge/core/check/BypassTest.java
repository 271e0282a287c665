package org.jagridge.core.check;

import static org.testng.Assert.assertEquals;

import java.util.List;
import org.jagridge.core.Circuits;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.part.Assembly;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class BypassTest {
    @DataProvider
    public Object[][] links() {
        return new Object[][] {
            // at the thermostat nothing is gone around: the safeties come after W, Y and G
            {"seminar-room", "TH.RH", "TH.W", List.of()},
            {"lab-bench", "TH.R", "TH.G", List.of()},
            {"seminar-room", "LIM.1", "LIM.2", List.of("LIM")},
            {"seminar-room", "FC.LIM1", "FC.LIM2", List.of("LIM")},
            {"seminar-room", "PS.1", "PS.2", List.of("PS")},
            {"lab-bench", "F1.1", "F1.2", List.of("F1")},
            {"lab-bench", "T1.X1", "TH.R", List.of("F1")},
            // the limit is in series with the strips
            {"wardens-cottage", "HC.T1", "HTR.1", List.of("LIM")},
            {"wardens-cottage", "HTR.1", "HTR.2", List.of()},
            {"cold-store", "LR.CHAIN", "CC.A1", List.of("LPS", "HPS")},
            {"cold-store", "LPS.1", "LPS.2", List.of("LPS")}
        };
    }

    @Test(dataProvider = "links")
    public void aLinkGoesAroundTheSafetiesBetweenItsEnds(String demo, String a, String b, List<String> around) {
        Assembly assembly = Assembly.of(Circuits.demo(demo));
        assertEquals(Bypass.around(assembly, Terminal.parse(a), Terminal.parse(b)), around);
        assertEquals(Bypass.around(assembly, Terminal.parse(b), Terminal.parse(a)), around);
    }
}
