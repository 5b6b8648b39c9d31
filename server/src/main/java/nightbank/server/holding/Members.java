package nightbank.server.holding;

import java.util.List;
import java.util.UUID;
import nightbank.server.account.Accounts;
import nightbank.server.account.OneTimeCodes;
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
  private final OneTimeCodes codes;
  private final Changes changes;

  Members(HoldingRepository repository, Accounts accounts, OneTimeCodes codes, Changes changes) {
    this.codes = codes;
    this.repository = repository;
    this.accounts = accounts;
    this.changes = changes;
  }

  public List<MemberView> all(UUID holding) {
    return repository.members(holding);
  }

  /** A code by which somebody comes in. */
  @Transactional
  public OneTimeCodes.CodeView invite(UUID holding, @Nullable Role role) {
    return codes.invite(holding, checked(role));
  }

  /** Lets in whoever shows an invitation; who is in already is no less than before. */
  @Transactional
  public UUID join(String code, UUID person) {
    OneTimeCodes.Invitation invited = codes.takeInvitation(code);
    UUID holding = invited.holding();
    Role before = accounts.role(person, holding).orElse(null);
    Role after = before != null && before.covers(invited.role()) ? before : invited.role();
    codes.forget(person); // whoever kept all that it belonged to does not keep this
    accounts.join(person, holding, after);
    note(holding, get(holding, person), before, after);
    return holding;
  }

  /** Makes an account for whoever shows an invitation. */
  @Transactional
  public UUID joinAnew(String code, String login, String name, String password) {
    OneTimeCodes.Invitation invited = codes.takeInvitation(code);
    UUID person = accounts.create(login, name, password);
    UUID holding = invited.holding();
    accounts.join(person, holding, invited.role());
    changes.inTheNameOf(person, () -> note(holding, get(holding, person), null, invited.role()));
    return holding;
  }

  /** A code for somebody who has forgotten a password; for those of one's own holdings only. */
  @Transactional
  public OneTimeCodes.CodeView forNewPassword(UUID holding, UUID person, UUID keeper) {
    MemberView who = get(holding, person);
    boolean elsewhere =
        accounts.holdings(person).stream()
            .anyMatch(h -> accounts.role(keeper, h.id()).orElse(null) != Role.KEEPER);
    if (elsewhere) {
      throw new Problem(
          HttpStatus.CONFLICT,
          "belongs-elsewhere",
          "",
          who.name() + " belongs to a holding too that you do not keep.",
          "Whoever runs this program can make the code: ./nightbank password " + who.login());
    }
    return codes.forNewPassword(person);
  }

  private static Role checked(@Nullable Role role) {
    if (role == null) {
      throw Problem.invalid("role", "The role is missing.", "Choose keeper, helper or guest.");
    }
    return role;
  }

  @Transactional
  public List<MemberView> change(UUID holding, UUID person, @Nullable Role role) {
    MemberView before = get(holding, person);
    put(holding, person, checked(role));
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
    return accounts.role(UUID.fromString(subject), holding).orElse(null);
  }

  @Override
  @Transactional
  public void put(UUID holding, String subject, @Nullable JsonNode state) {
    put(holding, UUID.fromString(subject), state == null ? null : Role.valueOf(state.asString()));
  }
}
