package nightbank.server.export.internal;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.concurrent.Semaphore;
import java.util.stream.Stream;
import nightbank.server.shared.Problem;
import nightbank.server.shared.Settings;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/**
 * What is handed out as a file: written whole to a disk first, so that it is whole or a refusal,
 * its length is told, and neither the database nor a thread waits for whoever takes it slowly.
 */
@Component
public class Spool {
  private static final int AT_ONCE = 3;
  private static final Duration KEPT = Duration.ofMinutes(5);
  private static final String SENDFILE = "org.apache.tomcat.sendfile.";

  private final Path folder;
  private final Semaphore writing = new Semaphore(AT_ONCE);

  Spool(Settings settings) {
    folder = settings.data().toAbsolutePath().resolve("handouts");
  }

  /** Something that is written in one go. */
  public interface Content {
    void write(OutputStream out) throws IOException;
  }

  public void hand(
      String type,
      String name,
      Content content,
      HttpServletRequest request,
      HttpServletResponse response)
      throws IOException {
    Path file = inTurn(content);
    long length = Files.size(file);
    response.setContentType(type);
    response.setHeader(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"" + name + "\"");
    response.setContentLengthLong(length);
    if (Boolean.TRUE.equals(request.getAttribute(SENDFILE + "support"))) {
      request.setAttribute(SENDFILE + "filename", file.toRealPath().toString());
      request.setAttribute(SENDFILE + "start", 0L);
      request.setAttribute(SENDFILE + "end", length);
    } else {
      Files.copy(file, response.getOutputStream());
      Files.deleteIfExists(file);
    }
  }

  private Path inTurn(Content content) throws IOException {
    if (!writing.tryAcquire()) {
      throw new Problem(
          HttpStatus.TOO_MANY_REQUESTS,
          "busy",
          "",
          "Other files are being written just now.",
          "Try again in a minute.");
    }
    try {
      return written(content);
    } finally {
      writing.release();
    }
  }

  /** The whole of it on this machine's disk; whoever asked takes it away. */
  public Path written(Content content) throws IOException {
    Files.createDirectories(folder);
    Path file = Files.createTempFile(folder, "out", ".part");
    boolean whole = false;
    try (OutputStream out = new BufferedOutputStream(Files.newOutputStream(file))) {
      content.write(out);
      whole = true;
    } finally {
      if (!whole) {
        Files.deleteIfExists(file);
      }
    }
    return file;
  }

  /** Whoever is taking one still has it open; nobody else asks for it again. */
  @Scheduled(fixedDelay = 60_000)
  void forget() throws IOException {
    if (!Files.isDirectory(folder)) {
      return;
    }
    FileTime old = FileTime.from(Instant.now(Clock.systemUTC()).minus(KEPT));
    try (Stream<Path> files = Files.list(folder)) {
      for (Path f : files.toList()) {
        if (Files.getLastModifiedTime(f).compareTo(old) < 0) {
          Files.deleteIfExists(f);
        }
      }
    }
  }
}
