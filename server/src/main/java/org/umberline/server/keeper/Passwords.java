package org.umberline.server.keeper;

import com.nulabinc.zxcvbn.Zxcvbn;
import java.util.List;
import java.util.Map;
import org.springframework.security.crypto.argon2.Argon2PasswordEncoder;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;
import org.springframework.security.crypto.password.DelegatingPasswordEncoder;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.umberline.server.http.Refused;

/** Which passwords are taken, and how they are kept. */
public final class Passwords {
  /** Shortest and longest, in characters; the longest keeps the hashing quick. */
  public static final int SHORTEST = 10;

  public static final int LONGEST = 200;

  /** As many guesses as a common list and simple patterns cover; chosen. */
  private static final double FEWEST_GUESSES = 1e6;

  /** What is looked at for patterns; that takes time with the square of the length. */
  private static final int LOOKED_AT = 60;

  private static final Zxcvbn MEASURE = new Zxcvbn();

  private Passwords() {}

  /**
   * @throws Refused when it is among the commonest, one character again and again, or made of the
   *     keeper's own name
   */
  public static void requireUncommon(String password, String name) {
    String start = password.substring(0, Math.min(LOOKED_AT, password.length()));
    if (start.chars().distinct().count() == 1
        || MEASURE.measure(start, List.of(name, "umberline")).getGuesses() < FEWEST_GUESSES) {
      throw Refused.field(
          "password", "one of the first that would be guessed", "one that is harder to guess");
    }
  }

  /**
   * Argon2 takes passwords of any length in any script; what was kept before as bcrypt still signs
   * in, and is kept as Argon2 from then on.
   */
  public static PasswordEncoder encoder() {
    return new FewAtOnce(
        new DelegatingPasswordEncoder(
            "argon2",
            Map.of(
                "argon2",
                Argon2PasswordEncoder.defaultsForSpringSecurity_v5_8(),
                "bcrypt",
                new BCryptPasswordEncoder())),
        Runtime.getRuntime().availableProcessors());
  }
}
