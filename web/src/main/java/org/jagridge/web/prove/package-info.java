/** The proof of a circuit: its rules, what the search over all states says of each, and what each single fault does. */
package org.jagridge.web.prove;
