/** Drawings that a page fetches after itself. */
package org.jagridge.web.drawings;
