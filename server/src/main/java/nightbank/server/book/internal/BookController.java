package nightbank.server.book.internal;

import java.util.UUID;
import nightbank.server.account.Access;
import nightbank.server.account.Role;
import nightbank.server.book.Book;
import nightbank.server.book.BookView;
import nightbank.server.book.Books;
import nightbank.server.shared.Versions;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** A holding's book over HTTP. */
@RestController
@RequestMapping("/api/holdings/{holdingId}/book")
class BookController {
  private final Books books;
  private final Access access;

  BookController(Books books, Access access) {
    this.books = books;
    this.access = access;
  }

  @GetMapping
  ResponseEntity<BookView> get(@PathVariable UUID holdingId) {
    access.require(holdingId, Role.GUEST);
    BookView view = books.get(holdingId);
    return Versions.tagged(view.version(), view);
  }

  @PutMapping
  ResponseEntity<BookView> change(
      @PathVariable UUID holdingId,
      @RequestHeader("If-Match") String ifMatch,
      @RequestBody Book book) {
    access.require(holdingId, Role.KEEPER);
    BookView view = books.change(holdingId, book, Versions.of(ifMatch));
    return Versions.tagged(view.version(), view);
  }
}
