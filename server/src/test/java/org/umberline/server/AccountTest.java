package org.umberline.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayInputStream;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.umberline.server.RunningServer.Running;
import org.umberline.server.account.Retention;
import org.umberline.server.http.Refused;
import org.umberline.server.keeper.Accounts;
import tools.jackson.databind.JsonNode;

@ExtendWith(RunningServer.class)
class AccountTest {
  private static final String OTHER_PASSWORD = "quite another one";

  private Running server;

  @BeforeEach
  void take(Running running) {
    server = running;
  }

  private static String name(Browser browser) {
    return browser.get("/api/session").json().path("name").asString();
  }

  private Browser signedIn(String name, String password) {
    Browser browser = server.browser().with("User-Agent", "a telephone");
    assertThat(browser.form("/api/sign-in", "name", name, "password", password).status())
        .isEqualTo(204);
    browser.get("/api/session");
    return browser;
  }

  private static List<String> names(JsonNode tanks) {
    return tanks.valueStream().map(tank -> tank.path("id").asString()).toList();
  }

  @Test
  void whatThePageStartsWithIsTheKeepersOwn() {
    Browser keeper = server.browser().asNewKeeper();
    String id = keeper.newTank();
    JsonNode start = keeper.get("/api/start").json();
    assertThat(start.at("/session/name").asString()).isEqualTo(name(keeper));
    assertThat(names(start.path("tanks"))).containsExactly(id);
    assertThat(start.path("units").path("quantities").size()).isPositive();
    JsonNode toStrangers = server.browser().get("/api/start").json();
    assertThat(toStrangers.at("/session/signedIn").asBoolean()).isFalse();
    assertThat(toStrangers.has("tanks")).isFalse();
    assertThat(toStrangers.has("units")).isFalse();
  }

  @Test
  void aNewPasswordEndsTheOtherSessionsAndIsTheOnlyOneFromThenOn() {
    Browser keeper = server.browser().asNewKeeper();
    String name = name(keeper);
    Browser elsewhere = signedIn(name, Browser.PASSWORD);
    String body = "{\"present\": \"%s\", \"wanted\": \"%s\"}";
    Browser.Answer wrong =
        keeper.put("/api/account/password", body.formatted("not the one", OTHER_PASSWORD));
    assertThat(wrong.status()).isEqualTo(400);
    assertThat(wrong.json().path("detail").asString()).contains("password");
    assertThat(
            keeper
                .put("/api/account/password", body.formatted(Browser.PASSWORD, "password1234"))
                .status())
        .as("easily guessed")
        .isEqualTo(400);
    assertThat(elsewhere.get("/api/rounds").status()).isEqualTo(200);
    assertThat(
            keeper
                .put("/api/account/password", body.formatted(Browser.PASSWORD, OTHER_PASSWORD))
                .status())
        .isEqualTo(204);
    assertThat(keeper.get("/api/rounds").status()).isEqualTo(200);
    assertThat(elsewhere.get("/api/rounds").status()).isEqualTo(401);
    assertThat(
            server
                .browser()
                .form("/api/sign-in", "name", name, "password", Browser.PASSWORD)
                .status())
        .isEqualTo(401);
    signedIn(name, OTHER_PASSWORD);
  }

  @Test
  void sessionsAreListedWithoutTheirSecretsAndEnded() {
    Browser keeper = server.browser().asNewKeeper();
    Browser second = signedIn(name(keeper), Browser.PASSWORD);
    Browser third = signedIn(name(keeper), Browser.PASSWORD);
    JsonNode sessions = keeper.get("/api/account").json().path("sessions");
    assertThat(sessions).hasSize(3);
    assertThat(sessions.valueStream().filter(one -> one.path("present").asBoolean())).hasSize(1);
    JsonNode other =
        sessions
            .valueStream()
            .filter(one -> one.path("browser").asString().equals("a telephone"))
            .findFirst()
            .orElseThrow();
    assertThat(other.path("address").asString()).isNotEmpty();
    assertThat(keeper.delete("/api/account/sessions/" + other.path("id").asString()).status())
        .isEqualTo(204);
    assertThat(keeper.delete("/api/account/sessions/nonsense").status()).isEqualTo(404);
    assertThat(List.of(second.get("/api/rounds").status(), third.get("/api/rounds").status()))
        .containsExactlyInAnyOrder(200, 401);
    assertThat(keeper.post("/api/account/sessions/end-others", "{}").status()).isEqualTo(204);
    assertThat(keeper.get("/api/account").json().path("sessions")).hasSize(1);
  }

  @Test
  void everythingIsTakenAlong() throws Exception {
    Browser keeper = server.browser().asNewKeeper();
    String tank = keeper.newTank();
    keeper.note(tank, "no3 20");
    String away = keeper.newTank();
    keeper.put("/api/tanks/" + away + "/put-away", "{\"putAway\": true}");
    List<String> names = new ArrayList<>();
    String file = "";
    try (ZipInputStream zip =
        new ZipInputStream(
            new ByteArrayInputStream(keeper.picture("/api/account/everything.zip")))) {
      for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
        names.add(entry.getName());
        if (entry.getName().contains(tank.substring(0, 8))
            && entry.getName().endsWith(".umberline.json")) {
          file = new String(zip.readAllBytes(), java.nio.charset.StandardCharsets.UTF_8);
        }
      }
    }
    assertThat(names).hasSize(5).contains("rooms.json");
    assertThat(file).isEqualTo(keeper.get("/api/tanks/" + tank + "/file").raw().body());
  }

  @Test
  void aTankThatIsPutAwayIsReadButNotAskedAbout() {
    Browser keeper = server.browser().asNewKeeper();
    String tank = keeper.newTank();
    String put = "/api/tanks/" + tank + "/put-away";
    assertThat(keeper.put(put, "{\"putAway\": true}").status()).isEqualTo(204);
    assertThat(keeper.get("/api/rounds").json()).isEmpty();
    assertThat(keeper.get("/api/bench").json().path("tanks")).isEmpty();
    assertThat(keeper.get("/api/tanks").json().get(0).path("putAway").asBoolean()).isTrue();
    assertThat(keeper.get("/api/tanks/" + tank + "/balance").status()).isEqualTo(200);
    assertThat(keeper.put(put, "{}").status()).isEqualTo(400);
    assertThat(keeper.put(put, "{\"putAway\": false}").status()).isEqualTo(204);
    assertThat(keeper.get("/api/rounds").json()).hasSize(1);
  }

  @Test
  void aDeletedTankComesBackOrGoesForGoodWithAllThatHangsOnIt() {
    Browser keeper = server.browser().asNewKeeper();
    String kept = keeper.newTank();
    String gone = keeper.newTank();
    keeper.note(gone, "no3 20");
    // a line that corrects an entry, and the entry that names it, hang on one another
    String entry =
        keeper
            .get("/api/tanks/" + gone + "/log")
            .json()
            .path("entries")
            .get(0)
            .path("id")
            .asString();
    assertThat(
            keeper
                .post(
                    "/api/tanks/" + gone + "/log/entries/" + entry + "/correction",
                    "{\"id\": \"%s\", \"text\": \"no3 30\", \"at\": \"%s\"}"
                        .formatted(UUID.randomUUID(), RunningServer.NOW))
                .status())
        .isEqualTo(200);
    keeper.get("/api/tanks/" + gone + "/balance");
    keeper.get("/api/rounds");
    for (String tank : List.of(kept, gone)) {
      assertThat(keeper.delete("/api/tanks/" + tank).status()).isEqualTo(204);
    }
    assertThat(keeper.get("/api/tanks").json()).isEmpty();
    assertThat(keeper.get("/api/tanks/" + kept + "/balance").status()).isEqualTo(404);
    assertThat(names(keeper.get("/api/account").json().path("deleted")))
        .containsExactlyInAnyOrder(kept, gone);
    assertThat(keeper.post("/api/tanks/" + kept + "/bring-back", "{}").status()).isEqualTo(204);
    Retention retention = server.beans().getBean(Retention.class);
    retention.removeAsOf(RunningServer.NOW.plus(Duration.ofDays(29)));
    assertThat(names(keeper.get("/api/account").json().path("deleted"))).containsExactly(gone);
    retention.removeAsOf(RunningServer.NOW.plus(Duration.ofDays(31)));
    assertThat(keeper.get("/api/account").json().path("deleted")).isEmpty();
    assertThat(keeper.post("/api/tanks/" + gone + "/bring-back", "{}").status()).isEqualTo(404);
    assertThat(keeper.get("/api/tanks/" + kept + "/balance").status()).isEqualTo(200);
  }

  @Test
  void whoLeavesCanComeBackForAWeekAndIsGoneThen() {
    Browser keeper = server.browser().asNewKeeper();
    String name = name(keeper);
    keeper.note(keeper.newTank(), "no3 20");
    String typed = "{\"name\": \"%s\", \"password\": \"%s\"}";
    assertThat(
            keeper
                .post("/api/account/leave", typed.formatted("somebody", Browser.PASSWORD))
                .status())
        .isEqualTo(400);
    String leave = typed.formatted(name, Browser.PASSWORD);
    assertThat(keeper.post("/api/account/leave", leave).status()).isEqualTo(204);
    assertThat(keeper.get("/api/rounds").status()).isEqualTo(401);
    Browser back = signedIn(name, Browser.PASSWORD);
    assertThat(back.get("/api/session").json().path("leavesAt").asString()).isNotEmpty();
    assertThat(back.post("/api/account/stay", "{}").status()).isEqualTo(204);
    Retention retention = server.beans().getBean(Retention.class);
    retention.removeAsOf(RunningServer.NOW.plus(Duration.ofDays(8)));
    assertThat(back.get("/api/rounds").json()).hasSize(1);
    assertThat(back.post("/api/account/leave", leave).status()).isEqualTo(204);
    retention.removeAsOf(RunningServer.NOW.plus(Duration.ofDays(8)));
    assertThat(
            server
                .browser()
                .form("/api/sign-in", "name", name, "password", Browser.PASSWORD)
                .status())
        .isEqualTo(401);
  }

  @Test
  void whoeverRunsItGivesANewPassword() {
    Browser keeper = server.browser().asNewKeeper();
    String name = name(keeper);
    Accounts accounts = server.beans().getBean(Accounts.class);
    String made = accounts.resetPassword(name);
    assertThat(keeper.get("/api/rounds").status()).isEqualTo(401);
    signedIn(name, made);
    assertThatThrownBy(() -> accounts.resetPassword("nobody of that name"))
        .isInstanceOf(Refused.class);
  }
}
