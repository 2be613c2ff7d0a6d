package org.umberline.server.http;

import java.util.List;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.HttpStatusCode;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.orm.ObjectOptimisticLockingFailureException;
import org.springframework.validation.FieldError;
import org.springframework.web.bind.MethodArgumentNotValidException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.context.request.WebRequest;
import org.springframework.web.servlet.mvc.method.annotation.ResponseEntityExceptionHandler;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.DatabindException;
import tools.jackson.databind.exc.UnrecognizedPropertyException;

/**
 * Turns failures into problem details (RFC 9457) that name the field, what was found and allowed.
 */
@RestControllerAdvice
public class Failures extends ResponseEntityExceptionHandler {
  private static final Logger LOG = LoggerFactory.getLogger(Failures.class);

  @ExceptionHandler
  ResponseEntity<ProblemDetail> refused(Refused refused) {
    ResponseEntity<ProblemDetail> answer =
        answer(
            refused.status(), refused.getMessage(), refused.fields(), refused.retryAfterSeconds());
    if (refused.moreNotShown() && answer.getBody() != null) {
      answer.getBody().setProperty("problemsNotShown", true);
    }
    return answer;
  }

  private static ResponseEntity<ProblemDetail> answer(
      HttpStatus status, String detail, List<Refused.Field> fields, long retryAfterSeconds) {
    ResponseEntity.BodyBuilder answer = ResponseEntity.status(status);
    if (retryAfterSeconds > 0) {
      answer.header(HttpHeaders.RETRY_AFTER, String.valueOf(retryAfterSeconds));
    }
    return answer.body(problem(status, detail, fields));
  }

  @ExceptionHandler
  ProblemDetail stale(ObjectOptimisticLockingFailureException failure) {
    return problem(
        HttpStatus.CONFLICT,
        "Somebody changed the tank meanwhile. Load it again; nothing was saved.",
        List.of());
  }

  @ExceptionHandler
  ResponseEntity<ProblemDetail> other(Exception failure) {
    Optional<DatabaseTrouble> trouble = DatabaseTrouble.of(failure);
    if (trouble.isPresent()) {
      LOG.warn("{} {}", trouble.get().detail(), failure.getMessage());
      return answer(
          trouble.get().status(),
          trouble.get().detail(),
          List.of(),
          trouble.get().retryAfterSeconds());
    }
    LOG.error("A request failed", failure);
    return answer(
        HttpStatus.INTERNAL_SERVER_ERROR,
        "The server failed at this; its log says why. Nothing was saved.",
        List.of(),
        0);
  }

  @Override
  protected ResponseEntity<Object> handleMethodArgumentNotValid(
      MethodArgumentNotValidException failure,
      HttpHeaders headers,
      HttpStatusCode status,
      WebRequest request) {
    List<Refused.Field> fields =
        failure.getFieldErrors().stream()
            .map(
                e ->
                    new Refused.Field(
                        e.getField(), found(e), String.valueOf(e.getDefaultMessage())))
            .toList();
    return bad(fields, headers);
  }

  @Override
  protected ResponseEntity<Object> handleHttpMessageNotReadable(
      HttpMessageNotReadableException failure,
      HttpHeaders headers,
      HttpStatusCode status,
      WebRequest request) {
    Throwable cause = failure.getCause();
    Refused.Field field = new Refused.Field("", "a body that cannot be read", "one JSON object");
    if (cause instanceof UnrecognizedPropertyException unknown) {
      field = new Refused.Field(unknown.getPropertyName(), "an unknown field", "a known field");
    } else if (cause instanceof DatabindException bind && !bind.getPath().isEmpty()) {
      String name =
          bind.getPath().stream()
              .map(JacksonException.Reference::getPropertyName)
              .filter(java.util.Objects::nonNull)
              .reduce((a, b) -> a + "." + b)
              .orElse("");
      field =
          new Refused.Field(
              name, "something of another kind", "a value of the kind this field has");
    }
    return bad(List.of(field), headers);
  }

  private static ResponseEntity<Object> bad(List<Refused.Field> fields, HttpHeaders headers) {
    String detail =
        fields.stream()
            .map(f -> f.field() + " is " + f.found() + "; allowed: " + f.allowed() + ".")
            .reduce((a, b) -> a + " " + b)
            .orElse("The request cannot be read.");
    return ResponseEntity.badRequest()
        .headers(headers)
        .body(problem(HttpStatus.BAD_REQUEST, detail + " Nothing was saved.", fields));
  }

  private static ProblemDetail problem(
      HttpStatus status, String detail, List<Refused.Field> fields) {
    ProblemDetail problem = ProblemDetail.forStatusAndDetail(status, detail);
    if (!fields.isEmpty()) {
      problem.setProperty("fields", fields);
    }
    return problem;
  }

  /** What was found; a password is never repeated. */
  private static String found(FieldError error) {
    String value = String.valueOf(error.getRejectedValue());
    return error.getField().equals("password") ? value.length() + " characters" : shortened(value);
  }

  private static String shortened(String text) {
    return text.length() > 80 ? text.substring(0, 79) + "…" : text;
  }
}
