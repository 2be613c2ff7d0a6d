package org.umberline.server.http;

import java.time.Duration;
import java.util.List;
import org.springframework.http.HttpStatus;

/** A request that cannot be granted, with each field that stands against it. */
public final class Refused extends RuntimeException {
  private static final long serialVersionUID = 1L;

  /** What a field holds and what it may hold. */
  public record Field(String field, String found, String allowed) {}

  private final HttpStatus status;
  private final transient List<Field> fields;
  private final long retryAfterSeconds;
  private final boolean moreNotShown;

  public Refused(HttpStatus status, String detail, List<Field> fields) {
    this(status, detail, fields, 0, false);
  }

  private Refused(
      HttpStatus status,
      String detail,
      List<Field> fields,
      long retryAfterSeconds,
      boolean moreNotShown) {
    super(detail);
    this.moreNotShown = moreNotShown;
    this.status = status;
    this.fields = List.copyOf(fields);
    this.retryAfterSeconds = retryAfterSeconds;
  }

  /** Whether there may be more wrong than the fields tell. */
  public boolean moreNotShown() {
    return moreNotShown;
  }

  /** When to ask again, in seconds; 0 where asking again does not help. */
  public long retryAfterSeconds() {
    return retryAfterSeconds;
  }

  public static Refused field(String field, String found, String allowed) {
    return new Refused(
        HttpStatus.BAD_REQUEST,
        field + " is " + found + "; allowed: " + allowed + ". Nothing was saved.",
        List.of(new Field(field, found, allowed)));
  }

  /**
   * A file with problems, of which only the first are told.
   *
   * @param moreNotShown whether looking stopped there
   */
  public static Refused file(String detail, List<Field> problems, boolean moreNotShown) {
    return new Refused(HttpStatus.BAD_REQUEST, detail, problems, 0, moreNotShown);
  }

  public static Refused notFound(String what) {
    return new Refused(HttpStatus.NOT_FOUND, "There is no such " + what + ".", List.of());
  }

  public static Refused conflict(String detail) {
    return new Refused(HttpStatus.CONFLICT, detail, List.of());
  }

  /** Something was tried too often. */
  public static Refused tooOften(Duration wait) {
    return new Refused(
        HttpStatus.TOO_MANY_REQUESTS,
        "Too many tries. Try again in " + (wait.toSeconds() + 1) + " seconds; nothing was saved.",
        List.of(),
        wait.toSeconds() + 1,
        false);
  }

  /** There is too much to do at once; to be asked again in a moment. */
  public static Refused busy(String what) {
    return new Refused(
        HttpStatus.SERVICE_UNAVAILABLE,
        what + " Ask again in a moment; nothing was saved.",
        List.of(),
        2,
        false);
  }

  public HttpStatus status() {
    return status;
  }

  public List<Field> fields() {
    return fields;
  }
}
