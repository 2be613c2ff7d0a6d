package org.umberline.tankfile.shorthand;

/** What stops the reading of a line; the message is for the keeper. */
final class Unreadable extends Exception {
  private static final long serialVersionUID = 1L;

  Unreadable(String message) {
    super(message);
  }
}
