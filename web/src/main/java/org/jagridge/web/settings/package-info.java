/** What the user prefers: symbol set, ladder live or at rest, school of checking, paper, units. Kept in the database. */
package org.jagridge.web.settings;
