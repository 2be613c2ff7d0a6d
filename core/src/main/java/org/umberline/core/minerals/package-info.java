/** What else is dissolved: alkalinity, salinity, hardness and silicate, by tests and pencil. */
package org.umberline.core.minerals;
