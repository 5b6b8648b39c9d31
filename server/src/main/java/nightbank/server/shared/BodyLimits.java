package nightbank.server.shared;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.BufferedReader;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.net.SocketTimeoutException;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Semaphore;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import org.springframework.web.servlet.HandlerExceptionResolver;

/**
 * What a request brings, read whole before anybody looks who asks or touches the database: so large
 * at the most (small at the door, where no one is known yet), within so long, and so many at once
 * that some threads stay for everybody else. Files are read where they are taken in.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 1)
class BodyLimits extends OncePerRequestFilter {
  private static final int DOOR = 16 * 1024;
  private static final int USUAL = 4 * 1024 * 1024;
  private static final List<String> DOORS =
      List.of("/api/session", "/api/setup", "/api/people", "/api/passwords", "/api/alarms/seen");
  private static final int AT_ONCE = 120; // of the container's 200 threads
  private static final int OF_ONE = 40; // from one address
  private static final Duration LONGEST = Duration.ofSeconds(20);

  private static final String PACKS =
      "/api/devices/readings"; // cut off as they are read, and told to their owner

  private final HandlerExceptionResolver problems;
  private final Semaphore all = new Semaphore(AT_ONCE);
  private final Map<String, Integer> byAddress = new ConcurrentHashMap<>();

  BodyLimits(@Qualifier("handlerExceptionResolver") HandlerExceptionResolver problems) {
    this.problems = problems;
  }

  @Override
  protected boolean shouldNotFilter(HttpServletRequest request) {
    return request.getContentLengthLong() <= 0 && request.getHeader("Transfer-Encoding") == null;
  }

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    String from = request.getRemoteAddr();
    if (!enter(from)) {
      response.setHeader("Retry-After", "5");
      hangUp(request, response);
      problems.resolveException(request, response, null, tooMany());
      return;
    }
    HttpServletRequest read;
    boolean file = isFile(request);
    try {
      if (file) {
        chain.doFilter(request, response);
        return;
      }
      read = new Read(request, body(request));
    } catch (Problem p) {
      if (p.status() == HttpStatus.REQUEST_TIMEOUT) {
        hangUp(request, response);
      }
      problems.resolveException(request, response, null, p);
      return;
    } finally {
      leave(from);
    }
    chain.doFilter(read, response);
  }

  /** The container is not to wait for the rest of what is sent. */
  private static void hangUp(HttpServletRequest request, HttpServletResponse response) {
    response.setHeader("Connection", "close");
    if (request.getAttribute(Refusals.HANG_UP) instanceof Runnable unread) {
      unread.run();
    }
  }

  private static boolean isFile(HttpServletRequest request) {
    String type = request.getContentType();
    return type != null && type.regionMatches(true, 0, "multipart/", 0, 10);
  }

  private boolean enter(String from) {
    if (!all.tryAcquire()) {
      return false;
    }
    if (byAddress.merge(from, 1, Integer::sum) > OF_ONE) {
      leave(from);
      return false;
    }
    return true;
  }

  private void leave(String from) {
    byAddress.computeIfPresent(from, (k, n) -> n == 1 ? null : n - 1);
    all.release();
  }

  private static byte[] body(HttpServletRequest request) throws IOException {
    String path = request.getRequestURI().substring(request.getContextPath().length());
    boolean pack = PACKS.equals(path);
    int most = DOORS.contains(path) ? DOOR : USUAL;
    if (request.getContentLengthLong() > most && !pack) {
      throw tooLarge(most);
    }
    long until = System.nanoTime() + LONGEST.toNanos();
    ByteArrayOutputStream body = new ByteArrayOutputStream();
    byte[] some = new byte[16 * 1024];
    InputStream in = request.getInputStream();
    try {
      for (int n = in.read(some); n >= 0; n = in.read(some)) {
        body.write(some, 0, n);
        if (body.size() > most) {
          if (pack) {
            break;
          }
          throw tooLarge(most);
        }
        if (System.nanoTime() > until) {
          throw tooSlow();
        }
      }
    } catch (SocketTimeoutException silent) {
      throw tooSlow();
    }
    return body.toByteArray();
  }

  private static Problem tooLarge(int most) {
    return new Problem(
        HttpStatus.CONTENT_TOO_LARGE,
        "too-large",
        "",
        "A request here has at most " + most / 1024 + " kB.",
        "Send less at once.");
  }

  private static Problem tooSlow() {
    return new Problem(
        HttpStatus.REQUEST_TIMEOUT,
        "too-slow",
        "",
        "What was sent did not arrive within " + LONGEST.toSeconds() + " seconds.",
        "Nothing was saved. Send it again where the signal is better.");
  }

  private static Problem tooMany() {
    return new Problem(
        HttpStatus.SERVICE_UNAVAILABLE,
        "too-many-at-once",
        "",
        "Too much is being sent at once.",
        "Nothing was saved. Try again in a few seconds.");
  }

  /** A request whose body has arrived. */
  private static final class Read extends HttpServletRequestWrapper {
    private final byte[] body;

    Read(HttpServletRequest request, byte[] body) {
      super(request);
      this.body = body;
    }

    @Override
    public ServletInputStream getInputStream() {
      return new Kept(body);
    }

    @Override
    public BufferedReader getReader() {
      return new BufferedReader(new InputStreamReader(getInputStream(), StandardCharsets.UTF_8));
    }
  }

  private static final class Kept extends ServletInputStream {
    private final ByteArrayInputStream in;

    Kept(byte[] body) {
      in = new ByteArrayInputStream(body);
    }

    @Override
    public int read() {
      return in.read();
    }

    @Override
    public int read(byte[] target, int from, int length) {
      return in.read(target, from, length);
    }

    @Override
    public boolean isFinished() {
      return in.available() == 0;
    }

    @Override
    public boolean isReady() {
      return true;
    }

    @Override
    public void setReadListener(ReadListener listener) {
      throw new IllegalStateException("what has arrived is not waited for");
    }
  }
}
