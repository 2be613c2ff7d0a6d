package org.umberline.server.account;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;

/** What the API takes of an account. A constraint's message says what is allowed. */
public final class AccountRequests {
  private AccountRequests() {}

  public record NewPassword(
      @NotNull(message = "the present password") String present,
      @NotNull(message = "a password") @Size(min = 10, max = 200, message = "10 to 200 characters")
          String wanted) {}

  @Schema(description = "the name and the password typed once more")
  public record Leave(
      @NotNull(message = "your name") String name,
      @NotNull(message = "your password") String password) {}
}
