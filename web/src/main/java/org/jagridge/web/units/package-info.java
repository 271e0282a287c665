/** Pages in the units that a user has chosen: °C or °F, metres or feet, AWG or mm². */
package org.jagridge.web.units;
