package org.umberline.server.http;

import java.util.OptionalDouble;
import java.util.OptionalInt;

/** What is not known is sent as null. */
public final class Absent {
  private Absent() {}

  public static Double orNull(OptionalDouble value) {
    return value.isPresent() ? value.getAsDouble() : null;
  }

  public static Integer orNull(OptionalInt value) {
    return value.isPresent() ? value.getAsInt() : null;
  }
}
