package org.jagridge.web.config;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.util.List;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.test.context.testng.AbstractTestNGSpringContextTests;
import org.testng.annotations.Test;

/** An application that has just started asks for its own slowest pages. */
@SpringBootTest(
        webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT,
        properties = "spring.datasource.url=jdbc:h2:mem:warm;DB_CLOSE_DELAY=-1")
public class WarmUpTest extends AbstractTestNGSpringContextTests {
    @Autowired
    private WarmUp warmUp;

    @Test
    public void thePagesAreThere() throws Exception {
        List<Integer> answers = warmUp.answers().get(60, TimeUnit.SECONDS);
        assertEquals(Set.copyOf(answers), Set.of(200));
        // the pages of a circuit, and a bench at many instants
        assertTrue(answers.size() > 20, answers.toString());
    }
}
