package nightbank.server.home;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.io.InputStream;
import java.net.ConnectException;
import java.net.Inet4Address;
import java.net.InetAddress;
import java.net.NetworkInterface;
import java.net.ServerSocket;
import java.net.Socket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.KeyStore;
import java.security.cert.CertificateFactory;
import javax.net.ssl.SSLContext;
import javax.net.ssl.SSLHandshakeException;
import javax.net.ssl.TrustManagerFactory;
import nightbank.server.Grounds;
import nightbank.server.Program;
import org.testng.SkipException;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** From the home network by TLS with a certificate of one's own, and in no other way. */
public class HomeTest {
  private Program program;
  private Path tls;
  private int port;
  private HttpClient phone;

  @BeforeClass
  void start() throws Exception {
    tls = Files.createTempDirectory("nightbank-tls");
    certificate();
    port = freePort();
    program =
        Program.start(
            "",
            "--nightbank.home.port=" + port,
            "--nightbank.home.certificate=" + tls.resolve("home.crt"),
            "--nightbank.home.key=" + tls.resolve("home.key"),
            "--nightbank.home.root=" + tls.resolve("root.crt"));
    phone = HttpClient.newBuilder().sslContext(trusting(tls.resolve("root.crt"))).build();
  }

  @AfterClass(alwaysRun = true)
  void end() {
    program.stopProgram();
    program.stopDatabase();
  }

  private void certificate() throws IOException, InterruptedException {
    assertThat(
            new ProcessBuilder("bash", Program.root() + "/tools/home.sh", tls.toString())
                .start()
                .waitFor())
        .isZero();
  }

  private static int freePort() throws IOException {
    try (ServerSocket s = new ServerSocket(0)) {
      return s.getLocalPort();
    }
  }

  private static SSLContext trusting(Path root) throws Exception {
    KeyStore known = KeyStore.getInstance(KeyStore.getDefaultType());
    known.load(null, null);
    try (InputStream in = Files.newInputStream(root)) {
      known.setCertificateEntry(
          "root", CertificateFactory.getInstance("X.509").generateCertificate(in));
    }
    TrustManagerFactory trust =
        TrustManagerFactory.getInstance(TrustManagerFactory.getDefaultAlgorithm());
    trust.init(known);
    SSLContext context = SSLContext.getInstance("TLS");
    context.init(null, trust.getTrustManagers(), null);
    return context;
  }

  private HttpResponse<String> get(HttpClient who, String address)
      throws IOException, InterruptedException {
    return who.send(
        HttpRequest.newBuilder(URI.create(address)).build(), HttpResponse.BodyHandlers.ofString());
  }

  private static InetAddress ofTheNetwork() throws IOException {
    return NetworkInterface.networkInterfaces()
        .flatMap(NetworkInterface::inetAddresses)
        .filter(a -> a instanceof Inet4Address && !a.isLoopbackAddress())
        .findFirst()
        .orElseThrow(() -> new SkipException("this machine is in no network"));
  }

  @Test
  public void aPhoneThatKnowsTheRootIsLetInWithCookiesThatOnlyTlsCarries() throws Exception {
    String address = "https://" + ofTheNetwork().getHostAddress() + ":" + port;
    HttpResponse<String> me = get(phone, address + "/api/me");
    assertThat(me.statusCode()).isEqualTo(200);
    assertThat(me.headers().allValues("Set-Cookie"))
        .isNotEmpty()
        .allSatisfy(c -> assertThat(c).contains("Secure"));
    assertThat(me.headers().firstValue("Strict-Transport-Security")).isPresent();
  }

  private HttpResponse<String> forwarded(String address) throws Exception {
    return phone.send(
        HttpRequest.newBuilder(URI.create(address + "/api/me"))
            .header("X-Forwarded-Proto", "https")
            .header("X-Forwarded-For", "203.0.113.7")
            .build(),
        HttpResponse.BodyHandlers.ofString());
  }

  @Test
  public void whatStandsInFrontOnThisMachineMaySayThatItSpokeTls() throws Exception {
    HttpResponse<String> behind = forwarded(program.address());
    assertThat(behind.headers().allValues("Set-Cookie"))
        .isNotEmpty()
        .allSatisfy(c -> assertThat(c).contains("Secure"));
    assertThat(get(phone, program.address() + "/api/me").headers().allValues("Set-Cookie"))
        .isNotEmpty()
        .allSatisfy(c -> assertThat(c).doesNotContain("Secure"));
  }

  @Test
  public void aPhoneThatDoesNotKnowTheRootIsWarned() {
    assertThatThrownBy(
            () -> get(HttpClient.newHttpClient(), "https://127.0.0.1:" + port + "/api/me"))
        .isInstanceOf(SSLHandshakeException.class);
  }

  @Test
  public void nothingIsSaidInTheClearOutsideOfLoopback() throws Exception {
    String plain = program.address().replace("127.0.0.1", ofTheNetwork().getHostAddress());
    assertThatThrownBy(() -> get(HttpClient.newHttpClient(), plain + "/api/me"))
        .isInstanceOf(ConnectException.class);
    try (Socket s = new Socket(ofTheNetwork(), port)) {
      s.getOutputStream().write("GET /api/me HTTP/1.1\r\nHost: x\r\n\r\n".getBytes());
      assertThat(new String(s.getInputStream().readAllBytes())).doesNotContain("beginNeeded");
    }
  }

  @Test
  public void theRootIsHandedToAnybodyAndTheDoorsToPeople() throws Exception {
    assertThat(get(phone, "https://127.0.0.1:" + port + "/root.crt").body())
        .isEqualTo(Files.readString(tls.resolve("root.crt")));
    assertThat(get(phone, "https://127.0.0.1:" + port + "/api/home").statusCode()).isEqualTo(401);
    Grounds own = Grounds.fresh(program);
    assertThat(own.keeper.get("/api/home").body().path("doors").path(0).path("address").asString())
        .isEqualTo("https://" + ofTheNetwork().getHostAddress() + ":" + port);
  }

  @Test
  public void aCertificateThatStillServesIsKept() throws Exception {
    String before = Files.readString(tls.resolve("home.crt"));
    certificate();
    assertThat(Files.readString(tls.resolve("home.crt"))).isEqualTo(before);
    Files.writeString(tls.resolve("names"), "DNS:elsewhere");
    String root = Files.readString(tls.resolve("root.crt"));
    certificate();
    assertThat(Files.readString(tls.resolve("home.crt"))).isNotEqualTo(before);
    assertThat(Files.readString(tls.resolve("root.crt"))).isEqualTo(root);
  }

  /** A machine that moved: its authority may not vouch for what it is called now. */
  @Test
  public void whereTheAuthorityMayNotVouchForANewNameThereIsANewOne() throws Exception {
    Path moved = Files.createTempDirectory("nightbank-moved");
    Path called = moved.resolve("hostname");
    for (String name : new String[] {"shed", "barn"}) {
      Files.writeString(
          called, "#!/bin/sh\n[ \"$1\" = -I ] && echo 10.1.2.3 || echo " + name + "\n");
      assertThat(called.toFile().setExecutable(true)).isTrue();
      ProcessBuilder made =
          new ProcessBuilder("bash", Program.root() + "/tools/home.sh", moved.toString());
      made.environment().merge("PATH", moved.toString(), (path, first) -> first + ":" + path);
      assertThat(made.start().waitFor()).isZero();
      assertThat(
              new ProcessBuilder(
                      "openssl",
                      "verify",
                      "-CAfile",
                      moved.resolve("root.crt").toString(),
                      moved.resolve("home.crt").toString())
                  .start()
                  .waitFor())
          .as("as " + name)
          .isZero();
    }
  }
}
