/** Speciation, salinity and density, and what they mean for a reading. */
package org.umberline.core.chemistry;
