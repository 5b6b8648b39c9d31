package nightbank.server.night.internal;

import java.util.List;
import java.util.UUID;
import nightbank.core.practice.Lesson;
import nightbank.server.account.Access;
import nightbank.server.account.Role;
import nightbank.server.night.PracticeNights;
import nightbank.server.night.PracticeView;
import nightbank.server.shared.ForegroundPriority;
import nightbank.server.shared.Turns;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Practised nights over HTTP: everybody's are their own. */
@RestController
@RequestMapping("/api/holdings/{holdingId}")
class PracticeController {
  private final PracticeNights nights;
  private final Access access;
  private final ForegroundPriority priority;
  private final Turns turns;

  PracticeController(
      PracticeNights nights, Access access, ForegroundPriority priority, Turns turns) {
    this.nights = nights;
    this.access = access;
    this.priority = priority;
    this.turns = turns;
  }

  @PostMapping("/houses/{houseId}/practice")
  PracticeView begin(
      @PathVariable UUID holdingId,
      @PathVariable UUID houseId,
      @RequestBody PracticeNights.Evening evening) {
    access.require(holdingId, Role.HELPER);
    UUID me = me();
    return turns.take(
        me, () -> priority.first(() -> nights.begin(holdingId, me, houseId, evening)));
  }

  @GetMapping("/houses/{houseId}/practice")
  List<Lesson> lessons(@PathVariable UUID holdingId, @PathVariable UUID houseId) {
    access.require(holdingId, Role.GUEST);
    return priority.first(() -> nights.lessons(holdingId, houseId));
  }

  @GetMapping("/practice")
  List<PracticeView.PastView> past(@PathVariable UUID holdingId) {
    access.require(holdingId, Role.GUEST);
    return nights.past(holdingId, me());
  }

  @GetMapping("/practice/{practiceId}")
  PracticeView get(@PathVariable UUID holdingId, @PathVariable UUID practiceId) {
    access.require(holdingId, Role.GUEST);
    UUID me = me();
    return turns.take(me, () -> priority.first(() -> nights.get(holdingId, me, practiceId)));
  }

  @PostMapping("/practice/{practiceId}")
  PracticeView step(
      @PathVariable UUID holdingId,
      @PathVariable UUID practiceId,
      @RequestBody PracticeNights.NightStep step) {
    access.require(holdingId, Role.HELPER);
    UUID me = me();
    return turns.take(me, () -> priority.first(() -> nights.step(holdingId, me, practiceId, step)));
  }

  private UUID me() {
    return access.signedIn().orElseThrow().personId();
  }
}
