/** The selectors: a small page each, with the formula and the numbers in it, and the trial one click away. */
package org.jagridge.web.select;
