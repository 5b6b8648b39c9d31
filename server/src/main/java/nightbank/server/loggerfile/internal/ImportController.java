package nightbank.server.loggerfile.internal;

import java.io.IOException;
import java.util.List;
import java.util.UUID;
import nightbank.server.account.Access;
import nightbank.server.account.Role;
import nightbank.server.loggerfile.FileMapping;
import nightbank.server.loggerfile.ImportView;
import nightbank.server.loggerfile.Imports;
import nightbank.server.loggerfile.WatchedFolders;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/** Logger files over HTTP. */
@RestController
@RequestMapping("/api/holdings/{holdingId}")
class ImportController {
  private final Imports imports;
  private final WatchedFolders folders;
  private final Access access;

  ImportController(Imports imports, WatchedFolders folders, Access access) {
    this.imports = imports;
    this.folders = folders;
    this.access = access;
  }

  @PostMapping(path = "/stores/{storeId}/imports", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
  ImportView accept(
      @PathVariable UUID holdingId,
      @PathVariable UUID storeId,
      @RequestPart("file") MultipartFile file)
      throws IOException {
    access.require(holdingId, Role.KEEPER);
    return imports.accept(holdingId, storeId, file.getOriginalFilename(), file.getInputStream());
  }

  @GetMapping("/stores/{storeId}/watched")
  WatchedFolders.WatchedFolder watched(@PathVariable UUID holdingId, @PathVariable UUID storeId) {
    access.require(holdingId, Role.KEEPER);
    return folders.of(holdingId, storeId);
  }

  @PutMapping("/stores/{storeId}/watched")
  WatchedFolders.WatchedFolder watch(@PathVariable UUID holdingId, @PathVariable UUID storeId) {
    access.require(holdingId, Role.KEEPER);
    return folders.watch(holdingId, storeId);
  }

  @GetMapping("/imports/{importId}")
  ImportView view(@PathVariable UUID holdingId, @PathVariable UUID importId) {
    access.require(holdingId, Role.GUEST);
    return imports.view(holdingId, importId);
  }

  @PutMapping("/imports/{importId}/mapping")
  ImportView correct(
      @PathVariable UUID holdingId, @PathVariable UUID importId, @RequestBody FileMapping mapping) {
    access.require(holdingId, Role.KEEPER);
    return imports.correct(holdingId, importId, mapping);
  }

  @PostMapping("/imports/{importId}/start")
  ImportView start(@PathVariable UUID holdingId, @PathVariable UUID importId) {
    access.require(holdingId, Role.KEEPER);
    return imports.start(holdingId, importId);
  }

  @PostMapping("/imports/{importId}/stop")
  ImportView stop(@PathVariable UUID holdingId, @PathVariable UUID importId) {
    access.require(holdingId, Role.KEEPER);
    return imports.stop(holdingId, importId);
  }

  @GetMapping("/stores/{storeId}/imports")
  List<Imports.ReadIn> readIn(@PathVariable UUID holdingId, @PathVariable UUID storeId) {
    access.require(holdingId, Role.GUEST);
    return imports.readIn(holdingId, storeId);
  }

  /** Takes out what the file brought; it can be put back for thirty days. */
  @DeleteMapping("/imports/{importId}")
  ImportView takeOut(@PathVariable UUID holdingId, @PathVariable UUID importId) {
    access.require(holdingId, Role.KEEPER);
    return imports.takeOut(holdingId, importId);
  }

  @GetMapping("/imports/{importId}/left-out")
  List<ImportView.LeftOut> leftOut(@PathVariable UUID holdingId, @PathVariable UUID importId) {
    access.require(holdingId, Role.GUEST);
    return imports.leftOut(holdingId, importId);
  }
}
