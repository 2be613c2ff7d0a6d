/** What a tank's tests say about its unknowns: likelihood by kit, priors, posterior. */
package org.umberline.core.calibration;
