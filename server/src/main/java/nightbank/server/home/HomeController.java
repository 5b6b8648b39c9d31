package nightbank.server.home;

import com.google.zxing.BarcodeFormat;
import com.google.zxing.WriterException;
import com.google.zxing.common.BitMatrix;
import com.google.zxing.qrcode.QRCodeWriter;
import java.io.IOException;
import java.nio.file.Files;
import java.util.List;
import nightbank.server.shared.Problem;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

/** Where the home network reaches the program, and the certificate that phones must know for it. */
@RestController
class HomeController {
  private final HomeSettings settings;
  private final Doors doors;

  HomeController(HomeSettings settings, Doors doors) {
    this.settings = settings;
    this.doors = doors;
  }

  /**
   * An address for phones.
   *
   * @param code the same as squares that a phone's camera reads: an SVG path in units of a square
   * @param size squares each way
   */
  record DoorView(String address, String code, int size) {}

  /** Empty where it listens on loopback only. */
  record HomeView(List<DoorView> doors, boolean ownRoot) {}

  @GetMapping("/api/home")
  HomeView home() {
    if (!settings.isOn()) {
      return new HomeView(List.of(), false);
    }
    List<DoorView> doors = this.doors.home().stream().map(HomeController::door).toList();
    return new HomeView(doors, settings.root() != null);
  }

  private static DoorView door(String address) {
    try {
      BitMatrix squares = new QRCodeWriter().encode(address, BarcodeFormat.QR_CODE, 0, 0);
      StringBuilder path = new StringBuilder();
      for (int y = 0; y < squares.getHeight(); y++) {
        for (int x = 0; x < squares.getWidth(); x++) {
          if (squares.get(x, y)) {
            path.append('M').append(x).append(' ').append(y).append("h1v1h-1z");
          }
        }
      }
      return new DoorView(address, path.toString(), squares.getWidth());
    } catch (WriterException e) {
      throw new IllegalStateException(e);
    }
  }

  /** For anybody: a phone fetches it before it trusts anything else. */
  @GetMapping("/root.crt")
  ResponseEntity<byte[]> root() throws IOException {
    if (settings.root() == null) {
      throw Problem.notFound("certificate");
    }
    return ResponseEntity.ok()
        .header(HttpHeaders.CONTENT_TYPE, "application/x-x509-ca-cert")
        .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"night-bank-root.crt\"")
        .body(Files.readAllBytes(settings.root()));
  }
}
