package nightbank.server.shared;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import org.springframework.web.servlet.HandlerExceptionResolver;

/**
 * How large a request may be, before anybody looks at what is in it: small at the door, where no
 * one is known yet. Files have limits of their own where they are taken in.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class BodyLimits extends OncePerRequestFilter {
  private static final int DOOR = 16 * 1024;
  private static final int USUAL = 4 * 1024 * 1024;
  private static final List<String> DOORS = List.of("/api/session", "/api/setup");

  private static final String PACKS =
      "/api/devices/readings"; // cut off as they are read, and told to their owner

  private final HandlerExceptionResolver problems;

  BodyLimits(@Qualifier("handlerExceptionResolver") HandlerExceptionResolver problems) {
    this.problems = problems;
  }

  /** What somebody sends is larger than it may be. */
  static final class TooLarge extends IOException {
    private static final long serialVersionUID = 1L;

    TooLarge(int most) {
      super("A request here has at most " + most / 1024 + " kB.");
    }

    Problem problem() {
      return new Problem(
          HttpStatus.CONTENT_TOO_LARGE, "too-large", "", getMessage(), "Send less at once.");
    }
  }

  @Override
  protected boolean shouldNotFilter(HttpServletRequest request) {
    String type = request.getContentType();
    return PACKS.equals(request.getRequestURI())
        || type != null && type.regionMatches(true, 0, "multipart/", 0, 10);
  }

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    int most = DOORS.contains(request.getRequestURI()) ? DOOR : USUAL;
    if (request.getContentLengthLong() > most) {
      problems.resolveException(request, response, null, new TooLarge(most).problem());
      return;
    }
    chain.doFilter(
        request.getContentLengthLong() >= 0 ? request : new Counted(request, most), response);
  }

  /** A body whose length nobody told, counted as it is read. */
  private static final class Counted extends HttpServletRequestWrapper {
    private final int most;

    Counted(HttpServletRequest request, int most) {
      super(request);
      this.most = most;
    }

    @Override
    public ServletInputStream getInputStream() throws IOException {
      return new CountedStream(super.getInputStream(), most);
    }

    @Override
    public BufferedReader getReader() throws IOException {
      return new BufferedReader(new InputStreamReader(getInputStream(), StandardCharsets.UTF_8));
    }
  }

  private static final class CountedStream extends ServletInputStream {
    private final ServletInputStream in;
    private final int most;
    private int read;

    CountedStream(ServletInputStream in, int most) {
      this.in = in;
      this.most = most;
    }

    private int count(int n) throws IOException {
      read += Math.max(0, n);
      if (read > most) {
        throw new TooLarge(most);
      }
      return n;
    }

    @Override
    public int read() throws IOException {
      int b = in.read();
      count(b < 0 ? 0 : 1);
      return b;
    }

    @Override
    public int read(byte[] target, int from, int length) throws IOException {
      return count(in.read(target, from, length));
    }

    @Override
    public boolean isFinished() {
      return in.isFinished();
    }

    @Override
    public boolean isReady() {
      return in.isReady();
    }

    @Override
    public void setReadListener(ReadListener listener) {
      in.setReadListener(listener);
    }
  }
}
