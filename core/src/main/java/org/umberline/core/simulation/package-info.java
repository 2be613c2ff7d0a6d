/** State, events and stepping: deterministic, and without allocation in its inner loop. */
package org.umberline.core.simulation;
