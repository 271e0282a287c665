package org.jagridge.web.bench;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import com.microsoft.playwright.Page;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import org.jagridge.web.BrowserTest;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What acts leave on a drawing is what a page that comes fresh shows of the same state. */
public class MarkedTest extends BrowserTest {
    /** Everything that is drawn, each piece with its classes, its words and its state. */
    private static final String DRAWN = """
            () => [...document.querySelectorAll(".ladder > *, .connection > *")].map((e) => {
              const title = e.querySelector(":scope > title");
              const css = [...e.classList].filter((c) => !["pulse", "lit", "pinned"].includes(c)).sort().join(" ");
              return [css, title ? title.textContent : "", e.dataset.signal || "", e.querySelector(".left") ? e.querySelector(".left").outerHTML : ""].join("|");
            })""";

    private BenchPage open(String slug) {
        page().navigate(url("/circuits/" + copy(slug, "Marked " + slug) + "/bench"));
        BenchPage bench = new BenchPage(page());
        bench.settled();
        return bench;
    }

    private static List<?> drawn(Page page) {
        return (List<?>) page.evaluate(DRAWN);
    }

    @DataProvider
    public Object[] circuits() {
        return new Object[] {"lab-bench", "propagation-house"};
    }

    @Test(dataProvider = "circuits")
    public void whatIsMarkedAfterAnActIsWhatAFreshPageShows(String slug) {
        BenchPage bench = open(slug);
        Page page = bench.page();
        List<?> before = drawn(page);
        bench.toggle("M.on").click();
        assertThat(bench.toggle("M.on")).hasAttribute("aria-checked", "false");
        bench.settled();
        List<?> acted = drawn(page);
        page.reload();
        bench.settled();
        List<?> fresh = drawn(page);
        Set<Object> missing = new HashSet<>(fresh);
        acted.forEach(missing::remove);
        assertEquals(missing, Set.of(), slug);
        assertEquals(acted, fresh, slug);
        long changed = IntStream.range(0, before.size())
                .filter(i -> !before.get(i).equals(acted.get(i)))
                .count();
        assertTrue(changed > before.size() / 10, changed + " of " + before.size());
    }

    @Test
    public void whatChangesItsStateLightsUpForAMoment() {
        BenchPage bench = open("lab-bench");
        bench.choose("TH.fan", "on");
        assertThat(bench.box("K1")).hasAttribute("data-signal", "in");
        assertThat(bench.box("K1")).hasClass(Pattern.compile("\\bpulse\\b"));
        assertThat(bench.box("K2")).not().hasClass(Pattern.compile("\\bpulse\\b"));
        assertThat(bench.box("K1")).not().hasClass(Pattern.compile("\\bpulse\\b"));
        assertThat(bench.page().locator(".pulse")).hasCount(0);
    }
}
