/** What came in, what went out and what is still there, over a period of the past. */
package org.umberline.core.ledger;
