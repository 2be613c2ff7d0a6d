package org.umberline.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.umberline.server.RunningServer.Running;
import tools.jackson.databind.JsonNode;

/** A tank is given, shared by a link, handed over and taken back. */
@ExtendWith(RunningServer.class)
class SharingTest {
  private Browser owner;
  private Browser other;
  private String tank;
  private String path;

  @BeforeEach
  void take(Running running) {
    owner = running.browser().asNewKeeper();
    other = running.browser().asNewKeeper();
    tank = owner.newTank();
    path = "/api/tanks/" + tank;
  }

  private Browser.Answer give(String name, String role, boolean wholeRoom) {
    return owner.put(
        path + "/keepers",
        "{\"name\": \"%s\", \"role\": \"%s\", \"wholeRoom\": %s}".formatted(name, role, wholeRoom));
  }

  private static Browser.Answer join(Browser browser, String address) {
    return browser.post(
        "/api/join", "{\"token\": \"%s\"}".formatted(address.substring("/join/".length())));
  }

  private String invited(String role, boolean wholeRoom) {
    Browser.Answer made =
        owner.post(
            path + "/invitations",
            "{\"role\": \"%s\", \"wholeRoom\": %s}".formatted(role, wholeRoom));
    assertThat(made.status()).isEqualTo(201);
    return made.json().path("address").asString();
  }

  @Test
  void aHelperNotesAndTakesBackHisOwnAndNothingElse() {
    assertThat(give(other.name().toUpperCase(), "HELPER", false).status()).isEqualTo(204);
    String mine = other.note(tank, "no3 20").json().path("id").asString();
    String theirs = owner.note(tank, "no3 21").json().path("id").asString();
    String withdrawn = "{\"withdrawn\": true}";
    assertThat(other.put(path + "/log/" + mine + "/withdrawn", withdrawn).status()).isEqualTo(204);
    Browser.Answer refused = other.put(path + "/log/" + theirs + "/withdrawn", withdrawn);
    assertThat(refused.status()).isEqualTo(403);
    assertThat(refused.raw().body()).contains("what you noted yourself");
    assertThat(other.get("/api/tanks").json().at("/0/role").asString()).isEqualTo("HELPER");
    assertThat(other.put(path + "/site", "{\"site\": \"Attic\"}").raw().body())
        .contains("You may note what was done and measured in this tank, and no more.");
  }

  /** A line may name another tank; the role there counts, not where it was sent. */
  @Test
  void aLineForAnotherTankNeedsTheRightThere() {
    String second = UUID.randomUUID().toString();
    owner.takeIn(second, Browser.SMALL_TANK.replace("\"Small\"", "\"Second\""));
    give(other.name(), "HELPER", false);
    owner.put(
        "/api/tanks/" + second + "/keepers",
        "{\"name\": \"%s\", \"role\": \"READER\", \"wholeRoom\": false}".formatted(other.name()));
    Browser.Answer refused = other.note(tank, "Second: no3 20");
    assertThat(refused.status()).isEqualTo(403);
    assertThat(refused.raw().body()).contains("You may look at Second");
    assertThat(owner.note(tank, "Second: no3 20").json().path("tank").asString())
        .as("such a line is read for the other")
        .isEqualTo(second);
  }

  @Test
  void aRightThatIsTakenBackIsGoneAtOnceAndWhatWasWrittenStays() {
    give(other.name(), "CO_KEEPER", false);
    other.note(tank, "no3 20");
    assertThat(owner.delete(path + "/keepers/" + other.name()).status()).isEqualTo(204);
    assertThat(other.get(path + "/balance").status()).isEqualTo(404);
    assertThat(other.note(tank, "no3 20").status()).isEqualTo(404);
    assertThat(other.get("/api/tanks").json()).isEmpty();
    assertThat(owner.get(path + "/log").json().at("/entries/0").toString()).contains(other.name());
    assertThat(owner.delete(path + "/keepers/" + other.name()).status()).isEqualTo(404);
  }

  @Test
  void aLinkLetsOneKeeperInOnce(Running running) {
    String address = invited("READER", false);
    assertThat(owner.get(path + "/keepers").json().path("invitations")).hasSize(1);
    JsonNode joined = join(other, address).json();
    assertThat(joined.path("tanks")).hasSize(1);
    assertThat(other.get(path + "/balance").status()).isEqualTo(200);
    assertThat(other.get(path + "/keepers").json().path("mine").asString()).isEqualTo("READER");
    Browser third = running.browser().asNewKeeper();
    assertThat(join(third, address).status()).as("used").isEqualTo(404);
    assertThat(third.get(path + "/balance").status()).isEqualTo(404);
    String closed = invited("CO_KEEPER", false);
    assertThat(owner.delete(path + "/invitations").status()).isEqualTo(204);
    assertThat(join(third, closed).status()).as("closed").isEqualTo(404);
    give(other.name(), "CO_KEEPER", false);
    join(other, invited("READER", false));
    assertThat(other.get(path + "/keepers").json().path("mine").asString())
        .as("a link takes nothing away")
        .isEqualTo("CO_KEEPER");
    assertThat(join(running.browser(), address).status()).as("nobody").isEqualTo(401);
  }

  @Test
  void aWholeRoomIsGivenAtOnce() {
    String beside = owner.newTank();
    String elsewhere = owner.newTank();
    for (String one : new String[] {tank, beside}) {
      owner.put("/api/tanks/" + one + "/site", "{\"site\": \"Hall\"}");
    }
    assertThat(give(other.name(), "READER", true).status()).isEqualTo(204);
    assertThat(other.get("/api/tanks").json()).hasSize(2);
    assertThat(other.get("/api/tanks/" + elsewhere + "/balance").status()).isEqualTo(404);
    assertThat(give("nobody-at-all", "READER", false).raw().body())
        .contains("the name that a keeper signs in with");
    assertThat(give(owner.name(), "READER", false).status()).isEqualTo(400);
  }

  @Test
  void aTankIsHandedOverToWhoKeepsItAlready() {
    String to = "{\"name\": \"%s\"}".formatted(other.name());
    assertThat(owner.put(path + "/owner", to).status()).as("a stranger").isEqualTo(400);
    give(other.name(), "READER", false);
    assertThat(other.put(path + "/owner", to).status()).as("not by himself").isEqualTo(403);
    assertThat(owner.put(path + "/owner", to).status()).isEqualTo(204);
    assertThat(owner.get(path + "/keepers").json().path("mine").asString()).isEqualTo("CO_KEEPER");
    assertThat(owner.delete(path).status()).isEqualTo(403);
    assertThat(owner.delete(path + "/keepers/" + owner.name()).status())
        .as("leaves")
        .isEqualTo(204);
    assertThat(owner.get(path + "/balance").status()).isEqualTo(404);
    assertThat(other.delete(path).status()).isEqualTo(204);
    assertThat(other.post(path + "/bring-back", "{}").status()).isEqualTo(204);
  }
}
