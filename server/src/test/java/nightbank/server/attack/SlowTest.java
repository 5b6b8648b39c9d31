package nightbank.server.attack;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.net.Socket;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.IntStream;
import nightbank.server.Grounds;
import nightbank.server.Program;
import org.testng.annotations.Test;

/** Whoever sends or takes slowly keeps nobody else waiting. */
public class SlowTest {
  private static final int ROWS = Integer.getInteger("slow.rows", 40_000); // of three readings
  private static final int SENDERS = 250;
  private static final int NIGHTS = 60;

  private final Program program = Program.shared();
  private final Grounds own = Grounds.fresh();

  private Socket open() throws IOException {
    URI address = URI.create(program.address());
    Socket socket = new Socket(address.getHost(), address.getPort());
    socket.setSoTimeout(30_000);
    return socket;
  }

  private double secondsFor(String path) {
    long begun = System.nanoTime();
    assertThat(own.keeper.get(own.path(path)).status()).isEqualTo(200);
    return (System.nanoTime() - begun) / 1e9;
  }

  @Test
  public void twoHundredAndFiftyDribblingSignInsHoldNobodyUp() throws IOException {
    own.newDrum();
    List<Socket> slow = new ArrayList<>();
    try {
      for (int i = 0; i < SENDERS; i++) {
        Socket s = open();
        slow.add(s);
        s.getOutputStream()
            .write(
                ("POST /api/session HTTP/1.1\r\nHost: x\r\nContent-Type: application/json\r\n"
                        + "Content-Length: 60\r\n\r\n{\"lo")
                    .getBytes(StandardCharsets.US_ASCII));
      }
      for (int i = 0; i < 20; i++) {
        assertThat(secondsFor("/stores")).isLessThan(1);
      }
    } finally {
      for (Socket s : slow) {
        s.close();
      }
    }
  }

  @Test
  public void aSlowReaderGetsTheSameFileByteForByteAndHoldsNoConnectionMeanwhile()
      throws IOException {
    UUID store = own.newDrum();
    StringBuilder rows = new StringBuilder("time,core,half,edge\n");
    long from = Instant.parse("2025-01-01T00:00:00Z").getEpochSecond();
    for (int i = 0; i < ROWS; i++) {
      rows.append(Instant.ofEpochSecond(from + 10L * i)).append(',');
      rows.append(20 + i % 300 / 10.0).append(',').append(30 + i % 70).append(",41.5\n");
    }
    own.readIn(own.upload(store, "many.csv", rows.toString().getBytes(StandardCharsets.UTF_8)));
    String file = own.filePath();
    byte[] whole = own.keeper.bytes(file);
    List<Socket> readers = new ArrayList<>();
    for (int i = 0; i < 12; i++) {
      Socket s = open();
      readers.add(s);
      s.getOutputStream()
          .write(
              ("GET %s HTTP/1.1\r\nHost: x\r\nConnection: close\r\nCookie: %s\r\n\r\n"
                      .formatted(file, own.keeper.cookies()))
                  .getBytes(StandardCharsets.US_ASCII));
      assertThat(s.getInputStream().read()).isEqualTo('H');
    }
    for (int i = 0; i < 20; i++) {
      assertThat(secondsFor("/stores")).isLessThan(1);
    }
    for (Socket s : readers) {
      assertThat(body(s.getInputStream())).isEqualTo(whole);
      s.close();
    }
  }

  /** Sixty of ten people, each another night; every one is answered or told to come again. */
  @Test
  public void whileSixtyNightsAreAskedForAnotherReadsOn() {
    List<Grounds> ten = IntStream.range(0, 10).mapToObj(i -> Grounds.fresh()).toList();
    List<UUID> houses = ten.stream().map(Grounds::newHouse).toList();
    own.newDrum();
    ExecutorService askers = Executors.newFixedThreadPool(NIGHTS);
    List<Future<Integer>> asked = new ArrayList<>();
    for (int i = 0; i < NIGHTS; i++) {
      Grounds g = ten.get(i % ten.size());
      String path = g.path("/houses/" + houses.get(i % ten.size()) + "/tonight");
      String night = "{\"lowCelsius\":%s}".formatted(-3 - i / 10.0);
      asked.add(askers.submit(() -> g.keeper.post(path, night).status()));
    }
    List<Double> reads = new ArrayList<>();
    while (reads.size() < 40 || asked.stream().anyMatch(f -> !f.isDone())) {
      reads.add(secondsFor("/stores"));
    }
    askers.shutdown();
    assertThat(asked).allSatisfy(f -> assertThat(f.get()).isIn(200, 429));
    assertThat(asked).anySatisfy(f -> assertThat(f.get()).isEqualTo(200));
    Collections.sort(reads);
    assertThat(reads.get(reads.size() * 95 / 100)).as("95 of 100 are read within").isLessThan(1);
  }

  private static byte[] body(InputStream in) throws IOException {
    ByteArrayOutputStream head = new ByteArrayOutputStream();
    while (!head.toString(StandardCharsets.US_ASCII).endsWith("\r\n\r\n")) {
      head.write(in.read());
    }
    assertThat(head.toString(StandardCharsets.US_ASCII))
        .contains(" 200")
        .contains("Content-Length");
    return in.readAllBytes();
  }
}
