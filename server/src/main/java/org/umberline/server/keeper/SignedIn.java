package org.umberline.server.keeper;

import java.io.Serializable;
import java.util.UUID;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.security.core.authority.AuthorityUtils;
import org.springframework.security.core.userdetails.User;

/** The keeper of a session. */
public final class SignedIn extends User implements Serializable {
  private static final long serialVersionUID = 1L;

  private final UUID keeperId;

  public SignedIn(UUID keeperId, String name, String passwordHash) {
    super(name, passwordHash, AuthorityUtils.createAuthorityList("KEEPER"));
    this.keeperId = keeperId;
  }

  public UUID keeperId() {
    return keeperId;
  }

  @Override
  public boolean equals(Object other) {
    return other instanceof SignedIn that && keeperId.equals(that.keeperId);
  }

  @Override
  public int hashCode() {
    return keeperId.hashCode();
  }

  /** Marks the parameter of a request handler that takes the keeper of the session. */
  @java.lang.annotation.Target(java.lang.annotation.ElementType.PARAMETER)
  @java.lang.annotation.Retention(java.lang.annotation.RetentionPolicy.RUNTIME)
  @AuthenticationPrincipal
  @io.swagger.v3.oas.annotations.Parameter(hidden = true)
  public @interface Keeper {}
}
