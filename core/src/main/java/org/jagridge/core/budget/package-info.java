/** How long a piece of work may take, for whoever waits for it, and work on all cores. Every room of the core may ask. */
package org.jagridge.core.budget;
