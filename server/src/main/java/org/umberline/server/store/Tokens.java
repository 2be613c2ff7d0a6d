package org.umberline.server.store;

import java.security.SecureRandom;
import java.util.HexFormat;

/** Ends of private addresses, which nobody can guess; kept by their hash alone. */
public final class Tokens {
  private static final int BYTES = 24;
  private static final SecureRandom RANDOM = new SecureRandom();

  private Tokens() {}

  /** A fresh one, in hexadecimal digits. */
  public static String fresh() {
    byte[] bytes = new byte[BYTES];
    RANDOM.nextBytes(bytes);
    return HexFormat.of().formatHex(bytes);
  }
}
