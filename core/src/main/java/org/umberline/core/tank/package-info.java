/**
 * What a tank is: water, foods, feeding, livestock, plants, exports, kits, log. Immutable records.
 */
package org.umberline.core.tank;
