package org.umberline.server.tank;

import jakarta.persistence.CollectionTable;
import jakarta.persistence.Column;
import jakarta.persistence.ElementCollection;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.JoinColumn;
import jakarta.persistence.MapKeyColumn;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.util.Collections;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.annotations.OptimisticLock;
import org.hibernate.type.SqlTypes;
import org.umberline.server.store.NewRow;

/** A tank: its make-up as a tank file without log, and counters that say when something changed. */
@Entity
@Table(name = "tank")
@SuppressWarnings("UnusedVariable") // some columns are read by queries alone
public class TankEntity extends NewRow {
  @OptimisticLock(excluded = true)
  private UUID ownerId;

  private String name;

  @Column(columnDefinition = "longtext")
  private String makeUp;

  /** Counts the changes of the make-up; a stale writer is told. */
  @Version private int version;

  /** Counts the changes of the log; entries do not contend with one another. */
  @OptimisticLock(excluded = true)
  private long logRevision;

  private Instant createdAt;

  /** SHA-256 of the tank file it was taken in from, in hexadecimal digits. */
  @JdbcTypeCode(SqlTypes.CHAR)
  @Column(name = "taken_in_sha256", length = 64)
  private String takenInSha256 = "";

  /** Where it stands; no part of the make-up. */
  @OptimisticLock(excluded = true)
  private String site = "";

  /** How it is cared for, as JSON; no part of the make-up. */
  @OptimisticLock(excluded = true)
  @Column(columnDefinition = "longtext")
  private String care = "{}";

  /** Counts the changes of the care. */
  @OptimisticLock(excluded = true)
  private int careVersion;

  /** What others may do besides the owner; granting it is no change of the make-up. */
  @ElementCollection
  @CollectionTable(name = "co_keeper", joinColumns = @JoinColumn(name = "tank_id"))
  @MapKeyColumn(name = "keeper_id")
  @Column(name = "role", columnDefinition = "varchar(12)")
  @Enumerated(EnumType.STRING)
  @OptimisticLock(excluded = true)
  private Map<UUID, Role> coKeepers = new HashMap<>();

  /** Since when nobody is asked about it; null where it is looked after. */
  @OptimisticLock(excluded = true)
  private Instant putAwayAt;

  /** Since when it is as good as gone; null where it is not. */
  @OptimisticLock(excluded = true)
  private Instant deletedAt;

  protected TankEntity() {}

  public TankEntity(UUID id, UUID ownerId, String name, String makeUp, Instant createdAt) {
    super(id);
    this.ownerId = ownerId;
    this.name = name;
    this.makeUp = makeUp;
    this.createdAt = createdAt;
  }

  public TankEntity takenInFrom(String sha256) {
    takenInSha256 = sha256;
    return this;
  }

  public String getTakenInSha256() {
    return takenInSha256;
  }

  public UUID getOwnerId() {
    return ownerId;
  }

  public String getSite() {
    return site;
  }

  public void setSite(String site) {
    this.site = site;
  }

  public Instant getPutAwayAt() {
    return putAwayAt;
  }

  public void setPutAwayAt(Instant putAwayAt) {
    this.putAwayAt = putAwayAt;
  }

  public Instant getDeletedAt() {
    return deletedAt;
  }

  public void setDeletedAt(Instant deletedAt) {
    this.deletedAt = deletedAt;
  }

  public String getCare() {
    return care;
  }

  public int getCareVersion() {
    return careVersion;
  }

  public void setCare(String care) {
    this.care = care;
    careVersion++;
  }

  /** Who keeps it besides the owner. */
  public Map<UUID, Role> getCoKeepers() {
    return Collections.unmodifiableMap(coKeepers);
  }

  /** What a keeper may do in it; empty for nothing. */
  public Optional<Role> role(UUID keeper) {
    return ownerId.equals(keeper)
        ? Optional.of(Role.OWNER)
        : Optional.ofNullable(coKeepers.get(keeper));
  }

  public void give(UUID keeper, Role role) {
    coKeepers.put(keeper, role);
  }

  public void takeBack(UUID keeper) {
    coKeepers.remove(keeper);
  }

  /** Makes a co-keeper its owner, and its owner a co-keeper. */
  public void handOver(UUID next) {
    coKeepers.remove(next);
    coKeepers.put(ownerId, Role.CO_KEEPER);
    ownerId = next;
  }

  public String getName() {
    return name;
  }

  public String getMakeUp() {
    return makeUp;
  }

  public void setMakeUp(String name, String makeUp) {
    this.name = name;
    this.makeUp = makeUp;
  }

  public int getVersion() {
    return version;
  }

  public long getLogRevision() {
    return logRevision;
  }
}
