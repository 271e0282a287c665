/** The folder that holds everything: opened, upgraded, backed up, restored; and what is said where that can't be. */
package org.jagridge.web.data;
