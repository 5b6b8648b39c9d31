package nightbank.standins.mail;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.OutputStream;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;

/**
 * A mail server on loopback that takes every letter (SMTP, RFC 5321, the least of it) and hands
 * none on: letters lie in a folder, one file each, and in memory.
 */
public final class MailBox implements AutoCloseable {
  private static final int SILENCE = 20_000; // ms
  private static final int LARGEST = 1 << 20; // letters of one letter

  private final ServerSocket door;
  private final Path folder;
  private final List<String> letters = new CopyOnWriteArrayList<>();
  private volatile boolean refuses;

  public MailBox(int port, Path folder) throws IOException {
    this.folder = folder;
    Files.createDirectories(folder);
    door = new ServerSocket(port, 20, InetAddress.getLoopbackAddress());
    Thread t = new Thread(this::serve, "mail");
    t.setDaemon(true);
    t.start();
  }

  /** Usage: MailBox PORT FOLDER. */
  public static void main(String[] args) throws Exception {
    MailBox box = new MailBox(Integer.parseInt(args[0]), Path.of(args[1]));
    System.out.println("mail on port " + box.port());
    Thread.currentThread().join();
  }

  public int port() {
    return door.getLocalPort();
  }

  /** All that came, header and text, oldest first. */
  public List<String> letters() {
    return List.copyOf(letters);
  }

  /** From now on letters are refused for a while, or no longer. */
  public void refuse(boolean refuses) {
    this.refuses = refuses;
  }

  private void serve() {
    while (!door.isClosed()) {
      try {
        Socket s = door.accept();
        Thread t = new Thread(() -> talk(s), "mail-talk");
        t.setDaemon(true);
        t.start();
      } catch (IOException closed) {
        return;
      }
    }
  }

  private void talk(Socket socket) {
    try (socket) {
      socket.setSoTimeout(SILENCE);
      BufferedReader in =
          new BufferedReader(
              new InputStreamReader(socket.getInputStream(), StandardCharsets.ISO_8859_1));
      OutputStream out = socket.getOutputStream();
      say(out, "220 stand-in");
      for (String line = in.readLine(); line != null; line = in.readLine()) {
        String verb = line.split(" ", 2)[0].toUpperCase(java.util.Locale.ROOT);
        switch (verb) {
          case "EHLO", "HELO" -> say(out, "250 stand-in");
          case "MAIL" -> say(out, refuses ? "451 try again later" : "250 ok");
          case "DATA" -> {
            say(out, "354 go on");
            keep(letter(in));
            say(out, "250 kept");
          }
          case "QUIT" -> {
            say(out, "221 bye");
            return;
          }
          default -> say(out, "250 ok");
        }
      }
    } catch (IOException gone) {
      // whoever hung up will come again
    }
  }

  private static String letter(BufferedReader in) throws IOException {
    StringBuilder text = new StringBuilder();
    for (String line = in.readLine(); line != null && !line.equals("."); line = in.readLine()) {
      text.append(line.startsWith("..") ? line.substring(1) : line).append('\n');
      if (text.length() > LARGEST) {
        throw new IOException("too long");
      }
    }
    return text.toString();
  }

  private synchronized void keep(String letter) throws IOException {
    letters.add(letter);
    Path file = folder.resolve("%04d.eml".formatted(letters.size()));
    Files.writeString(file, letter, StandardCharsets.ISO_8859_1);
  }

  private static void say(OutputStream out, String line) throws IOException {
    out.write((line + "\r\n").getBytes(StandardCharsets.US_ASCII));
    out.flush();
  }

  @Override
  public void close() throws IOException {
    door.close();
  }
}
