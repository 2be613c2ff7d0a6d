package org.umberline.server.http;

import java.util.Arrays;
import java.util.List;
import java.util.regex.Pattern;

/** How large the body of a request may be, by what it carries. The one place that says so. */
public enum BodyLimit {
  /** A tank file, in JSON. */
  TANK_FILE(20_000_000, "POST", "/api/tanks"),
  /** A picture as the camera made it. */
  PHOTO(12_000_000, "PUT", "/api/(tanks|sitting)/[^/]+/photos/[^/]+"),
  /** A table of tests, in JSON. */
  TABLE(4_500_000, "POST", "/api/tanks/[^/]+/table(/preview)?"),
  /** A make-up, in JSON, to be looked at. */
  MAKE_UP_EFFECT(2_200_000, "POST", "/api/tanks/[^/]+/make-up/effect"),
  /** A make-up, in JSON, to be kept. */
  MAKE_UP(2_200_000, "PUT", "/api/tanks/[^/]+/make-up"),
  /** Everything else: a few fields of JSON or a form. */
  FIELDS(64 * 1024, "", ".*");

  private final int bytes;
  private final String method;
  private final Pattern path;

  BodyLimit(int bytes, String method, String path) {
    this.bytes = bytes;
    this.method = method;
    this.path = Pattern.compile(path);
  }

  /** The most that is taken, bytes. */
  public int bytes() {
    return bytes;
  }

  /** The limit that holds for a request; {@code path} is decoded. */
  public static BodyLimit of(String method, String path) {
    List<BodyLimit> all = Arrays.asList(values());
    return all.stream()
        .filter(limit -> limit.method.isEmpty() || limit.method.equals(method))
        .filter(limit -> limit.path.matcher(path).matches())
        .findFirst()
        .orElse(FIELDS);
  }
}
