package org.umberline.server.sharing;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.umberline.server.store.NewRow;
import org.umberline.server.tank.Role;

/** A link that lets one keeper into a tank, once; known by the hash of its token. */
@Entity
@Table(name = "invitation")
public class InvitationEntity extends NewRow {
  @JdbcTypeCode(SqlTypes.CHAR)
  @Column(length = 64)
  private String tokenHash;

  private UUID tankId;

  @Enumerated(EnumType.STRING)
  @Column(columnDefinition = "varchar(12)")
  private Role role;

  private Instant expiresAt;

  protected InvitationEntity() {}

  public InvitationEntity(UUID id, String tokenHash, UUID tankId, Role role, Instant expiresAt) {
    super(id);
    this.tokenHash = tokenHash;
    this.tankId = tankId;
    this.role = role;
    this.expiresAt = expiresAt;
  }

  public String getTokenHash() {
    return tokenHash;
  }

  public UUID getTankId() {
    return tankId;
  }

  public Role getRole() {
    return role;
  }

  public Instant getExpiresAt() {
    return expiresAt;
  }
}
