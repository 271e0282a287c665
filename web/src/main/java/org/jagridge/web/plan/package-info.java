/** The wiring planner: boards side by side, the plans that hold, and the way from a plan to a bench. */
package org.jagridge.web.plan;
