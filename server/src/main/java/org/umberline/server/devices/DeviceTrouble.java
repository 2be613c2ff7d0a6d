package org.umberline.server.devices;

/** A device that does not do what is asked; the message is for the keeper. */
public final class DeviceTrouble extends Exception {
  private static final long serialVersionUID = 1L;

  DeviceTrouble(String message) {
    super(message);
  }
}
