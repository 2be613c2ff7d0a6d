package org.umberline.server.account;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.time.ZoneId;
import java.util.List;
import java.util.UUID;
import java.util.stream.Stream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.springframework.stereotype.Component;
import org.umberline.server.http.Downloads;
import org.umberline.server.photo.PhotoAlbum;
import org.umberline.server.photo.Photos;
import org.umberline.server.site.SiteRecords;
import org.umberline.server.tank.TankRecords;
import org.umberline.server.visit.VisitAnswers;
import org.umberline.tankfile.TankFileWriter;
import tools.jackson.databind.json.JsonMapper;

/**
 * Writes all that a keeper has: for each tank its file, its photos and its visits; and his rooms.
 */
@Component
class Everything {
  private final TankRecords tanks;
  private final PhotoAlbum photos;
  private final VisitAnswers visits;
  private final SiteRecords sites;
  private final JsonMapper json;

  Everything(
      TankRecords tanks,
      PhotoAlbum photos,
      VisitAnswers visits,
      SiteRecords sites,
      JsonMapper json) {
    this.sites = sites;
    this.tanks = tanks;
    this.photos = photos;
    this.visits = visits;
    this.json = json;
  }

  /** Writes a ZIP file, one tank after the other: no more than a photo is held at once. */
  void write(UUID keeper, OutputStream out) throws IOException {
    List<TankRecords.Stored> all =
        Stream.concat(tanks.all(keeper).stream(), tanks.putAway(keeper).stream()).toList();
    try (ZipOutputStream zip = new ZipOutputStream(out, StandardCharsets.UTF_8)) {
      put(
          zip,
          "rooms.json",
          json.writerWithDefaultPrettyPrinter().writeValueAsBytes(sites.all(keeper)));
      for (TankRecords.Stored stored : all) {
        // two tanks may have one name
        String name = Downloads.fileName(stored.tank());
        String folder = name + "-" + stored.id().toString().substring(0, 8);
        put(
            zip,
            folder + "/" + name + ".umberline.json",
            TankFileWriter.write(stored.tank()).getBytes(StandardCharsets.UTF_8));
        put(
            zip,
            folder + "/visits.json",
            json.writerWithDefaultPrettyPrinter().writeValueAsBytes(visits.all(stored)));
        ZoneId zone = stored.tank().timeZone();
        for (Photos.Listed photo : photos.of(stored.id())) {
          put(
              zip,
              folder
                  + "/photos/"
                  + photo.takenAt().atZone(zone).toLocalDate()
                  + "-"
                  + photo.id().toString().substring(0, 8)
                  + ".jpg",
              photos.picture(stored.id(), photo.id()));
        }
      }
    }
  }

  private static void put(ZipOutputStream zip, String name, byte[] content) throws IOException {
    zip.putNextEntry(new ZipEntry(name));
    zip.write(content);
    zip.closeEntry();
  }
}
