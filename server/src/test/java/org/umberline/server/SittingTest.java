package org.umberline.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.util.UUID;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.umberline.server.RunningServer.Running;
import tools.jackson.databind.JsonNode;

/** Whoever feeds while the keeper is away has a link and no account. It is 25 November 2026. */
@ExtendWith(RunningServer.class)
class SittingTest {
  private Browser keeper;
  private Browser sitter;
  private String tank;
  private String path;

  @BeforeEach
  void take(Running running) {
    keeper = running.browser().asNewKeeper();
    sitter = running.browser();
    sitter.get("/api/session");
    tank = keeper.newTank();
    path = "/api/tanks/" + tank;
  }

  private String link(Browser by, String from, String to) {
    Browser.Answer made =
        by.post(
            path + "/sitters",
            "{\"from\": \"%s\", \"to\": \"%s\", \"gramsPerDay\": 0.5}".formatted(from, to));
    assertThat(made.status()).as(made.raw().body()).isEqualTo(201);
    String address = made.json().path("address").asString();
    assertThat(address).startsWith("/sit/");
    return "/api/sitting/" + address.substring("/sit/".length());
  }

  private Browser.Answer says(String page, String id, String seen, String remark) {
    return sitter.post(
        page, "{\"id\": \"%s\", \"seen\": \"%s\", \"remark\": \"%s\"}".formatted(id, seen, remark));
  }

  private static String id() {
    return UUID.randomUUID().toString();
  }

  @Test
  void aSitterSeesTheFeedingAndSaysHowItLooks() throws Exception {
    String page = link(keeper, "2026-11-20", "2026-12-02");
    JsonNode shown = sitter.get(page).json();
    int before = keeper.get(path + "/log").json().path("entries").size();
    assertThat(shown.propertyNames())
        .containsExactlyInAnyOrder("tank", "from", "to", "today", "gramsPerDay");
    String fed = id();
    for (int time = 0; time < 2; time++) {
      assertThat(says(page, fed, "FED", "").status()).isEqualTo(204);
    }
    assertThat(says(page, id(), "ALL_WELL", "").status()).isEqualTo(204);
    assertThat(says(page, id(), "WRONG", "lamp out # \u201coff\u201d").status()).isEqualTo(204);
    ByteArrayOutputStream picture = new ByteArrayOutputStream();
    ImageIO.write(new BufferedImage(30, 20, BufferedImage.TYPE_INT_RGB), "jpg", picture);
    assertThat(
            sitter
                .putPicture(page + "/photos/" + id(), picture.toByteArray(), "image/jpeg")
                .status())
        .isEqualTo(204);
    JsonNode entries = keeper.get(path + "/log").json().path("entries");
    assertThat(entries).as("said twice, noted once").hasSize(before + 3);
    assertThat(entries.toString()).contains("Done: fed by the sitter", "lamp out");
    assertThat(keeper.get(path + "/photos").json()).hasSize(1);
    assertThat(keeper.get("/api/rounds").json().at("/0/warnings").toString())
        .contains("saw something wrong", "lamp out");
    says(page, id(), "GASPING", "");
    assertThat(keeper.get("/api/rounds").json().at("/0/verdict").asString()).isEqualTo("ACT_NOW");
  }

  @Test
  void aLinkOpensOnItsDaysAloneAndNothingElse() {
    String early = link(keeper, "2026-12-01", "2026-12-05");
    assertThat(sitter.get(early).status()).isEqualTo(404);
    assertThat(says(early, id(), "FED", "").status()).isEqualTo(404);
    String page = link(keeper, "2026-11-25", "2026-11-25");
    assertThat(sitter.get(page).status()).isEqualTo(200);
    assertThat(sitter.get(path + "/log").status()).isEqualTo(401);
    assertThat(sitter.get("/api/tanks").status()).isEqualTo(401);
    assertThat(sitter.get(page + "0").status()).isEqualTo(404);
    assertThat(keeper.get(path + "/sitters").json()).hasSize(2);
    for (JsonNode one : keeper.get(path + "/sitters").json()) {
      keeper.delete(path + "/sitters/" + one.path("id").asString());
    }
    assertThat(sitter.get(page).status()).as("withdrawn").isEqualTo(404);
    for (String days :
        new String[] {"2026-11-20\", \"to\": \"2026-11-24", "2026-12-05\", \"to\": \"2026-12-01"}) {
      assertThat(
              keeper
                  .post(
                      path + "/sitters", "{\"from\": \"%s\", \"gramsPerDay\": 0.5}".formatted(days))
                  .status())
          .isEqualTo(400);
    }
  }

  @Test
  void aLinkGoesWithTheRightOfWhoeverMadeIt(Running running) {
    Browser other = running.browser().asNewKeeper();
    keeper.put(
        path + "/keepers",
        "{\"name\": \"%s\", \"role\": \"CO_KEEPER\", \"wholeRoom\": false}"
            .formatted(other.name()));
    String page = link(other, "2026-11-25", "2026-11-30");
    assertThat(sitter.get(page).status()).isEqualTo(200);
    keeper.put(
        path + "/keepers",
        "{\"name\": \"%s\", \"role\": \"HELPER\", \"wholeRoom\": false}".formatted(other.name()));
    assertThat(sitter.get(page).status()).as("who made it may not make it now").isEqualTo(404);
    keeper.delete(path + "/keepers/" + other.name());
    assertThat(sitter.get(page).status()).isEqualTo(404);
    assertThat(says(page, id(), "FED", "").status()).isEqualTo(404);
  }
}
