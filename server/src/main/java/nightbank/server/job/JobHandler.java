package nightbank.server.job;

/** Does one kind of work. */
public interface JobHandler {
  JobKind kind();

  /**
   * Does it, from the beginning: it may have been begun before by a node that is gone. What it
   * keeps is kept together with {@link Job#finish}, so that it is never done twice.
   *
   * @throws JobStopped when somebody stopped it, or another node has taken it over
   */
  void run(Job job) throws Exception;
}
