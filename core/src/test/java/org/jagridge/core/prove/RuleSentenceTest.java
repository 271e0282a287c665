package org.jagridge.core.prove;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertNotNull;
import static org.testng.Assert.assertNull;
import static org.testng.Assert.assertTrue;

import org.jagridge.core.circuit.Circuit;
import org.jagridge.core.circuit.Rule.Claim;
import org.jagridge.core.format.CircuitReader;
import org.jagridge.core.format.CircuitWriter;
import org.jagridge.core.prove.Openings.Design;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Rules as people say them. */
public class RuleSentenceTest {
    private final Circuit circuit = Openings.of(3, 1, Design.SHUT);

    @DataProvider
    public Object[][] sentences() {
        return new Object[][] {
            {"Never H1 burning while V1 is not shut", "{all=[H1=burning, V1!=shut]}"},
            {
                "No H1 burning while any of V1, V2, V3 is not shut",
                "{all=[H1=burning, {any=[V1!=shut, V2!=shut, V3!=shut]}]}"
            },
            {"Never h1 burning while V1 or V2 is not shut", "{all=[H1=burning, {any=[V1!=shut, V2!=shut]}]}"},
            {"Always K1 in or H1 is off.", "{any=[K1=in, H1=off]}"},
            {"Never K1 runs and V1 is open", "{all=[{any=[K1=in, K1=chatter]}, V1=open]}"},
            {"Possible: H1 burning", "H1=burning"},
        };
    }

    @Test(dataProvider = "sentences")
    public void aSentenceSaysWhatTheFileWould(String sentence, String means) {
        RuleSentence.Reading r = RuleSentence.read(circuit, "r", sentence);
        assertNull(r.mistake(), String.valueOf(r.mistake()));
        assertEquals(r.rule().claim().conditions().get(0).tree().toString().replaceAll("\"", ""), means);
    }

    @Test
    public void timesAndOrder() {
        Claim.Within w = (Claim.Within) RuleSentence.read(circuit, "r", "Within 2 min after K1 is in H1 is burning")
                .rule()
                .claim();
        assertEquals(w.seconds(), 120.0);
        assertEquals(w.when().tree(), "K1=in");
        assertEquals(w.then().tree(), "H1=burning");
        Claim.Before b = (Claim.Before) RuleSentence.read(circuit, "r", "Before H1 is burning K1 is in")
                .rule()
                .claim();
        assertEquals(b.first().tree(), "K1=in");
        assertEquals(b.then().tree(), "H1=burning");
    }

    @Test
    public void aSentenceReadsTheSameOnceItHasGoneThroughTheFile() {
        for (Object[] row : sentences()) {
            Circuit.Builder b = circuit.toBuilder();
            b.rules().add(RuleSentence.read(circuit, "r", (String) row[0]).rule());
            Circuit written = b.build();
            assertEquals(CircuitReader.read(CircuitWriter.write(written)).rules(), written.rules());
        }
    }

    @DataProvider
    public Object[][] mistakes() {
        return new Object[][] {
            {"Sometimes H1 burning", "Sometimes", "begins with"},
            {"Never HTR1 burning while V1 is open", "HTR1", "no part HTR1"},
            {"Never H1 boiling while V1 is open", "boiling", "never \"boiling\""},
            {"Within soon after K1 is in H1 is burning", "soon", "a time was expected"},
            {"Within 30 s K1 is in H1 is burning", "K1", "\"after\""},
            {"Never H1 burning while V1 is open perhaps", "perhaps", "end here"},
            {"Never H1", "", "never"},
            {"", "", "begins with"},
        };
    }

    @Test(dataProvider = "mistakes")
    public void whatIsNotUnderstoodIsMarkedAtItsWord(String sentence, String word, String why) {
        RuleSentence.NotUnderstood m = RuleSentence.read(circuit, "r", sentence).mistake();
        assertNotNull(m);
        assertEquals(m.word(), word);
        assertTrue(sentence.startsWith(word, m.from()), "at " + m.from());
        assertTrue(m.why().contains(why), m.why());
    }
}
