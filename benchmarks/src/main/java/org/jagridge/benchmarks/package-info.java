/** JMH benchmarks. Start at {@link org.jagridge.benchmarks.Ratios}, which runs them and prints what is compared. */
package org.jagridge.benchmarks;
