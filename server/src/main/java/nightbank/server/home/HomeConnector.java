package nightbank.server.home;

import org.apache.catalina.connector.Connector;
import org.apache.coyote.http11.Http11NioProtocol;
import org.apache.tomcat.util.net.SSLHostConfig;
import org.apache.tomcat.util.net.SSLHostConfigCertificate;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.Compression;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.stereotype.Component;

/** A second door, on all addresses, with TLS; the one on loopback stays as it is. */
@Component
class HomeConnector implements WebServerFactoryCustomizer<TomcatServletWebServerFactory> {
  private static final int SILENCE = 20_000; // ms
  private static final int KEPT_OPEN = 30_000; // ms
  private static final int MOST_UNREAD = 210 << 20; // bytes

  private final HomeSettings settings;

  HomeConnector(HomeSettings settings) {
    this.settings = settings;
  }

  @Override
  public void customize(TomcatServletWebServerFactory factory) {
    if (settings.certificate() == null || settings.key() == null) {
      return;
    }
    SSLHostConfig host = new SSLHostConfig();
    host.setProtocols("TLSv1.2+TLSv1.3");
    SSLHostConfigCertificate own =
        new SSLHostConfigCertificate(host, SSLHostConfigCertificate.Type.UNDEFINED);
    own.setCertificateFile(settings.certificate().toAbsolutePath().toString());
    own.setCertificateKeyFile(settings.key().toAbsolutePath().toString());
    host.addCertificate(own);
    Connector door = new Connector(Http11NioProtocol.class.getName());
    door.setPort(settings.port());
    door.setScheme("https");
    door.setSecure(true);
    door.addSslHostConfig(host);
    Http11NioProtocol protocol = (Http11NioProtocol) door.getProtocolHandler();
    protocol.setSSLEnabled(true);
    protocol.setConnectionTimeout(SILENCE);
    protocol.setKeepAliveTimeout(KEPT_OPEN);
    protocol.setMaxSwallowSize(MOST_UNREAD);
    Compression small = factory.getCompression();
    if (small != null && small.getEnabled()) {
      protocol.setCompression("on");
      protocol.setCompressibleMimeType(String.join(",", small.getMimeTypes()));
    }
    factory.addAdditionalConnectors(door);
  }
}
