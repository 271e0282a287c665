/** What takes longer than a page may: worked out beside the page, with progress and a way to stop it. */
package org.jagridge.web.waiting;
