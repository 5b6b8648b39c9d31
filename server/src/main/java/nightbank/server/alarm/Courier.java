package nightbank.server.alarm;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.security.GeneralSecurityException;
import java.time.Duration;
import java.time.Instant;
import java.util.HexFormat;
import javax.crypto.Mac;
import javax.crypto.spec.SecretKeySpec;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.mail.MailException;
import org.springframework.mail.SimpleMailMessage;
import org.springframework.mail.javamail.JavaMailSender;
import org.springframework.stereotype.Component;

/** Carries messages out of the house: by e-mail, or posted as signed JSON. */
@Component
class Courier {
  private static final Duration PATIENCE = Duration.ofSeconds(8);

  private final @Nullable JavaMailSender mail;
  private final String from;
  private final HttpClient http =
      HttpClient.newBuilder()
          .connectTimeout(PATIENCE)
          .followRedirects(HttpClient.Redirect.NEVER)
          .build();

  Courier(
      ObjectProvider<JavaMailSender> mail,
      @Value("${nightbank.mail.from:night-bank@localhost}") String from) {
    this.mail = mail.getIfAvailable();
    this.from = from;
  }

  boolean hasMail() {
    return mail != null;
  }

  /**
   * Hands a letter to the mail server.
   *
   * @throws IOException when it does not take it
   */
  void mail(String to, String subject, String text) throws IOException {
    if (mail == null) {
      throw new IOException("no mail server is set");
    }
    SimpleMailMessage letter = new SimpleMailMessage();
    letter.setFrom(from);
    letter.setTo(to);
    letter.setSubject(subject);
    letter.setText(text);
    try {
      mail.send(letter);
    } catch (MailException e) {
      throw new IOException(brief(e), e);
    }
  }

  /**
   * Posts JSON, signed: {@code Nightbank-Signature: t=SECONDS,v1=HEX}, HMAC-SHA-256 by the secret
   * over the seconds since 1970, a full stop and the body.
   *
   * @throws IOException when it is not taken with 2xx
   */
  void post(String to, String secret, String json, Instant now)
      throws IOException, InterruptedException {
    String signature = sign(secret, now.getEpochSecond() + "." + json);
    HttpRequest request =
        HttpRequest.newBuilder(URI.create(to))
            .timeout(PATIENCE)
            .header("Content-Type", "application/json")
            .header("Nightbank-Signature", "t=" + now.getEpochSecond() + ",v1=" + signature)
            .POST(HttpRequest.BodyPublishers.ofString(json))
            .build();
    int status = http.send(request, HttpResponse.BodyHandlers.discarding()).statusCode();
    if (status / 100 != 2) {
      throw new IOException("answered " + status);
    }
  }

  static String sign(String secret, String what) {
    try {
      Mac mac = Mac.getInstance("HmacSHA256");
      mac.init(new SecretKeySpec(secret.getBytes(StandardCharsets.UTF_8), "HmacSHA256"));
      return HexFormat.of().formatHex(mac.doFinal(what.getBytes(StandardCharsets.UTF_8)));
    } catch (GeneralSecurityException e) {
      throw new IllegalStateException(e);
    }
  }

  private static String brief(Exception e) {
    String text = String.valueOf(e.getMessage()).lines().findFirst().orElse("");
    return text.length() > 200 ? text.substring(0, 200) : text;
  }
}
