package org.umberline.server.demo;

import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Component;
import org.umberline.core.tank.TankModel;
import org.umberline.core.upkeep.Care;
import org.umberline.core.upkeep.StandardCheck;
import org.umberline.core.upkeep.Task;
import org.umberline.server.keeper.KeeperEntity;
import org.umberline.server.keeper.Keepers;
import org.umberline.server.keeper.UmberlineSettings;
import org.umberline.server.learning.Ahead;
import org.umberline.server.sharing.SharingRecords;
import org.umberline.server.tank.Role;
import org.umberline.server.tank.TankRecords;
import org.umberline.tankfile.TankFileWriter;

/** Loads the invented tanks of Larkfield Hall, once; what is changed afterwards stays. */
@Component
@ConditionalOnProperty("umberline.demo")
class DemoData implements ApplicationRunner {
  private static final Logger LOG = LoggerFactory.getLogger(DemoData.class);

  private static final Map<String, String> SITES =
      Map.of(
          "Stillwater", "Foyer",
          "Paddy", "Reading room",
          "Breakwater", "Main hall",
          "Saltings", "Main hall",
          "Quarry", "Reading room");

  private final Keepers keepers;
  private final TankRecords tanks;
  private final SharingRecords sharing;
  private final PasswordEncoder passwords;
  private final Clock clock;
  private final Ahead ahead;

  DemoData(
      Keepers keepers,
      TankRecords tanks,
      SharingRecords sharing,
      PasswordEncoder passwords,
      Clock clock,
      Ahead ahead) {
    this.ahead = ahead;
    this.keepers = keepers;
    this.tanks = tanks;
    this.sharing = sharing;
    this.passwords = passwords;
    this.clock = clock;
  }

  @Override
  public void run(ApplicationArguments arguments) {
    load();
    // before anybody looks, so that the first look need not wait
    ahead.tanksOf(id(UmberlineSettings.DEMO_KEEPER));
  }

  /** Each step finds what an earlier, broken off loading left, and changes nothing of it. */
  private void load() {
    LocalDate today = LocalDate.now(clock);
    UUID wren = keeper(UmberlineSettings.DEMO_KEEPER);
    keeper(UmberlineSettings.DEMO_CO_KEEPER);
    Set<UUID> known =
        tanks.all(wren).stream().map(TankRecords.Stored::id).collect(Collectors.toSet());
    for (InventedTank invented :
        List.of(
            new Stillwater(today),
            new Paddy(today),
            new Breakwater(today),
            new Saltings(today),
            new Quarry(today))) {
      if (!known.contains(id(invented.name()))) {
        TankModel tank = invented.grow();
        tanks.takeIn(id(tank.name()), wren, TankFileWriter.write(tank));
        tanks.setSite(id(tank.name()), wren, SITES.get(tank.name()));
        LOG.info("Loaded the demo's tank {}", tank.name());
      }
    }
    sharing.give(id("Stillwater"), wren, UmberlineSettings.DEMO_CO_KEEPER, Role.CO_KEEPER, false);
    setFirstCare(
        "Stillwater",
        wren,
        care(
            List.of("heater", "filter"),
            List.of(Task.GLASS),
            new Care.Shelf(
                "nitrate-card",
                Optional.of(today.minusDays(200)),
                Optional.of(today.plusDays(20)),
                OptionalInt.of(14),
                Optional.of(today.plusDays(1)),
                OptionalDouble.empty(),
                Optional.empty(),
                "")));
    setFirstCare(
        "Breakwater",
        wren,
        care(
            List.of("heater", "return pump", "skimmer"),
            List.of(Task.FLOSS, Task.IMPELLER, Task.CALIBRATION),
            new Care.Shelf(
                "nitrate-meter",
                Optional.of(today.minusDays(40)),
                Optional.of(today.plusDays(300)),
                OptionalInt.of(60),
                Optional.of(today.plusDays(1)),
                OptionalDouble.empty(),
                Optional.of(new StandardCheck(today.minusDays(12), 10, 12.5)),
                "")));
  }

  private void setFirstCare(String tank, UUID wren, Care care) {
    TankRecords.Stored stored = tanks.one(id(tank), wren);
    if (stored.careVersion() == 0) {
      tanks.setCare(stored.id(), wren, 0, any -> care);
    }
  }

  private static Care care(List<String> devices, List<Task> tasks, Care.Shelf kit) {
    return new Care(
        OptionalDouble.of(10),
        OptionalDouble.of(20),
        OptionalDouble.empty(),
        OptionalDouble.of(55),
        OptionalDouble.of(11),
        devices,
        Care.FILTER_DAYS,
        tasks,
        List.of(),
        List.of(),
        List.of(kit));
  }

  /** Nobody knows this password: the demo's keepers sign in by a button alone. */
  private UUID keeper(String name) {
    return keepers
        .findById(id(name))
        .or(() -> keepers.findBySignInName(name))
        .orElseGet(
            () ->
                keepers.save(
                    new KeeperEntity(
                        id(name),
                        name,
                        passwords.encode(UUID.randomUUID().toString()),
                        clock.instant())))
        .getId();
  }

  private static UUID id(String name) {
    return UUID.nameUUIDFromBytes(("larkfield-hall/" + name).getBytes(StandardCharsets.UTF_8));
  }
}
