package nightbank.server.job;

import java.util.concurrent.CancellationException;

/** Somebody has stopped this work, or it is another node's now. */
public class JobStopped extends CancellationException {
  private static final long serialVersionUID = 1L;
}
