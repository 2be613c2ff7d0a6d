/** Sources and sinks of nitrogen and phosphorus: what one feed, animal, plant or siphon does. */
package org.umberline.core.balance;
