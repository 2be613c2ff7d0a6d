/** Worked amounts and their ceilings. */
package org.umberline.core.dosing;
