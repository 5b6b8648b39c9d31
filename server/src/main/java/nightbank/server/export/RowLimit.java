package nightbank.server.export;

import java.io.FilterInputStream;
import java.io.IOException;
import java.io.InputStream;

/** Of a file that is read row by row: no row is longer than it may be, so none fills the memory. */
final class RowLimit extends FilterInputStream {
  private static final int AHEAD = 16_384; // what the parser has read of the next row already

  private long most = Long.MAX_VALUE;
  private long left = Long.MAX_VALUE;

  RowLimit(InputStream in) {
    super(in);
  }

  /** It has more bytes than it may have. */
  static final class Passed extends RuntimeException {
    private static final long serialVersionUID = 1L;
    final long most;

    Passed(long most) {
      super(null, null, false, false);
      this.most = most;
    }
  }

  /** A row begins here that has so many bytes at the most. */
  void next(long bytes) {
    most = bytes;
    left = bytes + AHEAD;
  }

  @Override
  public int read() throws IOException {
    return spent(super.read(), 1);
  }

  @Override
  public int read(byte[] target, int from, int length) throws IOException {
    int n = super.read(target, from, length);
    return spent(n, Math.max(0, n));
  }

  private int spent(int read, int bytes) {
    left -= bytes;
    if (left < 0) {
      throw new Passed(most);
    }
    return read;
  }
}
