package nightbank.server.night;

import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import nightbank.core.friend.Noticed;
import nightbank.core.friend.Rule;
import nightbank.server.house.Houses;
import nightbank.server.night.NoticedView.RemarkView;
import nightbank.server.night.internal.PutAwayRepository;
import nightbank.server.part.Parts;
import nightbank.server.shared.Problem;
import nightbank.server.store.Stores;
import org.springframework.stereotype.Service;

/** What is noticed, by name, without what a person does not want to be told again. */
@Service
public class Noticing {
  private final NightSigns signs;
  private final Houses houses;
  private final Stores stores;
  private final Parts parts;
  private final PutAwayRepository away;

  Noticing(NightSigns signs, Houses houses, Stores stores, Parts parts, PutAwayRepository away) {
    this.signs = signs;
    this.houses = houses;
    this.stores = stores;
    this.parts = parts;
    this.away = away;
  }

  /** A rule, and the house, store or part of which it is not to speak again. */
  public record PutAway(Rule rule, UUID subject) {}

  public NoticedView of(UUID holding, UUID house, UUID person) {
    houses.get(holding, house);
    NightSigns.Seen seen = signs.of(holding, house);
    Set<PutAway> put = away.all(holding, person);
    return new NoticedView(views(holding, put, seen.all(), seen.from()), put.size());
  }

  /** The weightiest that were not put away. */
  List<RemarkView> views(UUID holding, UUID person, List<Noticed> all, Instant from) {
    return views(holding, away.all(holding, person), all, from);
  }

  private List<RemarkView> views(UUID holding, Set<PutAway> put, List<Noticed> all, Instant from) {
    List<Noticed> said =
        Noticed.weightiest(all, n -> put.contains(new PutAway(n.rule(), UUID.fromString(n.of()))));
    Map<UUID, String> names = said.isEmpty() ? Map.of() : names(holding);
    return said.stream()
        .map(n -> view(n, names.getOrDefault(UUID.fromString(n.of()), ""), from))
        .toList();
  }

  private Map<UUID, String> names(UUID holding) {
    Map<UUID, String> names = new HashMap<>();
    houses.all(holding).forEach(h -> names.put(h.id(), h.name()));
    stores.all(holding).forEach(s -> names.put(s.id(), s.name()));
    parts.all(holding).forEach(p -> names.put(p.id(), p.name()));
    return names;
  }

  private static RemarkView view(Noticed n, String name, Instant from) {
    Instant at =
        n.atSeconds().isPresent() ? from.plusSeconds((long) n.atSeconds().getAsDouble()) : null;
    return new RemarkView(n.rule(), UUID.fromString(n.of()), name, n.seen(), n.against(), at);
  }

  public void putAway(UUID holding, UUID person, PutAway what) {
    if (what.rule() == null) {
      throw Problem.invalid("rule", "It is not said what to put away.", "Name the rule.");
    }
    if (!names(holding).containsKey(what.subject())) {
      throw Problem.notFound("subject");
    }
    away.add(holding, person, what);
  }

  public void sayAgain(UUID holding, UUID person) {
    away.clear(holding, person);
  }
}
