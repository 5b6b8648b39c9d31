package nightbank.server.export;

import biweekly.Biweekly;
import biweekly.ICalendar;
import biweekly.component.VAlarm;
import biweekly.component.VEvent;
import biweekly.parameter.Related;
import biweekly.property.Trigger;
import biweekly.util.Duration;
import java.util.Date;
import java.util.List;
import java.util.UUID;
import nightbank.server.night.DoingWords;
import nightbank.server.night.Tonight;
import nightbank.server.night.TonightQuestion;
import nightbank.server.night.TonightView;
import org.springframework.stereotype.Service;

/**
 * What is planned tonight and on the days after it as a calendar (RFC 5545), with a word ten
 * minutes before each.
 */
@Service
public class NightCalendar {
  private static final int MINUTES_BEFORE = 10;

  private final Tonight tonight;

  NightCalendar(Tonight tonight) {
    this.tonight = tonight;
  }

  public String of(UUID holding, UUID house, TonightQuestion question) {
    TonightView night = tonight.ask(holding, house, question.onlyTheMiddle());
    ICalendar calendar = new ICalendar();
    calendar.setProductId("-//Night Bank//planned actions//EN");
    List<TonightQuestion.Doing> doings =
        question.actions() == null ? night.actions() : question.actions();
    for (TonightQuestion.Doing d : doings) {
      VEvent event = new VEvent();
      event.setUid(
          UUID.nameUUIDFromBytes(
                  (house + "/" + d.kind() + "/" + d.of() + "/" + d.from())
                      .getBytes(java.nio.charset.StandardCharsets.UTF_8))
              + "@night-bank");
      event.setDateTimeStamp(Date.from(d.from()));
      event.setDateStart(Date.from(d.from()));
      event.setDateEnd(Date.from(d.to() == null ? d.from() : d.to()));
      String word = DoingWords.of(d.kind(), DoingWords.name(night, d.of()), d.amount());
      event.setSummary(word);
      event.addAlarm(
          VAlarm.display(
              new Trigger(
                  Duration.builder().prior(true).minutes(MINUTES_BEFORE).build(), Related.START),
              word));
      calendar.addEvent(event);
    }
    return Biweekly.write(calendar).go();
  }
}
