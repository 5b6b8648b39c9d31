package nightbank.server.log;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.time.Clock;
import java.time.Instant;
import java.util.Objects;
import java.util.UUID;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageReader;
import javax.imageio.ImageWriteParam;
import javax.imageio.ImageWriter;
import javax.imageio.stream.ImageInputStream;
import javax.imageio.stream.ImageOutputStream;
import nightbank.server.change.Changes;
import nightbank.server.change.Reversible;
import nightbank.server.log.internal.PhotoRepository;
import nightbank.server.shared.Problem;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.JsonNode;

/** Photos of a round: checked by what they are, not by what they are called. */
@Service
public class Photos implements Reversible {
  private static final String THERE = "THERE";
  static final int MOST_BYTES = 1_500_000;
  private static final long MOST_PIXELS = 24_000_000;
  private static final String JPEG = "image/jpeg";
  private static final float[] QUALITIES = {0.9f, 0.75f, 0.5f}; // the next where one is too large

  private static final long MOST_KEPT = 2L << 30; // bytes of one holding

  private final PhotoRepository repository;
  private final Changes changes;
  private final Clock clock;

  Photos(PhotoRepository repository, Changes changes, Clock clock) {
    this.repository = repository;
    this.changes = changes;
    this.clock = clock;
  }

  /** A photo as kept. */
  public record Photo(String kind, byte[] bytes) {}

  public Photo get(UUID holding, UUID id) {
    return repository.find(holding, id).orElseThrow(() -> Problem.notFound("photo"));
  }

  /** Keeps a photo; the same id again changes nothing. */
  public void keep(UUID holding, UUID id, UUID round, Instant taken, byte[] bytes) {
    if (bytes.length > MOST_BYTES) {
      throw refused("It has more than 1.5 MB.");
    }
    if (repository.bytes(holding) > MOST_KEPT && !repository.known(holding, id)) {
      throw Problem.full(
          "photo",
          "This holding keeps 2 GB of photos already.",
          "Take old ones away; thirty days later there is room.");
    }
    Photo photo = plain(bytes);
    Instant at = taken == null || taken.isAfter(clock.instant()) ? clock.instant() : taken;
    if (!repository.insert(holding, id, round, at, photo.kind(), photo.bytes())
        && !repository.known(holding, id)) {
      throw Problem.notFound("photo"); // the id is another holding's
    }
  }

  @Transactional
  public void remove(UUID holding, UUID id) {
    get(holding, id);
    put(holding, id.toString(), null);
    changes.made(holding, kind(), id.toString(), "", THERE, null);
  }

  @Override
  public Changes.Kind kind() {
    return Changes.Kind.PHOTO;
  }

  @Override
  public @Nullable String now(UUID holding, String subject) {
    return repository.find(holding, UUID.fromString(subject)).map(p -> THERE).orElse(null);
  }

  @Override
  @Transactional
  public void put(UUID holding, String subject, @Nullable JsonNode state) {
    UUID id = UUID.fromString(subject);
    repository.removed(holding, id, state == null ? clock.instant() : null);
  }

  @Override
  public void forget(Instant before) {
    repository.forget(before);
  }

  /** The picture alone, drawn anew: nothing behind it, before it or said in it is kept. */
  private static Photo plain(byte[] bytes) {
    Seen seen = seen(bytes, true);
    BufferedImage picture = Objects.requireNonNull(seen.picture);
    for (float quality : QUALITIES) {
      byte[] drawn = drawn(picture, seen.kind, quality);
      if (drawn.length <= MOST_BYTES) {
        return new Photo(seen.kind, drawn);
      }
    }
    throw refused("It has more than 1.5 MB.");
  }

  private static byte[] drawn(BufferedImage picture, String kind, float quality) {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    ImageWriter writer = ImageIO.getImageWritersByMIMEType(kind).next();
    try (ImageOutputStream to = ImageIO.createImageOutputStream(out)) {
      writer.setOutput(to);
      ImageWriteParam how = writer.getDefaultWriteParam();
      if (kind.equals(JPEG)) {
        how.setCompressionMode(ImageWriteParam.MODE_EXPLICIT);
        how.setCompressionQuality(quality);
      }
      writer.write(null, new IIOImage(picture, null, null), how);
    } catch (IOException | RuntimeException e) {
      throw refused("This is no photo, or a broken one.");
    } finally {
      writer.dispose();
    }
    return out.toByteArray();
  }

  /** Whether bytes begin as a picture of a kind does. */
  public static boolean is(String kind, byte[] bytes) {
    try {
      return seen(bytes, false).kind.equals(kind);
    } catch (Problem none) {
      return false;
    }
  }

  private record Seen(String kind, @Nullable BufferedImage picture) {}

  /** One at a time: a picture of few bytes may need a lot of memory. */
  private static synchronized Seen seen(byte[] bytes, boolean whole) {
    try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(bytes))) {
      var readers = ImageIO.getImageReaders(in);
      if (!readers.hasNext()) {
        throw refused("This is no photo.");
      }
      ImageReader reader = readers.next();
      try {
        reader.setInput(in, true, true);
        String format = reader.getFormatName().toLowerCase(java.util.Locale.ROOT);
        int wide = reader.getWidth(0);
        int high = reader.getHeight(0);
        if (wide < 1 || high < 1 || (long) wide * high > MOST_PIXELS) {
          throw refused("It has more than 24 million pixels.");
        }
        String kind =
            switch (format) {
              case "jpeg", "jpg" -> JPEG;
              case "png" -> "image/png";
              default -> throw refused("It is a " + format + " file.");
            };
        return new Seen(kind, whole ? reader.read(0) : null);
      } finally {
        reader.dispose();
      }
    } catch (IOException | RuntimeException e) {
      if (e instanceof Problem p) {
        throw p;
      }
      throw refused("This is no photo, or a broken one.");
    }
  }

  private static Problem refused(String reason) {
    return Problem.invalid("photo", reason, "Send a JPEG or PNG of up to 1.5 MB.");
  }
}
