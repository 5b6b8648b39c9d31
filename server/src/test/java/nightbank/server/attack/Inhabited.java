package nightbank.server.attack;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.UUID;
import nightbank.server.Grounds;
import nightbank.server.Visitor;
import tools.jackson.databind.JsonNode;

/** A holding with one of everything that has an id. */
public final class Inhabited {
  private Inhabited() {}

  /** What there is, by the name that paths have for it. */
  public static Map<String, UUID> of(Grounds own) {
    Map<String, UUID> ids = new LinkedHashMap<>();
    UUID store = own.newDrum();
    ids.put("holdingId", own.holding);
    ids.put("storeId", store);
    ids.put("houseId", own.newHouse());
    ids.put("partId", own.newPart(Grounds.element(store)));
    ids.put("probeId", Grounds.probeId(store, "core"));
    ids.put("eventId", UUID.randomUUID());
    ids.put("roundId", UUID.randomUUID());
    ids.put("trialId", UUID.randomUUID());
    made(
        own,
        "events",
        "{\"id\":\"%s\",\"kind\":\"NOTE\",\"at\":\"2026-01-11T12:00:00Z\",\"note\":\"x\"}"
            .formatted(ids.get("eventId")));
    StringBuilder file = new StringBuilder("time,core,half,edge\n");
    for (int h = 0; h < 48; h++) {
      file.append(
          "2026-01-%02d %02d:00:00,%d,%d,%d\n"
              .formatted(11 + h / 24, h % 24, 60 - h, 50 - h, 40 - h / 2));
    }
    JsonNode read =
        own.readIn(own.upload(store, "a.csv", file.toString().getBytes(StandardCharsets.UTF_8)));
    ids.put("importId", UUID.fromString(read.path("id").asString()));
    ids.put(
        "runId",
        made(
            own,
            "stores/" + store + "/runs",
            "{\"name\":\"Run\",\"from\":\"2026-01-11T01:00:00Z\",\"to\":\"2026-01-12T20:00:00Z\"}"));
    ids.put(
        "deviceId",
        made(
            own,
            "devices",
            "{\"name\":\"Logger\",\"channels\":[{\"name\":\"a\",\"probeId\":\"%s\"}]}"
                .formatted(ids.get("probeId"))));
    ids.put("taskId", UUID.randomUUID());
    ids.put("doneId", UUID.randomUUID());
    ids.put("stackId", UUID.randomUUID());
    kept(own, "upkeep/" + ids.get("taskId"), "{\"what\":\"Look\",\"days\":30}");
    kept(own, "upkeep/" + ids.get("taskId") + "/done/" + ids.get("doneId"), "{}");
    kept(
        own,
        "wood/" + ids.get("stackId"),
        """
        {"name":"Ash","kilograms":100,"thicknessMetres":0.1,"cover":"ROOFED","since":"2026-01-11T12:00:00Z"}
        """);
    ids.put("practiceId", UUID.randomUUID());
    made(
        own,
        "houses/" + ids.get("houseId") + "/practice",
        "{\"id\":\"%s\",\"lowCelsius\":-4}".formatted(ids.get("practiceId")));
    ids.put("changeId", noted(own));
    return ids;
  }

  /** Of the note, which nothing else rests on. */
  private static UUID noted(Grounds own) {
    for (JsonNode c : own.keeper.get(own.path("/changes")).body()) {
      if (c.path("kind").asString().equals("EVENT")) {
        return UUID.fromString(c.path("id").asString());
      }
    }
    throw new AssertionError("the note left no change");
  }

  private static void kept(Grounds own, String path, String body) {
    Visitor.Answer answer = own.keeper.put(own.path("/" + path), null, body);
    assertThat(answer.status()).as(path + answer.body()).isEqualTo(204);
  }

  private static UUID made(Grounds own, String path, String body) {
    Visitor.Answer answer = own.keeper.post(own.path("/" + path), body);
    assertThat(answer.status()).as(path + answer.body()).isEqualTo(200);
    String id = answer.body().path("id").asString("");
    return id.isEmpty() ? new UUID(0, 0) : UUID.fromString(id);
  }
}
