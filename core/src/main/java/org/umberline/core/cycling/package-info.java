/** A new tank's filter: how far it has grown in, when it is ready, and for how many animals. */
package org.umberline.core.cycling;
