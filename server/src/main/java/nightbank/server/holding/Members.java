package nightbank.server.holding;

import java.util.List;
import java.util.UUID;
import nightbank.server.account.Accounts;
import nightbank.server.account.Role;
import nightbank.server.change.Changes;
import nightbank.server.change.Reversible;
import nightbank.server.holding.internal.HoldingRepository;
import nightbank.server.shared.Problem;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.JsonNode;

/** Who belongs to a holding; there is always a keeper. */
@Service
public class Members implements Reversible {
  private final HoldingRepository repository;
  private final Accounts accounts;
  private final Changes changes;

  Members(HoldingRepository repository, Accounts accounts, Changes changes) {
    this.repository = repository;
    this.accounts = accounts;
    this.changes = changes;
  }

  public List<MemberView> all(UUID holding) {
    return repository.members(holding);
  }

  /** Makes an account and lets it in. */
  @Transactional
  public List<MemberView> add(UUID holding, String login, String name, String password, Role role) {
    UUID person = accounts.create(login, name, password);
    accounts.join(person, holding, role);
    note(holding, get(holding, person), null, role);
    return all(holding);
  }

  @Transactional
  public List<MemberView> change(UUID holding, UUID person, @Nullable Role role) {
    MemberView before = get(holding, person);
    if (role == null) {
      throw Problem.invalid("role", "The role is missing.", "Choose keeper, helper or guest.");
    }
    put(holding, person, role);
    note(holding, before, before.role(), role);
    return all(holding);
  }

  /** Shuts somebody out of this holding; the account stays. */
  @Transactional
  public List<MemberView> remove(UUID holding, UUID person) {
    MemberView before = get(holding, person);
    put(holding, person, null);
    note(holding, before, before.role(), null);
    return all(holding);
  }

  private void put(UUID holding, UUID person, @Nullable Role role) {
    repository.lock(holding);
    boolean keeps = role == Role.KEEPER;
    if (!keeps
        && all(holding).stream()
            .allMatch(m -> m.role() != Role.KEEPER || m.personId().equals(person))) {
      throw new Problem(
          HttpStatus.CONFLICT,
          "last-keeper",
          "role",
          "A holding needs a keeper, and there is no other.",
          "Make somebody else keeper first.");
    }
    if (role == null) {
      accounts.part(person, holding);
    } else {
      accounts.join(person, holding, role);
    }
  }

  private MemberView get(UUID holding, UUID person) {
    return all(holding).stream()
        .filter(m -> m.personId().equals(person))
        .findFirst()
        .orElseThrow(() -> Problem.notFound("person"));
  }

  private void note(UUID holding, MemberView who, @Nullable Role before, @Nullable Role after) {
    changes.made(holding, kind(), who.personId().toString(), who.name(), before, after);
  }

  @Override
  public Changes.Kind kind() {
    return Changes.Kind.PERSON;
  }

  @Override
  public @Nullable Role now(UUID holding, String subject) {
    return all(holding).stream()
        .filter(m -> m.personId().toString().equals(subject))
        .findFirst()
        .map(MemberView::role)
        .orElse(null);
  }

  @Override
  @Transactional
  public void put(UUID holding, String subject, @Nullable JsonNode state) {
    put(holding, UUID.fromString(subject), state == null ? null : Role.valueOf(state.asString()));
  }
}
