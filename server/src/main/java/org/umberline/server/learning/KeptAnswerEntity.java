package org.umberline.server.learning;

import jakarta.persistence.Column;
import jakarta.persistence.Embeddable;
import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.io.Serializable;
import java.time.Instant;
import java.util.UUID;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;

/** One answer that was worked out of a tank, and what it was worked out of. */
@Entity
@Table(name = "kept_answer")
@SuppressWarnings("UnusedVariable") // some columns are read by queries alone
public class KeptAnswerEntity {
  /** Of each kind a tank has the newest answer only. */
  @Embeddable
  public record Key(UUID tankId, @Column(length = 20) String kind) implements Serializable {}

  @EmbeddedId private Key key;

  @JdbcTypeCode(SqlTypes.CHAR)
  @Column(length = 64)
  private String stamp;

  @Column(length = 80)
  private String build;

  private Instant workedAt;

  @Column(columnDefinition = "MEDIUMTEXT")
  private String answer;

  protected KeptAnswerEntity() {}

  /**
   * @param stamp stands for all the answer depends on
   * @param build of the application that gave the answer: another may not be able to read it
   * @param answer in JSON
   */
  public KeptAnswerEntity(Key key, String stamp, String build, Instant workedAt, String answer) {
    this.key = key;
    this.stamp = stamp;
    this.build = build;
    this.workedAt = workedAt;
    this.answer = answer;
  }

  public String getStamp() {
    return stamp;
  }

  public String getBuild() {
    return build;
  }

  public Instant getWorkedAt() {
    return workedAt;
  }

  public String getAnswer() {
    return answer;
  }
}
