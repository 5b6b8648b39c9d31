package nightbank.server.loggerfile.internal;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import nightbank.server.loggerfile.FileMapping;
import nightbank.server.loggerfile.FileMapping.Use;
import nightbank.server.loggerfile.FileMappingBuilder;
import nightbank.server.store.ProbeView;
import nightbank.server.store.Stores;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** Makes the probes that a file brings with it and ties its columns to them. */
@Component
public final class ProbeTies {
  private final Stores stores;

  ProbeTies(Stores stores) {
    this.stores = stores;
  }

  public FileMapping tie(UUID holding, UUID store, FileMapping m) {
    Set<String> names = new HashSet<>();
    stores.probes(holding, store).forEach(p -> names.add(p.name().toLowerCase(Locale.ROOT)));
    List<ProbeView> made = new ArrayList<>();
    List<FileMapping.Column> columns = new ArrayList<>();
    for (FileMapping.Column c : m.columns()) {
      boolean ofChannels = m.channelColumn() >= 0;
      UUID probe = ofChannels ? c.probeId() : tied(c.use(), c.probeId(), c.heading(), names, made);
      columns.add(
          new FileMapping.Column(
              c.index(),
              c.heading(),
              c.use() == Use.SKIP ? Use.SKIP : Use.PROBE,
              probe,
              c.fahrenheit()));
    }
    Map<String, FileMapping.Channel> channels = new LinkedHashMap<>();
    m.channels()
        .forEach(
            (name, c) ->
                channels.put(
                    name,
                    new FileMapping.Channel(
                        c.use() == Use.SKIP ? Use.SKIP : Use.PROBE,
                        tied(c.use(), c.probeId(), name, names, made),
                        c.fahrenheit())));
    if (!made.isEmpty()) {
      stores.addProbes(holding, store, made);
    }
    return FileMappingBuilder.builder()
        .charset(m.charset())
        .delimiter(m.delimiter())
        .headingLine(m.headingLine())
        .decimalComma(m.decimalComma())
        .timeForm(m.timeForm())
        .zone(m.zone())
        .timeColumns(m.timeColumns())
        .columns(columns)
        .channelColumn(m.channelColumn())
        .channels(channels)
        .build();
  }

  private static @Nullable UUID tied(
      Use use, @Nullable UUID probe, String heading, Set<String> names, List<ProbeView> made) {
    if (use != Use.NEW_PROBE && use != Use.NEW_AIR) {
      return probe;
    }
    String plain = DialectGuess.plainName(heading);
    String name = plain;
    for (int i = 2; !names.add(name.toLowerCase(Locale.ROOT)); i++) {
      name = plain + " " + i;
    }
    UUID id = UUID.randomUUID();
    made.add(
        use == Use.NEW_AIR
            ? new ProbeView(id, ProbeView.Kind.AIR, name, 1, 0.5)
            : new ProbeView(id, ProbeView.Kind.STORE, name, radius(plain), height(plain)));
    return id;
  }

  /** A first place by its name; to be put right on the drawing. */
  private static double radius(String name) {
    String n = name.toLowerCase(Locale.ROOT);
    if (n.matches(".*(edge|outer|side|wall|skin).*")) {
      return 0.92;
    }
    return n.matches(".*(half|mid|quarter).*") ? 0.55 : 0.05;
  }

  private static double height(String name) {
    String n = name.toLowerCase(Locale.ROOT);
    if (n.matches(".*(top|upper|lid).*")) {
      return 0.85;
    }
    return n.matches(".*(foot|bottom|low|base).*") ? 0.15 : 0.5;
  }
}
