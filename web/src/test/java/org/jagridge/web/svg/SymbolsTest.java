package org.jagridge.web.svg;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertNotEquals;

import java.util.HashMap;
import java.util.Map;
import org.jagridge.core.circuit.Terminal;
import org.jagridge.core.part.Branch;
import org.jagridge.core.part.Role;
import org.jagridge.core.part.Shape;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Symbols tell functions apart, and open from shut. */
public class SymbolsTest {
    @DataProvider
    public Object[][] sets() {
        return new Object[][] {{SymbolSet.NORTH_AMERICAN}, {SymbolSet.IEC}};
    }

    private static Branch branch(Shape shape, boolean restClosed) {
        Terminal a = new Terminal("X", "1");
        Terminal b = new Terminal("X", "2");
        return new Branch(0, "X", "1-2", 0, 1, a, b, Role.CONTACT, shape, restClosed);
    }

    @Test(dataProvider = "sets")
    public void eachFunctionHasItsOwnSymbol(SymbolSet set) {
        Map<String, Shape> known = new HashMap<>();
        for (Shape shape : Shape.values()) {
            // a branch without a symbol of its own is a plain box where it is drawn at all
            if (shape != Shape.NONE) {
                Shape other = known.put(set.atRest(branch(shape, shape != Shape.CONTACT_OPEN), 44), shape);
                assertEquals(other, null, shape + " looks like " + other);
            }
        }
    }

    @Test(dataProvider = "sets")
    public void aContactThatSomethingMovesShowsWhetherItIsShut(SymbolSet set) {
        for (Shape shape : Shape.values()) {
            if (shape.watches() || shape == Shape.THERMOSTAT || shape == Shape.SWITCH || shape == Shape.FUSE) {
                Branch b = branch(shape, true);
                assertNotEquals(set.of(b, 26, true, false), set.of(b, 26, false, false), shape.name());
            }
        }
    }
}
