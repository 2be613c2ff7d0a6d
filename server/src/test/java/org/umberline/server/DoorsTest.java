package org.umberline.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.util.Random;
import java.util.UUID;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.umberline.server.Browser.Answer;
import org.umberline.server.RunningServer.Running;
import tools.jackson.databind.json.JsonMapper;

/** Ids of others open nothing, bodies have limits, and what is nonsense is told as nonsense. */
@ExtendWith(RunningServer.class)
class DoorsTest {
  private static final JsonMapper JSON = JsonMapper.shared();

  private Running server;
  private Browser owner;
  private Browser other;
  private String tank;
  private String foreign;

  @BeforeEach
  void twoKeepers(Running running) {
    server = running;
    owner = server.browser().asNewKeeper();
    other = server.browser().asNewKeeper();
    tank = owner.newTank();
    foreign = other.newTank();
  }

  private static String id() {
    return UUID.randomUUID().toString();
  }

  private static String file(Browser keeper, String tank) {
    return keeper.get("/api/tanks/" + tank + "/file").raw().body();
  }

  @Test
  void anAccountIsNotTakenOverByItsId() {
    String id = id();
    String name = "owner-" + id.substring(0, 8);
    Browser visitor = server.browser();
    assertThat(visitor.signUp(id, name, Browser.PASSWORD).status()).isEqualTo(201);
    assertThat(visitor.signUp(id, name, Browser.PASSWORD).status()).as("the same").isEqualTo(201);
    assertThat(visitor.signUp(id, "thief-" + id.substring(0, 8), "another long one").status())
        .isEqualTo(409);
    assertThat(visitor.signUp(id, name, "another long one").status()).isEqualTo(409);
    assertThat(visitor.signIn(name, "another long one").status()).isEqualTo(401);
    assertThat(visitor.signIn(name, Browser.PASSWORD).status()).isEqualTo(204);
  }

  @Test
  void aTankIsTakenInOnceAndOnlyAsItself() {
    String small = Browser.SMALL_TANK;
    assertThat(owner.takeIn(tank, small).status()).as("the same again").isEqualTo(201);
    assertThat(owner.takeIn(tank, small.replace("Small", "Another")).status()).isEqualTo(409);
    assertThat(other.takeIn(tank, small).status()).as("somebody else's").isEqualTo(404);
    assertThat(file(owner, tank)).contains("\"Small\"");
  }

  @Test
  void aLineOfAnotherTankStaysWhereItIs() {
    String line = owner.note(tank, "no3 20").json().path("id").asString();
    String before = file(owner, tank);
    String table =
        "{\"id\": \"%s\", \"table\": {\"csv\": \"date,no3\\n2026-11-20,10\"}}".formatted(line);
    assertThat(other.post("/api/tanks/" + foreign + "/table", table).status()).isEqualTo(404);
    assertThat(other.note(foreign, line, "no3 20", RunningServer.NOW.toString()).status())
        .isEqualTo(404);
    String entry =
        other.get("/api/tanks/" + foreign + "/log").json().at("/entries/0/id").asString();
    Answer correction =
        other.post(
            "/api/tanks/" + foreign + "/log/entries/" + entry + "/correction",
            "{\"id\": \"%s\", \"text\": \"no3 20\", \"at\": \"%s\"}"
                .formatted(line, RunningServer.NOW));
    assertThat(correction.status()).isEqualTo(404);
    assertThat(file(owner, tank)).isEqualTo(before);
    Answer again = owner.note(tank, line, "no3 20", RunningServer.NOW.toString());
    assertThat(again.json().path("repeated").asBoolean()).isTrue();
    assertThat(owner.note(tank, line, "no3 30", RunningServer.NOW.toString()).status())
        .isEqualTo(409);
    assertThat(owner.post("/api/tanks/" + tank + "/table", table).status()).isEqualTo(409);
  }

  @Test
  void visitsWhatIfsAndPhotosAreInsertedAndNeverMerged() throws Exception {
    String visit = id();
    String begun = "{\"id\": \"" + visit + "\", \"seen\": \"clear\"}";
    assertThat(owner.post("/api/tanks/" + tank + "/visits", begun).status()).isEqualTo(201);
    assertThat(owner.post("/api/tanks/" + tank + "/visits", begun).status()).isEqualTo(201);
    assertThat(
            owner.post("/api/tanks/" + tank + "/visits", begun.replace("clear", "cloudy")).status())
        .isEqualTo(409);
    assertThat(other.post("/api/tanks/" + foreign + "/visits", begun).status()).isEqualTo(404);

    String whatIf = "/what-ifs/" + id();
    String tried = "{\"name\": \"%s\", \"tried\": {\"solve\": \"NOTHING\"}}";
    assertThat(owner.put("/api/tanks/" + tank + whatIf, tried.formatted("none")).status())
        .isEqualTo(200);
    assertThat(owner.put("/api/tanks/" + tank + whatIf, tried.formatted("none")).status())
        .isEqualTo(200);
    assertThat(owner.put("/api/tanks/" + tank + whatIf, tried.formatted("else")).status())
        .isEqualTo(409);
    assertThat(other.put("/api/tanks/" + foreign + whatIf, tried.formatted("none")).status())
        .isEqualTo(404);

    String photo = "/photos/" + id();
    byte[] picture = noise(40, 30);
    assertThat(owner.putPicture("/api/tanks/" + tank + photo, picture, "image/png").status())
        .isEqualTo(204);
    assertThat(owner.putPicture("/api/tanks/" + tank + photo, noise(41, 30), "image/png").status())
        .isEqualTo(409);
    assertThat(other.putPicture("/api/tanks/" + foreign + photo, picture, "image/png").status())
        .isEqualTo(404);
  }

  private static byte[] noise(int width, int height) throws Exception {
    BufferedImage picture = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
    Random random = new Random(width);
    for (int y = 0; y < height; y++) {
      for (int x = 0; x < width; x++) {
        picture.setRGB(x, y, random.nextInt());
      }
    }
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    ImageIO.write(picture, "png", out);
    return out.toByteArray();
  }

  @Test
  void aPhotoOfThreeMegabytesATableAndAMakeUpOfOneAreTaken() throws Exception {
    byte[] picture = noise(1100, 950);
    assertThat(picture.length).isGreaterThan(3_000_000);
    Answer kept = owner.putPicture("/api/tanks/" + tank + "/photos/" + id(), picture, "image/jpeg");
    assertThat(kept.status())
        .as("a PNG that is called a JPEG: %s", kept.raw().body())
        .isEqualTo(204);
    assertThat(owner.get("/api/tanks/" + tank + "/photos").json().at("/0/width").asInt())
        .as("never enlarged")
        .isEqualTo(1100);

    StringBuilder csv = new StringBuilder("date,no3,note\n");
    String note = "x".repeat(900);
    for (int i = 0; i < 1100; i++) {
      csv.append("2026-10-").append(String.format("%02d", 1 + i % 30)).append(" ");
      csv.append(String.format("%02d:%02d", i / 60 % 24, i % 60)).append(",10,").append(note);
      csv.append('\n');
    }
    Answer table =
        owner.post(
            "/api/tanks/" + tank + "/table/preview",
            JSON.writeValueAsString(java.util.Map.of("csv", csv.toString())));
    assertThat(csv.length()).isGreaterThan(1_000_000);
    assertThat(table.status()).isEqualTo(200);
    assertThat(table.json().path("rows")).hasSize(1100);

    String padded = Browser.SMALL_TANK + " ".repeat(1_000_000);
    Answer effect =
        owner.post(
            "/api/tanks/" + tank + "/make-up/effect",
            JSON.writeValueAsString(java.util.Map.of("file", padded)));
    assertThat(effect.status()).isEqualTo(200);
  }

  @Test
  void aPictureOfManyPixelsInFewBytesIsRefusedByItsHeader() throws Exception {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    ImageIO.write(new BufferedImage(7700, 7700, BufferedImage.TYPE_BYTE_BINARY), "png", out);
    assertThat(out.size()).isLessThan(20_000);
    Answer answer =
        owner.putPicture("/api/tanks/" + tank + "/photos/" + id(), out.toByteArray(), "image/png");
    assertThat(answer.status()).isEqualTo(400);
    assertThat(answer.json().at("/fields/0/found").asString()).isEqualTo("59 megapixels");

    ByteArrayOutputStream large = new ByteArrayOutputStream();
    ImageIO.write(new BufferedImage(6400, 6000, BufferedImage.TYPE_BYTE_BINARY), "png", large);
    String photo = "/api/tanks/" + tank + "/photos/" + id();
    assertThat(owner.putPicture(photo, large.toByteArray(), "image/png").status()).isEqualTo(204);
    BufferedImage kept = ImageIO.read(new ByteArrayInputStream(owner.picture(photo)));
    assertThat(kept.getWidth()).isEqualTo(1600);
    assertThat(kept.getHeight()).isEqualTo(1500);
  }

  @Test
  void aFileOfFaultsIsAnsweredAtOnceAndTheServerGoesOn() {
    String start =
        "{\"format\":\"umberline-tank\",\"version\":1,\"tank\":{\"name\":\"a\","
            + "\"water\":\"freshwater\",\"netVolumeL\":10},\"log\":[";
    Answer million = owner.takeIn(id(), start + "{},".repeat(999_999) + "{}]}");
    assertThat(million.status()).isEqualTo(400);
    assertThat(million.json().at("/fields/0/found").asString()).isEqualTo("1000000 entries");

    String wrong = "{\"at\":\"2026-11-01T10:00:00Z\",\"type\":\"test\",\"analyte\":\"nonsense\"},";
    Answer many = owner.takeIn(id(), start + wrong.repeat(19_999) + "{}]}");
    assertThat(many.status()).isEqualTo(400);
    assertThat(many.json().path("fields")).hasSize(100);
    assertThat(many.json().path("problemsNotShown").asBoolean()).isTrue();
    assertThat(many.raw().body().length()).isLessThan(40_000);
    assertThat(owner.get("/api/tanks").status()).isEqualTo(200);
  }

  @ParameterizedTest
  @CsvSource({"730,1", "90,50"})
  void aTankThatWouldComputeForMinutesIsNotTaken(int horizon, int intervals) {
    StringBuilder days = new StringBuilder("1");
    for (int i = 2; i <= intervals; i++) {
      days.append(',').append(i);
    }
    String limits =
        "\"limits\": {\"horizonDays\": " + horizon + ", \"intervalsDays\": [" + days + "]},";
    Answer answer =
        owner.takeIn(id(), Browser.SMALL_TANK.replace("\"lines\"", limits + " \"lines\""));
    assertThat(answer.status()).isEqualTo(400);
    assertThat(answer.json().at("/fields/0/field").asString()).startsWith("/limits/");
  }

  @Test
  void whatIsNonsenseIsRefusedAndNotAFailure() {
    String path = "/api/tanks/" + tank;
    assertThat(owner.get(path + "/then?asOf=+999999999-12-31").status()).isEqualTo(400);
    assertThat(owner.get(path + "/then?asOf=1066-10-14").status()).isEqualTo(400);
    assertThat(owner.get(path + "/log?before=%2B1000000000-12-31T23:59:59Z").status())
        .isEqualTo(400);
    String line = "{\"id\": \"%s\", \"text\": \"no3 5\", \"at\": \"%s\"}";
    for (String at : new String[] {"-0001-01-01T00:00:00Z", "2201-01-01T00:00:00Z"}) {
      assertThat(owner.post(path + "/log", line.formatted(id(), at)).status()).isEqualTo(400);
    }
    assertThat(
            owner
                .put(
                    path + "/routine",
                    """
                    {"version": 0, "fraction": 0.2, "everyDays": 7, "nextOn": "9999-12-31"}""")
                .status())
        .isEqualTo(400);
    assertThat(owner.note(tank, "no3 20 0001-01-01").status()).isEqualTo(400);
    assertThat(owner.write("POST", path + "/log", "{}", "*/*").status()).isEqualTo(400);
    assertThat(
            owner
                .put(
                    path + "/care",
                    """
                    {"version": 0, "devices": [null], "filterDaysFromChange": 3, "tasks": [null],
                     "shelf": [null]}""")
                .status())
        .isEqualTo(400);
    assertThat(
            owner
                .post(
                    path + "/bench/result",
                    """
                    {"analyte": "nitrate", "values": [null], "qualifier": "=", "dilution": 1,
                     "lowRange": 1}""")
                .status())
        .isEqualTo(400);
  }

  @Test
  void anAddressInDisguiseIsTheSameAddress() {
    Answer answer = owner.get("/%61pi/tanks");
    assertThat(answer.raw().headers().firstValue("Content-Type").orElse("")).contains("json");
    assertThat(server.browser().get("/%61pi/tanks").status()).isEqualTo(401);
  }

  @Test
  void aRepeatedTableAnswersAsTheFirstTime() {
    String table =
        "{\"id\": \"%s\", \"table\": {\"csv\": \"date,no3\\n2026-11-20,10\\n2026-11-21,11\"}}"
            .formatted(id());
    Answer first = owner.post("/api/tanks/" + tank + "/table", table);
    Answer again = owner.post("/api/tanks/" + tank + "/table", table);
    assertThat(first.json().path("kept").asInt()).isEqualTo(2);
    assertThat(again.raw().body()).isEqualTo(first.raw().body());
  }

  @Test
  void cellsThatASpreadsheetWouldRunAreText() {
    owner.note(tank, "note =cmd()|calc");
    String csv = owner.get("/api/tanks/" + tank + "/log.csv").raw().body();
    assertThat(csv).contains("'=cmd()|calc").doesNotContain(",=cmd");
  }

  @Test
  void headersSayWhatABrowserMayDo() {
    var page = owner.get("/").raw().headers();
    assertThat(page.firstValue("Content-Security-Policy").orElse("")).doesNotContain("unsafe");
    assertThat(page.firstValue("Referrer-Policy")).contains("same-origin");
    Browser behindProxy = server.browser().with("X-Forwarded-Proto", "https");
    var secure = behindProxy.get("/api/session").raw().headers();
    assertThat(secure.firstValue("Strict-Transport-Security")).isPresent();
    assertThat(behindProxy.form("/api/demo-sign-in").raw().headers().allValues("Set-Cookie"))
        .isNotEmpty()
        .allSatisfy(cookie -> assertThat(cookie).contains("Secure"));
    Answer calendar = owner.post("/api/calendar", "{}");
    assertThat(
            server
                .browser()
                .get(calendar.json().path("address").asString())
                .raw()
                .headers()
                .firstValue("Cache-Control"))
        .contains("no-store");
    assertThat(server.browser().get("/api/openapi").status()).isEqualTo(401);
    assertThat(server.browser().get("/actuator").status()).isIn(401, 403, 404);
    assertThat(server.browser().get("/actuator/health/readiness").status()).isEqualTo(200);
  }
}
