/** Draws carried into the days ahead: bands and crossings. */
package org.umberline.core.forecast;
