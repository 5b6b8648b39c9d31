package nightbank.server.book;

/** A holding's book with its version; 0 before anything was written. */
public record BookView(int version, Book book) {}
