/** Water-change solver, recovery and other levers. */
package org.umberline.core.planning;
