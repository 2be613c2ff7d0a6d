package org.umberline.server.photo;

import io.github.resilience4j.bulkhead.Bulkhead;
import io.github.resilience4j.bulkhead.BulkheadConfig;
import io.github.resilience4j.bulkhead.BulkheadFullException;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Arrays;
import java.util.Iterator;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.UUID;
import javax.imageio.ImageIO;
import javax.imageio.ImageReadParam;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;
import net.coobird.thumbnailator.Thumbnails;
import net.coobird.thumbnailator.util.exif.ExifFilterUtils;
import net.coobird.thumbnailator.util.exif.ExifUtils;
import net.coobird.thumbnailator.util.exif.Orientation;
import org.springframework.stereotype.Service;
import org.umberline.server.http.Refused;
import org.umberline.server.tank.TankWrites;

/**
 * A tank's photos. Each is drawn anew before it is kept: smaller, upright, and without anything the
 * camera wrote beside the picture, such as where it was taken.
 */
@Service
public class PhotoAlbum {
  private static final long MOST_PIXELS = 40_000_000;
  private static final int LONGEST_SIDE = 1600;
  private static final double QUALITY = 0.85;
  private static final int MOST_PHOTOS = 500;
  private static final Set<String> FORMATS = Set.of("jpeg", "jpg", "png");
  private static final String ALLOWED = "a JPEG or PNG picture of at most 12 MB and 40 megapixels";

  private final Photos photos;
  private final TankWrites writes;
  private final Clock clock;

  /** One picture after the other: each takes memory that many at once do not find. */
  private final Bulkhead drawing =
      Bulkhead.of(
          "photos",
          BulkheadConfig.custom()
              .maxConcurrentCalls(1)
              .maxWaitDuration(Duration.ofSeconds(10))
              .build());

  public PhotoAlbum(Photos photos, TankWrites writes, Clock clock) {
    this.photos = photos;
    this.writes = writes;
    this.clock = clock;
  }

  /** The photos without their pictures, the newest first. */
  public List<Photos.Listed> of(UUID tank) {
    return photos.ofTank(tank);
  }

  /**
   * Keeps a photo; the same picture with the same note under the same id again keeps nothing more.
   */
  public void add(UUID tank, UUID keeper, UUID id, String note, Instant takenAt, byte[] file) {
    byte[] jpeg;
    int width;
    int height;
    try {
      BufferedImage picture = drawing.executeSupplier(() -> drawnAnew(file));
      jpeg = jpeg(picture);
      width = picture.getWidth();
      height = picture.getHeight();
    } catch (BulkheadFullException busy) {
      throw Refused.busy("Other photos are being taken in.");
    }
    writes.write(
        tank,
        keeper,
        locked -> {
          var known = photos.findById(id);
          if (known.isPresent()) {
            if (known.get().getTankId().equals(tank)
                && known.get().getNote().equals(note)
                && Arrays.equals(known.get().getJpeg(), jpeg)) {
              return known.get();
            }
            throw writes.taken(known.get().getTankId(), keeper);
          }
          if (photos.ofTank(tank).size() >= MOST_PHOTOS) {
            throw Refused.field("photo", "one more", "at most " + MOST_PHOTOS + " a tank");
          }
          return photos.saveAndFlush(
              new PhotoEntity(id, tank, takenAt, note, width, height, jpeg)
                  .added(keeper, clock.instant()));
        });
  }

  /**
   * Reads no more of the picture than is kept of it: its size comes from the header, and where it
   * is much larger than what is kept, only every so many pixels are read.
   */
  private static BufferedImage drawnAnew(byte[] file) {
    try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(file))) {
      Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
      if (!readers.hasNext()) {
        throw Refused.field("photo", "no picture", ALLOWED);
      }
      ImageReader reader = readers.next();
      try {
        reader.setInput(in, false, false);
        if (!FORMATS.contains(reader.getFormatName().toLowerCase(Locale.ROOT))) {
          throw Refused.field("photo", "a picture of another kind", ALLOWED);
        }
        int longest = Math.max(reader.getWidth(0), reader.getHeight(0));
        long pixels = (long) reader.getWidth(0) * reader.getHeight(0);
        if (pixels > MOST_PIXELS) {
          throw Refused.field("photo", pixels / 1_000_000 + " megapixels", ALLOWED);
        }
        ImageReadParam every = reader.getDefaultReadParam();
        int step = Math.max(1, longest / (2 * LONGEST_SIDE));
        every.setSourceSubsampling(step, step, 0, 0);
        Orientation turned = orientation(reader);
        BufferedImage read = reader.read(0, every);
        // turned upright by what the camera wrote, which is then left behind
        var upright =
            Thumbnails.of(read)
                .imageType(BufferedImage.TYPE_INT_RGB)
                .addFilter(ExifFilterUtils.getFilterForOrientation(turned));
        boolean small = Math.max(read.getWidth(), read.getHeight()) <= LONGEST_SIDE;
        return (small ? upright.scale(1) : upright.size(LONGEST_SIDE, LONGEST_SIDE))
            .asBufferedImage();
      } finally {
        reader.dispose();
      }
    } catch (IOException | RuntimeException damaged) {
      if (damaged instanceof Refused refused) {
        throw refused;
      }
      throw Refused.field("photo", "damaged", ALLOWED);
    }
  }

  /** How the camera was held; what cannot be read of it counts as upright. */
  private static Orientation orientation(ImageReader reader) {
    try {
      Orientation held = ExifUtils.getExifOrientation(reader, 0);
      return held == null ? Orientation.TOP_LEFT : held;
    } catch (IOException | RuntimeException unreadable) {
      return Orientation.TOP_LEFT;
    }
  }

  private static byte[] jpeg(BufferedImage picture) {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    try {
      Thumbnails.of(picture)
          .scale(1)
          .outputFormat("jpg")
          .outputQuality(QUALITY)
          .toOutputStream(out);
    } catch (IOException e) {
      throw new IllegalStateException("a picture could not be written to memory", e);
    }
    return out.toByteArray();
  }

  /** The picture, as JPEG. */
  public byte[] picture(UUID tank, UUID id) {
    return photos
        .findByIdAndTankId(id, tank)
        .orElseThrow(() -> Refused.notFound("photo"))
        .getJpeg();
  }

  public void remove(UUID tank, UUID keeper, UUID id) {
    writes.run(
        tank,
        keeper,
        locked -> {
          photos.delete(
              photos.findByIdAndTankId(id, tank).orElseThrow(() -> Refused.notFound("photo")));
        });
  }
}
