package org.umberline.server.keeper;

import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.util.UUID;

/** What the API takes of keepers. A constraint's message says what is allowed. */
public final class KeeperRequests {
  private KeeperRequests() {}

  public record SignUp(
      @NotNull(message = "a new id") UUID id,
      @NotNull(message = "a name")
          @Pattern(
              regexp = "[\\p{L}\\p{N}][\\p{L}\\p{N} ._@-]{0,58}",
              message = "1 to 59 letters, digits, spaces, . _ @ or -")
          String name,
      @NotNull(message = "a password") @Size(min = 10, max = 200, message = "10 to 200 characters")
          String password) {}
}
