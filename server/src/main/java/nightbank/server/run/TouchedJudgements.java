package nightbank.server.run;

import nightbank.server.run.internal.JudgementRepository;
import nightbank.server.shared.InputChanged;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** Marks what rests on something that has changed, in the transaction that changes it. */
@Component
class TouchedJudgements {
  private final JudgementRepository repository;

  TouchedJudgements(JudgementRepository repository) {
    this.repository = repository;
  }

  @EventListener
  @org.springframework.transaction.annotation.Transactional
  public void changed(InputChanged what) {
    repository.touch(what);
  }
}
