package nightbank.server.attack;

import java.io.BufferedInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.net.Socket;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;

/** Requests byte by byte, as no well-bred client would send them. */
final class RawHttp {
  private static final int PATIENCE = 15_000; // ms
  private static final int MOST = 200_000;

  private final URI address;

  RawHttp(String address) {
    this.address = URI.create(address);
  }

  /** What came back; the body of a refusal only. */
  record Answer(int status, Map<String, String> headers, String body, double seconds) {}

  Answer send(String method, String target, Map<String, String> headers, byte[] body)
      throws IOException {
    long begun = System.nanoTime();
    try (Socket socket = new Socket(address.getHost(), address.getPort())) {
      socket.setSoTimeout(PATIENCE);
      StringBuilder head = new StringBuilder(method + " " + target + " HTTP/1.1\r\n");
      head.append("Host: 127.0.0.1\r\nConnection: close\r\n");
      headers.forEach((k, v) -> head.append(k).append(": ").append(v).append("\r\n"));
      head.append("Content-Length: ").append(body.length).append("\r\n\r\n");
      ByteArrayOutputStream all = new ByteArrayOutputStream();
      all.write(head.toString().getBytes(StandardCharsets.ISO_8859_1));
      all.write(body);
      try {
        socket.getOutputStream().write(all.toByteArray());
      } catch (IOException refused) {
        // refused before all was sent: the answer lies there to be read
      }
      InputStream in = new BufferedInputStream(socket.getInputStream());
      String status = line(in);
      Map<String, String> got = new LinkedHashMap<>();
      for (String line = line(in); !line.isEmpty(); line = line(in)) {
        int colon = line.indexOf(':');
        got.put(
            line.substring(0, colon).toLowerCase(Locale.ROOT), line.substring(colon + 1).strip());
      }
      double seconds = (System.nanoTime() - begun) / 1e9;
      int code = status.length() < 12 ? 0 : Integer.parseInt(status.substring(9, 12));
      String text = code < 400 ? "" : new String(in.readNBytes(MOST), StandardCharsets.UTF_8);
      return new Answer(code, got, text, seconds);
    }
  }

  private static String line(InputStream in) throws IOException {
    ByteArrayOutputStream line = new ByteArrayOutputStream();
    for (int b = in.read(); b >= 0 && b != '\n'; b = in.read()) {
      if (b != '\r') {
        line.write(b);
      }
    }
    return line.toString(StandardCharsets.UTF_8);
  }
}
