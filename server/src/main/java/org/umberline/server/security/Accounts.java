package org.umberline.server.security;

import java.time.Clock;
import java.util.Locale;
import java.util.UUID;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.umberline.server.failure.Refused;
import org.umberline.server.persistence.KeeperEntity;
import org.umberline.server.persistence.Keepers;
import org.umberline.server.persistence.Transactions;

/** Makes accounts. */
@Service
public class Accounts {
  private final Keepers keepers;
  private final Transactions transactions;
  private final PasswordEncoder passwords;
  private final Throttle throttle;
  private final Clock clock;

  Accounts(
      Keepers keepers,
      Transactions transactions,
      PasswordEncoder passwords,
      Throttle throttle,
      Clock clock) {
    this.keepers = keepers;
    this.transactions = transactions;
    this.passwords = passwords;
    this.throttle = throttle;
    this.clock = clock;
  }

  /**
   * Makes an account; the same again under the same id changes nothing. Whoever tries out which
   * names exist is slowed down like one who guesses passwords.
   *
   * @param id made by the client
   * @throws Refused when the id or the name is taken, or the password is too easy to guess
   */
  public void signUp(UUID id, String wantedName, String password, String address) {
    String name = wantedName.strip().toLowerCase(Locale.ROOT);
    Passwords.requireUncommon(password, name);
    Throttle.Answer answer = throttle.ask("sign-up", "", address);
    if (answer.attempt().isEmpty()) {
      throw Refused.tooOften(answer.delay());
    }
    String hash = passwords.encode(password);
    transactions.write(
        () -> {
          var sameId = keepers.findById(id);
          if (sameId.isPresent()) {
            KeeperEntity known = sameId.get();
            if (known.getSignInName().equals(name)
                && passwords.matches(password, known.getPasswordHash())) {
              return known;
            }
            throw Refused.conflict("The id is taken; use a new one. Nothing was saved.");
          }
          if (keepers.findBySignInName(name).isPresent()) {
            throw Refused.field("name", wantedName, "a name nobody has yet");
          }
          return keepers.saveAndFlush(new KeeperEntity(id, name, hash, clock.instant()));
        });
    answer.attempt().get().succeeded();
  }
}
