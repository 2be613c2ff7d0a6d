/** Practice on invented tanks. Nothing of it is kept, and it touches no keeper's tank. */
package org.umberline.server.practice;
