package nightbank.server.log.internal;

import java.io.IOException;
import java.io.InputStream;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import nightbank.server.account.Access;
import nightbank.server.account.Role;
import nightbank.server.log.Photos;
import nightbank.server.log.RoundDraft;
import nightbank.server.log.RoundView;
import nightbank.server.log.Rounds;
import nightbank.server.log.WalkDraft;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Rounds, the walk and photos over HTTP. */
@RestController
@RequestMapping("/api/holdings/{holdingId}")
class RoundController {
  private static final int MOST_BYTES = 1_500_001; // one more than is kept, so that more is seen

  private final Rounds rounds;
  private final Photos photos;
  private final Access access;

  RoundController(Rounds rounds, Photos photos, Access access) {
    this.rounds = rounds;
    this.photos = photos;
    this.access = access;
  }

  @GetMapping("/rounds")
  List<RoundView> latest(
      @PathVariable UUID holdingId, @RequestParam(defaultValue = "20") int most) {
    access.require(holdingId, Role.GUEST);
    return rounds.latest(holdingId, most);
  }

  @PutMapping("/rounds/{roundId}")
  RoundView keep(
      @PathVariable UUID holdingId, @PathVariable UUID roundId, @RequestBody RoundDraft draft) {
    access.require(holdingId, Role.HELPER);
    UUID person = access.signedIn().orElseThrow().personId();
    return rounds.keep(holdingId, person, roundId, draft);
  }

  @DeleteMapping("/rounds/{roundId}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void remove(@PathVariable UUID holdingId, @PathVariable UUID roundId) {
    access.require(holdingId, Role.HELPER);
    rounds.remove(holdingId, roundId);
  }

  @DeleteMapping("/photos/{photoId}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void removePhoto(@PathVariable UUID holdingId, @PathVariable UUID photoId) {
    access.require(holdingId, Role.HELPER);
    photos.remove(holdingId, photoId);
  }

  @GetMapping("/walk")
  List<UUID> walk(@PathVariable UUID holdingId) {
    access.require(holdingId, Role.GUEST);
    return rounds.walk(holdingId);
  }

  @PutMapping("/walk")
  List<UUID> setWalk(@PathVariable UUID holdingId, @RequestBody WalkDraft walk) {
    access.require(holdingId, Role.HELPER);
    return rounds.setWalk(holdingId, walk);
  }

  @GetMapping("/photos/{photoId}")
  ResponseEntity<byte[]> photo(@PathVariable UUID holdingId, @PathVariable UUID photoId) {
    access.require(holdingId, Role.GUEST);
    Photos.Photo photo = photos.get(holdingId, photoId);
    return ResponseEntity.ok().contentType(MediaType.valueOf(photo.kind())).body(photo.bytes());
  }

  @PutMapping(value = "/photos/{photoId}", consumes = "application/octet-stream")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void keepPhoto(
      @PathVariable UUID holdingId,
      @PathVariable UUID photoId,
      @RequestParam(required = false) UUID round,
      @RequestParam(required = false) Instant taken,
      InputStream body)
      throws IOException {
    access.require(holdingId, Role.HELPER);
    photos.keep(holdingId, photoId, round, taken, body.readNBytes(MOST_BYTES));
  }
}
