package org.umberline.server.learning;

import java.time.Clock;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.info.BuildProperties;
import org.springframework.dao.DataAccessException;
import org.springframework.stereotype.Component;
import org.umberline.server.store.Hashes;
import org.umberline.server.store.Transactions;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.cfg.DateTimeFeature;
import tools.jackson.databind.json.JsonMapper;

/**
 * Answers in the database, so that neither a start nor another process works them out again. Each
 * carries a stamp of all it depends on, this build of the application included; one with another
 * stamp is as good as none, and so is one that can't be read or kept.
 */
@Component
public class AnswerShelf {
  private static final Logger LOG = LoggerFactory.getLogger(AnswerShelf.class);

  private final KeptAnswers answers;
  private final Transactions transactions;
  private final JsonMapper json;
  private final String build;
  private final Clock clock;

  @Autowired
  AnswerShelf(
      KeptAnswers answers,
      Transactions transactions,
      JsonMapper json,
      BuildProperties build,
      Clock clock) {
    this(
        answers,
        transactions,
        // instants keep the offset they were said with
        json.rebuild().disable(DateTimeFeature.ADJUST_DATES_TO_CONTEXT_TIME_ZONE).build(),
        build.getVersion() + " " + build.getTime(),
        clock);
  }

  private AnswerShelf(
      KeptAnswers answers, Transactions transactions, JsonMapper json, String build, Clock clock) {
    this.answers = answers;
    this.transactions = transactions;
    this.json = json;
    this.build = build;
    this.clock = clock;
  }

  /** The same shelf for what is computed with: every digit is kept, none rounded as it is told. */
  AnswerShelf exact() {
    return new AnswerShelf(answers, transactions, JsonMapper.shared(), build, clock);
  }

  /**
   * An answer from the database.
   *
   * @param current whether it would be given again now
   * @param at when it was worked out
   */
  record Kept<T>(T answer, boolean current, Instant at) {}

  /** The answer last kept by this build, whatever has changed since. */
  <T> Optional<Kept<T>> last(UUID tank, String kind, Object dependsOn, Class<T> type) {
    try {
      return answers
          .findById(new KeptAnswerEntity.Key(tank, kind))
          .filter(kept -> kept.getBuild().equals(build))
          .map(
              kept ->
                  new Kept<>(
                      json.readValue(kept.getAnswer(), type),
                      kept.getStamp().equals(stamp(dependsOn)),
                      kept.getWorkedAt()));
    } catch (JacksonException | DataAccessException e) {
      LOG.warn("a kept answer ({}) can't be read and is worked out anew: {}", kind, e.getMessage());
      return Optional.empty();
    }
  }

  /** The kept answer, where it would be given again now. */
  <T> Optional<T> current(UUID tank, String kind, Object dependsOn, Class<T> type) {
    return last(tank, kind, dependsOn, type).filter(Kept::current).map(Kept::answer);
  }

  void keep(UUID tank, String kind, Object dependsOn, Object answer) {
    KeptAnswerEntity kept =
        new KeptAnswerEntity(
            new KeptAnswerEntity.Key(tank, kind),
            stamp(dependsOn),
            build,
            clock.instant(),
            json.writeValueAsString(answer));
    try {
      transactions.write(() -> answers.save(kept));
    } catch (DataAccessException e) {
      LOG.warn("an answer ({}) isn't kept: {}", kind, e.getMessage());
    }
  }

  private String stamp(Object dependsOn) {
    return Hashes.sha256(dependsOn.toString());
  }
}
