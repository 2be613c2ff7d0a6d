/**
 * Umberline's open formats: the tank file, read and written, and the shorthand of the entry line.
 */
package org.umberline.tankfile;
