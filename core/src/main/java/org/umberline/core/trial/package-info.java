/** One change at a time: what is expected of it, whether a kit can show it, and what it did. */
package org.umberline.core.trial;
