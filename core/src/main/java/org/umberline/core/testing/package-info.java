/** A testing session: which tests matter, how a kit is worked, what its readings come to. */
package org.umberline.core.testing;
