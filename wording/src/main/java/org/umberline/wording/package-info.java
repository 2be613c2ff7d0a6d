/** What the core found, said in plain words, once for command line, page, paper and calendar. */
package org.umberline.wording;
