/** Tables that keepers have kept elsewhere, read cell by cell as the entry line reads. */
package org.umberline.tankfile.table;
