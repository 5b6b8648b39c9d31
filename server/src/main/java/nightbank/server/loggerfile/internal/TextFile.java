package nightbank.server.loggerfile.internal;

import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.Reader;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import nightbank.server.shared.Problem;

/** Whether bytes are text, and in which alphabet. */
final class TextFile {
  private static final int LOOK = 64 * 1024;

  private TextFile() {}

  /**
   * @param begin of the file, at least its first 64 kB where it has as much
   */
  static Charset charset(byte[] begin) {
    byte[] head = begin.length > LOOK ? Arrays.copyOf(begin, LOOK) : begin;
    if (head.length == 0) {
      throw refuse("The file is empty.", "Export it from the logger again.");
    }
    if (starts(head, 0x50, 0x4b) || starts(head, 0x1f, 0x8b) || starts(head, 0x37, 0x7a, 0xbc)) {
      throw refuse(
          "This is a packed file or a workbook, not text.",
          "Unpack it, or save the sheet as CSV, and choose that file.");
    }
    if (starts(head, 0xff, 0xfe) || starts(head, 0xfe, 0xff)) {
      return StandardCharsets.UTF_16;
    }
    int zerosEven = 0;
    int zerosOdd = 0;
    int odd = 0;
    for (int i = 0; i < head.length; i++) {
      if (head[i] == 0) {
        if (i % 2 == 0) {
          zerosEven++;
        } else {
          zerosOdd++;
        }
      } else if (head[i] > 0 && head[i] < 9 || head[i] > 13 && head[i] < 27) {
        odd++;
      }
    }
    if (zerosOdd > head.length / 4 && zerosEven < head.length / 50) {
      return StandardCharsets.UTF_16LE;
    }
    if (zerosEven > head.length / 4 && zerosOdd < head.length / 50) {
      return StandardCharsets.UTF_16BE;
    }
    if (zerosEven + zerosOdd > 0 || odd > head.length / 100) {
      throw refuse(
          "This is not a text file.", "Export the readings as CSV or text and choose that file.");
    }
    return isUtf8(head) ? StandardCharsets.UTF_8 : Charset.forName("windows-1252");
  }

  private static boolean isUtf8(byte[] head) {
    int whole = head.length;
    if (whole == LOOK) { // a letter may be cut at the end of the look
      while (whole > LOOK - 4 && (head[whole - 1] & 0xc0) == 0x80) {
        whole--;
      }
      whole--;
    }
    try {
      StandardCharsets.UTF_8
          .newDecoder()
          .onMalformedInput(CodingErrorAction.REPORT)
          .decode(ByteBuffer.wrap(head, 0, whole));
      return true;
    } catch (CharacterCodingException e) {
      return false;
    }
  }

  private static boolean starts(byte[] head, int... bytes) {
    for (int i = 0; i < bytes.length; i++) {
      if (head.length <= i || (head[i] & 0xff) != bytes[i]) {
        return false;
      }
    }
    return true;
  }

  /** The file's letters, its byte-order mark left out; what cannot be read becomes a mark. */
  static Reader reader(InputStream in, Charset charset) throws IOException {
    BufferedInputStream buffered = new BufferedInputStream(in, 1 << 16);
    buffered.mark(4);
    byte[] first = buffered.readNBytes(3);
    buffered.reset();
    if (starts(first, 0xef, 0xbb, 0xbf)) {
      buffered.skipNBytes(3);
    }
    return new java.io.InputStreamReader(
        buffered,
        charset
            .newDecoder()
            .onMalformedInput(CodingErrorAction.REPLACE)
            .onUnmappableCharacter(CodingErrorAction.REPLACE));
  }

  private static Problem refuse(String reason, String remedy) {
    return Problem.invalid("file", reason, remedy);
  }
}
