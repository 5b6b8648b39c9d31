package nightbank.core.internal;

import java.lang.reflect.Array;
import java.lang.reflect.RecordComponent;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Instant;
import java.util.Arrays;
import java.util.Collection;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SortedSet;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * SHA-256 of a value in one canonical form: records by their components' names and values in order,
 * lists in order, sets and maps sorted, numbers by their bits. Equal values have equal prints in
 * any process; what has no canonical form is refused.
 */
public final class Fingerprint {
  private final MessageDigest digest;

  private Fingerprint() {
    try {
      digest = MessageDigest.getInstance("SHA-256");
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException(e);
    }
  }

  /**
   * Of some values in this order.
   *
   * @throws IllegalArgumentException for a value that is neither a record, a collection, an array,
   *     text, a number, an id, a moment, an enum nor an {@link Optional}
   */
  public static String of(Object... values) {
    Fingerprint f = new Fingerprint();
    f.put(Arrays.asList(values));
    return HexFormat.of().formatHex(f.digest.digest());
  }

  private void put(@Nullable Object value) {
    if (value == null) {
      tag('0');
    } else if (value instanceof Double d) {
      number('d', Double.doubleToLongBits(d == 0 ? 0.0 : d));
    } else if (value instanceof Long || value instanceof Integer) {
      number('l', ((Number) value).longValue());
    } else if (value instanceof Boolean b) {
      tag(b ? 't' : 'f');
    } else if (value instanceof String s) {
      text('s', s);
    } else if (value instanceof Enum<?> e) {
      text('e', e.name());
    } else if (value instanceof UUID || value instanceof Instant) {
      text('i', value.toString());
    } else if (value instanceof Optional<?> o) {
      put(o.isPresent() ? o.get() : null);
    } else if (value instanceof Record r) {
      record(r);
    } else if (value instanceof Map<?, ?> m) {
      var sorted = new TreeMap<String, Object>();
      m.forEach((k, v) -> sorted.put(key(k), v));
      number('m', sorted.size());
      sorted.forEach(
          (k, v) -> {
            text('s', k);
            put(v);
          });
    } else if (value instanceof Set<?> s) {
      SortedSet<String> sorted = new TreeSet<>();
      s.forEach(x -> sorted.add(key(x)));
      all('u', sorted);
    } else if (value instanceof List<?> l) {
      all('a', l);
    } else if (value.getClass().isArray()) {
      array(value);
    } else {
      throw new IllegalArgumentException(value.getClass() + " has no canonical form");
    }
  }

  private static String key(Object k) {
    if (k instanceof Enum<?> e) {
      return e.name();
    }
    if (k instanceof String || k instanceof Long) {
      return k.toString();
    }
    throw new IllegalArgumentException(k.getClass() + " is no key with a canonical form");
  }

  private void record(Record r) {
    text('r', r.getClass().getName());
    for (RecordComponent c : r.getClass().getRecordComponents()) {
      text('c', c.getName());
      put(value(r, c));
    }
  }

  private static Object value(Record r, RecordComponent c) {
    try {
      var accessor = c.getAccessor();
      accessor.setAccessible(true);
      return accessor.invoke(r);
    } catch (ReflectiveOperationException e) {
      throw new IllegalStateException(c + " cannot be read", e);
    }
  }

  private void all(char tag, Collection<?> values) {
    number(tag, values.size());
    values.forEach(this::put);
  }

  private void array(Object array) {
    int n = Array.getLength(array);
    number('a', n);
    ByteBuffer bytes = ByteBuffer.allocate(8 * n);
    if (array instanceof double[] d) {
      Arrays.stream(d).forEach(x -> bytes.putLong(Double.doubleToLongBits(x == 0 ? 0.0 : x)));
    } else if (array instanceof long[] l) {
      Arrays.stream(l).forEach(bytes::putLong);
    } else {
      throw new IllegalArgumentException(array.getClass() + " has no canonical form");
    }
    digest.update(bytes.flip());
  }

  private void tag(char tag) {
    digest.update((byte) tag);
  }

  private void number(char tag, long value) {
    tag(tag);
    digest.update(ByteBuffer.allocate(8).putLong(value).flip());
  }

  private void text(char tag, String text) {
    byte[] bytes = text.getBytes(StandardCharsets.UTF_8);
    number(tag, bytes.length);
    digest.update(bytes);
  }
}
