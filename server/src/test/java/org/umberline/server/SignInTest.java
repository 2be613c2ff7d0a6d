package org.umberline.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;
import org.umberline.server.Browser.Answer;
import org.umberline.server.RunningServer.Running;
import org.umberline.server.keeper.KeeperEntity;
import org.umberline.server.keeper.Keepers;

/** Guessing is slow, passwords are of any length and script, old hashes still open. */
@ExtendWith(RunningServer.class)
class SignInTest {
  private Running server;

  @BeforeEach
  void take(Running running) {
    server = running;
  }

  private static String name() {
    return "signs-in-" + UUID.randomUUID().toString().substring(0, 8);
  }

  private Browser from(String address) {
    return server.browser().with("X-Forwarded-For", address);
  }

  private String newKeeper(String password) {
    String name = name();
    assertThat(server.browser().signUp(UUID.randomUUID().toString(), name, password).status())
        .isEqualTo(201);
    return name;
  }

  @Test
  void whoeverGuessesHasToWaitAndTheKeeperHasNot() {
    String name = newKeeper(Browser.PASSWORD);
    assertThat(from("203.0.113.9").signIn(name, Browser.PASSWORD).status()).isEqualTo(204);
    Browser guesser = from("203.0.113.7");
    int refused = 0;
    Answer last = null;
    for (int guess = 0; guess < 30; guess++) {
      Answer answer = guesser.signIn(name, "guess number " + guess);
      assertThat(answer.status()).isIn(401, 429);
      if (answer.status() == 429) {
        refused++;
        last = answer;
      }
    }
    assertThat(refused).isGreaterThanOrEqualTo(20);
    assertThat(last.raw().headers().firstValueAsLong("Retry-After").orElse(0)).isBetween(1L, 20L);
    for (int address = 0; address < 5; address++) {
      Browser another = from("203.0.113.2" + address);
      for (int guess = 0; guess < 6; guess++) {
        another.signIn(name, "another guess " + guess);
      }
    }
    assertThat(from("203.0.113.29").signIn(name, "a new address").status())
        .as("the name's own count is used up")
        .isEqualTo(429);
    assertThat(from("203.0.113.9").signIn(name, Browser.PASSWORD).status())
        .as("where the keeper signed in before")
        .isEqualTo(204);
  }

  @Test
  void rightSignInsAreNeverSlowedDown() {
    String name = newKeeper(Browser.PASSWORD);
    for (int i = 0; i < 30; i++) {
      assertThat(server.browser().signIn(name, Browser.PASSWORD).status()).isEqualTo(204);
    }
  }

  @Test
  void tryingOutWhichNamesExistIsSlowedDown() {
    String taken = newKeeper(Browser.PASSWORD);
    Browser visitor = from("203.0.113.40");
    int refused = 0;
    for (int i = 0; i < 20; i++) {
      Answer answer = visitor.signUp(UUID.randomUUID().toString(), taken, Browser.PASSWORD);
      refused += answer.status() == 429 ? 1 : 0;
    }
    assertThat(refused).isGreaterThanOrEqualTo(10);
  }

  @ParameterizedTest
  @ValueSource(strings = {"aaaaaaaaaaaa", "password123", "1234567890", "qwertyuiop", "too short"})
  void aPasswordThatIsGuessedFirstIsRefused(String password) {
    Answer answer = server.browser().signUp(UUID.randomUUID().toString(), name(), password);
    assertThat(answer.status()).isEqualTo(400);
    assertThat(answer.json().at("/fields/0/field").asString()).isEqualTo("password");
    assertThat(answer.raw().body()).doesNotContain(password);
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "väldigt långt lösenord med åäö och mer text bortom sjuttiotvå tecken, sade hon",
        "水槽の硝酸塩は毎週少しずつ増える",
        "Аквариум стоит у окна"
      })
  void aPasswordOfAnyScriptAndLengthOpens(String password) {
    String name = newKeeper(password);
    assertThat(server.browser().signIn(name, password).status()).isEqualTo(204);
    String nearly = password.substring(0, password.length() - 1) + "!";
    assertThat(from("203.0.113.50").signIn(name, nearly).status())
        .as("the last character counts")
        .isEqualTo(401);
  }

  @Test
  void anOldHashStillOpensAndIsRenewed() {
    Keepers keepers = server.beans().getBean(Keepers.class);
    String name = name();
    keepers.save(
        new KeeperEntity(
            UUID.randomUUID(),
            name,
            "{bcrypt}" + new BCryptPasswordEncoder(4).encode(Browser.PASSWORD),
            RunningServer.NOW));
    for (int time = 0; time < 2; time++) {
      assertThat(server.browser().signIn(name, Browser.PASSWORD).status()).isEqualTo(204);
      assertThat(keepers.findBySignInName(name).orElseThrow().getPasswordHash())
          .startsWith("{argon2}");
    }
  }
}
