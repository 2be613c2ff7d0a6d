package org.umberline.server.sharing;

import static org.umberline.server.tank.Role.CO_KEEPER;
import static org.umberline.server.tank.Role.HELPER;
import static org.umberline.server.tank.Role.OWNER;
import static org.umberline.server.tank.Role.READER;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.springframework.http.HttpStatus;
import org.umberline.server.http.Refused;
import org.umberline.server.tank.Role;

/** Who may do what in a tank: the least role for every operation. docs/roles.md tells the same. */
public final class Rights {
  /** What every path of a tank begins with. */
  public static final String TANK = "/api/tanks/{id}";

  private static final Map<Role, List<String>> LEAST =
      Map.of(
          READER,
          List.of(
              "GET /balance",
              "GET /past",
              "GET /bench/kits",
              "GET /care",
              "GET /cycling",
              "GET /doses",
              "GET /file",
              "GET /implied-volume",
              "GET /keepers",
              "GET /ledger",
              "GET /log",
              "GET /log.csv",
              "GET /make-up",
              "GET /minerals",
              "GET /one-off",
              "GET /other-views",
              "GET /photos",
              "GET /photos/{photo}",
              "GET /progress",
              "GET /run-sheet",
              "GET /then",
              "GET /track-record",
              "GET /trials",
              "GET /trouble",
              "GET /trouble/{sign}",
              "GET /visits",
              "GET /visits/{visit}",
              "GET /visits/{visit}/report.pdf",
              "GET /what-ifs",
              "GET /working",
              // worked out and not kept
              "POST /absence",
              "POST /bench/result",
              "POST /doses/adsorber",
              "POST /doses/carbon",
              "POST /doses/conditioner",
              "POST /doses/peroxide",
              "POST /doses/precipitant",
              "POST /doses/pump",
              "POST /doses/raise",
              "POST /make-up/effect",
              "POST /minerals/flow",
              "POST /readings",
              "POST /trials/beside",
              "POST /trials/plan",
              "POST /run-sheet/salt",
              "POST /table/preview",
              "POST /what-if",
              // everybody may leave; whoever sends others away is its owner
              "DELETE /keepers/{name}"),
          HELPER,
          List.of(
              "POST /log",
              // a line of his own
              "PUT /log/{line}/withdrawn",
              "PUT /bench/measurements/{measurement}",
              "PUT /photos/{photo}"),
          CO_KEEPER,
          List.of(
              "DELETE /photos/{photo}",
              "DELETE /sitters/{sitter}",
              "GET /sitters",
              "POST /sitters",
              "DELETE /track-record",
              "DELETE /what-ifs/{whatIf}",
              "POST /log/entries/{entry}/correction",
              "POST /table",
              "POST /visits",
              "PUT /care",
              "PUT /lines",
              "PUT /log/entries/{entry}/withdrawn",
              "PUT /make-up",
              "PUT /put-away",
              "PUT /routine",
              "PUT /site",
              "PUT /upkeep/{work}",
              "PUT /visits/{visit}/end",
              "PUT /what-ifs/{whatIf}"),
          OWNER,
          List.of(
              "DELETE ",
              "DELETE /invitations",
              "POST /bring-back",
              "POST /invitations",
              "PUT /keepers",
              "PUT /owner"));

  private static final Map<String, Role> BY_OPERATION =
      LEAST.entrySet().stream()
          .flatMap(
              rule -> rule.getValue().stream().map(path -> Map.entry(whole(path), rule.getKey())))
          .collect(Collectors.toUnmodifiableMap(Map.Entry::getKey, Map.Entry::getValue));

  private Rights() {}

  private static String whole(String operation) {
    int space = operation.indexOf(' ');
    return operation.substring(0, space + 1) + TANK + operation.substring(space + 1);
  }

  /** The least role for each operation, such as {@code GET /api/tanks/{id}/log}. */
  public static Map<String, Role> all() {
    return BY_OPERATION;
  }

  /** Empty where nobody said: then nobody may. */
  static Optional<Role> leastFor(String method, String path) {
    return Optional.ofNullable(BY_OPERATION.get(method + " " + path));
  }

  /** Tells a keeper what his role lets him do, where it lets him do no more. */
  static Refused refusal(Role role) {
    return new Refused(
        HttpStatus.FORBIDDEN,
        switch (role) {
          case READER -> "You may look at this tank, and change nothing in it.";
          case HELPER -> "You may note what was done and measured in this tank, and no more.";
          case CO_KEEPER, OWNER -> "Only the owner of this tank may do that.";
        },
        List.of());
  }
}
