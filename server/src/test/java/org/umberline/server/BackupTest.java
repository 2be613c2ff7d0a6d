package org.umberline.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.UUID;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.jdbc.core.JdbcTemplate;
import org.umberline.server.RunningServer.Running;
import org.umberline.server.photo.PhotoAlbum;
import org.umberline.server.tank.TankRecords;
import org.umberline.tankfile.TankFileWriter;

/** What is backed up while it runs comes back, byte by byte, and only into an empty place. */
@ExtendWith(RunningServer.class)
class BackupTest {
  /** Every tank's file and photos, by what they are of. */
  private static Map<String, byte[]> all(ConfigurableApplicationContext beans) {
    Map<String, byte[]> all = new TreeMap<>();
    TankRecords tanks = beans.getBean(TankRecords.class);
    PhotoAlbum photos = beans.getBean(PhotoAlbum.class);
    List<UUID> owners =
        beans
            .getBean(JdbcTemplate.class)
            .queryForList("SELECT DISTINCT owner_id FROM tank", String.class)
            .stream()
            .map(UUID::fromString)
            .toList();
    for (UUID owner : owners) {
      for (TankRecords.Stored stored : tanks.all(owner)) {
        all.put(
            stored.id() + ".json",
            TankFileWriter.write(stored.tank()).getBytes(StandardCharsets.UTF_8));
        photos
            .of(stored.id())
            .forEach(
                photo ->
                    all.put(
                        stored.id() + "/" + photo.id(), photos.picture(stored.id(), photo.id())));
      }
    }
    return all;
  }

  private static UUID owner(Running running, String tank) {
    return UUID.fromString(
        running
            .beans()
            .getBean(JdbcTemplate.class)
            .queryForObject("SELECT owner_id FROM tank WHERE id = ?", String.class, tank));
  }

  private static byte[] picture() throws IOException {
    ByteArrayOutputStream png = new ByteArrayOutputStream();
    ImageIO.write(new BufferedImage(40, 30, BufferedImage.TYPE_INT_RGB), "png", png);
    return png.toByteArray();
  }

  private static String problem(PrivateDatabase database, String verb, Path file)
      throws IOException, InterruptedException {
    Process process =
        new ProcessBuilder(
                PrivateDatabase.repository().resolve("scripts/database").toString(),
                verb,
                database.folder().toString(),
                file.toString())
            .start();
    String said = new String(process.getErrorStream().readAllBytes(), StandardCharsets.UTF_8);
    assertThat(process.waitFor()).isEqualTo(1);
    return said;
  }

  @Test
  void everyTankAndPhotoComesBack(Running running, @TempDir Path folder) throws Exception {
    Browser keeper = running.browser().asNewKeeper();
    String tank = keeper.newTank();
    keeper.note(tank, "no3 20 # gemessen für die Nachbarin");
    running
        .beans()
        .getBean(PhotoAlbum.class)
        .add(
            UUID.fromString(tank),
            owner(running, tank),
            UUID.randomUUID(),
            "front",
            RunningServer.NOW,
            picture());
    Path file = folder.resolve("all.tar");
    running.database().backup(file);
    assertThat(problem(running.database(), "backup", file)).contains("exists already");

    try (PrivateDatabase other = new PrivateDatabase("test-restored").restore(file).start();
        ConfigurableApplicationContext restored =
            new SpringApplicationBuilder(UmberlineServer.class, RunningServer.StoppedClock.class)
                .run(
                    "--server.port=0",
                    "--logging.level.root=WARN",
                    "--spring.main.banner-mode=off",
                    "--spring.datasource.url=jdbc:mariadb://127.0.0.1:"
                        + other.port()
                        + "/umberline",
                    "--spring.datasource.password=" + other.password())) {
      Map<String, byte[]> before = all(running.beans());
      assertThat(before).containsKey(tank + ".json").hasSizeGreaterThan(6);
      assertThat(before.keySet()).anyMatch(name -> name.startsWith(tank + "/"));
      assertThat(all(restored)).containsExactlyEntriesOf(before);
      assertThat(problem(other, "restore", file)).contains("an empty place only");
    }
  }

  @Test
  void whatIsNoBackupOrDamagedLeavesNothingBehind(Running running, @TempDir Path folder)
      throws Exception {
    Path file = folder.resolve("all.tar");
    running.database().backup(file);
    byte[] whole = Files.readAllBytes(file);
    Path cut = Files.write(folder.resolve("cut.tar"), Arrays.copyOf(whole, 3000));
    byte[] damaged = whole.clone();
    damaged[whole.length / 2] ^= 1;
    Path wrong = Files.write(folder.resolve("wrong.tar"), damaged);
    try (PrivateDatabase other = new PrivateDatabase("test-empty")) {
      assertThat(problem(other, "restore", cut)).contains("no backup, or is cut off");
      assertThat(problem(other, "restore", wrong)).contains("damaged");
      assertThat(other.folder()).doesNotExist();
    }
  }
}
