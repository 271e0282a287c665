package org.jagridge.web.bench;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.net.http.HttpResponse;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jagridge.web.WebTest;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Acts at a bench without a browser: what is refused and why, and what goes along to a changed circuit. */
public class BenchActsTest extends WebTest {
    private static final Pattern STATE = Pattern.compile("id=\"now\"[^>]*");
    private static final Pattern ADDRESS = Pattern.compile("/bench/(\\d+)\\?s=(\\d+)&t=([\\d.]+)");

    /** A bench in a state, as its page says it. */
    private record At(String bench, String state, String seconds, String body) {
        String act(String what) {
            return "/bench/" + bench + "/" + what + "?s=" + state + "&t=" + seconds;
        }
    }

    private At open(String slug) {
        String location = get("/circuits/" + slug + "/bench")
                .headers()
                .firstValue("Location")
                .orElseThrow();
        Matcher m = ADDRESS.matcher(location);
        assertTrue(m.find(), location);
        return new At(
                m.group(1),
                m.group(2),
                m.group(3),
                get(location.substring(m.start())).body());
    }

    private At done(At at, String what, String... fields) {
        HttpResponse<String> answer = submit(at.act(what), fields);
        assertEquals(answer.statusCode(), 200, answer.body());
        Matcher m = STATE.matcher(answer.body());
        assertTrue(m.find(), answer.body());
        return new At(at.bench(), value(m.group(), "data-state"), value(m.group(), "data-seconds"), answer.body());
    }

    private static String value(String tag, String name) {
        Matcher m = Pattern.compile(name + "=\"([^\"]*)\"").matcher(tag);
        assertTrue(m.find(), tag);
        return m.group(1);
    }

    private static String[] put(String act, String one, String other) {
        return new String[] {"act", act, "one", one, "other", other, "reason", ""};
    }

    @DataProvider
    public Object[][] refused() {
        return new Object[][] {
            {"put", "Hands can link, lift, take off, move and twist, not &quot;pull&quot;", put("pull", "TH.R", "TH.G")
            },
            {"put", "A link needs two terminals", put("link", "TH.R", "TH.R")},
            {"put", "There is no terminal &quot;TH.Q&quot; to link", put("link", "TH.Q", "TH.R")},
            {"put", "There is no wire &quot;w999&quot; to take off", put("lift", "w999", "")},
            {"put", "Which end of w14? Write &quot;w14 XT.3&quot; or &quot;w14 K1.A1&quot;", put("lift", "w14", "")},
            {"put", "w14 doesn&#39;t end at TH.G: it goes from XT.3 to K1.A1", put("lift", "w14 TH.G", "")},
            {"put", "No wire is under K1.22", put("lift", "K1.22", "")},
            {"put", "w11 and w14 are under XT.3. Write which one, like &quot;w11 XT.3&quot;", put("lift", "XT.3", "")},
            {"put", "w14 is at K1.A1 already", put("move", "w14 XT.3", "K1.A1")},
            {
                "put",
                "Twisting needs different wires; two of these ends are of w14",
                put("twist", "w14 XT.3", "w14 K1.A1")
            },
            {"set", "is not one of auto, on, circulate", new String[] {"key", "TH.fan", "value", "sideways"}},
            {"set", "There is no", new String[] {"key", "TH.turbo", "value", "on"}},
            {"set", "&quot;warm&quot; is not a number", new String[] {"key", "TH.heatSetCelsius", "value", "warm"}},
            {"fault", "There is no fault number 99999", new String[] {"fault", "99999"}},
            {"clear", "That is not there now", new String[] {"action", "4711"}},
            {"meter", "The meter has no range &quot;psi&quot;", meter("psi", "TH.R", "")},
            {"meter", "There is no terminal &quot;R&quot; in this circuit", meter("ac-volts", "R", "")},
            {"meter", "There is no terminal &quot;~w14.9&quot;", meter("ac-volts", "~w14.9", "")},
            {"meter", "There is no wire &quot;w999&quot; to clamp", meter("amps", "TH.R", "w999")},
        };
    }

    private static String[] meter(String mode, String plus, String wire) {
        return new String[] {"mode", mode, "plus", plus, "minus", "TH.C", "wire", wire, "turns", "1"};
    }

    @Test(dataProvider = "refused")
    public void whatCantBeDoneIsSaidAndNothingIsDone(String what, String words, String[] fields) {
        At at = open("lab-bench");
        HttpResponse<String> answer = submit(at.act(what), fields);
        assertTrue(answer.body().contains(words), answer.statusCode() + " " + words + " not in " + notice(answer));
        assertEquals(open("lab-bench").state(), at.state());
    }

    private static String notice(HttpResponse<String> answer) {
        Matcher m = Pattern.compile("id=\"notice\"[^>]*>[^<]*").matcher(answer.body());
        return m.find() ? m.group() : answer.body();
    }

    /** What still fits goes along, what was mended stays mended, and what no longer fits is named. */
    @Test
    public void faultsLinksAndLiftedWiresGoAlongToAChangedCircuitWhereTheyFit() {
        String slug = copy("lab-bench", "Goes along");
        At opened = open(slug);
        At at = opened;
        at = done(at, "put", "act", "link", "one", "TH.R", "other", "TH.Y", "reason", "does it cool");
        at = done(at, "put", put("lift", "w14 K1.A1", ""));
        at = done(at, "put", put("lift", "w11 TH.G", ""));
        at = done(at, "put", "act", "link", "one", "w14 K1.A1", "other", "K2.A1", "reason", "");
        at = done(at, "fault", "fault", fault(opened, "coil open K2"));
        at = done(at, "fault", "fault", fault(opened, "coil open K1"));
        at = done(at, "set", "key", "TH.fan", "value", "on");
        // the one at K2 is mended again
        Matcher mend = Pattern.compile("coil open K2</span>\\s*<button[^>]*action&quot;: &quot;(\\d+)&quot;")
                .matcher(at.body());
        assertTrue(mend.find());
        at = done(at, "clear", "action", mend.group(1));
        done(at, "meter", meter("ac-volts", "~w14.2", ""));

        submit("/circuits/" + slug + "/edit/remove-wire", "base", "1", "old", "w11");
        submit("/circuits/" + slug + "/edit/remove-part", "base", "2", "old", "K3");
        String body = open(slug).body();
        assertTrue(body.contains("link TH.R to TH.Y") && body.contains("does it cool"), "the link");
        assertTrue(body.contains("w14 lifted off K1.A1"), "the lifted wire");
        assertTrue(body.contains("link the bare end of w14 to K2.A1"), "the link on the bare end");
        assertTrue(body.contains("coil open K1</span>"), "the fault");
        assertFalse(body.contains("coil open K2</span>"), "what was mended");
        assertTrue(body.contains("value=\"w14 K1.A1\""), "the lead on the bare end");
        Matcher left =
                Pattern.compile("id=\"left-out\".*?</div>", Pattern.DOTALL).matcher(body);
        assertTrue(left.find(), "says what was left out");
        assertTrue(left.group().contains("there is no wire w11"), left.group());
    }

    private static String fault(At at, String words) {
        Matcher m =
                Pattern.compile("\"index\":(\\d+),\"words\":\"" + words + "\"").matcher(at.body());
        assertTrue(m.find(), words);
        return m.group(1);
    }

    /** What hands did is known to whoever walks: only what a fault makes otherwise is unexpected. */
    @Test
    public void aWalkExpectsWhatHandsHaveDoneAndNotTheFault() {
        At opened = open(copy("lab-bench", "Walks"));
        At at = done(opened, "put", put("link", "TH.R", "TH.G"));
        at = done(at, "fault", "fault", fault(opened, "coil open K6"));
        assertTrue(stop(at, "K1:A1-A2", "K1.A1").matches("expect 2[56]\\.\\d+ V, off false"), "by the link");
        assertTrue(stop(at, "LP6:1-2", "LP6.1").matches("expect 2[56]\\.\\d+ V, off true"), "not by the fault");
    }

    private String stop(At at, String load, String terminal) {
        String walk = get(at.act("walk") + "&load=" + load).body();
        Matcher m = Pattern.compile("\\{\"terminal\":\"" + terminal + "\".*?\"expected\":\"(.*?)\",\"off\":(\\w+)\\}")
                .matcher(walk);
        assertTrue(m.find(), walk);
        return "expect " + m.group(1) + ", off " + m.group(2);
    }

    /** Whoever goes back in time and does something else sets aside what came later; the leads stay, undo brings it back. */
    @Test
    public void whatIsDoneAtAnEarlierTimeSetsLaterActsAside() {
        At at = open(copy("lab-bench", "Back in time"));
        at = done(at, "set", "key", "TH.fan", "value", "on");
        At later = done(
                new At(at.bench(), at.state(), "60", ""),
                "put",
                "act",
                "link",
                "one",
                "TH.R",
                "other",
                "TH.W",
                "reason",
                "heat");
        later = done(later, "meter", meter("dc-volts", "K1.A1", ""));
        assertTrue(later.body().contains("link TH.R to TH.W"));
        At other = done(new At(at.bench(), later.state(), "30", ""), "set", "key", "TH.fan", "value", "auto");
        assertTrue(
                other.body().matches("(?s).*elsewhere.{0,200}link TH.R to TH.W.*"),
                "the link came later, so it isn't in this state; but it is still there");
        assertTrue(other.body().contains("value=\"K1.A1\""), "the lead stays");
        At undone = done(other, "undo");
        assertTrue(undone.body().contains("link TH.R to TH.W"), "undo brings it back");
    }

    private static final String LEFT = "link TH.R to TH.W";

    private boolean isLeft(String slug) {
        return get("/circuits/" + slug + "/print").body().contains(LEFT);
    }

    /** Two tabs on one bench: what the older one does leads the bench elsewhere, but the newer one's link is still there. */
    @Test
    public void anOlderTabDropsNoLinkOfANewerOneFromTheHandOverList() {
        String slug = copy("lab-bench", "Two tabs");
        At older = open(slug);
        At newer = done(older, "put", put("link", "TH.R", "TH.W"));
        assertTrue(newer.body().contains(LEFT));
        At acted = done(older, "set", "key", "TH.fan", "value", "on");
        assertTrue(acted.body().contains(LEFT), "an act of the older tab");
        assertTrue(isLeft(slug));
        At undone = done(acted, "undo");
        assertTrue(undone.body().contains(LEFT), "an undo of the older tab");
        assertTrue(isLeft(slug));
        // the tab that put it in takes it out
        String action = newer.body().replaceAll("(?s).*/clear\" hx-vals=\"\\{&quot;action&quot;: &quot;(\\d+).*", "$1");
        done(newer, "clear", "action", action);
        assertFalse(isLeft(slug));
    }

    @Test
    public void somebodySaysThatALinkOfAnotherBranchIsOut() {
        String slug = copy("lab-bench", "Said to be out");
        At older = open(slug);
        At newer = done(older, "put", put("link", "TH.R", "TH.W"));
        At acted = done(older, "set", "key", "TH.fan", "value", "on");
        String action =
                acted.body().replaceAll("(?s).*/taken-out\" hx-vals=\"\\{&quot;action&quot;: &quot;(\\d+).*", "$1");
        HttpResponse<String> no = submit(acted.act("taken-out"), "action", "999999");
        assertEquals(no.statusCode(), 400, no.body());
        At said = done(acted, "taken-out", "action", action);
        assertFalse(said.body().contains(LEFT), "said to be out");
        assertFalse(isLeft(slug));
        // who goes on from where it is in has it in
        At goesOn = done(newer, "set", "key", "TH.fan", "value", "on");
        assertTrue(goesOn.body().contains(LEFT));
        assertTrue(isLeft(slug));
    }

    @Test
    public void whatIsUndoneWhereItWasDoneIsNotLeft() {
        String slug = copy("lab-bench", "Undone at once");
        At at = done(open(slug), "put", put("link", "TH.R", "TH.W"));
        assertTrue(isLeft(slug));
        At undone = done(at, "undo");
        assertFalse(undone.body().contains(LEFT));
        assertFalse(isLeft(slug));
        // and what was taken out is in again where that is undone
        At cleared = done(at, "all-back");
        assertFalse(isLeft(slug));
        done(cleared, "undo");
        assertTrue(isLeft(slug));
    }

    @Test
    public void aLinkIsLeftOnceThoughTheCircuitWasChangedMeanwhile() {
        String slug = copy("lab-bench", "Left and changed");
        At old = done(open(slug), "put", put("link", "TH.R", "TH.W"));
        submit("/circuits/" + slug + "/edit/name", "base", "1", "name", "Changed");
        At taken = open(slug);
        assertFalse(taken.bench().equals(old.bench()));
        assertTrue(taken.body().contains(LEFT));
        assertFalse(taken.body().contains("elsewhere"), "the old bench's was carried over");
        At other = done(old, "put", put("lift", "K1.A1", ""));
        assertTrue(open(slug).body().contains("elsewhere"), other.bench() + " is an older tab's");
    }

    @Test
    public void aReasonHasItsLength() {
        At at = open(copy("lab-bench", "A long reason"));
        HttpResponse<String> answer =
                submit(at.act("put"), "act", "link", "one", "TH.R", "other", "TH.W", "reason", "why ".repeat(1300));
        assertEquals(answer.statusCode(), 400, answer.body());
        assertTrue(answer.body().contains("there is room for 200"), notice(answer));
        assertEquals(
                submit("/circuits/new", "name", "n".repeat(201), "pattern", "").statusCode(), 400);
    }

    @Test
    public void nothingCanBePushedThatIsNoButton() {
        At at = open(copy("lab-bench", "No button"));
        HttpResponse<String> answer = submit(at.act("push"), "key", "TH.fan");
        assertEquals(answer.statusCode(), 400, answer.body());
        assertTrue(answer.body().contains("is nothing to push"), notice(answer));
    }

    @Test
    public void aBenchDoesNotRunForMoreThanAWeek() {
        At at = open(copy("lab-bench", "A long week"));
        HttpResponse<String> answer =
                submit(new At(at.bench(), at.state(), "604800", "").act("set"), "key", "TH.fan", "value", "on");
        assertTrue(answer.body().contains("This bench has run for a week. Start a fresh one."), notice(answer));
        HttpResponse<String> nothing = submit(at.act("undo"));
        assertTrue(nothing.body().contains("Nothing has been done at this bench yet."), notice(nothing));
    }

    @Test
    public void whereLineVoltageStandsHandsAreWarned() {
        At at = open(copy("lab-bench", "Live hands"));
        String warning = "Line voltage: off and proved dead before hands go in.";
        assertFalse(done(at, "put", put("lift", "w14 K1.A1", "")).body().contains(warning), "24 V");
        At lifted = done(at, "put", put("lift", "w1 M.L1", ""));
        assertTrue(lifted.body().contains(warning), "the bare end of the feed");
        assertTrue(done(at, "put", put("lift", "w1 CB1.1", "")).body().contains(warning), "the wire from the supply");
        At linked = done(at, "put", "act", "link", "one", "M.L2", "other", "CB1.3", "reason", "does it come in");
        assertTrue(linked.body().contains(warning), "both terminals");
        At off = done(lifted, "set", "key", "M.on", "value", "false");
        assertFalse(off.body().contains(warning), "switched off");
    }
}
