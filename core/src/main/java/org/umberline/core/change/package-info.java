/** The water change as it is done: what to prepare, in which order, and what it comes to. */
package org.umberline.core.change;
