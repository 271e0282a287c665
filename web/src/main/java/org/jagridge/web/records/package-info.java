/**
 * Check sheets made from a circuit, and the records that are kept of them: what was measured, by whom, with what, beside
 * what was to be expected. Readings are typed on a tablet or sent by a logging meter; each carries an id of its own from
 * where it was taken, so that one sent twice is stored once.
 *
 * <p>Start at {@link org.jagridge.web.records.SheetPlans} for what a sheet is made of, and at
 * {@link org.jagridge.web.records.RecordService} for how readings come in.
 */
package org.jagridge.web.records;
