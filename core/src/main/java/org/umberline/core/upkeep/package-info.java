/** Recurring work and its rules. */
package org.umberline.core.upkeep;
