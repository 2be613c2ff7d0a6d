package org.umberline.server;

import static org.assertj.core.api.Assertions.assertThat;

import com.lowagie.text.pdf.PdfName;
import com.lowagie.text.pdf.PdfReader;
import com.lowagie.text.pdf.parser.PdfTextExtractor;
import com.sun.net.httpserver.HttpServer;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.atomic.AtomicInteger;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.umberline.server.RunningServer.Running;
import org.umberline.server.devices.DeviceTrouble;
import org.umberline.server.devices.FeederLine;
import org.umberline.server.devices.PhotometerLine;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The testing bench, its devices, and visits. */
@ExtendWith(RunningServer.class)
class BenchTest {
  private Browser keeper;
  private Browser stranger;
  private String tank;
  private String path;
  private HttpServer device;
  private volatile String answer = "{}";
  private final AtomicInteger asked = new AtomicInteger();

  @BeforeEach
  void take(Running running) throws Exception {
    keeper = running.browser().asNewKeeper();
    stranger = running.browser();
    tank = keeper.newTank();
    path = "/api/tanks/" + tank;
    device = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
    device.createContext(
        "/",
        exchange -> {
          asked.incrementAndGet();
          byte[] body = answer.getBytes(StandardCharsets.UTF_8);
          exchange.sendResponseHeaders(200, body.length);
          exchange.getResponseBody().write(body);
          exchange.close();
        });
    device.start();
  }

  @AfterEach
  void stop() {
    device.stop(0);
  }

  private String address() {
    return "http://127.0.0.1:" + device.getAddress().getPort();
  }

  private JsonNode result(String values, String qualifier, int dilution) {
    Browser.Answer answered =
        keeper.post(
            path + "/bench/result",
            """
            {"analyte": "nitrate", "kit": "card", "values": %s, "qualifier": "%s",
             "dilution": %d, "lowRange": 1}"""
                .formatted(values, qualifier, dilution));
    assertThat(answered.status()).as(answered.raw().body()).isEqualTo(200);
    return answered.json();
  }

  @Test
  void theTestsThatMatterComeWithTheirReasonAndTheKitsSteps() {
    JsonNode test = nitrateTest();
    assertThat(test.path("why").asString())
        .containsAnyOf("No test for 24 days", "changes this advice with a chance of");
    assertThat(test.path("steps").toString()).contains("\"minutes\":5");
    assertThat(test.path("low").asDouble()).isLessThan(test.path("high").asDouble());
    keeper.note(tank, "no3 20");
    assertThat(nitrateTest().path("why").asString()).as("tested today").doesNotContain("No test");
  }

  private JsonNode nitrateTest() {
    for (JsonNode test : keeper.get("/api/bench").json().at("/tanks/0/tests")) {
      if (test.path("analyte").asString().equals("nitrate")) {
        return test;
      }
    }
    throw new AssertionError("nitrate is not offered");
  }

  @Test
  void readingsComeToOneAndAreNotedWithHowTheyWereComeBy() {
    JsonNode result = result("[20, 40, 20]", "=", 1);
    assertThat(result.path("value").asDouble()).isEqualTo(20);
    assertThat(result.path("alsoIn").toString()).contains("mg/L NO3-N");
    String line = result.path("line").asString();
    assertThat(line).contains("# median of 20, 40, 20");
    assertThat(keeper.note(tank, line).status()).isEqualTo(200);
    assertThat(keeper.get(path + "/log?text=median").json().path("entries")).hasSize(1);
  }

  @Test
  void whatContradictsTheForecastIsFlaggedAtOnce() {
    assertThat(result("[20]", "=", 1).path("surprising").asBoolean()).isFalse();
    JsonNode diluted = result("[80]", "=", 5);
    assertThat(diluted.path("surprising").asBoolean()).isTrue();
    assertThat(diluted.path("value").asDouble()).isEqualTo(400);
    assertThat(diluted.path("line").asString())
        .as("400 is no step of the card")
        .isEqualTo("no3 400 mg/L NO3 nokit # diluted 5 times; with card");
  }

  /** A meter that reads 12.5 on 10 reads 20 as 25. */
  @Test
  void aReadingIsMadeUpForWhereItsStandardWasMisread() {
    String own = UUID.randomUUID().toString();
    keeper.takeIn(
        own,
        Browser.SMALL_TANK.replace(
            "\"kits\": [",
            "\"kits\": [{\"id\": \"meter\", \"analyte\": \"nitrate\", \"method\": \"photometer\"}, "));
    String care =
        """
        {"version": 0, "devices": [], "filterDaysFromChange": 3, "tasks": [], "shelf": [
         {"kit": "meter", "check": {"on": "2026-11-20", "standard": 10%s}}]}""";
    assertThat(
            keeper
                .put("/api/tanks/" + own + "/care", care.formatted(""))
                .json()
                .at("/fields/0/allowed")
                .asString())
        .isEqualTo("what it read");
    assertThat(
            keeper
                .put("/api/tanks/" + own + "/care", care.formatted(", \"read\": 12.5"))
                .json()
                .at("/shelf/0/check/read")
                .asDouble())
        .isEqualTo(12.5);
    JsonNode result =
        keeper
            .post(
                "/api/tanks/" + own + "/bench/result",
                """
                {"analyte": "nitrate", "kit": "meter", "values": [25], "qualifier": "=",
                 "dilution": 1, "lowRange": 1}""")
            .json();
    assertThat(result.path("value").asDouble()).isEqualTo(20);
    assertThat(result.path("line").asString())
        .isEqualTo(
            "no3 20 mg/L NO3 \"meter\" # read 25 mg/L NO3; it read 12.5 on a standard of 10");
    assertThat(result.path("words").asString()).endsWith("it read 12.5 on a standard of 10)");
    assertThat(keeper.get("/api/bench").raw().body())
        .contains("It reads 2.5 mg/L NO3 high at 10 mg/L NO3: what you read is made up for.");
  }

  @Test
  void whatCannotBeRightIsRefused() {
    Browser.Answer refused =
        keeper.post(
            path + "/bench/result",
            """
            {"analyte": "nitrate", "kit": "card", "values": [80], "qualifier": "=",
             "dilution": 900, "lowRange": 1}""");
    assertThat(refused.status()).isEqualTo(400);
    assertThat(refused.json().at("/fields/0/allowed").asString()).contains("can't be right");
  }

  @Test
  void aPhotometerIsReadOnceUnderOneId() throws Exception {
    PhotometerLine photometer = new PhotometerLine(address(), JsonMapper.shared());
    answer = "{\"state\": \"measuring\", \"leftMs\": 900}";
    UUID id = UUID.randomUUID();
    assertThat(photometer.measure(id, "phosphate").done()).isFalse();
    answer = "{\"state\":\"done\",\"analyte\":\"phosphate\",\"mgL\":2.5,\"range\":\"over\"}";
    PhotometerLine.Measurement done = photometer.measure(id, "phosphate");
    assertThat(done.mgL()).hasValue(2.5);
    assertThat(done.qualifier().term()).isEqualTo(">");
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "%%% {{",
        "[]",
        "",
        "{}",
        "{\"state\":\"done\",\"analyte\":\"nitrate\",\"mgL\":3}",
        "{\"state\":\"done\",\"analyte\":\"phosphate\",\"mgL\":-4}"
      })
  void garbageIsToldAsGarbageAndNeverTakenForAReading(String garbage) {
    PhotometerLine photometer = new PhotometerLine(address(), JsonMapper.shared());
    answer = garbage;
    assertThat(trouble(photometer)).contains("can’t be read");
  }

  private static String trouble(PhotometerLine photometer) {
    try {
      photometer.measure(UUID.randomUUID(), "phosphate");
      return "none";
    } catch (DeviceTrouble trouble) {
      return trouble.getMessage();
    }
  }

  @Test
  void aPhotometerThatIsAwayIsSaidToBeAwayAndWorksWhenItIsBack() {
    String address = address();
    device.stop(0);
    assertThat(trouble(new PhotometerLine(address, JsonMapper.shared())))
        .isEqualTo("It does not answer.");
    assertThat(trouble(new PhotometerLine("", JsonMapper.shared()))).contains("set up");
  }

  @Test
  void aFeederTellsWhatIsWrongWithIt() throws Exception {
    FeederLine feeder = new FeederLine(address(), JsonMapper.shared());
    answer =
        "{\"portionsToday\":0,\"gramsAPortion\":0.4,\"hopperG\":0,\"litresToday\":9,"
            + "\"usualLitresADay\":1,\"valveOpen\":true}";
    assertThat(feeder.report().faults())
        .anyMatch(fault -> fault.contains("stuck open"))
        .anyMatch(fault -> fault.contains("hopper is empty"));
    answer = answer.replace("true", "false").replace("\"hopperG\":0", "\"hopperG\":20");
    assertThat(feeder.report().faults()).singleElement().asString().contains("leak");
  }

  @Test
  void aVisitLeavesAPage() {
    String visit = UUID.randomUUID().toString();
    String visits = path + "/visits";
    for (int time = 0; time < 2; time++) {
      assertThat(
              keeper
                  .post(
                      visits, "{\"id\": \"%s\", \"seen\": \"Film on the glass\"}".formatted(visit))
                  .status())
          .isEqualTo(201);
    }
    String pressedAgain = UUID.randomUUID().toString();
    keeper.post(visits, "{\"id\": \"%s\", \"seen\": \"Film\"}".formatted(pressedAgain));
    assertThat(keeper.get(visits).json()).as("two presses are one visit").hasSize(1);
    keeper.note(tank, "change 40%");
    assertThat(keeper.note(tank, "no3 15").status()).isEqualTo(200);
    assertThat(
            keeper
                .put(
                    visits + "/" + visit + "/end",
                    "{\"advice\": \"Feed less\", \"nextOn\": \"2026-12-24\"}")
                .status())
        .isEqualTo(204);
    JsonNode report = keeper.get(visits + "/" + visit).json();
    assertThat(report.path("done").toString()).contains("Change of 40 L");
    assertThat(report.at("/now/nitrateMgL").asDouble())
        .isLessThan(report.at("/before/nitrateMgL").asDouble());
    assertThat(report.path("seen").asString()).isEqualTo("Film on the glass");
    assertThat(report.at("/measured/0/analyte").asString()).isEqualTo("nitrate");
    assertThat(report.at("/measured/0/found").asString()).isEqualTo("15 mg/L NO3");
    assertThat(report.at("/measured/0/before").isNull()).isFalse();
    assertThat(report.path("stands").asString()).isNotEmpty().doesNotContain("2026-");
    assertThat(report.path("nextOn").asString()).isEqualTo("2026-12-24");
    keeper.note(tank, "change 50%");
    JsonNode later = keeper.get(visits + "/" + visit).json();
    assertThat(later.path("now")).as("it stays as it was left").isEqualTo(report.path("now"));
    assertThat(later.path("next")).isEqualTo(report.path("next"));
    assertThat(keeper.get(visits + "/" + visit + "/report.pdf").raw().body())
        .startsWith("%PDF")
        .contains("%%EOF");
  }

  /** Who a room is looked after for stands on the page a visit leaves, with what was pictured. */
  @Test
  void theClientAndThePhotosStandOnThePageOfAVisit() throws Exception {
    String site =
        """
        {"site": "%s", "client": "Ms Birch", "address": "2 Quay Lane", "contact": "%s", "stop": 3}
        """;
    assertThat(keeper.put("/api/sites", site.formatted("", "020")).status()).isEqualTo(400);
    for (String contact : List.of("020 5550", "020 5551")) {
      assertThat(keeper.put("/api/sites", site.formatted("Hall", contact)).status()).isEqualTo(204);
    }
    assertThat(keeper.get("/api/sites").json()).as("described anew, not twice").hasSize(1);
    assertThat(keeper.get("/api/sites").json().at("/0/contact").asString()).isEqualTo("020 5551");
    assertThat(stranger.asNewKeeper().get("/api/sites").json()).as("others").isEmpty();
    keeper.put(path + "/site", "{\"site\": \"Hall\"}");
    String visit = UUID.randomUUID().toString();
    keeper.post(path + "/visits", "{\"id\": \"%s\", \"seen\": \"\"}".formatted(visit));
    ByteArrayOutputStream picture = new ByteArrayOutputStream();
    ImageIO.write(new BufferedImage(300, 200, BufferedImage.TYPE_INT_RGB), "jpg", picture);
    String photo = path + "/photos/" + UUID.randomUUID();
    assertThat(keeper.putPicture(photo, picture.toByteArray(), "image/jpeg").status())
        .isEqualTo(204);
    PdfReader page = new PdfReader(keeper.picture(path + "/visits/" + visit + "/report.pdf"));
    assertThat(new PdfTextExtractor(page).getTextFromPage(1))
        .contains("Ms Birch, 2 Quay Lane")
        .doesNotContain("020 5551");
    assertThat(page.getPageN(1).getAsDict(PdfName.RESOURCES).getAsDict(PdfName.XOBJECT))
        .as("pictures")
        .isNotNull();
    JsonNode listed = keeper.get("/api/visits").json();
    assertThat(listed).hasSize(1);
    assertThat(listed.at("/0/site").asString()).isEqualTo("Hall");
  }
}
