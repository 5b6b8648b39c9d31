package nightbank.standins.logger;

import static org.assertj.core.api.Assertions.assertThat;

import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.regex.Pattern;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** The simulated logger against a deaf ear that writes down what it hears. */
public class LoggerDeviceTest {
  private static final Pattern RECORD =
      Pattern.compile("\"n\":\"([^\"]*)\",\"u\":\"Cel\",\"t\":(-?\\d+),\"v\":(-?[\\d.]+)");

  private final List<String> heard = Collections.synchronizedList(new ArrayList<>());
  private volatile int status = 200;
  private HttpServer ear;

  private record Item(String name, long at, double value) {}

  @BeforeMethod
  void listen() throws IOException {
    heard.clear();
    status = 200;
    ear = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
    ear.createContext(
        "/api/devices/readings",
        e -> {
          String body = new String(e.getRequestBody().readAllBytes(), StandardCharsets.UTF_8);
          if (status == 200) {
            heard.add(body);
          }
          e.sendResponseHeaders(status, -1);
          e.close();
        });
    ear.start();
  }

  @AfterMethod
  void close() {
    ear.stop(0);
  }

  private LoggerDevice logger(LoggerDevice.Fault... faults) {
    return LoggerDevice.sendingTo("http://127.0.0.1:" + ear.getAddress().getPort(), "token")
        .channels("shed:", "core", "edge")
        .startingAt(1_768_900_000L, 3)
        .faults(faults);
  }

  private List<Item> items() {
    List<Item> all = new ArrayList<>();
    for (String pack : heard) {
      RECORD
          .matcher(pack)
          .results()
          .forEach(
              m ->
                  all.add(
                      new Item(
                          m.group(1), Long.parseLong(m.group(2)), Double.parseDouble(m.group(3)))));
    }
    return all;
  }

  @Test
  public void everyMeasurementIsSentOnceInOrder() throws InterruptedException {
    try (LoggerDevice l = logger()) {
      l.run(100);
      assertThat(l.measured()).isEqualTo(200);
      assertThat(l.acknowledged()).isEqualTo(200);
    }
    List<Item> items = items();
    assertThat(items).hasSize(200).doesNotHaveDuplicates();
    assertThat(items.stream().map(Item::at).toList()).isSorted();
  }

  @Test
  public void theSameSeedTellsTheSameStory() throws InterruptedException {
    logger(LoggerDevice.Fault.FAULT_VALUES).run(60);
    List<Item> once = items();
    heard.clear();
    logger(LoggerDevice.Fault.FAULT_VALUES).run(60);
    assertThat(items()).isEqualTo(once);
  }

  @Test
  public void whatIsNotAcknowledgedIsSentAgain() throws InterruptedException {
    try (LoggerDevice l = logger()) {
      status = 503;
      l.run(50);
      assertThat(l.acknowledged()).isZero();
      status = 200;
      l.run(10);
      assertThat(l.acknowledged()).isEqualTo(120);
    }
    assertThat(items()).hasSize(120);
  }

  @DataProvider
  Object[][] faults() {
    return new Object[][] {
      {LoggerDevice.Fault.DROPOUT},
      {LoggerDevice.Fault.STUCK},
      {LoggerDevice.Fault.FAULT_VALUES},
      {LoggerDevice.Fault.DRIFT},
      {LoggerDevice.Fault.WRONG_CLOCK},
      {LoggerDevice.Fault.BURSTS},
      {LoggerDevice.Fault.SWAPPED},
    };
  }

  @Test(dataProvider = "faults")
  public void aFaultShowsInWhatIsSent(LoggerDevice.Fault fault) throws InterruptedException {
    logger().run(240);
    List<Item> sound = items();
    int packs = heard.size();
    heard.clear();
    logger(fault).run(240);
    List<Item> faulty = items();
    switch (fault) {
      case DROPOUT -> assertThat(faulty.size()).isBetween(240, 400);
      case STUCK ->
          assertThat(faulty.stream().filter(i -> i.name().endsWith("core")).map(Item::value))
              .allMatch(v -> Math.abs(v - 22) < 1);
      case FAULT_VALUES ->
          assertThat(faulty).anyMatch(i -> i.value() == -127).anyMatch(i -> i.value() == 85);
      case DRIFT -> assertThat(last(faulty).value()).isGreaterThan(last(sound).value() + 10);
      case WRONG_CLOCK -> assertThat(last(faulty).at() - last(sound).at()).isEqualTo(7200);
      case BURSTS -> assertThat(heard.size()).isLessThan(packs);
      case SWAPPED -> assertThat(last(faulty).name()).isNotEqualTo(last(sound).name());
    }
  }

  @Test
  public void oneThatFollowsTellsAgesBecauseItHasNoClock() throws InterruptedException {
    try (LoggerDevice l =
        LoggerDevice.sendingTo("http://127.0.0.1:" + ear.getAddress().getPort(), "token")
            .at(new HeapLoop())
            .channels("heaploop:", "in", "out")) {
      status = 503;
      l.follow(3, 0);
      assertThat(l.acknowledged()).isZero();
      status = 200;
      l.follow(2, 0);
      assertThat(l.acknowledged()).isEqualTo(10);
    }
    assertThat(items()).hasSize(10).allMatch(i -> i.at() <= 0 && i.at() > -60);
    assertThat(items().stream().map(Item::name)).contains("heaploop:in", "heaploop:out");
  }

  @Test
  public void aHeapsLoopDrawsWhileItsPumpRunsAndRestsBetween() {
    HeapLoop loop = new HeapLoop();
    double running = 0;
    double least = 99;
    for (int minute = 0; minute < 180; minute++) {
      loop.step(60, 16);
      double rise = loop.at(1) - loop.at(0);
      running += minute % 60 > 20 && minute % 60 < 44 ? rise / 69 : 0;
      least = Math.min(least, rise);
      assertThat(loop.at(1)).isBetween(10.0, 52.0);
    }
    assertThat(running).as("warmer coming out while it runs, K").isBetween(1.0, 8.0);
  }

  private static Item last(List<Item> items) {
    return items.get(items.size() - 1);
  }
}
