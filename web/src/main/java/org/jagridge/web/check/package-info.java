/** The Check page of a circuit: findings, and a sheet that proves a place dead. */
package org.jagridge.web.check;
