/** Devices beside the tank, reached over HTTP; the ones that ship are simulated. */
package org.umberline.server.devices;
