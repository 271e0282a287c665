/** The interlock planner: openings, heaters, and the plans that hold, each proved with every single fault. */
package org.jagridge.web.interlock;
