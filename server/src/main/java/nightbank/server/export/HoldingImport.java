package nightbank.server.export;

import java.io.InputStream;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.HexFormat;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import nightbank.core.unit.TypedTemperature;
import nightbank.server.account.Accounts;
import nightbank.server.account.Role;
import nightbank.server.book.Books;
import nightbank.server.export.HoldingTables.Table;
import nightbank.server.export.HoldingTables.Tie;
import nightbank.server.house.Houses;
import nightbank.server.log.Photos;
import nightbank.server.log.ReadingWriter;
import nightbank.server.part.Parts;
import nightbank.server.plan.Plans;
import nightbank.server.shared.Problem;
import nightbank.server.store.Stores;
import nightbank.server.upkeep.Tasks;
import nightbank.server.upkeep.Woodpiles;
import org.jooq.DSLContext;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.JacksonException;
import tools.jackson.core.JsonParser;
import tools.jackson.core.JsonToken;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Reads a holding's file in: all of it or nothing, as hostile as any other file. */
@Service
public class HoldingImport {
  private static final Map<String, Table> TABLES =
      HoldingTables.ALL.stream().collect(Collectors.toMap(Table::name, Function.identity()));
  private static final BigDecimal MICROS = BigDecimal.valueOf(1_000_000);
  private static final BigDecimal EARLIEST = BigDecimal.valueOf(946_684_800); // 2000
  private static final BigDecimal LATEST = BigDecimal.valueOf(4_102_444_800L); // 2100
  private static final Set<String> ENDLESS = Set.of("infinity", "-infinity");
  private static final int MOST_IN_BLOCK = 500_000;
  private static final int MOST_PROBES = 20_000;
  private static final long MOST_IN_ROW = 4 << 20; // bytes; a photo's are hex, of 1.5 MB at most
  private static final long MOST_OF_BLOCK = 24 << 20;

  private final DSLContext db;
  private final JsonMapper mapper;
  private final ReadingWriter writer;
  private final Accounts accounts;
  private final Stores stores;
  private final Houses houses;
  private final Books books;
  private final Parts parts;
  private final Woodpiles woodpiles;
  private final Tasks tasks;
  private final Plans plans;

  HoldingImport(
      DSLContext db,
      JsonMapper mapper,
      ReadingWriter writer,
      Accounts accounts,
      Stores stores,
      Houses houses,
      Books books,
      Parts parts,
      Woodpiles woodpiles,
      Tasks tasks,
      Plans plans) {
    this.db = db;
    this.mapper = mapper;
    this.writer = writer;
    this.accounts = accounts;
    this.stores = stores;
    this.houses = houses;
    this.books = books;
    this.parts = parts;
    this.woodpiles = woodpiles;
    this.tasks = tasks;
    this.plans = plans;
  }

  /** What came of it. */
  public record Brought(UUID holdingId, String name, long rows, long readings) {}

  /** The sender becomes the holding's keeper. */
  @Transactional
  public Brought read(UUID person, InputStream in) {
    RowLimit rows = new RowLimit(in);
    try (JsonParser json = mapper.createParser(rows)) {
      Reader reader = new Reader(json, rows);
      reader.all();
      check(reader);
      accounts.join(person, reader.holding, Role.KEEPER);
      return new Brought(reader.holding, reader.name, reader.rows, reader.readings);
    } catch (RowLimit.Passed e) {
      throw unfit("A row of it has more than " + (e.most >> 20) + " MB.");
    } catch (JacksonException e) {
      throw unfit("It is no JSON that can be read, or it was cut off.");
    } catch (DataIntegrityViolationException e) {
      throw unfit("A row of it does not fit: something it points at is missing, or doubled.");
    } catch (org.jooq.exception.DataAccessException e) {
      throw unfit("A row of it has values that cannot be.");
    }
  }

  private static Problem unfit(String reason) {
    return Problem.invalid(
        "file", reason, "Nothing was read in. Choose a file that was exported from a holding.");
  }

  /** What the file points at must be its own, and what it describes must make sense. */
  private void check(Reader r) {
    if (r.holding == null) {
      throw unfit("It says no holding.");
    }
    for (Tie t : HoldingTables.TIES) {
      boolean astray =
          db.fetchSingle(
                  """
                  SELECT EXISTS (SELECT FROM %s t LEFT JOIN %s o ON o.id = t.%s AND o.holding_id = t.holding_id
                   WHERE t.holding_id = ? AND t.%s IS NOT NULL AND o.id IS NULL)
                  """
                      .formatted(t.table(), t.to(), t.column(), t.column()),
                  r.holding)
              .get(0, Boolean.class);
      if (astray) {
        throw unfit("Its %s points at a %s that is not in it.".formatted(t.table(), t.to()));
      }
    }
    int there =
        db.fetchSingle(
                "SELECT count(*) FROM probe WHERE holding_id = ? AND id = ANY(?)",
                r.holding,
                r.probes.toArray(UUID[]::new))
            .get(0, Integer.class);
    if (there < r.probes.size()) {
      throw unfit("A reading of it points at a probe that is not in it.");
    }
    houses.all(r.holding).forEach(h -> houses.tried(h.design()));
    books.materials(r.holding);
    stores.checkAll(r.holding);
    parts.checkAll(r.holding);
    woodpiles.checkAll(r.holding);
    tasks.checkAll(r.holding);
    plans.checkAll(r.holding);
  }

  private final class Reader {
    private final JsonParser json;
    private final RowLimit limit;
    private final Map<String, String> columns = new HashMap<>();
    private final Set<UUID> probes = new HashSet<>();

    @SuppressWarnings("NullAway.Init") // null until its line was read
    private UUID holding;

    private String name = "";
    private boolean known;
    private int version;
    private long rows;
    private long readings;

    Reader(JsonParser json, RowLimit limit) {
      this.json = json;
      this.limit = limit;
    }

    void all() {
      if (json.nextToken() != JsonToken.START_OBJECT) {
        throw unfit("It is no holding's file.");
      }
      String format = "";
      while (json.nextToken() == JsonToken.PROPERTY_NAME) {
        String key = json.currentName();
        json.nextToken();
        switch (key) {
          case "format" -> format = json.getString();
          case "version" -> version(format);
          case "holding" -> {
            limit.next(MOST_IN_ROW);
            holding(json.readValueAsTree());
          }
          case "readings" -> readings();
          default -> table(key);
        }
      }
      expect(JsonToken.END_OBJECT);
      if (version < 2 && holding != null) {
        db.execute(
            "UPDATE heat_store SET design = placed_design(design) WHERE holding_id = ?", holding);
      }
      if (version < 3 && holding != null) {
        db.execute("SELECT parts_from_stores(?)", holding);
      }
      if (version < 4 && holding != null) {
        db.execute("SELECT ice_from_notes(?)", holding);
      }
    }

    private void version(String format) {
      if (!HoldingTables.FORMAT.equals(format)) {
        throw unfit("It is no holding's file.");
      }
      boolean number = json.currentToken() == JsonToken.VALUE_NUMBER_INT;
      version = number ? json.getIntValue() : 0;
      if (version < 1 || version > HoldingTables.VERSION) {
        throw unfit("It is of another version than 1 to " + HoldingTables.VERSION + ", read here.");
      }
      known = true;
    }

    private void holding(JsonNode h) {
      if (!known) {
        throw unfit("It does not begin with its format and version.");
      }
      try {
        holding = UUID.fromString(h.path("id").asString(""));
        ZoneId.of(h.path("zone").asString(""));
      } catch (IllegalArgumentException | DateTimeException e) {
        throw unfit("Its holding has no id or no time zone that exists.");
      }
      name = h.path("name").asString("");
      if (db.fetchSingle("SELECT EXISTS (SELECT FROM holding WHERE id = ?)", holding)
          .get(0, Boolean.class)) {
        throw new Problem(
            HttpStatus.CONFLICT,
            "already-here",
            "file",
            "This holding is here already.",
            "A file is read in where the holding is not; nothing was changed.");
      }
      insert("holding", List.of(), h, false);
    }

    private void table(String key) {
      Table t = TABLES.get(key);
      if (t == null || holding == null) {
        throw unfit(
            "It holds “"
                + key.substring(0, Math.min(40, key.length()))
                + "”, which no holding has.");
      }
      expect(JsonToken.START_ARRAY);
      while (json.nextToken() == JsonToken.START_OBJECT) {
        limit.next(MOST_IN_ROW);
        insert(t.name(), t.leftOut(), json.readValueAsTree(), true);
        rows++;
      }
      expect(JsonToken.END_ARRAY);
    }

    private void expect(JsonToken token) {
      if (json.currentToken() != token) {
        throw unfit("Its parts are not lists of rows, or it was cut off.");
      }
    }

    private void insert(String table, List<String> leftOut, JsonNode row, boolean owned) {
      for (var field : row.properties()) {
        if (ENDLESS.contains(field.getValue().asString("").strip().toLowerCase(Locale.ROOT))) {
          throw unfit("A row of its %s has a moment that never comes.".formatted(table));
        }
      }
      if (table.equals("photo") && !isPicture(row)) {
        throw unfit("A photo of it is no picture.");
      }
      String list = columns.computeIfAbsent(table, t -> columns(t, leftOut));
      db.execute(
          "INSERT INTO %s (%s) SELECT %s FROM jsonb_populate_record(NULL::%s, ?::jsonb || ?::jsonb)"
              .formatted(table, list, list, table),
          mapper.writeValueAsString(row),
          owned ? "{\"holding_id\":\"" + holding + "\"}" : "{}");
    }

    private static boolean isPicture(JsonNode row) {
      String hex = row.path("bytes").asString("");
      try {
        return hex.startsWith("\\x")
            && Photos.is(
                row.path("kind").asString(""), HexFormat.of().parseHex(hex, 2, hex.length()));
      } catch (IllegalArgumentException none) {
        return false;
      }
    }

    /** Columns that the database fills by itself are left to it. */
    private String columns(String table, List<String> leftOut) {
      return db
          .fetch(
              """
              SELECT column_name FROM information_schema.columns
               WHERE table_schema = 'public' AND table_name = ? AND is_identity = 'NO' ORDER BY ordinal_position
              """,
              table)
          .getValues(0, String.class)
          .stream()
          .filter(c -> !leftOut.contains(c))
          .collect(Collectors.joining(", "));
    }

    private void readings() {
      if (holding == null) {
        throw unfit("Its readings come before its holding.");
      }
      expect(JsonToken.START_ARRAY);
      while (json.nextToken() == JsonToken.START_OBJECT) {
        limit.next(MOST_OF_BLOCK);
        block();
      }
      expect(JsonToken.END_ARRAY);
    }

    private void block() {
      UUID probe = null;
      UUID file = null;
      List<Long> micros = List.of();
      List<Double> celsius = List.of();
      while (json.nextToken() == JsonToken.PROPERTY_NAME) {
        String key = json.currentName();
        JsonToken token = json.nextToken();
        switch (key) {
          case "probe" -> probe = id();
          case "import" -> file = token == JsonToken.VALUE_NULL ? null : id();
          case "at" -> micros = list(this::micros);
          case "celsius" -> celsius = list(this::celsius);
          default -> throw unfit("A block of readings has a part that is none.");
        }
      }
      expect(JsonToken.END_OBJECT);
      if (probe == null) {
        throw unfit("A block of readings names no probe.");
      }
      if (micros.size() != celsius.size()) {
        throw unfit("A block of readings has more moments than temperatures, or fewer.");
      }
      if (probes.add(probe) && probes.size() > MOST_PROBES) {
        throw unfit("Its readings are of more than " + MOST_PROBES + " probes.");
      }
      ReadingWriter.Taking taking = writer.begin(holding, file);
      for (int i = 0; i < micros.size(); i++) {
        taking.add(probe, instant(micros.get(i)), celsius.get(i));
      }
      ReadingWriter.Taken taken = taking.end();
      if (taken.added() < taken.readings()) {
        throw unfit("A reading of it is there twice.");
      }
      readings += taken.added();
    }

    private UUID id() {
      try {
        return UUID.fromString(json.getString());
      } catch (IllegalArgumentException e) {
        throw unfit("A block of readings names no probe.");
      }
    }

    /** Numbers of one block, no more than a block may have. */
    private <T> List<T> list(Supplier<T> number) {
      expect(JsonToken.START_ARRAY);
      List<T> all = new ArrayList<>();
      while (json.nextToken() != JsonToken.END_ARRAY) {
        if (json.currentToken() == null || !json.currentToken().isNumeric()) {
          throw unfit("A reading is no number.");
        }
        if (all.size() == MOST_IN_BLOCK) {
          throw unfit("A block of readings has more than " + MOST_IN_BLOCK + ".");
        }
        all.add(number.get());
      }
      return all;
    }

    private double celsius() {
      double value = json.getDoubleValue();
      if (!TypedTemperature.isPossible(value)) {
        throw unfit("A reading is colder or hotter than anything that is read.");
      }
      return value;
    }

    private long micros() {
      BigDecimal second = json.getDecimalValue();
      if (second.compareTo(EARLIEST) < 0 || second.compareTo(LATEST) > 0) {
        throw unfit("A reading lies before 2000 or after 2100.");
      }
      return second.multiply(MICROS).setScale(0, RoundingMode.HALF_UP).longValueExact();
    }

    private static Instant instant(long micros) {
      return Instant.EPOCH.plus(micros, ChronoUnit.MICROS);
    }
  }
}
