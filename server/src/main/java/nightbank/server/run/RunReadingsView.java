package nightbank.server.run;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What was read in a run, cleaned and brought to even moments, while it is judged. Moments are
 * epoch seconds, temperatures °C; rows share {@code at} and hold null where nothing was measured.
 *
 * @param probes without what a model has of them
 * @param air empty where none was read
 */
public record RunReadingsView(
    RunView run,
    String storeName,
    List<Long> at,
    List<JudgementView.Curve> probes,
    List<@Nullable Double> air) {}
