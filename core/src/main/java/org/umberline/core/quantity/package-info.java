/** Units and conversions, once: an ion's concentration and an element's are different types. */
package org.umberline.core.quantity;
