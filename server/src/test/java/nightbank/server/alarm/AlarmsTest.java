package nightbank.server.alarm;

import static org.assertj.core.api.Assertions.assertThat;

import com.sun.net.httpserver.HttpServer;
import jakarta.mail.MessagingException;
import jakarta.mail.Session;
import jakarta.mail.internet.MimeMessage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.CopyOnWriteArrayList;
import nightbank.server.Grounds;
import nightbank.server.Program;
import nightbank.server.Visitor;
import nightbank.server.Visitor.Answer;
import nightbank.standins.mail.MailBox;
import org.jooq.DSLContext;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/**
 * From what goes wrong to the letter, by the clock: every look and telling is at a given moment.
 */
public class AlarmsTest {
  private record Hooked(String signature, String body) {}

  private final List<Hooked> hooked = new CopyOnWriteArrayList<>();
  private HttpServer hook;
  private MailBox box;
  private Program program;
  private Grounds grounds;
  private UUID house;
  private UUID air;
  private String place;
  private Instant now;

  @BeforeClass
  void start() throws IOException {
    box = new MailBox(0, Files.createTempDirectory("mail"));
    hook = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
    hook.createContext(
        "/",
        e -> {
          String body = new String(e.getRequestBody().readAllBytes(), StandardCharsets.UTF_8);
          hooked.add(new Hooked(e.getRequestHeaders().getFirst("Nightbank-Signature"), body));
          e.sendResponseHeaders(204, -1);
          e.close();
        });
    hook.start();
    program =
        Program.start(
            "",
            "--spring.mail.host=127.0.0.1",
            "--spring.mail.port=" + box.port(),
            "--nightbank.address=https://croft.example");
  }

  @AfterClass(alwaysRun = true)
  void stop() throws IOException {
    hook.stop(0);
    box.close();
    program.stopProgram();
  }

  @BeforeMethod
  void newGround() {
    on(Grounds.fresh(program));
  }

  private void on(Grounds own) {
    grounds = own;
    house = grounds.newHouse();
    air = UUID.randomUUID();
    place = grounds.keeper.get(grounds.path("")).body().path("name").asString();
    now = program.bean(Clock.class).instant();
    hooked.clear();
  }

  private String book(String quietFrom, String quietTo, String kinds) {
    return """
        {"on":true,"quietFrom":"%s","quietTo":"%s","againMinutes":30,"recipients":[
         {"id":"%s","name":"Ishbel","mail":"ishbel@example.org","hook":"http://127.0.0.1:%d/hook",
          "secret":"a secret","fahrenheit":false,"kinds":%s}]}
        """
        .formatted(quietFrom, quietTo, UUID.randomUUID(), hook.getAddress().getPort(), kinds);
  }

  private Answer keep(String book, String version) {
    return grounds.keeper.put(grounds.path("/alarm-book"), version, book);
  }

  private void watched(String kinds) {
    Answer kept = keep(book("00:00", "00:00", kinds), "\"0\"");
    assertThat(kept.status()).as(kept.body().toString()).isEqualTo(200);
  }

  /** Tonight's weather by a file: so cold at its coldest. */
  private void weather(double low) {
    StringBuilder csv = new StringBuilder("time,celsius\n");
    Instant first = now.truncatedTo(ChronoUnit.HOURS).minus(Duration.ofHours(2));
    for (int h = 0; h < 40; h++) {
      csv.append(first.plus(Duration.ofHours(h)))
          .append(',')
          .append(low + (h < 4 ? 6 : 0))
          .append('\n');
    }
    Answer kept =
        grounds.keeper.upload(
            grounds.path("/weather"), "w.csv", csv.toString().getBytes(StandardCharsets.UTF_8));
    assertThat(kept.status()).as(kept.body().toString()).isEqualTo(200);
  }

  private void read(double... celsius) {
    String path = grounds.path("/thermometers/" + air);
    String body = "{\"houseId\":\"%s\",\"kind\":\"AIR\",\"name\":\"air\"}".formatted(house);
    assertThat(grounds.keeper.put(path, null, body).status()).isEqualTo(200);
    for (int i = 0; i < celsius.length; i++) {
      Instant at = now.minus(Duration.ofMinutes(10L * (celsius.length - 1 - i)));
      String reading =
          "{\"fahrenheit\":false,\"readings\":[{\"probeId\":\"%s\",\"at\":\"%s\",\"typed\":\"%s\"}]}"
              .formatted(air, at, celsius[i]);
      Answer logged = grounds.keeper.post(grounds.path("/readings"), reading);
      assertThat(logged.status()).as(logged.body().toString()).isEqualTo(200);
    }
  }

  private void at(Instant moment) {
    program.bean(AlarmWatch.class).look(moment);
    program.bean(AlarmTelling.class).tell(moment);
  }

  /** Those of this holding, subject and text. */
  private List<String> letters() {
    return box.letters().stream()
        .map(AlarmsTest::opened)
        .filter(l -> l.contains(place + ":"))
        .toList();
  }

  private static String opened(String letter) {
    try {
      MimeMessage m =
          new MimeMessage(
              (Session) null,
              new ByteArrayInputStream(letter.getBytes(StandardCharsets.ISO_8859_1)));
      return m.getSubject() + "\n" + m.getContent();
    } catch (MessagingException | IOException e) {
      throw new AssertionError(e);
    }
  }

  private void silentLogger() {
    Answer made =
        grounds.keeper.post(grounds.path("/devices"), "{\"name\":\"Shed\",\"channels\":[]}");
    assertThat(made.status()).as(made.body().toString()).isEqualTo(200);
    program
        .bean(DSLContext.class)
        .execute(
            "UPDATE device SET last_seen_at = ?::timestamptz WHERE holding_id = ?",
            now.minus(Duration.ofHours(3)).toString(),
            grounds.holding);
  }

  private JsonNode alarms() {
    return grounds.keeper.get(grounds.path("/alarms")).body();
  }

  private static Instant plus(Instant t, int minutes) {
    return t.plus(Duration.ofMinutes(minutes));
  }

  @Test
  public void aNightThatTurnsLostIsToldOnceByMailAndHookAndAgainUntilSeen() {
    watched("[\"NIGHT\"]");
    weather(6);
    at(now);
    assertThat(letters()).isEmpty();
    weather(-14);
    at(plus(now, 1));
    assertThat(letters()).hasSize(1);
    assertThat(letters().get(0)).contains("Lean-to").contains("https://croft.example/seen/");
    assertThat(hooked).hasSize(1);
    assertThat(hooked.get(0).body()).contains("\"verdict\":\"LOST\"").contains("\"number\":1");
    at(plus(now, 2));
    at(plus(now, 17));
    assertThat(letters()).as("nothing new").hasSize(1);
    at(plus(now, 32));
    assertThat(letters()).hasSize(2);
    String code = hooked.get(0).body().replaceAll("(?s).*/seen/([\\w-]+).*", "$1");
    Visitor anybody = grounds.keeper.stranger();
    assertThat(anybody.post("/api/alarms/seen", "{\"code\":\"" + code + "\"}").status())
        .isEqualTo(200);
    at(plus(now, 65));
    at(plus(now, 200));
    assertThat(letters()).hasSize(2);
    assertThat(alarms().path(0).path("seenBy").asString()).isEqualTo("by its message");
  }

  @Test
  public void whatIsPostedIsSigned() {
    watched("[\"AIR\"]");
    read(1.5);
    at(plus(now, 1));
    Hooked h = hooked.get(0);
    long seconds = Long.parseLong(h.signature().replaceAll("t=(\\d+),.*", "$1"));
    assertThat(h.signature())
        .isEqualTo("t=" + seconds + ",v1=" + Courier.sign("a secret", seconds + "." + h.body()));
    assertThat(seconds).isEqualTo(plus(now, 1).getEpochSecond());
  }

  @Test
  public void inQuietHoursOnlyWhatCannotWaitIsTold() {
    String from = now.minus(Duration.ofHours(1)).atZone(ZoneOffset.UTC).toLocalTime().toString();
    Instant end = now.plus(Duration.ofHours(2)).truncatedTo(ChronoUnit.MINUTES);
    String to = end.atZone(ZoneOffset.UTC).toLocalTime().toString();
    String book = book(from.substring(0, 5), to, "[\"SILENT\",\"AIR\"]");
    assertThat(keep(book, "\"0\"").status()).isEqualTo(200);
    silentLogger();
    at(plus(now, 1));
    assertThat(letters()).isEmpty();
    assertThat(alarms()).hasSize(1);
    read(1.5);
    at(plus(now, 5));
    assertThat(letters()).as("air under the limit wakes").hasSize(1);
    at(end.plusSeconds(1));
    assertThat(letters()).anyMatch(l -> l.contains("The logger Shed has said nothing"));
  }

  @Test
  public void airThatFallsToItsLimitWithinTheHourIsTold() {
    watched("[\"AIR\"]");
    read(5.6, 5.0, 4.4, 3.8); // 3.6 K/h, its plants stand 2 °C
    at(plus(now, 1));
    assertThat(letters()).hasSize(1);
    assertThat(letters().get(0)).contains("falls to 2.0");
  }

  @Test
  public void dryWoodThatWillNotDoForThreeDaysIsToldAndOverWithAStackThatWill() {
    on(Grounds.inWinter(program));
    watched("[\"WOOD\"]");
    for (int day = 2; day <= 6; day += 2) {
      String fire =
          "{\"id\":\"%s\",\"kind\":\"FIRE_LIT\",\"at\":\"%s\",\"note\":\"\",\"amount\":20}"
              .formatted(UUID.randomUUID(), now.minus(Duration.ofDays(day)));
      assertThat(grounds.keeper.post(grounds.path("/events"), fire).status()).isEqualTo(200);
    }
    at(plus(now, 1));
    assertThat(alarms()).as("nobody keeps a stack").isEmpty();
    stack("Green ash", 400, 0.45);
    at(plus(now, 7));
    assertThat(letters()).hasSize(1);
    assertThat(letters().get(0)).contains("Dry wood is short: 0 kg lie ready, the next three days");
    stack("Old ash", 900, 0.14);
    at(plus(now, 13));
    assertThat(alarms().path(0).path("over").isNull()).isFalse();
  }

  private void stack(String name, double kilograms, double moisture) {
    String stack =
        """
        {"name":"%s","kilograms":%s,"thicknessMetres":0.1,"cover":"ROOFED","moisture":%s,"since":"%s"}
        """
            .formatted(name, kilograms, moisture, now.minus(Duration.ofDays(8)));
    String path = grounds.path("/wood/" + UUID.randomUUID());
    assertThat(grounds.keeper.put(path, null, stack).status()).isEqualTo(204);
  }

  @Test
  public void airThatIsWarmOrRisesIsNot() {
    watched("[\"AIR\"]");
    read(3.0, 3.5, 4.0, 4.5);
    at(plus(now, 1));
    assertThat(letters()).isEmpty();
    assertThat(alarms()).isEmpty();
  }

  @Test
  public void whatIsOverIsToldNoMoreAndWhatComesBackSoonIsTheSame() {
    watched("[\"AIR\"]");
    read(1.5);
    at(plus(now, 1));
    read(7, 7, 7);
    at(plus(now, 10));
    assertThat(alarms().path(0).path("over").isNull()).isFalse();
    at(plus(now, 45));
    assertThat(letters()).as("it is over").hasSize(1);
    read(1.4);
    at(plus(now, 50));
    assertThat(letters()).as("told again no sooner than before").hasSize(1);
    assertThat(alarms()).hasSize(1);
  }

  @Test
  public void aLetterThatIsNotTakenIsTriedAgainAndItsWantTold() {
    watched("[\"AIR\"]");
    read(1.5);
    box.refuse(true);
    try {
      at(plus(now, 1));
      assertThat(letters()).isEmpty();
      assertThat(grounds.keeper.get(grounds.path("/alarms/failed")).body().toString())
          .contains("451");
    } finally {
      box.refuse(false);
    }
    at(plus(now, 3));
    assertThat(letters()).hasSize(1);
  }

  @Test
  public void whoIsNotToHearOfAKindDoesNot() {
    watched("[\"NIGHT\"]");
    read(1.5);
    at(plus(now, 1));
    assertThat(letters()).isEmpty();
    assertThat(alarms()).as("the page shows it").hasSize(1);
  }

  @Test
  public void onAPageItIsSeenByOneTouchByThoseWhoMayLog() {
    watched("[\"AIR\"]");
    read(1.5);
    at(plus(now, 1));
    String seen = "/alarms/" + alarms().path(0).path("id").asString() + "/seen";
    Visitor guest = grounds.letIn("guest-" + UUID.randomUUID(), "GUEST");
    assertThat(guest.post(grounds.path(seen), "").status()).isEqualTo(403);
    assertThat(guest.get(grounds.path("/alarm-book")).status()).isEqualTo(403);
    assertThat(grounds.keeper.post(grounds.path(seen), "").status()).isEqualTo(200);
    at(plus(now, 40));
    assertThat(letters()).hasSize(1);
    assertThat(grounds.keeper.post("/api/alarms/seen", "{\"code\":\"guessed\"}").status())
        .isEqualTo(404);
  }

  @Test
  public void nothingIsWatchedThatNobodyAskedFor() {
    read(1.5);
    at(plus(now, 1));
    assertThat(alarms()).isEmpty();
  }

  @DataProvider
  Object[][] wrong() {
    return new Object[][] {
      {"\"quietFrom\":\"00:00\"", "\"quietFrom\":\"late\"", "quietFrom"},
      {"\"againMinutes\":30", "\"againMinutes\":0", "againMinutes"},
      {"ishbel@example.org", "not an address", "mail"},
      {"http://127.0.0.1", "file:///etc", "hook"},
      {"\"name\":\"Ishbel\"", "\"name\":\" \"", "name"},
    };
  }

  @Test(dataProvider = "wrong")
  public void whatCannotBeIsRefusedByItsField(String right, String wrong, String field) {
    Answer refused = keep(book("00:00", "00:00", "[\"AIR\"]").replace(right, wrong), "\"0\"");
    assertThat(refused.status()).as(refused.body().toString()).isEqualTo(422);
    assertThat(refused.body().path("field").asString()).isEqualTo(field);
  }

  @Test
  public void theSecondToChangeTheBookIsTold() {
    watched("[\"AIR\"]");
    assertThat(keep(book("00:00", "00:00", "[]"), "\"0\"").status()).isEqualTo(412);
    assertThat(keep(book("00:00", "00:00", "[]"), "\"1\"").status()).isEqualTo(200);
  }
}
