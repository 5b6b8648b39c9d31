package nightbank.server.run;

import java.util.UUID;
import nightbank.server.job.Job;
import nightbank.server.job.JobHandler;
import nightbank.server.job.JobKind;
import nightbank.server.job.Jobs;
import nightbank.server.shared.Problem;
import nightbank.server.shared.Settings;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;

/** Judges runs as soon as they are marked or a file brings them: their sheets open at once. */
@Service
class SheetsAhead implements JobHandler {
  private static final Logger LOG = LoggerFactory.getLogger(SheetsAhead.class);
  private static final int MOST = 50; // more wait until somebody opens them

  private final Judgements judgements;
  private final Jobs jobs;
  private final boolean ahead;

  SheetsAhead(Judgements judgements, Jobs jobs, Settings settings) {
    this.judgements = judgements;
    this.jobs = jobs;
    ahead = settings.judgeAhead();
  }

  /** A run was marked or changed. */
  record RunKept(UUID holding, UUID run) {}

  @EventListener
  void kept(RunKept kept) {
    if (ahead && jobs.open(kept.holding(), JobKind.SHEET).size() < MOST) {
      jobs.ask(kept.holding(), JobKind.SHEET, kept.run().toString(), "");
    }
  }

  @Override
  public JobKind kind() {
    return JobKind.SHEET;
  }

  @Override
  public void run(Job job) {
    try {
      judgements.view(job.holding(), UUID.fromString(job.subject()));
    } catch (Problem cannot) {
      LOG.debug("run {} cannot be judged: {}", job.subject(), cannot.getMessage());
    }
    job.finish(null);
  }
}
