/**
 * The bench: a live circuit. A bench is a circuit revision and a list of actions; its state at a time is the run of
 * that list, so undo drops the last action, scrubbing asks for another time, and a link names the last action and the
 * time. Start at {@link org.jagridge.web.bench.BenchController}.
 */
package org.jagridge.web.bench;
