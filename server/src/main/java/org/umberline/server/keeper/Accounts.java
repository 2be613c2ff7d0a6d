package org.umberline.server.keeper;

import java.security.SecureRandom;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Locale;
import java.util.UUID;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.umberline.server.http.Refused;
import org.umberline.server.store.Transactions;

/** Makes accounts. */
@Service
public class Accounts {
  private final Keepers keepers;
  private final Transactions transactions;
  private final PasswordEncoder passwords;
  private final Throttle throttle;
  private final Clock clock;
  private final Sessions sessions;
  private final UmberlineSettings settings;

  Accounts(
      Keepers keepers,
      Transactions transactions,
      PasswordEncoder passwords,
      Throttle throttle,
      Sessions sessions,
      UmberlineSettings settings,
      Clock clock) {
    this.settings = settings;
    this.sessions = sessions;
    this.keepers = keepers;
    this.transactions = transactions;
    this.passwords = passwords;
    this.throttle = throttle;
    this.clock = clock;
  }

  /** So long a keeper who leaves can come back. */
  public static final Duration COME_BACK = Duration.ofDays(7);

  /** Characters of a made password that are not mistaken for one another. */
  private static final String LEGIBLE = "abcdefghjkmnpqrstuvwxyz23456789";

  private static final int MADE_LENGTH = 16;

  /**
   * Who is signed in, and what this place offers whoever isn't.
   *
   * @param keeper nothing where nobody is signed in
   */
  public KeeperViews.Session session(SignedIn keeper) {
    return new KeeperViews.Session(
        keeper != null,
        keeper == null ? null : keeper.getUsername(),
        settings.demo(),
        settings.signUp(),
        keeper == null ? null : of(keeper.keeperId()).getLeavesAt());
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

  public KeeperEntity of(UUID keeper) {
    return transactions.read(() -> keepers.findById(keeper).orElseThrow());
  }

  /**
   * Changes the password and ends all sessions but the present one.
   *
   * @throws Refused when the present password is wrong, or the wanted one too easy to guess
   */
  public void changePassword(
      SignedIn keeper, String present, String wanted, String session, String address) {
    require(keeper, present, address);
    Passwords.requireUncommon(wanted, keeper.getUsername());
    String hash = passwords.encode(wanted);
    write(keeper.keeperId(), entity -> entity.setPasswordHash(hash));
    sessions.endAll(keeper.getUsername(), session);
  }

  /**
   * Marks an account to be removed after some days and ends its sessions.
   *
   * @throws Refused when name or password are not the keeper's
   */
  public void leave(SignedIn keeper, String name, String password, String address) {
    if (!keeper.getUsername().equals(name.strip().toLowerCase(Locale.ROOT))) {
      throw Refused.field("name", name, "your own name");
    }
    require(keeper, password, address);
    Instant gone = clock.instant().plus(COME_BACK);
    write(keeper.keeperId(), entity -> entity.setLeavesAt(gone));
    sessions.endAll(keeper.getUsername(), "");
  }

  /** Keeps an account that was to be removed. */
  public void stay(UUID keeper) {
    write(keeper, entity -> entity.setLeavesAt(null));
  }

  /**
   * For whoever runs this: gives a keeper a new password and ends his sessions.
   *
   * @return the password
   * @throws Refused when nobody has that name
   */
  public String resetPassword(String wantedName) {
    String name = wantedName.strip().toLowerCase(Locale.ROOT);
    String made =
        new SecureRandom()
            .ints(MADE_LENGTH, 0, LEGIBLE.length())
            .mapToObj(i -> LEGIBLE.substring(i, i + 1))
            .collect(Collectors.joining());
    String hash = passwords.encode(made);
    transactions.run(
        () -> {
          KeeperEntity keeper =
              keepers.findBySignInName(name).orElseThrow(() -> Refused.notFound("keeper"));
          keeper.setPasswordHash(hash);
        });
    sessions.endAll(name, "");
    return made;
  }

  private void require(SignedIn keeper, String password, String address) {
    Throttle.Answer answer = throttle.ask("password", keeper.getUsername(), address);
    if (answer.attempt().isEmpty()) {
      throw Refused.tooOften(answer.delay());
    }
    if (!passwords.matches(password, of(keeper.keeperId()).getPasswordHash())) {
      throw Refused.field("password", "not your present one", "your present password");
    }
    answer.attempt().get().succeeded();
  }

  private void write(UUID keeper, Consumer<KeeperEntity> change) {
    transactions.run(
        () -> {
          KeeperEntity entity = keepers.findById(keeper).orElseThrow();
          change.accept(entity);
        });
  }
}
