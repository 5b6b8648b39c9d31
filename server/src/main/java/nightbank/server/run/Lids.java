package nightbank.server.run;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeMap;
import java.util.UUID;
import nightbank.core.run.Stretch;
import nightbank.server.holding.Holdings;
import nightbank.server.log.EventLog;
import nightbank.server.log.EventView;
import nightbank.server.store.Stores.CoreStore;
import org.springframework.stereotype.Service;

/**
 * When a store's lid was off: by the hours of its design and by what was logged; the last word
 * holds.
 */
@Service
class Lids {
  private final EventLog events;
  private final Holdings holdings;

  Lids(EventLog events, Holdings holdings) {
    this.events = events;
    this.holdings = holdings;
  }

  List<Stretch> off(UUID holding, CoreStore store, Instant from, Instant to) {
    if (!store.lid().there()) {
      return List.of();
    }
    TreeMap<Long, Boolean> moved = new TreeMap<>();
    if (store.lid().hours() != null) {
      Instant before = from.minus(Duration.ofDays(1));
      ZoneId zone = ZoneId.of(holdings.get(holding).zone());
      for (Stretch s : store.lid().hours().between(before, to, zone)) {
        moved.put(s.from(), true);
        moved.put(s.to(), false);
      }
    }
    for (EventView e : events.switched(holding, store.id(), EventView.Kind.LID, to)) {
      moved.put(e.at().getEpochSecond(), e.way() == EventView.Way.OFF);
    }
    List<Stretch> off = new ArrayList<>();
    Long since = null;
    for (var move : moved.entrySet()) {
      if (move.getValue() && since == null) {
        since = move.getKey();
      } else if (!move.getValue() && since != null) {
        off.add(new Stretch(since, move.getKey()));
        since = null;
      }
    }
    if (since != null) {
      off.add(new Stretch(since, Long.MAX_VALUE));
    }
    return off.stream().filter(s -> s.to() > from.getEpochSecond()).toList();
  }
}
