package org.umberline.server.tank;

/** What a keeper may do in a tank, each more than the one before. */
public enum Role {
  /** Looks, and tries things that are not kept. */
  READER,
  /** Notes what was done and measured. */
  HELPER,
  /** Does all but share, hand over and delete. */
  CO_KEEPER,
  OWNER;

  public boolean includes(Role other) {
    return compareTo(other) >= 0;
  }
}
