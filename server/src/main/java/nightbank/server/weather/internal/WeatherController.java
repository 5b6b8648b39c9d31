package nightbank.server.weather.internal;

import java.io.IOException;
import java.util.UUID;
import nightbank.server.account.Access;
import nightbank.server.account.Role;
import nightbank.server.holding.Holdings;
import nightbank.server.loggerfile.WeatherFiles;
import nightbank.server.weather.Weathers;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/** Weather files over HTTP. */
@RestController
class WeatherController {
  private final Weathers weathers;
  private final WeatherFiles files;
  private final Holdings holdings;
  private final Access access;

  WeatherController(Weathers weathers, WeatherFiles files, Holdings holdings, Access access) {
    this.weathers = weathers;
    this.files = files;
    this.holdings = holdings;
    this.access = access;
  }

  @PostMapping(
      path = "/api/holdings/{holdingId}/weather",
      consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
  WeatherFiles.Read accept(@PathVariable UUID holdingId, @RequestPart("file") MultipartFile file)
      throws IOException {
    access.require(holdingId, Role.KEEPER);
    WeatherFiles.Read read = files.read(file.getInputStream(), holdings.get(holdingId).zone());
    weathers.keepFile(holdingId, read.hours());
    return read;
  }
}
