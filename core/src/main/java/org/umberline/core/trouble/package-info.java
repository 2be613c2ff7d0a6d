/** Signs seen in a tank, what they may come from, and what to do about it. */
package org.umberline.core.trouble;
