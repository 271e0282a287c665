package org.jagridge.core.meter;

import static org.testng.Assert.assertEquals;

import org.testng.annotations.Test;

/** Sheets of all kinds against {@link SheetTable}, to the letter. */
public class SheetTableTest {
    @Test
    public void eachSheetIsWhatWasRead() {
        assertEquals(SheetTable.written(), SheetTable.stored());
    }
}
