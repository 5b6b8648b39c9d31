package nightbank.standins.logger;

import java.io.ByteArrayOutputStream;
import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.EOFException;
import java.io.IOException;
import java.net.InetAddress;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.util.Locale;
import java.util.Random;

/**
 * A cheap sensor that tells a broker what it measures: MQTT 3.1.1, no clock, a plain number on a
 * topic of its own, or an object with what else it knows.
 */
public final class BrokerSensor implements AutoCloseable {
  private static final int PACE = 15; // s
  private static final int CONNECT = 0x10;
  private static final int PUBLISH = 0x30;
  private static final int PUBLISH_ACKNOWLEDGED = 0x32;
  private static final int RETAIN = 0x01;
  private static final int SUBSCRIBE = 0x82;
  private static final int ALIVE = 120; // s

  private final Socket socket;
  private final DataInputStream in;
  private final DataOutputStream out;
  private int number;

  /**
   * Sends a cold frame's air and soil until it is ended.
   *
   * @param args port of the broker on this machine
   */
  public static void main(String[] args) throws IOException, InterruptedException {
    Random random = new Random(7);
    double soil = 4.2;
    try (BrokerSensor sensor = at(Integer.parseInt(args[0]), "cold-frame", "", "")) {
      for (int n = 0; n < Integer.MAX_VALUE; n++) {
        double air = 2.5 + 2 * Math.sin(n / 90.0) + 0.1 * random.nextGaussian();
        soil += 0.002 * (air - soil);
        sensor.say("frames/cold/air", String.format(Locale.ROOT, "%.2f", air), false, false);
        String more = String.format(Locale.ROOT, "{\"soil\":%.2f,\"battery\":87}", soil);
        sensor.say("frames/cold", more, false, false);
        Thread.sleep(PACE * 1000L);
      }
    }
  }

  private BrokerSensor(Socket socket) throws IOException {
    this.socket = socket;
    in = new DataInputStream(socket.getInputStream());
    out = new DataOutputStream(socket.getOutputStream());
  }

  /** Comes in at a broker of this machine; a blank login shows none. */
  public static BrokerSensor at(int port, String id, String login, String password)
      throws IOException {
    Socket socket = new Socket(InetAddress.getLoopbackAddress(), port);
    socket.setSoTimeout(20_000);
    BrokerSensor sensor = new BrokerSensor(socket);
    ByteArrayOutputStream body = new ByteArrayOutputStream();
    DataOutputStream to = new DataOutputStream(body);
    to.writeUTF("MQTT");
    to.writeByte(4);
    to.writeByte(login.isEmpty() ? 0x02 : 0xC2);
    to.writeShort(ALIVE);
    to.writeUTF(id);
    if (!login.isEmpty()) {
      to.writeUTF(login);
      to.writeUTF(password);
    }
    sensor.send(CONNECT, body.toByteArray());
    byte[] answer = sensor.receive();
    if (answer[1] != 0) {
      throw new IOException("the broker does not let it in: " + answer[1]);
    }
    return sensor;
  }

  /**
   * Says something; with an answer asked for, returns when the broker has it.
   *
   * @param kept whether the broker keeps it for whoever comes
   */
  public void say(String topic, String what, boolean answered, boolean kept) throws IOException {
    ByteArrayOutputStream body = new ByteArrayOutputStream();
    DataOutputStream to = new DataOutputStream(body);
    to.writeUTF(topic);
    if (answered) {
      to.writeShort(++number);
    }
    to.write(what.getBytes(StandardCharsets.UTF_8));
    send((answered ? PUBLISH_ACKNOWLEDGED : PUBLISH) | (kept ? RETAIN : 0), body.toByteArray());
    if (answered) {
      receive();
    }
  }

  /** Asks for a topic and returns the next thing that is said there. */
  public String hear(String topic) throws IOException {
    ByteArrayOutputStream body = new ByteArrayOutputStream();
    DataOutputStream to = new DataOutputStream(body);
    to.writeShort(++number);
    to.writeUTF(topic);
    to.writeByte(0);
    send(SUBSCRIBE, body.toByteArray());
    receive();
    byte[] said = receive();
    int topicLength = (said[0] & 0xFF) << 8 | said[1] & 0xFF;
    int from = 2 + topicLength;
    return new String(said, from, said.length - from, StandardCharsets.UTF_8);
  }

  private void send(int kind, byte[] body) throws IOException {
    out.writeByte(kind);
    int left = body.length;
    do {
      int seven = left & 0x7F;
      left >>= 7;
      out.writeByte(left > 0 ? seven | 0x80 : seven);
    } while (left > 0);
    out.write(body);
    out.flush();
  }

  private byte[] receive() throws IOException {
    in.readUnsignedByte();
    int length = 0;
    int shift = 0;
    int seven;
    do {
      seven = in.readUnsignedByte();
      length |= (seven & 0x7F) << shift;
      shift += 7;
    } while ((seven & 0x80) != 0);
    byte[] body = in.readNBytes(length);
    if (body.length < length) {
      throw new EOFException();
    }
    return body;
  }

  @Override
  public void close() throws IOException {
    socket.close();
  }
}
