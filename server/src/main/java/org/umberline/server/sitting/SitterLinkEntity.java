package org.umberline.server.sitting;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.LocalDate;
import java.util.UUID;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.umberline.server.store.NewRow;

/** The page of one tank for whoever feeds while its keeper is away; known by its token's hash. */
@Entity
@Table(name = "sitter_link")
public class SitterLinkEntity extends NewRow {
  private UUID tankId;

  @JdbcTypeCode(SqlTypes.CHAR)
  @Column(length = 64)
  private String tokenHash;

  private UUID madeBy;
  private LocalDate fromDay;
  private LocalDate toDay;
  private double gramsPerDay;

  protected SitterLinkEntity() {}

  public SitterLinkEntity(
      UUID id,
      UUID tankId,
      String tokenHash,
      UUID madeBy,
      LocalDate fromDay,
      LocalDate toDay,
      double gramsPerDay) {
    super(id);
    this.tankId = tankId;
    this.tokenHash = tokenHash;
    this.madeBy = madeBy;
    this.fromDay = fromDay;
    this.toDay = toDay;
    this.gramsPerDay = gramsPerDay;
  }

  public UUID getTankId() {
    return tankId;
  }

  public String getTokenHash() {
    return tokenHash;
  }

  /** Whose right it is that the sitter has: the link goes with it. */
  public UUID getMadeBy() {
    return madeBy;
  }

  public LocalDate getFromDay() {
    return fromDay;
  }

  public LocalDate getToDay() {
    return toDay;
  }

  public double getGramsPerDay() {
    return gramsPerDay;
  }
}
