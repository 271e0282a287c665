/**
 * What part types are made of: coils and contacts, windings, heat that adds up, temperatures that drift, what travels
 * from end to end, what destroys a part in the end.
 */
package org.jagridge.core.part.block;
