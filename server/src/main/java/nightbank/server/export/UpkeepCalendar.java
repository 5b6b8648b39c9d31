package nightbank.server.export;

import biweekly.Biweekly;
import biweekly.ICalendar;
import biweekly.component.VEvent;
import biweekly.property.RecurrenceRule;
import biweekly.util.Frequency;
import biweekly.util.ICalDate;
import biweekly.util.Recurrence;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Date;
import java.util.UUID;
import nightbank.core.upkeep.Every;
import nightbank.server.holding.Holdings;
import nightbank.server.upkeep.Tasks;
import nightbank.server.upkeep.Tasks.TaskDraft;
import nightbank.server.upkeep.UpkeepView.TaskView;
import org.springframework.stereotype.Service;

/**
 * What comes round as a calendar (RFC 5545) of whole days, each repeated as often as it comes: what
 * is late stands today; what waits for fires or wood comes in once it is due.
 */
@Service
public class UpkeepCalendar {
  private final Tasks tasks;
  private final Holdings holdings;
  private final Clock clock;

  UpkeepCalendar(Tasks tasks, Holdings holdings, Clock clock) {
    this.tasks = tasks;
    this.holdings = holdings;
    this.clock = clock;
  }

  public String of(UUID holding) {
    Instant now = clock.instant();
    ZoneId zone = ZoneId.of(holdings.get(holding).zone());
    ICalendar calendar = new ICalendar();
    calendar.setProductId("-//Night Bank//what comes round//EN");
    for (TaskView t : tasks.view(holding).tasks()) {
      Instant at = t.state() == Every.State.DUE ? now : t.dueAt();
      if (at != null) {
        Instant coming = at.isBefore(now) ? now : at;
        calendar.addEvent(event(t, LocalDate.ofInstant(coming, zone), now));
      }
    }
    return Biweekly.write(calendar).go();
  }

  private static VEvent event(TaskView t, LocalDate day, Instant now) {
    TaskDraft task = t.task();
    VEvent event = new VEvent();
    event.setUid(t.id() + "@night-bank");
    event.setDateTimeStamp(Date.from(now));
    event.setDateStart(whole(day));
    event.setDateEnd(whole(day.plusDays(1)));
    event.setSummary(task.what());
    if (!task.why().isEmpty()) {
      event.setDescription(task.why());
    }
    if (task.days() != null) {
      event.setRecurrenceRule(every(Frequency.DAILY, task.days()));
    } else if (task.month() != null) {
      event.setRecurrenceRule(every(Frequency.YEARLY, 1));
    }
    return event;
  }

  private static RecurrenceRule every(Frequency frequency, int interval) {
    return new RecurrenceRule(new Recurrence.Builder(frequency).interval(interval).build());
  }

  /** A day is written by the machine's own zone. */
  private static ICalDate whole(LocalDate day) {
    return new ICalDate(Date.from(day.atStartOfDay(ZoneId.systemDefault()).toInstant()), false);
  }
}
