/** Circuits on their way out: files in open formats, and pages for paper. */
package org.jagridge.web.export;
