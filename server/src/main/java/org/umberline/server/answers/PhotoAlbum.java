package org.umberline.server.answers;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.time.Clock;
import java.time.Instant;
import java.util.Iterator;
import java.util.List;
import java.util.UUID;
import javax.imageio.ImageIO;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;
import net.coobird.thumbnailator.Thumbnails;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import org.umberline.server.failure.Refused;
import org.umberline.server.persistence.PhotoEntity;
import org.umberline.server.persistence.Photos;

/**
 * A tank's photos. Each is drawn anew before it is kept: smaller, upright, and without anything the
 * camera wrote beside the picture, such as where it was taken.
 */
@Service
public class PhotoAlbum {
  /** Largest file that is taken, bytes. */
  public static final int MOST_BYTES = 12_000_000;

  private static final long MOST_PIXELS = 60_000_000;
  private static final int LONGEST_SIDE = 1600;
  private static final double QUALITY = 0.85;
  private static final int MOST_PHOTOS = 500;
  private static final String ALLOWED = "a JPEG or PNG picture of at most 12 MB and 60 megapixels";

  private final Photos photos;
  private final TransactionTemplate transaction;
  private final Clock clock;

  public PhotoAlbum(Photos photos, TransactionTemplate transaction, Clock clock) {
    this.photos = photos;
    this.transaction = transaction;
    this.clock = clock;
  }

  /** The photos without their pictures, the newest first. */
  public List<Photos.Listed> of(UUID tank) {
    return photos.ofTank(tank);
  }

  /** Keeps a photo; the same id again keeps nothing more. */
  public void add(UUID tank, UUID keeper, UUID id, String note, Instant takenAt, byte[] file) {
    BufferedImage picture = drawnAnew(file);
    byte[] jpeg = jpeg(picture);
    transaction.executeWithoutResult(
        status -> {
          var known = photos.findById(id);
          if (known.isPresent()) {
            if (!known.get().getTankId().equals(tank)) {
              throw Refused.conflict("The id is taken; use a new one.");
            }
            return;
          }
          if (photos.ofTank(tank).size() >= MOST_PHOTOS) {
            throw Refused.field("photo", "one more", "at most " + MOST_PHOTOS + " a tank");
          }
          photos.save(
              new PhotoEntity(
                      id, tank, takenAt, note, picture.getWidth(), picture.getHeight(), jpeg)
                  .added(keeper, clock.instant()));
        });
  }

  private static BufferedImage drawnAnew(byte[] file) {
    try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(file))) {
      Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
      if (!readers.hasNext()) {
        throw Refused.field("photo", "no picture", ALLOWED);
      }
      ImageReader reader = readers.next();
      reader.setInput(in, true, true);
      long pixels = (long) reader.getWidth(0) * reader.getHeight(0);
      reader.dispose();
      if (pixels > MOST_PIXELS) {
        throw Refused.field("photo", pixels / 1_000_000 + " megapixels", ALLOWED);
      }
      // turned upright by what the camera wrote, which is then left behind
      return Thumbnails.of(new ByteArrayInputStream(file))
          .size(LONGEST_SIDE, LONGEST_SIDE)
          .imageType(BufferedImage.TYPE_INT_RGB)
          .asBufferedImage();
    } catch (IOException | IllegalArgumentException damaged) {
      throw Refused.field("photo", "damaged", ALLOWED);
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

  public void remove(UUID tank, UUID id) {
    transaction.executeWithoutResult(
        status ->
            photos.delete(
                photos.findByIdAndTankId(id, tank).orElseThrow(() -> Refused.notFound("photo"))));
  }
}
