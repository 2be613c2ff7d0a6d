/** What readings are worth: changes as experiments, false zeros, differences a kit can show. */
package org.umberline.core.judging;
