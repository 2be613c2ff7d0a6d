/** Invented tanks with a hidden truth, kept week by week for practice. All figures invented. */
package org.umberline.core.practice;
