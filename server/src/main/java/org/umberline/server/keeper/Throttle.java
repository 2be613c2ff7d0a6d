package org.umberline.server.keeper;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import io.github.bucket4j.Bucket;
import java.time.Duration;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.springframework.stereotype.Component;

/**
 * Slows down whoever guesses. Failures are counted by address, by name, and by both together; each
 * count leaves a few free and then one every few seconds, so nobody is locked out for long. Who
 * signed in from an address before is not slowed down there by guesses made elsewhere. The counts
 * live in this process: a second one allows the same again.
 */
@Component
public class Throttle {
  private static final int MOST_COUNTED = 50_000;
  private static final Duration REMEMBERED = Duration.ofHours(1);
  private static final Duration KNOWN_FOR = Duration.ofDays(30);

  /** Failures that are free, and the time after which one more is. */
  private enum Count {
    PAIR(8, Duration.ofSeconds(10)),
    ADDRESS(40, Duration.ofSeconds(5)),
    NAME(20, Duration.ofSeconds(5));

    private final int free;
    private final Duration oneMoreEvery;

    Count(int free, Duration oneMoreEvery) {
      this.free = free;
      this.oneMoreEvery = oneMoreEvery;
    }
  }

  private final Cache<String, Bucket> buckets =
      Caffeine.newBuilder().maximumSize(MOST_COUNTED).expireAfterAccess(REMEMBERED).build();
  private final Cache<String, Boolean> knownPairs =
      Caffeine.newBuilder().maximumSize(MOST_COUNTED).expireAfterWrite(KNOWN_FOR).build();

  /** One try, counted as failed until it is said to have been right. */
  public final class Attempt {
    private final List<Bucket> taken;
    private final String pair;

    private Attempt(List<Bucket> taken, String pair) {
      this.taken = taken;
      this.pair = pair;
    }

    /** It was right: it counts nowhere. */
    public void succeeded() {
      taken.forEach(bucket -> bucket.addTokens(1));
      knownPairs.put(pair, true);
    }
  }

  /** How long to wait, or leave to try. */
  public record Answer(Optional<Attempt> attempt, Duration delay) {}

  /**
   * @param what what is tried; counts of different things do not touch each other
   */
  public Answer ask(String what, String name, String address) {
    String who = what + " " + name.strip().toLowerCase(Locale.ROOT);
    String pair = who + " " + address;
    List<Bucket> asked =
        knownPairs.getIfPresent(pair) != null
            ? List.of(bucket(Count.PAIR, pair))
            : List.of(
                bucket(Count.PAIR, pair),
                bucket(Count.ADDRESS, what + " " + address),
                bucket(Count.NAME, who));
    for (int i = 0; i < asked.size(); i++) {
      var probe = asked.get(i).tryConsumeAndReturnRemaining(1);
      if (!probe.isConsumed()) {
        asked.subList(0, i).forEach(bucket -> bucket.addTokens(1));
        return new Answer(Optional.empty(), Duration.ofNanos(probe.getNanosToWaitForRefill()));
      }
    }
    return new Answer(Optional.of(new Attempt(asked, pair)), Duration.ZERO);
  }

  private Bucket bucket(Count count, String key) {
    return buckets.get(
        count + " " + key,
        any ->
            Bucket.builder()
                .addLimit(limit -> limit.capacity(count.free).refillGreedy(1, count.oneMoreEvery))
                .build());
  }
}
