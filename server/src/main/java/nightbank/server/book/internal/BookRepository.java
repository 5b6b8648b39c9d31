package nightbank.server.book.internal;

import static nightbank.db.Tables.HOLDING_BOOK;

import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import nightbank.server.book.Book;
import nightbank.server.book.BookView;
import nightbank.server.shared.Json;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** Books of holdings. */
@Repository
public class BookRepository {
  private final DSLContext db;
  private final Json json;

  BookRepository(DSLContext db, Json json) {
    this.db = db;
    this.json = json;
  }

  public Optional<BookView> find(UUID holding) {
    return db.selectFrom(HOLDING_BOOK)
        .where(HOLDING_BOOK.HOLDING_ID.eq(holding))
        .fetchOptional(r -> new BookView(r.getVersion(), json.read(r.getBook(), Book.class)));
  }

  /** Writes over a version; 0 for a book that has none yet. */
  public boolean save(UUID holding, Book book, int version, Instant now) {
    if (version == 0) {
      return db.insertInto(HOLDING_BOOK)
              .set(HOLDING_BOOK.HOLDING_ID, holding)
              .set(HOLDING_BOOK.BOOK, json.write(book))
              .set(HOLDING_BOOK.UPDATED_AT, now)
              .onConflictDoNothing()
              .execute()
          == 1;
    }
    return db.update(HOLDING_BOOK)
            .set(HOLDING_BOOK.BOOK, json.write(book))
            .set(HOLDING_BOOK.VERSION, HOLDING_BOOK.VERSION.plus(1))
            .set(HOLDING_BOOK.UPDATED_AT, now)
            .where(HOLDING_BOOK.HOLDING_ID.eq(holding))
            .and(HOLDING_BOOK.VERSION.eq(version))
            .execute()
        == 1;
  }
}
