package nightbank.server.device;

import java.util.List;

/**
 * What became of a pack; sent again, the same adds nothing.
 *
 * @param known readings that were there before
 */
public record DeviceReceipt(int added, int known, List<LeftOutRecord> leftOut) {
  /** A record that was left out. */
  public record LeftOutRecord(int index, String reason) {}
}
