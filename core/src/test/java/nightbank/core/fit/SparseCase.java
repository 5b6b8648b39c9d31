package nightbank.core.fit;

import java.io.IOException;
import java.io.InputStream;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nightbank.core.medium.MediumCatalogue;
import nightbank.core.source.FireLoad;
import nightbank.core.store.Face;
import nightbank.core.store.FaceName;
import nightbank.core.store.Geometry;
import nightbank.core.store.HeatStore;
import nightbank.core.store.HeatedZone;
import nightbank.core.store.Layer;
import nightbank.core.store.Place;
import nightbank.core.store.Probe;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** One of the reference's stores as described and as read by hand, with what it truly did. */
public record SparseCase(HandRecord told, JsonNode truth, double zero) {
  private static final Map<String, String> MEDIA =
      Map.of("dry sand", "dry-sand", "moist garden soil", "soil");
  private static final Map<String, String> LAYERS =
      Map.of(
          "polystyrene", "eps",
          "glass wool", "glass-wool",
          "sheep's wool", "sheep-wool",
          "stone wool", "stone-wool",
          "clay brick", "clay-brick",
          "softwood", "timber");
  private static final double DAY = 86_400;
  private static final double WARMEST = 14.5 * 3600;

  public static SparseCase of(String id) {
    JsonNode d;
    try (InputStream in =
        SparseCase.class.getResourceAsStream("/reference/sparse/" + id + ".json")) {
      d = JsonMapper.builder().build().readTree(in);
    } catch (IOException e) {
      throw new IllegalStateException(e);
    }
    double first = seconds(d.path("readings").path(0).path("at"));
    double zero = first - first % DAY - 2 * DAY;
    Map<String, JsonNode> named = new HashMap<>();
    List<Probe> probes = new ArrayList<>();
    Map<String, Integer> places = new HashMap<>();
    for (JsonNode p : d.path("probes")) {
      named.put(p.path("id").asString(), p);
      if (!p.path("kind").asString().equals("AIR")) {
        places.put(p.path("id").asString(), probes.size());
        probes.add(
            new Probe(
                p.path("id").asString(),
                p.path("radius_fraction").asDouble(),
                p.path("height_fraction").asDouble()));
      }
    }
    List<HandRecord.Reading> readings = new ArrayList<>();
    double shown = Double.NaN;
    for (JsonNode r : d.path("readings")) {
      HandRecord.At at = at(named.get(r.path("probe").asString()), d.path("design"));
      boolean fahrenheit = r.path("unit").asString().equals("F");
      double typed = Double.parseDouble(r.path("typed").asString());
      double celsius = fahrenheit ? (typed - 32) / 1.8 : typed;
      boolean air = at == HandRecord.At.AIR;
      shown = air || !Double.isNaN(shown) ? shown : celsius;
      readings.add(
          new HandRecord.Reading(
              at,
              air ? -1 : places.get(r.path("probe").asString()),
              seconds(r.path("at")) - zero,
              celsius,
              Math.hypot(air ? 1.25 : 0.9, fahrenheit ? 0.16 : 0.29)));
    }
    HandRecord.Charge charge = charge(d.path("charge"), zero);
    return new SparseCase(
        new HandRecord(
            store(d, probes),
            charge,
            charge.watts() > 0 ? Optional.empty() : Optional.of(new HandRecord.Start(shown, 25)),
            around(d.path("surroundings").path("place").asString()),
            readings),
        d.path("truth"),
        zero);
  }

  /** A spot under a cover is the fill's own surface there, as the case's truth has it. */
  private static HandRecord.At at(JsonNode probe, JsonNode design) {
    HandRecord.At at = HandRecord.At.valueOf(probe.path("kind").asString());
    boolean top = probe.path("height_fraction").asDouble() >= HandRecord.TOP;
    boolean covered = !design.path("faces").path(top ? "top" : "side").isEmpty();
    return at == HandRecord.At.SURFACE && covered ? HandRecord.At.STORE : at;
  }

  public static double seconds(JsonNode iso) {
    return Instant.parse(iso.asString()).getEpochSecond();
  }

  private static HandRecord.Around around(String place) {
    return switch (place) {
      case "room" -> new HandRecord.Around(16, 2.6, 1.2, 0.8, WARMEST, 10);
      case "shed" -> new HandRecord.Around(7.5, 3.2, 2.8, 1.1, WARMEST, 7);
      default -> new HandRecord.Around(9.5, 3.5, 4.5, 1.2, WARMEST, 7);
    };
  }

  private static HandRecord.Charge charge(JsonNode c, double zero) {
    double from = seconds(c.path("noted_from")) - zero;
    double to = seconds(c.path("noted_to")) - zero;
    return switch (c.path("kind").asString()) {
      case "element" ->
          new HandRecord.Charge(from, to, 0.97 * c.path("nominal_power_W").asDouble(), 0.055, 380);
      case "fire" -> {
        double low = c.path("share_to_store_usual").path(0).asDouble();
        double high = c.path("share_to_store_usual").path(1).asDouble();
        double joules =
            c.path("wood_kg").asDouble()
                * FireLoad.heatingValue(c.path("wood_moisture").asDouble())
                * (low + high)
                / 2;
        yield new HandRecord.Charge(
            from, to, joules / (to - from), (high - low) / 2 / (low + high), 380);
      }
      default -> HandRecord.Charge.none(from);
    };
  }

  private static HeatStore store(JsonNode d, List<Probe> probes) {
    JsonNode as = d.path("design");
    Map<FaceName, Face> faces = new EnumMap<>(FaceName.class);
    for (FaceName name : FaceName.values()) {
      List<Layer> layers = new ArrayList<>();
      for (JsonNode l : as.path("faces").path(name.name().toLowerCase(java.util.Locale.ROOT))) {
        String material = l.path("material").asString();
        layers.add(
            new Layer.Bulk(
                MediumCatalogue.insulation(LAYERS.getOrDefault(material, material)).orElseThrow(),
                l.path("thickness_m").asDouble(),
                false));
      }
      faces.put(name, Face.of(layers.toArray(new Layer[0])));
    }
    double high = as.path("height_m").asDouble();
    JsonNode zone = d.path("charge").path("heated_zone");
    String medium = as.path("medium").asString();
    return new HeatStore(
        as.path("shape").asString().equals("cylinder")
            ? new Geometry.Cylinder(as.path("diameter_m").asDouble() / 2, high)
            : new Geometry.Box(as.path("length_m").asDouble(), as.path("width_m").asDouble(), high),
        1,
        MediumCatalogue.medium(MEDIA.getOrDefault(medium, medium)).orElseThrow(),
        faces,
        as.path("foot_on").asString().equals("ground") ? Place.onHouseFloor() : Place.inHouse(),
        as.path("useful_above_C").asDouble(),
        zone.isObject()
            ? new HeatedZone(
                zone.path("reach_fraction").asDouble(),
                zone.path("low_fraction").asDouble(),
                zone.path("high_fraction").asDouble())
            : HeatedZone.everywhere(),
        probes);
  }
}
