package org.umberline.server.keeper;

import io.github.resilience4j.bulkhead.Bulkhead;
import io.github.resilience4j.bulkhead.BulkheadConfig;
import io.github.resilience4j.bulkhead.BulkheadFullException;
import java.time.Duration;
import java.util.function.Supplier;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.umberline.server.http.Refused;

/**
 * Hashes only a few passwords at once: each takes 16 MB and a processor, so that many who sign in
 * together, or one who guesses, would take all there is.
 */
final class FewAtOnce implements PasswordEncoder {
  private static final Duration LONGEST_WAIT = Duration.ofSeconds(20);

  private final PasswordEncoder encoder;
  private final Bulkhead places;

  FewAtOnce(PasswordEncoder encoder, int atOnce) {
    this(encoder, atOnce, LONGEST_WAIT);
  }

  FewAtOnce(PasswordEncoder encoder, int atOnce, Duration longestWait) {
    this.encoder = encoder;
    places =
        Bulkhead.of(
            "passwords",
            BulkheadConfig.custom()
                .maxConcurrentCalls(atOnce)
                .maxWaitDuration(longestWait)
                .build());
  }

  @Override
  public String encode(CharSequence password) {
    return placed(() -> encoder.encode(password));
  }

  @Override
  public boolean matches(CharSequence password, String kept) {
    return placed(() -> encoder.matches(password, kept));
  }

  @Override
  public boolean upgradeEncoding(String kept) {
    return encoder.upgradeEncoding(kept);
  }

  private <T> T placed(Supplier<T> work) {
    try {
      return places.executeSupplier(work);
    } catch (BulkheadFullException full) {
      throw Refused.busy("Too many are signing in at once.");
    }
  }
}
