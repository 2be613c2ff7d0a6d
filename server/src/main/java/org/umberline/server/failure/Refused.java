package org.umberline.server.failure;

import java.util.List;
import org.springframework.http.HttpStatus;

/** A request that cannot be granted, with each field that stands against it. */
public final class Refused extends RuntimeException {
  private static final long serialVersionUID = 1L;

  /** What a field holds and what it may hold. */
  public record Field(String field, String found, String allowed) {}

  private final HttpStatus status;
  private final transient List<Field> fields;

  public Refused(HttpStatus status, String detail, List<Field> fields) {
    super(detail);
    this.status = status;
    this.fields = List.copyOf(fields);
  }

  public static Refused field(String field, String found, String allowed) {
    return new Refused(
        HttpStatus.BAD_REQUEST,
        field + " is " + found + "; allowed: " + allowed + ". Nothing was saved.",
        List.of(new Field(field, found, allowed)));
  }

  public static Refused notFound(String what) {
    return new Refused(HttpStatus.NOT_FOUND, "There is no such " + what + ".", List.of());
  }

  public static Refused conflict(String detail) {
    return new Refused(HttpStatus.CONFLICT, detail, List.of());
  }

  public HttpStatus status() {
    return status;
  }

  public List<Field> fields() {
    return fields;
  }
}
