package org.umberline.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Stream;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.umberline.server.RunningServer.Running;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The log as a book: looked through, corrected, filled from tables, with photos. */
@ExtendWith(RunningServer.class)
class LogTest {
  private static final JsonMapper JSON = JsonMapper.shared();
  private Browser keeper;
  private String tank;
  private String path;

  @BeforeEach
  void take(Running running) {
    keeper = running.browser().asNewKeeper();
    tank = keeper.newTank();
    path = "/api/tanks/" + tank;
  }

  private List<JsonNode> log(String query) {
    Browser.Answer answer = keeper.get(path + "/log" + query);
    assertThat(answer.status()).as(answer.raw().body()).isEqualTo(200);
    List<JsonNode> entries = new ArrayList<>();
    answer.json().path("entries").forEach(entries::add);
    return entries;
  }

  private List<String> words(String query) {
    return log(query).stream()
        .filter(entry -> !entry.path("withdrawn").asBoolean())
        .map(entry -> entry.path("words").asString())
        .toList();
  }

  private static String body(Object... pairs) {
    Map<String, Object> map = new LinkedHashMap<>();
    for (int i = 0; i < pairs.length; i += 2) {
      map.put((String) pairs[i], pairs[i + 1]);
    }
    return JSON.writeValueAsString(map);
  }

  private String correction(String id, String text) {
    return body("id", id, "text", text, "at", RunningServer.NOW.toString());
  }

  @Test
  void entriesAreFoundByKindWordsAndSinceTheLastChange() {
    keeper.note(tank, "no3 10 # by lamplight");
    keeper.note(tank, "change 25% yesterday 12:00");
    keeper.note(tank, "note film on glass");
    assertThat(words("")).hasSize(4).anyMatch(words -> words.contains("film on glass"));
    assertThat(words("?kind=test")).hasSize(2);
    assertThat(words("?text=LAMPLIGHT")).singleElement().asString().startsWith("Nitrate 10");
    assertThat(words("?sinceChange=true")).hasSize(3).noneMatch(w -> w.startsWith("Nitrate 20"));
    assertThat(log("?kind=test").get(0).path("recordedBy").asString()).startsWith("keeper-");
  }

  @Test
  void aCorrectionTakesTheEntrysPlaceAndBothStayKnown() {
    JsonNode wrong = log("").get(0);
    String entry = path + "/log/entries/" + wrong.path("id").asString();
    String id = UUID.randomUUID().toString();
    String right = wrong.path("shorthand").asString().replace("no3 20", "no3 40");
    assertThat(keeper.post(entry + "/correction", correction(id, "no3 nonsense")).status())
        .isEqualTo(400);
    assertThat(words("")).containsExactly(wrong.path("words").asString());
    for (int time = 0; time < 2; time++) {
      assertThat(keeper.post(entry + "/correction", correction(id, right)).status()).isEqualTo(200);
    }
    assertThat(words("")).singleElement().asString().startsWith("Nitrate 40");
    JsonNode before =
        log("").stream().filter(e -> e.path("withdrawn").asBoolean()).findFirst().orElseThrow();
    assertThat(before.path("corrected").get(0).asString()).startsWith("Nitrate 40");
    assertThat(before.path("withdrawnBy").asString()).startsWith("keeper-");
    String other = UUID.randomUUID().toString();
    assertThat(keeper.post(entry + "/correction", correction(other, right)).status())
        .as("somebody else corrected it already")
        .isEqualTo(409);
    keeper.put(path + "/log/" + id + "/withdrawn", "{\"withdrawn\": true}");
    assertThat(words("")).as("undone").containsExactly(wrong.path("words").asString());
    keeper.put(path + "/log/" + id + "/withdrawn", "{\"withdrawn\": false}");
    assertThat(words("")).as("done again").singleElement().asString().startsWith("Nitrate 40");
  }

  @Test
  void oneEntryOfALineIsWithdrawnAndPutBack() {
    keeper.note(tank, "no3 10 ph 7.2");
    JsonNode ph = log("?text=pH").get(0);
    String entry = path + "/log/entries/" + ph.path("id").asString() + "/withdrawn";
    assertThat(keeper.put(entry, "{\"withdrawn\": true}").status()).isEqualTo(204);
    assertThat(words("")).hasSize(2);
    assertThat(keeper.get(path + "/file").raw().body()).doesNotContain("\"pH\", \"value\"");
    keeper.put(entry, "{\"withdrawn\": false}");
    assertThat(words("")).hasSize(3);
    String line = path + "/log/" + ph.path("line").asString() + "/withdrawn";
    keeper.put(line, "{\"withdrawn\": true}");
    assertThat(words("")).as("the whole line").hasSize(1);
    keeper.put(entry, "{\"withdrawn\": false}");
    assertThat(words("")).as("comes back whole").hasSize(3);
  }

  @Test
  void aLineMayBeMeantForAnotherTank() {
    String other = UUID.randomUUID().toString();
    keeper.takeIn(other, Browser.SMALL_TANK.replace("\"Small\"", "\"Window tank\""));
    String line = "Window tank: no3 5";
    JsonNode read =
        keeper
            .post(path + "/readings", body("text", line, "at", RunningServer.NOW.toString()))
            .json();
    assertThat(read.path("tank").asString()).isEqualTo(other);
    JsonNode noted = keeper.note(tank, line).json();
    assertThat(noted.path("tank").asString()).isEqualTo(other);
    assertThat(words("")).hasSize(1);
  }

  @Test
  void aLineIsCompletedFromWhatTheTankHas() {
    JsonNode read =
        keeper
            .post(path + "/readings", body("text", "fed fl", "at", RunningServer.NOW.toString()))
            .json();
    assertThat(read.path("completions").get(0).asString()).isEqualTo("fed flake ");
  }

  private static final String TABLE =
      """
      Date;NO3;PO4;Comment
      20.11.2026;12,5;0.1;fine
      21.11.2026;<5;;
      32.11.2026;5;;
      22.11.2026;many;0.2;
      01.11.2026 10:00;20;;
      """;

  @Test
  void aTableIsShownBeforeItsGoodRowsAreKept() {
    Browser.Answer shown = keeper.post(path + "/table/preview", body("csv", TABLE));
    assertThat(shown.status()).as(shown.raw().body()).isEqualTo(200);
    JsonNode read = shown.json();
    assertThat(read.at("/columns/1/meaning").asString()).isEqualTo("reading");
    assertThat(read.at("/columns/1/analyte").asString()).isEqualTo("nitrate");
    assertThat(read.path("fresh").asInt()).isEqualTo(3);
    assertThat(read.path("rows").get(2).path("problems").get(0).asString()).contains("32.11.2026");
    assertThat(read.path("rows").get(3).path("problems").get(0).asString()).contains("many");
    assertThat(read.path("rows").get(4).path("known").asBoolean())
        .as("the test of 1 November is in the log")
        .isTrue();
    assertThat(words("")).as("nothing is kept yet").hasSize(1);
    String mended =
        body("csv", TABLE)
            .replaceFirst(
                "}$",
                ", \"mended\": [{\"row\": 4, \"cells\": [\"22.11.2026\", \"15\", \"0.2\", \"\"]}]}");
    JsonNode better = keeper.post(path + "/table/preview", mended).json();
    assertThat(better.path("rows").get(3).path("problems").size()).isZero();
    assertThat(better.path("fresh").asInt()).isEqualTo(5);
    String id = UUID.randomUUID().toString();
    String whole = "{\"id\": \"" + id + "\", \"table\": " + body("csv", TABLE) + "}";
    assertThat(keeper.post(path + "/table", whole).json().path("kept").asInt()).isEqualTo(3);
    assertThat(words("")).hasSize(4);
    assertThat(words("?text=fine")).hasSize(2);
    assertThat(keeper.get(path + "/log.csv").raw().body()).contains("nitrate,<,5");
  }

  @Test
  void whatWasTestedTogetherStandsOnOnePage() {
    StringBuilder csv = new StringBuilder("date,no3,po4,kh");
    LocalDate day = LocalDate.of(2026, 9, 1);
    for (int i = 0; i < 70; i++) {
      csv.append('\n').append(day.plusDays(i)).append(",10,0.2,6");
    }
    String table = body("id", UUID.randomUUID(), "table", Map.of("csv", csv.toString()));
    assertThat(keeper.post(path + "/table", table).json().path("kept").asInt()).isEqualTo(210);
    List<JsonNode> first = log("");
    assertThat(first).as("200 would part the three of a day").hasSize(202);
    List<JsonNode> second =
        log("?before=" + OffsetDateTime.parse(first.get(201).path("at").asString()).toInstant());
    assertThat(Stream.concat(first.stream(), second.stream()).map(entry -> entry.path("id")))
        .doesNotHaveDuplicates()
        .hasSize(211);
  }

  private static byte[] jpegWithPlace() throws Exception {
    BufferedImage picture = new BufferedImage(2000, 1000, BufferedImage.TYPE_INT_RGB);
    Graphics2D pen = picture.createGraphics();
    pen.setColor(Color.GREEN);
    pen.fillRect(0, 0, 1000, 1000);
    pen.dispose();
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    ImageIO.write(picture, "jpg", out);
    byte[] plain = out.toByteArray();
    // a segment as cameras write it, told by its words only
    byte[] place = "Exif\0\0GPSLatitude 52.1".getBytes(StandardCharsets.ISO_8859_1);
    ByteArrayOutputStream whole = new ByteArrayOutputStream();
    whole.write(plain, 0, 2);
    whole.write(new byte[] {(byte) 0xff, (byte) 0xe1, 0, (byte) (place.length + 2)});
    whole.write(place);
    whole.write(plain, 2, plain.length - 2);
    return whole.toByteArray();
  }

  @Test
  void aPhotoIsDrawnAnewWithoutItsPlace() throws Exception {
    String photo = path + "/photos/" + UUID.randomUUID();
    byte[] file = jpegWithPlace();
    assertThat(new String(file, StandardCharsets.ISO_8859_1)).contains("GPSLatitude");
    for (int time = 0; time < 2; time++) {
      Browser.Answer kept = keeper.putPicture(photo + "?note=left%20side", file, "image/jpeg");
      assertThat(kept.status()).as(kept.raw().body()).isEqualTo(204);
    }
    JsonNode listed = keeper.get(path + "/photos").json();
    assertThat(listed).hasSize(1);
    assertThat(listed.get(0).path("note").asString()).isEqualTo("left side");
    assertThat(listed.get(0).path("width").asInt()).isEqualTo(1600);
    byte[] back = keeper.picture(photo);
    assertThat(new String(back, StandardCharsets.ISO_8859_1)).doesNotContain("GPS");
    assertThat(ImageIO.read(new ByteArrayInputStream(back)).getHeight()).isEqualTo(800);
    assertThat(keeper.delete(photo).status()).isEqualTo(204);
    assertThat(keeper.get(path + "/photos").json()).isEmpty();
  }

  @Test
  void whatIsNoPhotoIsRefused() {
    Browser.Answer refused =
        keeper.putPicture(path + "/photos/" + UUID.randomUUID(), new byte[] {1, 2, 3}, "image/png");
    assertThat(refused.status()).isEqualTo(400);
    assertThat(refused.json().at("/fields/0/allowed").asString()).contains("JPEG or PNG");
  }
}
