package org.umberline.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.UUID;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestFactory;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;
import org.umberline.server.RunningServer.Running;
import org.umberline.server.sharing.Rights;
import org.umberline.server.tank.Role;

@ExtendWith(RunningServer.class)
class AccessTest {
  private Running server;

  @BeforeEach
  void take(Running running) {
    server = running;
  }

  /**
   * Bodies that are good in themselves, so that only the owner can be what refuses them; queries of
   * those that take none.
   */
  private static final Map<String, String> BODIES =
      Map.ofEntries(
          Map.entry(
              "POST /api/tanks/{id}/what-if",
              """
              {"solve": "FRACTION", "fraction": 0.2, "everyDays": 7, "nextOn": "2026-11-28"}"""),
          Map.entry(
              "PUT /api/tanks/{id}/routine",
              """
              {"version": 0, "fraction": 0.2, "everyDays": 7, "nextOn": "2026-11-28"}"""),
          Map.entry(
              "PUT /api/tanks/{id}/lines",
              """
              {"version": 0, "nitrate": {"ceilingMgL": 30}, "phosphate": {}}"""),
          Map.entry(
              "POST /api/tanks/{id}/readings",
              """
              {"text": "no3 20", "at": "2026-11-25T10:00:00Z"}"""),
          Map.entry(
              "POST /api/tanks/{id}/log",
              """
              {"id": "8a5f0c9e-58a0-4dd8-9a55-0e1f9d1f4a11", "text": "no3 20",
               "at": "2026-11-25T10:00:00Z"}"""),
          Map.entry(
              "PUT /api/tanks/{id}/log/{line}/withdrawn",
              """
              {"withdrawn": true}"""),
          Map.entry(
              "PUT /api/tanks/{id}/what-ifs/{whatIf}",
              """
              {"name": "Half", "tried": {"solve": "NOTHING"}}"""),
          Map.entry(
              "PUT /api/tanks/{id}/site",
              """
              {"site": "Attic"}"""),
          Map.entry(
              "PUT /api/tanks/{id}/make-up",
              """
              {"version": 0, "file": "{}"}"""),
          Map.entry(
              "POST /api/tanks/{id}/make-up/effect",
              """
              {"file": "{}"}"""),
          Map.entry(
              "POST /api/tanks/{id}/log/entries/{entry}/correction",
              """
              {"id": "8a5f0c9e-58a0-4dd8-9a55-0e1f9d1f4a12", "text": "no3 10",
               "at": "2026-11-25T10:00:00Z"}"""),
          Map.entry(
              "PUT /api/tanks/{id}/log/entries/{entry}/withdrawn",
              """
              {"withdrawn": true}"""),
          Map.entry(
              "POST /api/tanks/{id}/table/preview",
              """
              {"csv": "date,no3\\n2026-11-20,10"}"""),
          Map.entry(
              "POST /api/tanks/{id}/table",
              """
              {"id": "8a5f0c9e-58a0-4dd8-9a55-0e1f9d1f4a13",
               "table": {"csv": "date,no3\\n2026-11-20,10"}}"""),
          Map.entry(
              "POST /api/tanks/{id}/absence",
              """
              {"from": "2026-12-01", "to": "2026-12-05", "gramsPerDay": 0}"""),
          Map.entry(
              "PUT /api/tanks/{id}/care",
              """
              {"version": 0, "devices": [], "filterDaysFromChange": 3, "tasks": [],
               "ownTasks": [], "shelf": []}"""),
          Map.entry(
              "PUT /api/tanks/{id}/upkeep/{work}",
              """
              {"version": 0, "everyDays": 20}"""),
          Map.entry(
              "POST /api/tanks/{id}/run-sheet/salt",
              """
              {"litres": 20, "measuredPpt": 30}"""),
          Map.entry(
              "POST /api/tanks/{id}/doses/raise",
              """
              {"what": "nitrate", "from": 2, "to": 8, "with": "potassium-nitrate"}"""),
          Map.entry(
              "POST /api/tanks/{id}/doses/adsorber",
              """
              {"from": 1, "to": 0.3, "placement": "bag"}"""),
          Map.entry(
              "POST /api/tanks/{id}/doses/precipitant",
              """
              {"from": 1, "to": 0.3, "mgPerMl": 20}"""),
          Map.entry(
              "POST /api/tanks/{id}/doses/conditioner",
              """
              {"litres": 40, "mlPer100L": 25}"""),
          Map.entry(
              "POST /api/tanks/{id}/doses/carbon",
              """
              {"source": "sugar"}"""),
          Map.entry(
              "POST /api/tanks/{id}/doses/peroxide",
              """
              {"litres": 60, "percent": 3}"""),
          Map.entry(
              "POST /api/tanks/{id}/doses/pump",
              """
              {"ml": 20, "seconds": 60, "mlPerDay": 10}"""),
          Map.entry(
              "POST /api/tanks/{id}/bench/result",
              """
              {"analyte": "nitrate", "kit": "card", "values": [20], "qualifier": "=",
               "dilution": 1, "lowRange": 1}"""),
          Map.entry("PUT /api/tanks/{id}/bench/measurements/{measurement}", "{}"),
          Map.entry(
              "POST /api/tanks/{id}/visits",
              """
              {"id": "8a5f0c9e-58a0-4dd8-9a55-0e1f9d1f4a14", "seen": ""}"""),
          Map.entry(
              "PUT /api/tanks/{id}/visits/{visit}/end",
              """
              {"advice": ""}"""),
          Map.entry(
              "PUT /api/tanks/{id}/put-away",
              """
              {"putAway": true}"""),
          Map.entry("DELETE /api/tanks/{id}", ""),
          Map.entry("POST /api/tanks/{id}/bring-back", "{}"),
          Map.entry("GET /api/tanks/{id}/sitters", ""),
          Map.entry(
              "POST /api/tanks/{id}/sitters",
              """
              {"from": "2026-11-26", "to": "2026-12-05", "gramsPerDay": 1}"""),
          Map.entry("DELETE /api/tanks/{id}/sitters/{sitter}", ""),
          Map.entry("GET /api/tanks/{id}/keepers", ""),
          Map.entry(
              "PUT /api/tanks/{id}/keepers",
              """
              {"name": "nobody", "role": "READER", "wholeRoom": false}"""),
          Map.entry("DELETE /api/tanks/{id}/keepers/{name}", ""),
          Map.entry(
              "PUT /api/tanks/{id}/owner",
              """
              {"name": "nobody"}"""),
          Map.entry(
              "POST /api/tanks/{id}/invitations",
              """
              {"role": "READER", "wholeRoom": false}"""),
          Map.entry("DELETE /api/tanks/{id}/invitations", ""),
          Map.entry("GET /api/tanks/{id}/visits", ""),
          Map.entry("GET /api/tanks/{id}/visits/{visit}", ""),
          Map.entry("GET /api/tanks/{id}/visits/{visit}/report.pdf", ""),
          Map.entry("GET /api/tanks/{id}/implied-volume", ""),
          Map.entry("GET /api/tanks/{id}/care", ""),
          Map.entry("GET /api/tanks/{id}/run-sheet", ""),
          Map.entry("GET /api/tanks/{id}/log", ""),
          Map.entry("GET /api/tanks/{id}/log.csv", ""),
          Map.entry("GET /api/tanks/{id}/photos", ""),
          Map.entry("GET /api/tanks/{id}/photos/{photo}", ""),
          Map.entry("DELETE /api/tanks/{id}/photos/{photo}", ""),
          Map.entry("PUT /api/tanks/{id}/photos/{photo}", "picture"),
          Map.entry("GET /api/tanks/{id}/balance", ""),
          Map.entry("GET /api/tanks/{id}/past", ""),
          Map.entry("GET /api/tanks/{id}/file", ""),
          Map.entry("GET /api/tanks/{id}/ledger", ""),
          Map.entry("GET /api/tanks/{id}/working", ""),
          Map.entry("GET /api/tanks/{id}/track-record", ""),
          Map.entry("DELETE /api/tanks/{id}/track-record", ""),
          Map.entry("GET /api/tanks/{id}/then", "?asOf=2026-11-10"),
          Map.entry("GET /api/tanks/{id}/progress", ""),
          Map.entry("GET /api/tanks/{id}/what-ifs", ""),
          Map.entry("GET /api/tanks/{id}/one-off", ""),
          Map.entry("GET /api/tanks/{id}/doses", ""),
          Map.entry("GET /api/tanks/{id}/cycling", ""),
          Map.entry("GET /api/tanks/{id}/bench/kits", ""),
          Map.entry("GET /api/tanks/{id}/minerals", ""),
          Map.entry("GET /api/tanks/{id}/other-views", ""),
          Map.entry(
              "POST /api/tanks/{id}/minerals/flow",
              "{\"nitrateIn\": 20, \"nitrateOut\": 5, \"litresPerHour\": 10}"),
          Map.entry("GET /api/tanks/{id}/trials", ""),
          Map.entry(
              "POST /api/tanks/{id}/trials/beside",
              "{\"begun\": \"2026-10-01\", \"what\": \"less\", \"tank\": \""
                  + UUID.randomUUID()
                  + "\"}"),
          Map.entry(
              "POST /api/tanks/{id}/trials/plan",
              "{\"what\": \"less light\", \"analyte\": \"nitrate\", \"days\": 28}"),
          Map.entry("GET /api/tanks/{id}/trouble", ""),
          Map.entry("GET /api/tanks/{id}/trouble/{sign}", ""),
          Map.entry("DELETE /api/tanks/{id}/what-ifs/{whatIf}", ""),
          Map.entry("GET /api/tanks/{id}/make-up", ""));

  /** Every endpoint of a tank that the application has, found by asking it. */
  private List<String> tankEndpoints() {
    List<String> endpoints = new ArrayList<>();
    server
        .beans()
        .getBean("requestMappingHandlerMapping", RequestMappingHandlerMapping.class)
        .getHandlerMethods()
        .forEach(
            (mapping, method) -> {
              Set<String> paths = mapping.getPatternValues();
              paths.stream()
                  .filter(path -> path.startsWith("/api/tanks/{id}"))
                  .forEach(
                      path ->
                          mapping
                              .getMethodsCondition()
                              .getMethods()
                              .forEach(verb -> endpoints.add(verb + " " + path)));
            });
    return endpoints;
  }

  private static Browser.Answer call(Browser browser, String endpoint, String tank, String line) {
    String path =
        endpoint
            .substring(endpoint.indexOf(' ') + 1)
            .replace("{id}", tank)
            .replace("{line}", line)
            .replace("{entry}", line)
            .replace("{photo}", line)
            .replace("{visit}", line)
            .replace("{sign}", "hair-algae")
            .replace("{name}", "nobody")
            .replace("{sitter}", line)
            .replace("{measurement}", line + "?kit=card")
            .replace("{work}", "test:nitrate")
            .replace("{whatIf}", "5f0c8a9e-58a0-4dd8-9a55-0e1f9d1f4a11");
    String body = BODIES.get(endpoint);
    return switch (endpoint.substring(0, endpoint.indexOf(' '))) {
      case "GET" -> browser.get(path + body);
      case "DELETE" -> browser.delete(path);
      case "PUT" ->
          body.equals("picture")
              ? browser.putPicture(path, new byte[] {1}, "image/jpeg")
              : browser.put(path, body);
      default -> browser.post(path, body);
    };
  }

  @TestFactory
  Stream<DynamicTest> aTankIsReachedByItsOwnerAlone() {
    Browser owner = server.browser().asNewKeeper();
    String tank = owner.newTank();
    String line = owner.note(tank, "no3 20").json().path("id").asString();
    String before = owner.get("/api/tanks/" + tank + "/file").raw().body();
    Browser other = server.browser().asNewKeeper();
    Browser nobody = server.browser();
    List<String> endpoints = tankEndpoints();
    assertThat(endpoints)
        .as("each has a body here")
        .containsExactlyInAnyOrderElementsOf(BODIES.keySet());
    return endpoints.stream()
        .map(
            endpoint ->
                DynamicTest.dynamicTest(
                    endpoint,
                    () -> {
                      assertThat(call(other, endpoint, tank, line).status())
                          .as("somebody else")
                          .isEqualTo(404);
                      assertThat(call(nobody, endpoint, tank, line).status())
                          .as("nobody")
                          .isEqualTo(401);
                      assertThat(owner.get("/api/tanks/" + tank + "/file").raw().body())
                          .isEqualTo(before);
                    }));
  }

  /** Operation by role: who may, may; who may not is told so, and changes nothing. */
  @TestFactory
  Stream<DynamicTest> everyRoleMayWhatTheTableSays() {
    Map<String, Role> least = Rights.all();
    assertThat(least.keySet())
        .as("every operation has a rule")
        .containsExactlyInAnyOrderElementsOf(tankEndpoints());
    Browser owner = server.browser().asNewKeeper();
    String tank = owner.newTank();
    String line = owner.note(tank, "no3 20").json().path("id").asString();
    Map<Role, Browser> keepers = new EnumMap<>(Role.class);
    for (Role role : List.of(Role.READER, Role.HELPER, Role.CO_KEEPER)) {
      Browser keeper = server.browser().asNewKeeper();
      assertThat(
              owner
                  .put(
                      "/api/tanks/" + tank + "/keepers",
                      "{\"name\": \"%s\", \"role\": \"%s\", \"wholeRoom\": false}"
                          .formatted(keeper.name(), role))
                  .status())
          .isEqualTo(204);
      keepers.put(role, keeper);
    }
    return keepers.entrySet().stream()
        .flatMap(
            keeper ->
                least.keySet().stream()
                    // what a lesser role may was seen there
                    .filter(
                        operation ->
                            keeper.getKey() == least.get(operation)
                                || !keeper.getKey().includes(least.get(operation)))
                    .sorted()
                    .map(
                        operation ->
                            DynamicTest.dynamicTest(
                                keeper.getKey() + " " + operation,
                                () -> {
                                  String before =
                                      owner.get("/api/tanks/" + tank + "/file").raw().body();
                                  int status =
                                      call(keeper.getValue(), operation, tank, line).status();
                                  if (keeper.getKey().includes(least.get(operation))) {
                                    assertThat(status).isNotIn(401);
                                    if (!operation.contains("/withdrawn")
                                        && !operation.contains("/keepers/{name}")) {
                                      assertThat(status).isNotEqualTo(403);
                                    }
                                  } else {
                                    assertThat(status).isEqualTo(403);
                                    assertThat(
                                            owner.get("/api/tanks/" + tank + "/file").raw().body())
                                        .isEqualTo(before);
                                  }
                                })));
  }

  /** The documentation tells the same as the code. */
  @Test
  void theTableOfRolesIsWrittenDown() throws Exception {
    Map<String, Role> written = new TreeMap<>();
    for (String row : Files.readAllLines(Path.of("../docs/roles.md"))) {
      String[] cells = row.split("\\|", -1);
      if (cells.length == 4 && cells[1].contains("/api/")) {
        written.put(
            cells[1].replace("`", "").strip(),
            Role.valueOf(cells[2].strip().toUpperCase(Locale.ROOT).replace('-', '_')));
      }
    }
    assertThat(written).isEqualTo(new TreeMap<>(Rights.all()));
  }

  /** Operations that belong to no tank, and who may use them: everybody, or who is signed in. */
  private static final Map<String, Boolean> OPEN_TO_ALL =
      Map.ofEntries(
          Map.entry("GET /api/session", true),
          Map.entry("GET /api/start", true),
          Map.entry("POST /api/demo-sign-in", true),
          Map.entry("POST /api/keepers", true),
          Map.entry("GET /calendar/{token}.ics", true),
          Map.entry("GET /api/sitting/{token}", true),
          Map.entry("POST /api/sitting/{token}", true),
          Map.entry("PUT /api/sitting/{token}/photos/{photo}", true),
          Map.entry("GET /api/account", false),
          Map.entry("GET /api/account/everything.zip", false),
          Map.entry("POST /api/account/leave", false),
          Map.entry("PUT /api/account/password", false),
          Map.entry("DELETE /api/account/sessions/{session}", false),
          Map.entry("POST /api/account/sessions/end-others", false),
          Map.entry("POST /api/account/stay", false),
          Map.entry("GET /api/bench", false),
          Map.entry("DELETE /api/calendar", false),
          Map.entry("GET /api/calendar", false),
          Map.entry("POST /api/calendar", false),
          Map.entry("GET /api/feeder", false),
          Map.entry("GET /api/lists", false),
          Map.entry("POST /api/join", false),
          Map.entry("POST /api/mass", false),
          Map.entry("POST /api/new-tank", false),
          Map.entry("GET /api/practice", false),
          Map.entry("POST /api/practice/{name}", false),
          Map.entry("GET /api/rounds", false),
          Map.entry("GET /api/rounds/known", false),
          Map.entry("GET /api/tanks", false),
          Map.entry("POST /api/tanks", false),
          Map.entry("GET /api/sites", false),
          Map.entry("PUT /api/sites", false),
          Map.entry("GET /api/visits", false),
          Map.entry("PUT /api/units", false),
          Map.entry("GET /api/upkeep", false),
          Map.entry("GET /api/upkeep.ics", false),
          Map.entry("POST /api/volume/box", false),
          Map.entry("POST /api/volume/marker", false),
          Map.entry("POST /api/volume/salt", false));

  /** Every operation of the published description has a rule, here or as a tank's own. */
  @TestFactory
  Stream<DynamicTest> everyOperationOfTheDescriptionHasARule() {
    List<String> operations = new ArrayList<>();
    server
        .browser()
        .asWren()
        .get("/api/openapi")
        .json()
        .path("paths")
        .properties()
        .forEach(
            path ->
                path.getValue()
                    .propertyNames()
                    .forEach(
                        method ->
                            operations.add(method.toUpperCase(Locale.ROOT) + " " + path.getKey())));
    assertThat(operations)
        .allSatisfy(
            operation ->
                assertThat(BODIES.containsKey(operation) || OPEN_TO_ALL.containsKey(operation))
                    .as("a rule for %s", operation)
                    .isTrue());
    return operations.stream()
        .map(
            operation ->
                DynamicTest.dynamicTest(
                    operation,
                    () -> {
                      String method = operation.substring(0, operation.indexOf(' '));
                      String path =
                          operation
                              .substring(operation.indexOf(' ') + 1)
                              .replaceAll("\\{[^}]*}", UUID.randomUUID().toString());
                      int status =
                          server.browser().write(method, path, "{}", "application/json").status();
                      if (OPEN_TO_ALL.getOrDefault(operation, false)) {
                        assertThat(status).isNotIn(401, 403);
                      } else {
                        assertThat(status).isEqualTo(401);
                      }
                    }));
  }

  @Test
  void anotherKeepersTankIdCannotBeTakenOver() {
    Browser owner = server.browser().asNewKeeper();
    String tank = owner.newTank();
    Browser other = server.browser().asNewKeeper();
    assertThat(other.takeIn(tank, Browser.SMALL_TANK).status()).isEqualTo(404);
    assertThat(other.get("/api/rounds").json()).isEmpty();
  }

  @Test
  void aWriteWithoutItsTokenIsRefused() {
    Browser owner = server.browser().asNewKeeper();
    String tank = owner.newTank();
    Browser.Answer answer =
        owner.postWithoutToken(
            "/api/tanks/" + tank + "/log", BODIES.get("POST /api/tanks/{id}/log"));
    assertThat(answer.status()).isEqualTo(403);
    assertThat(answer.raw().headers().firstValue("Content-Type").orElse(""))
        .startsWith("application/problem+json");
  }

  @Test
  void aWrongPasswordIsRefusedAndARightOneOpensASession() {
    Browser browser = server.browser().asNewKeeper();
    assertThat(browser.get("/api/session").json().path("signedIn").asBoolean()).isTrue();
    browser.form("/api/sign-out");
    assertThat(browser.get("/api/rounds").status()).isEqualTo(401);
    browser.get("/api/session");
    Browser.Answer wrong = browser.form("/api/sign-in", "name", "wren", "password", "guessing");
    assertThat(wrong.status()).isEqualTo(401);
    assertThat(wrong.json().path("detail").asString())
        .isEqualTo("Name and password do not go together.");
  }

  @Test
  void passwordsAreStoredHashed() {
    server.browser().asNewKeeper();
    var keepers = server.beans().getBean(org.umberline.server.keeper.Keepers.class);
    assertThat(keepers.findAll())
        .isNotEmpty()
        .allMatch(keeper -> keeper.getPasswordHash().startsWith("{argon2}"));
  }

  @Test
  void anAccountNeedsALongPasswordAndANameNobodyHas() {
    Browser browser = server.browser();
    String body = "{\"id\": \"%s\", \"name\": \"%s\", \"password\": \"%s\"}";
    Browser.Answer answer =
        browser.post("/api/keepers", body.formatted(UUID.randomUUID(), "mole", "short"));
    assertThat(answer.status()).isEqualTo(400);
    assertThat(answer.json().at("/fields/0/field").asString()).isEqualTo("password");
    assertThat(answer.raw().body()).as("a password is not repeated").doesNotContain("short");
    Browser.Answer taken =
        browser.post("/api/keepers", body.formatted(UUID.randomUUID(), "Wren", "long enough now"));
    assertThat(taken.json().at("/fields/0/allowed").asString()).isEqualTo("a name nobody has yet");
  }

  @Test
  void thePageIsServedWithoutASessionAndUnknownPlacesAreThePage() {
    Browser browser = server.browser();
    assertThat(browser.get("/tank/whatever").raw().body()).contains("<title>Umberline");
    assertThat(browser.get("/no-such-file.js").status()).isEqualTo(404);
    assertThat(browser.get("/").raw().headers().firstValue("Content-Security-Policy")).isPresent();
  }
}
