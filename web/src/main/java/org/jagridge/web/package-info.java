/**
 * The web application. One package a screen: its controller, view model, templates and script have the same name. No
 * rule of the trade lives here; all of that is computed by the core.
 */
package org.jagridge.web;
