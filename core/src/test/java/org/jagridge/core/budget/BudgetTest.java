package org.jagridge.core.budget;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertThrows;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.util.List;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.stream.IntStream;
import org.jagridge.core.Families;
import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Scenario;
import org.jagridge.core.drawing.ConnectionLayout;
import org.jagridge.core.part.Assembly;
import org.jagridge.core.run.Simulation;
import org.testng.annotations.Test;

/** Work that takes too long, or that nobody wants any more, ends; other work doesn't notice. */
public class BudgetTest {
    private final Circuit circuit = Families.of(Families.Kind.RELAYS, 30, 1);

    @Test
    public void withoutABudgetWorkTakesItsTime() {
        Budget.check();
        Budget.ofSeconds(60).run(Budget::check);
    }

    @Test
    public void aRunAndALayoutEndWithTheirTime() {
        Budget none = Budget.ofSeconds(0);
        Assembly assembly = Assembly.of(circuit);
        OverBudgetException e = expectThrows(
                OverBudgetException.class, () -> none.run(() -> Simulation.run(assembly, Scenario.quiet(60))));
        assertEquals(e.getMessage(), "not worked out within 0 s");
        assertThrows(OverBudgetException.class, () -> none.run(() -> ConnectionLayout.of(assembly)));
        assertTrue(Simulation.run(assembly, Scenario.quiet(60)).until() > 0, "who has time isn't stopped");
    }

    @Test
    public void workThatIsNotWantedEnds() {
        AtomicBoolean unwanted = new AtomicBoolean();
        Budget budget = Budget.ofSeconds(60, unwanted::get);
        budget.run(Budget::check);
        unwanted.set(true);
        assertThrows(OverBudgetException.class, () -> budget.run(Budget::check));
    }

    @Test
    public void whatWasThereBeforeGoesOnAfterwards() {
        Budget.ofSeconds(60).run(() -> {
            Budget outer = Budget.current();
            assertThrows(OverBudgetException.class, () -> Budget.ofSeconds(0).run(Budget::check));
            assertEquals(Budget.current(), outer);
        });
    }

    @Test
    public void workOnOtherThreadsCountsAgainstTheSame() {
        Budget.ofSeconds(60).run(() -> {
            Budget mine = Budget.current();
            List<Boolean> same = IntStream.range(0, 64).boxed().toList().parallelStream()
                    .map(Budget.shared((Integer i) -> Budget.current() == mine))
                    .toList();
            assertTrue(same.stream().allMatch(b -> b), same.toString());
        });
    }
}
