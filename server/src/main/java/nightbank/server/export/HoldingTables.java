package nightbank.server.export;

import java.util.List;

/**
 * What a holding's file holds, parents before children. People, memberships and devices' tokens
 * stay behind: they are no part of a place, and a secret is not handed out.
 */
final class HoldingTables {
  static final String FORMAT = "nightbank-holding";
  static final int VERSION = 4;

  /**
   * One table.
   *
   * @param order that makes the same holding the same file
   * @param leftOut columns that stay behind
   */
  record Table(String name, String order, List<String> leftOut) {
    Table(String name, String order) {
      this(name, order, List.of());
    }
  }

  /** A column that must point at something of the same holding. */
  record Tie(String table, String column, String to) {}

  static final List<Table> ALL =
      List.of(
          new Table("greenhouse", "id"),
          new Table("heat_store", "id"),
          new Table("arrangement", "heat_store_id, until"),
          new Table("plant_part", "id"),
          new Table("probe", "id"),
          new Table("holding_book", "holding_id"),
          new Table("walk", "holding_id"),
          new Table("hourly_weather", "source, at"),
          new Table(
              "import_file", "id", List.of("dialect", "ambiguous", "asked_by", "taken_out_at")),
          new Table("import_left_out", "import_id, line, part"),
          new Table("logger_mapping", "store_id, fingerprint"),
          new Table("run", "id"),
          new Table("event", "id", List.of("seq")),
          new Table("reading_round", "seq", List.of("person_id", "seq")),
          new Table("round_entry", "seq", List.of("seq")),
          new Table("photo", "id"),
          new Table("trial", "id"),
          new Table("trial_run", "trial_id, place"),
          new Table("believed_reading", "probe_id, at"),
          new Table("wood_stack", "id"),
          new Table("task", "id"),
          new Table("task_done", "id"),
          new Table("kept_plan", "id"));

  static final List<Tie> TIES =
      List.of(
          new Tie("heat_store", "greenhouse_id", "greenhouse"),
          new Tie("plant_part", "greenhouse_id", "greenhouse"),
          new Tie("arrangement", "heat_store_id", "heat_store"),
          new Tie("arrangement", "greenhouse_id", "greenhouse"),
          new Tie("probe", "heat_store_id", "heat_store"),
          new Tie("probe", "greenhouse_id", "greenhouse"),
          new Tie("import_file", "store_id", "heat_store"),
          new Tie("import_left_out", "import_id", "import_file"),
          new Tie("logger_mapping", "store_id", "heat_store"),
          new Tie("run", "store_id", "heat_store"),
          new Tie("run", "import_id", "import_file"),
          new Tie("event", "store_id", "heat_store"),
          new Tie("round_entry", "round_id", "reading_round"),
          new Tie("round_entry", "probe_id", "probe"),
          new Tie("trial_run", "trial_id", "trial"),
          new Tie("trial_run", "run_id", "run"),
          new Tie("believed_reading", "probe_id", "probe"),
          new Tie("task_done", "task_id", "task"),
          new Tie("kept_plan", "greenhouse_id", "greenhouse"));

  private HoldingTables() {}
}
