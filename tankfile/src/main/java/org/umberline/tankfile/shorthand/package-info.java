/**
 * The shorthand of the entry line: one line of text to log entries, and what was understood in
 * words.
 */
package org.umberline.tankfile.shorthand;
