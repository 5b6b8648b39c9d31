package nightbank.server.export;

import java.util.UUID;
import nightbank.server.job.JobView;

/**
 * A file that is being written, or has been.
 *
 * @param readings written so far
 * @param of to be written, 0 before they are counted
 * @param problem why there is none, empty where there is or may be one
 */
public record HandoutView(UUID id, JobView.State state, long readings, long of, String problem) {}
