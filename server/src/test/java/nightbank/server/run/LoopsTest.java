package nightbank.server.run;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.util.UUID;
import java.util.function.IntToDoubleFunction;
import nightbank.server.Grounds;
import nightbank.server.Visitor.Answer;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** A drum on a water loop that is charged for four hours and emptied for two. */
public class LoopsTest {
  private static final int MINUTES = 360;
  private static final double RATE = 0.02 * 4180; // W/K

  private Grounds grounds;
  private UUID store;
  private Instant end;

  @BeforeClass
  void drumOnALoop() {
    grounds = Grounds.fresh();
    store = UUID.randomUUID();
    String drum =
        Grounds.drum(store, "Drum")
            .replaceAll(
                "\"zone\":\\{[^}]*\\}",
                "\"zone\":{\"reachFraction\":0.6,\"lowFraction\":0.1,\"highFraction\":0.9},"
                    + "\"led\":{\"way\":\"COIL\",\"carrying\":\"WATER\",\"lengthMetres\":12,"
                    + "\"diameterMetres\":0.015,\"wallMetres\":0.001,\"spacingMetres\":0.06}")
            .replace(
                "\"probes\":[",
                "\"probes\":["
                    + "{\"id\":\"%s\",\"kind\":\"INLET\",\"name\":\"in\",\"radiusFraction\":1,\"heightFraction\":0.1},"
                        .formatted(Grounds.probeId(store, "in"))
                    + "{\"id\":\"%s\",\"kind\":\"OUTLET\",\"name\":\"out\",\"radiusFraction\":1,\"heightFraction\":0.9},"
                        .formatted(Grounds.probeId(store, "out")));
    Answer made = grounds.keeper.post(grounds.path("/stores"), drum);
    assertThat(made.status()).as(made.body().toString()).isEqualTo(200);
    grounds.newPart(
        "{\"kind\":\"CIRCUIT\",\"carries\":\"WATER\",\"kilogramsPerSecond\":0.02,\"machineWatts\":20,\"ends\":[{\"kind\":\"HELD\",\"celsius\":50},{\"kind\":\"THROUGH\",\"storeId\":\"%s\"}],\"control\":{\"runs\":\"BY_HAND\"}}"
            .formatted(store));
    end = Instant.parse(grounds.keeper.get("/api/me").body().path("now").asString());
    read("in", m -> m < 240 ? 45 : 20);
    read("out", m -> m < 240 ? 35 : 24);
    read("core", m -> m < 240 ? 15 + m / 12.0 : 35 - (m - 240) / 40.0);
    read("air", m -> 6 + Math.sin(m / 50.0));
  }

  private void read(String probe, IntToDoubleFunction celsius) {
    StringBuilder rows = new StringBuilder();
    for (int m = 0; m <= MINUTES; m += 5) {
      rows.append(rows.isEmpty() ? "" : ",")
          .append(
              "{\"probeId\":\"%s\",\"at\":\"%s\",\"typed\":\"%.2f\"}"
                  .formatted(
                      Grounds.probeId(store, probe),
                      end.minusSeconds(60L * (MINUTES - m)),
                      celsius.applyAsDouble(m)));
    }
    Answer a =
        grounds.keeper.post(
            grounds.path("/readings"), "{\"fahrenheit\":false,\"readings\":[" + rows + "]}");
    assertThat(a.status()).as(a.body().toString()).isEqualTo(200);
  }

  @Test
  public void aLoopThatEmptiesWhatItShouldChargeIsSaidAtOnce() {
    JsonNode loops = grounds.keeper.get(grounds.path("/loops")).body();
    assertThat(loops.size()).isEqualTo(1);
    JsonNode loop = loops.path(0);
    assertThat(loop.path("emptying").asBoolean()).isTrue();
    assertThat(loop.path("wattsNow").asDouble()).isCloseTo(-4 * RATE, within(1.0));
    assertThat(loop.path("turnedAt").asLong())
        .isBetween(
            end.minusSeconds(7200 + 300).getEpochSecond(), end.minusSeconds(7200).getEpochSecond());
  }

  @Test
  public void theRunsLedgerTakesWhatTheLoopBroughtForWhatWasCharged() {
    Answer made =
        grounds.keeper.post(
            grounds.path("/stores/" + store + "/runs"),
            "{\"id\":\"%s\",\"name\":\"Loop\",\"from\":\"%s\",\"to\":\"%s\"}"
                .formatted(UUID.randomUUID(), end.minusSeconds(60L * MINUTES), end));
    JsonNode sheet =
        grounds
            .keeper
            .get(grounds.path("/runs/" + made.body().path("id").asString() + "/judgement"))
            .body();
    double charged = 10 * RATE * 4 * 3600;
    assertThat(sheet.path("loop").path("charged").asDouble())
        .isCloseTo(charged, within(0.02 * charged));
    assertThat(sheet.path("ledger").path("charged").asDouble())
        .isEqualTo(sheet.path("loop").path("charged").asDouble());
    assertThat(sheet.path("findings").toString())
        .contains("LOOP_CHARGED")
        .contains("LOOP_DREW")
        .contains("LOOP_TURNED");
    assertThat(sheet.path("ledger").path("delivered").asDouble())
        .as("what the loop drew reached the house")
        .isGreaterThan(3 * RATE * 2 * 3600);
  }

  @Test(
      dependsOnMethods = {
        "aLoopThatEmptiesWhatItShouldChargeIsSaidAtOnce",
        "theRunsLedgerTakesWhatTheLoopBroughtForWhatWasCharged"
      })
  public void aPumpThatWasSwitchedOffCarriesNothingFromThenOn() {
    Instant off = end.minusSeconds(5400);
    String event =
        "{\"id\":\"%s\",\"storeId\":\"%s\",\"kind\":\"PUMP\",\"way\":\"%s\",\"at\":\"%s\",\"note\":\"\"}";
    UUID id = UUID.randomUUID();
    Answer said =
        grounds.keeper.post(grounds.path("/events"), event.formatted(id, store, "OFF", off));
    assertThat(said.status()).as(said.body().toString()).isEqualTo(200);
    JsonNode loop = grounds.keeper.get(grounds.path("/loops")).body().path(0);
    assertThat(loop.path("stoodSince").asLong()).isEqualTo(off.getEpochSecond());
    assertThat(loop.path("emptying").asBoolean()).isFalse();
    assertThat(loop.path("wattsNow").asDouble()).isZero();
    assertThat(loop.path("drawn").asDouble()).isCloseTo(4 * RATE * 1800, within(4 * RATE * 301));
    grounds.keeper.delete(grounds.path("/events/" + id));
    assertThat(
            grounds.keeper.get(grounds.path("/loops")).body().path(0).path("emptying").asBoolean())
        .isTrue();
  }

  @Test
  public void aStoreWithoutAStreamHasNoLoop() {
    Grounds other = Grounds.fresh();
    other.newDrum();
    assertThat(other.keeper.get(other.path("/loops")).body().size()).isZero();
    assertThat(other.keeper.get(grounds.path("/loops")).status()).isEqualTo(404);
  }
}
